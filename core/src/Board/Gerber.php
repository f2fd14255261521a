<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * Reads a layer of artwork in the open Gerber format (Gerber layer format specification, revision 2022.02: RS-274X with X2 attributes):
 * strokes, arcs, flashes, regions, aperture macros and blocks, steps and repeats, clear polarity, and names of nets.
 */
final class Gerber
{
    /** Longer files are no single layer of a board, bytes. */
    private const LONGEST = 60_000_000;

    private const INCH = 0.0254;

    /** @var list<Paint> */
    private array $paints = [];

    /** @var array<string, int> what was not understood, and how often */
    private array $notes = [];

    private ?float $narrowest = null;

    private ?string $function = null;

    /** Of numbers, m; null until the file says it. */
    private ?float $unit = null;

    /** @var array{int, bool} digits after the point, and whether zeros at the end are left out */
    private array $format = [6, false];

    private int $whole = 4;

    /** @var array<int, Aperture> */
    private array $apertures = [];

    /** @var array<int, list<Paint>> apertures that are blocks of paints */
    private array $blocks = [];

    /** @var array<string, ApertureMacro> */
    private array $macros = [];

    /** @var list<array{int, list<Paint>}> blocks that are open, with what was painted before each */
    private array $open = [];

    /** @var ?array{int, int, float, float, list<Paint>} repeats and distances along x and y, with what was painted before */
    private ?array $repeat = null;

    private ?int $aperture = null;

    /** @var array{float, float} m */
    private array $point = [0.0, 0.0];

    /** 1 straight, 2 clockwise, 3 counter-clockwise. */
    private int $mode = 1;

    private bool $single = false;

    private bool $dark = true;

    /** @var array{bool, bool, float, float} mirrored along x and y, turn in degrees, scale */
    private array $transform = [false, false, 0.0, 1.0];

    /** @var ?list<array{float, float}> contour of the region that is open */
    private ?array $region = null;

    private ?string $net = null;

    private int $operation = 0;

    private function __construct()
    {
    }

    /** @throws BoardException where the text is no artwork */
    public static function read(string $text): Artwork
    {
        if (strlen($text) > self::LONGEST) {
            throw new BoardException(sprintf('the artwork has %.0f MB; a layer has at most %.0f MB', strlen($text) / 1e6, self::LONGEST / 1e6));
        }
        if (! str_contains($text, '%') || preg_match('/%FS|%MO|%ADD|G04/', $text) !== 1) {
            throw new BoardException('this is no artwork in Gerber format: it states neither a format of numbers nor an aperture');
        }
        $reader = new self();
        $reader->statements($text);

        return new Artwork($reader->paints, $reader->narrowest, $reader->function, array_map(fn (string $note, int $times): string => $times > 1 ? "$note ($times times)" : $note, array_keys($reader->notes), $reader->notes));
    }

    private function statements(string $text): void
    {
        $text = str_replace(["\r", "\n"], '', $text);
        [$at, $length] = [0, strlen($text)];
        while ($at < $length) {
            if ($text[$at] === '%') {
                $end = strpos($text, '%', $at + 1);
                $end = $end === false ? $length : $end;
                $this->extended(explode('*', rtrim(substr($text, $at + 1, $end - $at - 1), '*')));
                $at = $end + 1;

                continue;
            }
            $end = strpos($text, '*', $at);
            $end = $end === false ? $length : $end;
            $statement = trim(substr($text, $at, $end - $at));
            if ($statement === 'M02' || $statement === 'M00') {
                return;
            }
            if ($statement !== '') {
                $this->word($statement);
            }
            $at = $end + 1;
        }
    }

    /** @param non-empty-list<string> $parts of a statement between percent signs; an aperture macro has several */
    private function extended(array $parts): void
    {
        if (str_starts_with($parts[0], 'AM')) {
            $name = substr($parts[0], 2);
            $this->macros[$name] = new ApertureMacro($name, array_slice($parts, 1));

            return;
        }
        foreach ($parts as $part) {
            [$code, $rest] = [substr($part, 0, 2), substr($part, 2)];
            match ($code) {
                'FS' => $this->formatOf($rest),
                'MO' => $this->unit = $rest === 'IN' ? self::INCH : 1e-3,
                'AD' => $this->define($rest),
                'LP' => $this->dark = $rest !== 'C',
                'LM' => [$this->transform[0], $this->transform[1]] = [str_contains($rest, 'X'), str_contains($rest, 'Y')],
                'LR' => $this->transform[2] = (float) $rest,
                'LS' => $this->transform[3] = (float) $rest,
                'SR' => $this->repeats($rest),
                'AB' => $this->block($rest),
                'TF', 'TO', 'TD', 'TA' => $this->attribute($code, $rest),
                'IP', 'LN', 'IN', 'OF', 'MI', 'SF', 'AS', 'IR', 'IF' => $rest === 'POS' || $code === 'LN' || $code === 'IN' ? null : $this->note("command $code"),
                '' => null,
                default => $this->note("command $code"),
            };
        }
    }

