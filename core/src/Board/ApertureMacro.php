<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * A shape of artwork made of primitives with arithmetic over its parameters (Gerber layer format specification, section 4.5).
 *
 * @phpstan-import-type Contour from Paint
 */
final readonly class ApertureMacro
{
    /** @param list<string> $blocks primitives and definitions of variables, as written */
    public function __construct(private string $name, private array $blocks)
    {
    }

    /**
     * @param list<float> $parameters $1, $2 and so on, in the unit of the file
     * @param float $unit m
     * @throws BoardException
     */
    public function aperture(array $parameters, float $unit): Aperture
    {
        $variables = [];
        foreach ($parameters as $n => $value) {
            $variables[$n + 1] = $value;
        }
        $pieces = [];
        foreach ($this->blocks as $block) {
            $block = trim($block);
            if ($block === '' || $block[0] === '0') {
                continue;
            }
            if (preg_match('/^\$(\d+)\s*=(.+)$/s', $block, $found) === 1) {
                $variables[(int) $found[1]] = $this->value($found[2], $variables);

                continue;
            }
            $values = array_map(fn (string $term): float => $this->value($term, $variables), explode(',', $block));
            array_push($pieces, ...$this->primitive((int) $values[0], array_slice($values, 1), $unit));
        }
        if ($pieces === []) {
            throw new BoardException(sprintf('aperture macro "%s" draws nothing', $this->name));
        }

        return new Aperture($pieces, null);
    }

    /**
     * @param list<float> $v after the code of the primitive
     * @return list<array{bool, Contour}>
     */
    private function primitive(int $code, array $v, float $unit): array
    {
        $needs = [1 => 4, 2 => 6, 20 => 6, 21 => 5, 4 => 8, 5 => 5, 7 => 5][$code] ?? throw new BoardException(sprintf('aperture macro "%s" uses primitive %d, which is not known; 1, 4, 5, 7, 20 and 21 are', $this->name, $code));
        if (count($v) < $needs) {
            throw new BoardException(sprintf('primitive %d of aperture macro "%s" has %d values, at least %d are needed', $code, $this->name, count($v), $needs));
        }
        if ($code === 7) {
            return self::thermal($v, $unit);
        }
        $on = $v[0] > 0.5;
        $contour = match ($code) {
            1 => Paint::circle($v[2], $v[3], $v[1]),
            2, 20 => self::line($v),
            21 => Paint::rectangle($v[3], $v[4], $v[1], $v[2]),
            4 => self::outline($v),
            default => Aperture::polygon($v[2], $v[3], $v[4], (int) $v[1], 0.0),
        };
        $turn = match ($code) {
            1 => $v[4] ?? 0.0,
            2, 20 => $v[6] ?? 0.0,
            21, 5 => $v[5] ?? 0.0,
            default => $v[2 * ((int) $v[1] + 1) + 2] ?? 0.0,
        };

        return [[$on, self::turned($contour, $turn, $unit)]];
    }

    /**
     * A ring with four gaps.
     *
     * @param list<float> $v middle, outer and inner diameter, gap, turn
     * @return list<array{bool, Contour}>
     */
    private static function thermal(array $v, float $unit): array
    {
        [$x, $y, $outer, $inner, $gap] = $v;
        $turn = $v[5] ?? 0.0;

        return [
            [true, self::turned(Paint::circle($x, $y, $outer), $turn, $unit)],
            [false, self::turned(Paint::circle($x, $y, $inner), $turn, $unit)],
            [false, self::turned(Paint::rectangle($x, $y, $outer * 1.01, $gap), $turn, $unit)],
            [false, self::turned(Paint::rectangle($x, $y, $gap, $outer * 1.01), $turn, $unit)],
        ];
    }

    /**
     * @param list<float> $v on, width, from x, y, to x, y
     * @return Contour
     */
    private static function line(array $v): array
    {
        [, $width, $x0, $y0, $x1, $y1] = $v;
        $length = max(hypot($x1 - $x0, $y1 - $y0), 1e-12);
        [$a, $b] = [-0.5 * $width * ($y1 - $y0) / $length, 0.5 * $width * ($x1 - $x0) / $length];

        return [[$x0 + $a, $y0 + $b], [$x0 - $a, $y0 - $b], [$x1 - $a, $y1 - $b], [$x1 + $a, $y1 + $b]];
    }

    /**
     * @param list<float> $v on, number of corners after the first, then x and y of each
     * @return Contour
     */
    private static function outline(array $v): array
    {
        $contour = [];
        for ($n = 0; $n <= (int) $v[1] && isset($v[3 + 2 * $n]); $n++) {
            $contour[] = [$v[2 + 2 * $n], $v[3 + 2 * $n]];
        }

        return $contour;
    }

    /**
     * @param Contour $contour in the unit of the file
     * @param float $degrees about the origin of the macro
     * @return Contour m
     */
    private static function turned(array $contour, float $degrees, float $unit): array
    {
        [$cos, $sin] = [$unit * cos(deg2rad($degrees)), $unit * sin(deg2rad($degrees))];

        return array_map(fn (array $p): array => [$p[0] * $cos - $p[1] * $sin, $p[0] * $sin + $p[1] * $cos], $contour);
    }

    /**
     * Sums and products (x or X is times) over numbers and variables.
     *
     * @param array<int, float> $variables
     */
    private function value(string $text, array $variables): float
    {
        preg_match_all('/\d*\.?\d+|\$\d+|[-+xX\/()]/', $text, $found);
        $tokens = $found[0];
        $value = $this->sum($tokens, $variables);
        if ($tokens !== []) {
            throw new BoardException(sprintf('"%s" in aperture macro "%s" is no sum or product of numbers and variables', trim($text), $this->name));
        }

        return $value;
    }

    /**
     * @param list<string> $tokens those that are read are taken off
     * @param array<int, float> $variables
     */
    private function sum(array &$tokens, array $variables): float
    {
        $sum = $this->product($tokens, $variables);
        while (in_array($tokens[0] ?? '', ['+', '-'], true)) {
            $sum += (array_shift($tokens) === '-' ? -1.0 : 1.0) * $this->product($tokens, $variables);
        }

        return $sum;
    }

    /**
     * @param list<string> $tokens
     * @param array<int, float> $variables
     */
    private function product(array &$tokens, array $variables): float
    {
        $product = $this->factor($tokens, $variables);
        while (in_array($tokens[0] ?? '', ['x', 'X', '/'], true)) {
            $divides = array_shift($tokens) === '/';
            $factor = $this->factor($tokens, $variables);
            if ($divides && $factor === 0.0) {
                throw new BoardException(sprintf('aperture macro "%s" divides by nothing', $this->name));
            }
            $product = $divides ? $product / $factor : $product * $factor;
        }

        return $product;
    }

    /**
     * @param list<string> $tokens
     * @param array<int, float> $variables
     */
    private function factor(array &$tokens, array $variables): float
    {
        $token = array_shift($tokens) ?? '';
        if ($token === '-' || $token === '+') {
            return ($token === '-' ? -1.0 : 1.0) * $this->factor($tokens, $variables);
        }
        if ($token === '(') {
            $value = $this->sum($tokens, $variables);
            array_shift($tokens);

            return $value;
        }

        return ($token[0] ?? '') === '$' ? $variables[(int) substr($token, 1)] ?? 0.0 : (float) $token;
    }
}
