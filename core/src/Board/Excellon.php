<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * Reads a drill file in the Excellon format (IPC-NC-349): table of tools, holes and slots, in millimetres or inches, with or without points.
 * Where a file says which tools are plated, they are; else all are as the caller says.
 */
final class Excellon
{
    private const INCH = 0.0254;

    /** A board that is longer is hardly meant, m. */
    private const LONGEST = 2.0;

    private float $unit = 1e-3;

    private bool $hasUnit = false;

    /** @var array{int, int} digits before and after the point */
    private array $digits = [3, 3];

    /** Zeros that are written: leading ones (LZ), so that trailing ones are left out. */
    private bool $leading = false;

    /** @var array<int, array{float, bool}> diameter in m and whether plated, by number of the tool */
    private array $tools = [];

    private ?int $tool = null;

    /** @var array{float, float} */
    private array $point = [0.0, 0.0];

    private bool $routing = false;

    /** @var list<Hole> */
    private array $holes = [];

    private function __construct(private bool $plated)
    {
    }

    /**
     * @return list<Hole>
     * @throws BoardException
     */
    public static function read(string $text, bool $plated = true): array
    {
        $reader = new self($plated);
        $lines = preg_split('/\r\n|\r|\n/', $text) ?: [];
        if (! str_contains($text, 'M48') && preg_match('/^T\d+/m', $text) !== 1) {
            throw new BoardException('this is no drill file in Excellon format: it has neither a header (M48) nor tools');
        }
        foreach ($lines as $n => $line) {
            $reader->line(trim($line), $n + 1);
        }
        $reader->check();

        return $reader->holes;
    }

    private function line(string $line, int $n): void
    {
        if (preg_match('/^;\s*#@!\s*TF\.FileFunction,(NonPlated|Plated)/', $line, $found) === 1) {
            $this->plated = $found[1] === 'Plated';
        } elseif (preg_match('/^;\s*TYPE\s*=\s*(NON_)?PLATED/', $line, $found) === 1) {
            $this->plated = ($found[1] ?? '') === '';
        } elseif (preg_match('/^;\s*FILE_FORMAT\s*=\s*(\d):(\d)/', $line, $found) === 1) {
            $this->digits = [(int) $found[1], (int) $found[2]];
        } elseif (preg_match('/^(METRIC|INCH)(.*)$/', $line, $found) === 1) {
            [$this->unit, $this->digits, $this->hasUnit] = $found[1] === 'INCH' ? [self::INCH, [2, 4], true] : [1e-3, [3, 3], true];
            $this->leading = str_contains($found[2], 'LZ');
            if (preg_match('/,(0+)\.(0+)/', $found[2], $format) === 1) {
                $this->digits = [strlen($format[1]), strlen($format[2])];
            }
        } elseif (preg_match('/^T(\d+).*?C([\d.]+)/', $line, $found) === 1) {
            $this->tools[(int) $found[1]] = [(float) $found[2] * $this->unit, $this->plated];
        } elseif (preg_match('/^T(\d+)$/', $line, $found) === 1) {
            $this->tool = (int) $found[1];
        } elseif ($line === 'M71' || $line === 'M72') {
            [$this->unit, $this->hasUnit] = [$line === 'M72' ? self::INCH : 1e-3, true];
        } elseif (preg_match('/^G0?([0123])(?!\d)/', $line, $found) === 1) {
            $this->routing = true;
            $this->route((int) $found[1], $line, $n);
        } elseif ($line === 'G05' || $line === 'G81') {
            $this->routing = false;
        } elseif (preg_match('/^[XY]/', $line) === 1 && ! $this->routing) {
            $this->drill($line, $n);
        }
    }

    private function drill(string $line, int $n): void
    {
        $ends = explode('G85', $line);
        $from = $this->place($ends[0]);
        $to = isset($ends[1]) ? $this->place($ends[1]) : null;
        $this->add($from, $to, $n);
    }

    /** A routed line is a slot; arcs of the router are taken as their chords. */
    private function route(int $code, string $line, int $n): void
    {
        $from = $this->point;
        $to = $this->place($line);
        if ($code !== 0) {
            $this->add($from, $to, $n);
        }
    }

    /**
     * @param array{float, float} $from
     * @param ?array{float, float} $to
     */
    private function add(array $from, ?array $to, int $n): void
    {
        [$diameter, $plated] = $this->tools[$this->tool ?? -1] ?? throw new BoardException($this->tool === null
            ? sprintf('line %d drills before a tool is chosen', $n)
            : sprintf('line %d drills with tool T%d, which the table of tools does not have', $n, $this->tool));
        $this->holes[] = new Hole($from, $diameter, $plated, $to);
    }

    /** @return array{float, float} m; what is not given stays */
    private function place(string $text): array
    {
        foreach (['X', 'Y'] as $axis => $letter) {
            if (preg_match("/$letter([-+]?[\\d.]+)/", $text, $found) === 1) {
                $this->point[$axis] = $this->number($found[1]);
            }
        }

        return $this->point;
    }

    private function number(string $digits): float
    {
        if (str_contains($digits, '.')) {
            return (float) $digits * $this->unit;
        }
        [$whole, $decimals] = $this->digits;
        $sign = $digits[0] === '-' ? -1.0 : 1.0;
        $digits = ltrim($digits, '+-');
        $digits = $this->leading ? str_pad($digits, $whole + $decimals, '0') : $digits;

        return $sign * (float) $digits / 10 ** $decimals * $this->unit;
    }

    private function check(): void
    {
        if ($this->holes === []) {
            return;
        }
        foreach ([0, 1] as $axis) {
            $places = array_map(fn (Hole $hole): float => $hole->at[$axis], $this->holes);
            $size = max($places) - min($places);
            if ($size > self::LONGEST) {
                throw new BoardException(sprintf(
                    'the holes are spread over %.3g m%s; check the unit and the digits of the drill file', $size, $this->hasUnit ? '' : ' (the file states no unit, millimetres are taken)',
                ));
            }
        }
    }
}