    private function formatOf(string $text): void
    {
        if (preg_match('/^([LT]?)([AI]?)X(\d)(\d)Y\d\d/', $text, $found) !== 1) {
            throw new BoardException(sprintf('"FS%s" is no format of coordinates; "FSLAX46Y46" is one', $text));
        }
        if ($found[2] === 'I') {
            throw new BoardException('coordinates of this artwork are relative to each other, which nothing writes any more; export it with absolute ones');
        }
        [$this->format, $this->whole] = [[(int) $found[4], $found[1] === 'T'], (int) $found[3]];
    }

    private function define(string $text): void
    {
        if (preg_match('/^D(\d+)([^,]+),?(.*)$/', $text, $found) !== 1) {
            $this->note("definition $text");

            return;
        }
        [, $number, $kind, $list] = $found;
        $values = $list === '' ? [] : array_map(floatval(...), preg_split('/X/i', $list) ?: []);
        $unit = $this->unit();
        if (in_array($kind, ['C', 'R', 'O', 'P'], true)) {
            // Of a polygon the second and third value are corners and degrees.
            $lengths = array_map(fn (int $n, float $value): float => $kind === 'P' && ($n === 1 || $n === 2) ? $value : $value * $unit, array_keys($values), $values);
            $this->apertures[(int) $number] = Aperture::standard($kind, $lengths);
        } elseif (isset($this->macros[$kind])) {
            $this->apertures[(int) $number] = $this->macros[$kind]->aperture($values, $unit);
        } else {
            throw new BoardException(sprintf('aperture D%s is of the unknown kind "%s"; the file defines %s', $number, $kind, $this->macros === [] ? 'no macros' : implode(', ', array_keys($this->macros))));
        }
    }

    private function unit(): float
    {
        return $this->unit ?? throw new BoardException('the artwork does not say whether it counts in millimetres or inches (a command MO)');
    }

    private function attribute(string $code, string $text): void
    {
        [$name, $value] = [...explode(',', $text, 2), ''];
        match (true) {
            $code === 'TF' && $name === '.FileFunction' => $this->function = $value,
            $code === 'TO' && $name === '.N' => $this->net = $value === '' ? null : explode(',', $value)[0],
            $code === 'TD' && ($name === '' || $name === '.N') => $this->net = null,
            default => null,
        };
    }

    private function repeats(string $text): void
    {
        if ($this->repeat !== null) {
            [$nx, $ny, $dx, $dy, $before] = $this->repeat;
            $own = $this->paints;
            $this->paints = $before;
            for ($n = 0; $n < $nx * $ny; $n++) {
                array_push($this->paints, ...array_map(fn (Paint $paint): Paint => self::moved($paint, ($n % $nx) * $dx, intdiv($n, $nx) * $dy, true), $own));
            }
            $this->repeat = null;
        }
        if (preg_match('/^X(\d+)Y(\d+)I([\d.]+)J([\d.]+)/', $text, $found) === 1) {
            $this->repeat = [(int) $found[1], (int) $found[2], (float) $found[3] * $this->unit(), (float) $found[4] * $this->unit(), $this->paints];
            $this->paints = [];
        }
    }

    private function block(string $text): void
    {
        if (preg_match('/^D(\d+)$/', $text, $found) === 1) {
            $this->open[] = [(int) $found[1], $this->paints];
            $this->paints = [];
        } elseif ($this->open !== []) {
            [$number, $before] = array_pop($this->open);
            [$this->blocks[$number], $this->paints] = [$this->paints, $before];
        }
    }

    private function word(string $word): void
    {
        if (str_starts_with($word, 'G04')) {
            // Attributes stand in comments where a file is to be read by older readers too.
            if (preg_match('/^G04\s*#@!\s*(T[FAOD])(.*)$/', $word, $found) === 1) {
                $this->attribute($found[1], trim($found[2]));
            }

            return;
        }
        if (preg_match('/^(?:G(\d+))?(?:G\d+)?((?:[XYIJ][-+]?[\d.]+)*)(?:D(\d+))?$/', $word, $found) !== 1) {
            $this->note("statement $word");

            return;
        }
        if ($found[1] !== '') {
            $this->general((int) $found[1]);
        }
        [$coordinates, $number] = [$found[2], $found[3] ?? ''];
        if ($number !== '' && (int) $number >= 10) {
            $this->aperture = (int) $number;

            return;
        }
        $this->operation = $number === '' ? $this->operation : (int) $number;
        if ($coordinates !== '' || $number !== '') {
            $this->operate($coordinates);
        }
    }

