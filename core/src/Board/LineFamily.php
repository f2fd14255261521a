<?php

declare(strict_types=1);

namespace Foehn\Board;

/** Copper as intervals along parallel lines, half a pixel from one to the next: on every edge between two rows of pixels and through the middle of each row. */
final class LineFamily
{
    /** @var array<int, list<float>> of each line begins and ends in turn, in pixels, sorted and apart */
    private array $merged = [];

    /** @var array<int, list<float>> begins and ends that are not yet merged */
    private array $added = [];

    /**
     * @param 0|1 $axis along which the lines run
     * @param array{int, int} $pixels along x and y
     * @param array{float, float} $origin of the first pixel, m
     * @param array{float, float} $size of a pixel, m
     */
    public function __construct(private readonly int $axis, private readonly array $pixels, private readonly array $origin, private readonly array $size)
    {
    }

    public function paint(Paint $paint): void
    {
        if (count($paint->pieces) === 1) {
            $spans = $this->spans($paint->pieces[0][1]);
        } else {
            $spans = [];
            foreach ($paint->pieces as [$adds, $contour]) {
                foreach ($this->spans($contour) as $line => $own) {
                    $spans[$line] = $adds ? self::union([...$spans[$line] ?? [], ...$own]) : self::without($spans[$line] ?? [], self::union($own));
                }
            }
        }
        foreach ($spans as $line => $own) {
            if ($paint->dark) {
                $this->added[$line] = isset($this->added[$line]) ? [...$this->added[$line], ...$own] : $own;
            } else {
                $this->merged[$line] = self::without($this->line($line), self::union($own));
            }
        }
    }

    /** @return array<int, float> share of a line that is copper in each pixel along it */
    public function shares(int $line): array
    {
        $count = $this->pixels[$this->axis];
        $shares = array_fill(0, $count, 0.0);
        $spans = $this->line($line);
        for ($n = 0, $ends = count($spans); $n < $ends; $n += 2) {
            [$from, $to] = [max(0.0, $spans[$n]), min((float) $count, $spans[$n + 1])];
            if ($to <= $from) {
                continue;
            }
            [$first, $last] = [(int) $from, min($count - 1, (int) ceil($to) - 1)];
            if ($first === $last) {
                $shares[$first] += $to - $from;

                continue;
            }
            $shares[$first] += $first + 1 - $from;
            for ($i = $first + 1; $i < $last; $i++) {
                $shares[$i] = 1.0;
            }
            $shares[$last] += $to - $last;
        }

        return $shares;
    }

    /** @return list<float> */
    private function line(int $line): array
    {
        if (isset($this->added[$line])) {
            $this->merged[$line] = self::union([...$this->merged[$line] ?? [], ...$this->added[$line]]);
            unset($this->added[$line]);
        }

        return $this->merged[$line] ?? [];
    }

    /**
     * Where the lines are in a polygon, by the even-odd rule.
     *
     * @param list<array{float, float}> $contour m
     * @return array<int, list<float>> begins and ends in pixels by line
     */
    private function spans(array $contour): array
    {
        [$u, $v] = [$this->axis, 1 - $this->axis];
        [$ou, $ov] = [$this->origin[$u], $this->origin[$v]];
        [$pu, $pv] = [$this->size[$u], 0.5 * $this->size[$v]];
        $lines = 2 * $this->pixels[$v] + 1;
        $crossings = [];
        $before = end($contour) ?: [0.0, 0.0];
        [$x0, $y0] = [($before[$u] - $ou) / $pu, ($before[$v] - $ov) / $pv];
        foreach ($contour as $point) {
            [$x1, $y1] = [($point[$u] - $ou) / $pu, ($point[$v] - $ov) / $pv];
            if ($y0 !== $y1) {
                [$low, $high] = $y0 < $y1 ? [$y0, $y1] : [$y1, $y0];
                $slope = ($x1 - $x0) / ($y1 - $y0);
                $end = min($lines, (int) ceil($high));
                for ($line = max(0, (int) ceil($low)); $line < $end; $line++) {
                    $crossings[$line][] = $x0 + ($line - $y0) * $slope;
                }
            }
            [$x0, $y0] = [$x1, $y1];
        }
        foreach ($crossings as $line => $own) {
            sort($own);
            $crossings[$line] = $own;
        }

        return $crossings;
    }

    /**
     * @param list<float> $spans begins and ends in turn
     * @return list<float> sorted and apart
     */
    private static function union(array $spans): array
    {
        $pairs = [];
        for ($n = 0, $count = count($spans) - 1; $n < $count; $n += 2) {
            $pairs[] = [$spans[$n], $spans[$n + 1]];
        }
        sort($pairs);
        $union = [];
        [$begin, $end] = [INF, -INF];
        foreach ($pairs as [$from, $to]) {
            if ($from > $end + 1e-9) {
                if ($end > $begin) {
                    array_push($union, $begin, $end);
                }
                [$begin, $end] = [$from, $to];
            } elseif ($to > $end) {
                $end = $to;
            }
        }

        return $end > $begin ? [...$union, $begin, $end] : $union;
    }

    /**
     * @param list<float> $spans sorted and apart
     * @param list<float> $cut sorted and apart
     * @return list<float>
     */
    private static function without(array $spans, array $cut): array
    {
        $left = [];
        for ($n = 0, $count = count($spans); $n < $count; $n += 2) {
            [$from, $to] = [$spans[$n], $spans[$n + 1]];
            for ($c = 0, $cuts = count($cut); $c < $cuts && $from < $to; $c += 2) {
                if ($cut[$c + 1] <= $from || $cut[$c] >= $to) {
                    continue;
                }
                if ($cut[$c] > $from) {
                    array_push($left, $from, $cut[$c]);
                }
                $from = max($from, $cut[$c + 1]);
            }
            if ($from < $to) {
                array_push($left, $from, $to);
            }
        }

        return $left;
    }
}
