<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;
use Foehn\Numerics\RandomShares;
use Foehn\Numerics\Sobol;

/**
 * What patches see of each other, as areas times view factors A_i F_ij in m2, symmetric and closed. Every patch casts rays with the
 * cosine law, evenly spread by a Sobol sequence with a shift of its own. With n rays per square metre a ray between i and j counts
 * 1 / (n_i + n_j), which is the mean of both directions with the least variance. Rays that meet the same slanted or round surface within
 * a few cells see its steps, which it does not have: they are not counted. Closure scales S to d_i S_ij d_j with rows that sum to
 * the areas (the symmetric form of Sinkhorn & Knopp, Pacific J. Math. 21 (1967) 343): no link becomes negative.
 */
final readonly class Links
{
    /** Rays of an average patch, with which the net heat of a part is right to less than 1 %, and of all patches. */
    private const RAYS = 256;

    private const ALL = 262_144;

    /** Rays of any patch. */
    private const FEWEST = 64;

    private const SWEEPS = 40;

    /** Cells within which the steps of one surface see each other; along an axis with flat cells as far as across these. */
    private const NEAR = 4;

    /** @param list<array<int, float>> $seen m2 by patch and the patch that it sees */
    private function __construct(public array $seen)
    {
    }

    /** As a checksum, the number of patches, and for each the number of those that it sees, these, and what it sees of each, m2. */
    public function toBytes(): string
    {
        $bytes = pack('V', count($this->seen));
        foreach ($this->seen as $row) {
            $bytes .= pack('V', count($row)) . pack('V*', ...array_keys($row)) . pack('e*', ...array_values($row));
        }

        return hash('sha256', $bytes, true) . $bytes;
    }

    /** Null where the bytes are not whole. */
    public static function fromBytes(string $bytes): ?self
    {
        $sum = substr($bytes, 0, 32);
        $bytes = substr($bytes, 32);
        if (! hash_equals(hash('sha256', $bytes, true), $sum)) {
            return null;
        }
        $seen = [];
        $at = 4;
        for ($n = (int) self::read('V', $bytes, 0)[0]; $n > 0; $n--) {
            $count = (int) self::read('V', $bytes, $at)[0];
            $seen[] = $count === 0 ? [] : array_combine(array_map(intval(...), self::read("V$count", $bytes, $at + 4)), array_map(floatval(...), self::read("e$count", $bytes, $at + 4 + 4 * $count)));
            $at += 4 + 12 * $count;
        }

        return new self($seen);
    }

    /** @return non-empty-list<int|float> */
    private static function read(string $format, string $bytes, int $at): array
    {
        /** @var non-empty-array<int, int|float> $found */
        $found = unpack($format, $bytes, $at);

        return array_values($found);
    }

    /** @param ?int $rays of an average patch; a patch casts them by its area, and at least FEWEST */
    public static function of(Grid $grid, CavityFaces $faces, ?int $rays = null, int $seed = 1): self
    {
        $rays ??= min(self::RAYS, intdiv(self::ALL, max(1, count($faces->areas))));
        $tracer = new RayTracer($grid, $faces);
        $members = array_fill(0, count($faces->areas), []);
        foreach ($faces->patch as $face => $patch) {
            $members[$patch][] = $face;
        }
        $random = new RandomShares($seed);
        $mean = array_sum($faces->areas) / max(1, count($faces->areas));
        $density = $counts = $points = [];
        $sequence = new Sobol();
        foreach ($members as $patch => $own) {
            $cast = max(self::FEWEST, (int) round($rays * $faces->areas[$patch] / $mean));
            while (count($points) < $cast) {
                $points[] = $sequence->next();
            }
            [$counts[$patch], $missed] = self::cast($grid, $faces, $tracer, $own, $cast, $points, $random);
            $density[$patch] = max(1, $cast - $missed) / $faces->areas[$patch];
        }
        $seen = array_fill(0, count($members), []);
        foreach ($counts as $i => $hits) {
            foreach ($hits as $j => $count) {
                $link = $count / ($density[$i] + $density[$j]);
                $seen[$i][$j] = ($seen[$i][$j] ?? 0.0) + $link;
                $seen[$j][$i] = ($seen[$j][$i] ?? 0.0) + $link;
            }
        }

        return new self(self::closed($seen, $faces->areas));
    }

    /**
     * @param list<int> $own faces of a patch
     * @param list<array{float, float, float, float}> $points of the sequence, at least as many as rays
     * @return array{array<int, int>, int} rays by the patch that they meet, and the number of those that are not counted
     */
    private static function cast(Grid $grid, CavityFaces $faces, RayTracer $tracer, array $own, int $rays, array $points, RandomShares $random): array
    {
        $ends = [];
        $sum = 0.0;
        foreach ($own as $face) {
            $ends[] = $sum += $faces->area[$face];
        }
        $shift = array_map(fn (): float => $random->next(), range(1, Sobol::DIMENSIONS));
        $found = [];
        $missed = 0;
        // All faces of a patch look the same way.
        $direction = $faces->direction[$own[0]];
        $axis = $direction >> 1;
        [$a, $b] = Axes::across($axis);
        $inwards = $direction % 2 === 1 ? -1.0 : 1.0;
        for ($ray = 0; $ray < $rays; $ray++) {
            [$u, $v, $p, $angle] = $points[$ray];
            $at = (($u + $shift[0]) - (int) ($u + $shift[0])) * $sum;
            $n = self::first($ends, $at);
            $face = $own[$n];
            $p += $shift[2];
            $p -= (int) $p;
            $aside = sqrt($p);
            $angle = 2.0 * M_PI * ($angle + $shift[3]);
            $towards = [0.0, 0.0, 0.0];
            $towards[$axis] = $inwards * sqrt(1.0 - $p);
            $towards[$a] = $aside * cos($angle);
            $towards[$b] = $aside * sin($angle);
            $hit = $tracer->face($faces->cell[$face], $faces->place($face, 1.0 - ($ends[$n] - $at) / $faces->area[$face], ($v + $shift[1]) - (int) ($v + $shift[1])), [$towards[0], $towards[1], $towards[2]]);
            if ($hit >= 0 && $faces->stepOf[$face] >= 0 && $faces->stepOf[$hit] === $faces->stepOf[$face] && self::isNear($grid, $faces->cell[$face], $faces->cell[$hit])) {
                $missed++;
            } elseif ($hit >= 0) {
                $met = $faces->patch[$hit];
                $found[$met] = ($found[$met] ?? 0) + 1;
            }
        }

        return [$found, $missed];
    }

    private static function isNear(Grid $grid, int $cell, int $other): bool
    {
        foreach ([0, 1, 2] as $axis) {
            [$from, $to] = [$grid->position($cell, $axis), $grid->position($other, $axis)];
            if (abs($from - $to) > self::NEAR) {
                [$a, $b] = Axes::across($axis);
                $across = min($grid->widths[$a][$grid->position($cell, $a)], $grid->widths[$b][$grid->position($cell, $b)]);
                if (abs($grid->centres[$axis][$from] - $grid->centres[$axis][$to]) > self::NEAR * $across) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * The first end beyond a place, by halving.
     *
     * @param list<float> $ends rising
     */
    private static function first(array $ends, float $at): int
    {
        [$low, $high] = [0, count($ends) - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($ends[$middle] > $at) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }

    /**
     * @param list<array<int, float>> $seen
     * @param array<int, float> $areas
     * @return list<array<int, float>>
     */
    private static function closed(array $seen, array $areas): array
    {
        $scale = array_fill(0, count($areas), 1.0);
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            foreach ($seen as $i => $row) {
                $sum = 0.0;
                foreach ($row as $j => $link) {
                    $sum += $link * $scale[$j];
                }
                $scale[$i] = $sum > 0.0 ? sqrt($scale[$i] * $areas[$i] / $sum) : 0.0;
            }
        }

        return array_map(function (array $row, int $i) use ($scale): array {
            foreach ($row as $j => $link) {
                $row[$j] = $scale[$i] * $link * $scale[$j];
            }

            return $row;
        }, $seen, array_keys($seen));
    }
}