    private function general(int $code): void
    {
        match ($code) {
            1, 2, 3 => $this->mode = $code,
            36 => $this->region = [],
            37 => $this->closeRegion(),
            70 => $this->unit = self::INCH,
            71 => $this->unit = 1e-3,
            74 => $this->single = true,
            75 => $this->single = false,
            54, 55, 90 => null,
            default => $this->note("code G$code"),
        };
        if ($code === 37) {
            $this->region = null;
        }
    }

    private function operate(string $coordinates): void
    {
        preg_match_all('/([XYIJ])([-+]?[\d.]+)/', $coordinates, $found, PREG_SET_ORDER);
        $given = [];
        foreach ($found as [, $axis, $digits]) {
            $given[$axis] = $this->number($digits);
        }
        $to = [$given['X'] ?? $this->point[0], $given['Y'] ?? $this->point[1]];
        if ($this->operation === 3) {
            $this->flash($to);
        } elseif ($this->operation === 2) {
            $this->closeRegion();
        } elseif ($this->operation === 1) {
            $path = $this->mode === 1 ? [$to] : Arc::points($this->point, $to, [$given['I'] ?? 0.0, $given['J'] ?? 0.0], $this->mode === 2, $this->single);
            $this->draw($path);
        }
        $this->point = $to;
    }

    /** m */
    private function number(string $digits): float
    {
        if (str_contains($digits, '.')) {
            return (float) $digits * $this->unit();
        }
        [$decimals, $trailing] = $this->format;
        $sign = $digits[0] === '-' ? -1.0 : 1.0;
        $digits = ltrim($digits, '+-');
        $digits = $trailing ? str_pad($digits, $this->whole + $decimals, '0') : $digits;

        return $sign * (float) $digits / 10 ** $decimals * $this->unit();
    }

    /** @param array{float, float} $at */
    private function flash(array $at): void
    {
        $block = $this->blocks[$this->aperture ?? -1] ?? null;
        if ($block !== null) {
            array_push($this->paints, ...array_map(fn (Paint $paint): Paint => self::moved($paint, $at[0], $at[1], $this->dark), $block));

            return;
        }
        $this->paint($this->present()->at($at[0], $at[1]));
    }

    /** @param list<array{float, float}> $path from the present point */
    private function draw(array $path): void
    {
        if ($this->region !== null) {
            $this->region = [...($this->region === [] ? [$this->point] : $this->region), ...$path];

            return;
        }
        $aperture = $this->present();
        if ($aperture->width === null) {
            $this->note(sprintf('a line drawn with aperture D%d, which only flashes', $this->aperture));

            return;
        }
        $this->narrowest = min($this->narrowest ?? INF, $aperture->width);
        $from = $this->point;
        foreach ($path as $to) {
            $this->paint([[true, Paint::drawn($aperture->pieces[0][1], $from, $to)]]);
            $from = $to;
        }
    }

    private function present(): Aperture
    {
        $aperture = $this->apertures[$this->aperture ?? -1] ?? throw new BoardException($this->aperture === null
            ? 'something is drawn before an aperture is chosen'
            : sprintf('aperture D%d is used, but not defined; the file defines %s', $this->aperture, $this->apertures === [] ? 'none' : 'D' . implode(', D', array_keys($this->apertures))));

        return $aperture->transformed(...$this->transform);
    }

    private function closeRegion(): void
    {
        if ($this->region !== null && count($this->region) > 2) {
            $this->paint([[true, $this->region]]);
        }
        $this->region = $this->region === null ? null : [];
    }

    /** @param non-empty-list<array{bool, list<array{float, float}>}> $pieces */
    private function paint(array $pieces): void
    {
        $this->paints[] = new Paint($this->dark, $pieces, $this->net);
    }

    private static function moved(Paint $paint, float $dx, float $dy, bool $dark): Paint
    {
        return new Paint($dark === $paint->dark, array_map(fn (array $piece): array => [$piece[0], array_map(fn (array $p): array => [$p[0] + $dx, $p[1] + $dy], $piece[1])], $paint->pieces), $paint->net);
    }

    private function note(string $what): void
    {
        $this->notes[$what] = ($this->notes[$what] ?? 0) + 1;
    }
}
