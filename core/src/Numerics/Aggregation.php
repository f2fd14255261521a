<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Pairwise aggregation by strength of coupling, and the Galerkin matrix of an aggregation.
 * After Notay, An aggregation-based algebraic multigrid method, ETNA 37 (2010) 123-146.
 */
final class Aggregation
{
    /**
     * Joins each unknown with its strongest free neighbour; a leftover joins the aggregate of its strongest neighbour.
     *
     * @return array{list<int>, int} aggregate of each unknown, and how many there are
     */
    public static function pairs(SymmetricMatrix $matrix, float $threshold = 0.25): array
    {
        return self::match($matrix->size, $matrix->start, $matrix->column, $matrix->coupling, $threshold);
    }

    /**
     * @param list<int> $aggregate
     */
    public static function galerkin(SymmetricMatrix $matrix, array $aggregate, int $count): SymmetricMatrix
    {
        [$start, $middle, $column, $coupling, $diagonal] = self::collapse(
            $matrix->size, $matrix->start, $matrix->column, $matrix->coupling, $matrix->diagonal, $aggregate, $count,
        );

        return new SymmetricMatrix($count, $start, $middle, $column, $coupling, $diagonal);
    }

    /**
     * @param list<int> $start
     * @param list<int> $column
     * @param list<float> $coupling
     * @return array{list<int>, int}
     */
    private static function match(int $n, array $start, array $column, array $coupling, float $threshold): array
    {
        $aggregate = array_fill(0, $n, -1);
        $count = 0;
        for ($i = 0; $i < $n; $i++) {
            if ($aggregate[$i] >= 0) {
                continue;
            }
            $end = $start[$i + 1];
            $strongest = 0.0;
            $neighbour = -1;
            $free = 0.0;
            $partner = -1;
            for ($p = $start[$i]; $p < $end; $p++) {
                $g = $coupling[$p];
                if ($g > $strongest) {
                    $strongest = $g;
                    $neighbour = $column[$p];
                }
                if ($g > $free && $aggregate[$column[$p]] < 0) {
                    $free = $g;
                    $partner = $column[$p];
                }
            }
            if ($partner >= 0 && $free >= $threshold * $strongest) {
                $aggregate[$i] = $count;
                $aggregate[$partner] = $count;
                $count++;
            } elseif ($neighbour >= 0 && $aggregate[$neighbour] >= 0) {
                $aggregate[$i] = $aggregate[$neighbour];
            } else {
                $aggregate[$i] = $count++;
            }
        }

        return [$aggregate, $count];
    }

    /**
     * @param list<int> $start
     * @param list<int> $column
     * @param list<float> $coupling
     * @param list<float> $diagonal
     * @param list<int> $aggregate
     * @return array{list<int>, list<int>, list<int>, list<float>, list<float>}
     */
    private static function collapse(int $n, array $start, array $column, array $coupling, array $diagonal, array $aggregate, int $count): array
    {
        $first = array_fill(0, $count, -1);
        $next = array_fill(0, $n, -1);
        for ($i = $n - 1; $i >= 0; $i--) {
            $next[$i] = $first[$aggregate[$i]];
            $first[$aggregate[$i]] = $i;
        }
        $place = array_fill(0, $count, -1);
        $newStart = [0];
        $newMiddle = [];
        $newColumn = [];
        $newCoupling = [];
        $newDiagonal = [];
        $filled = 0;
        for ($a = 0; $a < $count; $a++) {
            $rowStart = $filled;
            $d = 0.0;
            for ($i = $first[$a]; $i >= 0; $i = $next[$i]) {
                $d += $diagonal[$i];
                $end = $start[$i + 1];
                for ($p = $start[$i]; $p < $end; $p++) {
                    $b = $aggregate[$column[$p]];
                    if ($b === $a) {
                        $d -= $coupling[$p];
                    } elseif ($place[$b] >= $rowStart) {
                        $newCoupling[$place[$b]] += $coupling[$p];
                    } else {
                        $place[$b] = $filled;
                        $newColumn[$filled] = $b;
                        $newCoupling[$filled] = $coupling[$p];
                        $filled++;
                    }
                }
            }
            // Lower entries first. Places of this row are not needed again, so they may move.
            $low = $rowStart;
            for ($p = $rowStart; $p < $filled; $p++) {
                if ($newColumn[$p] < $a) {
                    $c = $newColumn[$p];
                    $g = $newCoupling[$p];
                    $newColumn[$p] = $newColumn[$low];
                    $newCoupling[$p] = $newCoupling[$low];
                    $newColumn[$low] = $c;
                    $newCoupling[$low] = $g;
                    $low++;
                }
            }
            $newMiddle[] = $low;
            $newStart[] = $filled;
            $newDiagonal[] = $d;
        }

        return [$newStart, $newMiddle, $newColumn, $newCoupling, $newDiagonal];
    }
}
