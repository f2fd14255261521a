<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * A shape that artwork flashes or draws with (Gerber layer format specification, sections 4.4 and 4.5): polygons about its own origin.
 *
 * @phpstan-import-type Contour from Paint
 */
final readonly class Aperture
{
    /**
     * @param non-empty-list<array{bool, Contour}> $pieces m, added or cut out in their order
     * @param ?float $width of the lines that it draws, m; null where it only flashes
     */
    public function __construct(public array $pieces, public ?float $width)
    {
    }

    /**
     * A standard aperture.
     *
     * @param string $kind C, R, O or P
     * @param list<float> $values of its definition: lengths in m, of a polygon corners and degrees
     * @throws BoardException
     */
    public static function standard(string $kind, array $values): self
    {
        $needs = ['C' => 1, 'R' => 2, 'O' => 2, 'P' => 2][$kind];
        if (count($values) < $needs || $values[0] < 0.0) {
            throw new BoardException(sprintf('aperture %s needs %d sizes, %d are given', $kind, $needs, count($values)));
        }
        $hole = $values[['C' => 1, 'R' => 2, 'O' => 2, 'P' => 3][$kind]] ?? 0.0;
        $outer = match ($kind) {
            'C' => Paint::circle(0.0, 0.0, $values[0]),
            'R' => Paint::rectangle(0.0, 0.0, $values[0], $values[1]),
            'O' => self::obround($values[0], $values[1]),
            default => self::polygon(0.0, 0.0, $values[0], (int) $values[1], $values[2] ?? 0.0),
        };
        $width = match ($kind) {
            'C' => $values[0],
            'R' => min($values[0], $values[1]),
            default => null,
        };

        return new self($hole > 0.0 ? [[true, $outer], [false, Paint::circle(0.0, 0.0, $hole)]] : [[true, $outer]], $width);
    }

    /** @return Contour a regular polygon by the diameter of the circle around it, m, and its turn in degrees */
    public static function polygon(float $x, float $y, float $diameter, int $corners, float $turn): array
    {
        $contour = [];
        for ($n = 0; $n < max(3, $corners); $n++) {
            $angle = deg2rad($turn) + 2.0 * M_PI * $n / max(3, $corners);
            $contour[] = [$x + 0.5 * $diameter * cos($angle), $y + 0.5 * $diameter * sin($angle)];
        }

        return $contour;
    }

    /** @return Contour a rectangle with half circles at its short ends */
    private static function obround(float $width, float $height): array
    {
        $end = Paint::circle(0.0, 0.0, min($width, $height));
        [$x, $y] = [0.5 * max(0.0, $width - $height), 0.5 * max(0.0, $height - $width)];

        return Paint::drawn($end, [-$x, -$y], [$x, $y]);
    }

    /** Mirrored, then turned and scaled, as the commands LM, LR and LS of artwork ask. */
    public function transformed(bool $mirrorX, bool $mirrorY, float $degrees, float $scale): self
    {
        if (! $mirrorX && ! $mirrorY && $degrees === 0.0 && $scale === 1.0) {
            return $this;
        }
        [$cos, $sin] = [$scale * cos(deg2rad($degrees)), $scale * sin(deg2rad($degrees))];
        $pieces = [];
        foreach ($this->pieces as [$adds, $contour]) {
            $moved = [];
            foreach ($contour as [$x, $y]) {
                [$u, $v] = [$mirrorX ? -$x : $x, $mirrorY ? -$y : $y];
                $moved[] = [$u * $cos - $v * $sin, $u * $sin + $v * $cos];
            }
            $pieces[] = [$adds, $moved];
        }

        return new self($pieces, $this->width === null ? null : $scale * $this->width);
    }

    /** @return non-empty-list<array{bool, Contour}> at a place */
    public function at(float $x, float $y): array
    {
        return array_map(fn (array $piece): array => [$piece[0], array_map(fn (array $point): array => [$point[0] + $x, $point[1] + $y], $piece[1])], $this->pieces);
    }
}
