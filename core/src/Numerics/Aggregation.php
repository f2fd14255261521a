<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Aggregation by strength of coupling, pair by pair, and the Galerkin matrix of an aggregation.
 * After Notay, An aggregation-based algebraic multigrid method, ETNA 37 (2010) 123-146.
 */
final class Aggregation
{
    /** A block of cells couples across by more than along a line of the same cells. */
    private const BLOCK = 1.5;

    /** Couplings that differ by less count as equal and the first is taken: rounding would otherwise pair cells of one grid in different directions. */
    private const EQUAL = 1.01;

    /** A further pass is worth it when it leaves at most this share of the unknowns. */
    private const WORTH = 0.75;

    /**
     * Aggregates of two, and of four or eight where these are compact blocks: a pair joins another pair only when their
     * coupling is well above the ones inside, which a line of cells never reaches. So thick parts coarsen fast, and thin
     * layers by two with smoothing on every level.
     *
     * @return array{array<int, int>, SparseMatrix} aggregate of each unknown, and the Galerkin matrix
     */
    public static function coarsen(SparseMatrix $matrix): array
    {
        [$aggregate, $count, $inside] = self::match($matrix->size, $matrix->start, $matrix->column, $matrix->coupling, 0.25, [], 0.0);
        $coarse = self::galerkin($matrix, $aggregate, $count);
        for ($pass = 2; $pass <= 3; $pass++) {
            [$again, $fewer, $newInside] = self::match($coarse->size, $coarse->start, $coarse->column, $coarse->coupling, 0.25, $inside, self::BLOCK);
            if ($fewer > self::WORTH * $count) {
                break;
            }
            $coarse = self::galerkin($coarse, $again, $fewer);
            foreach ($aggregate as $i => $a) {
                $aggregate[$i] = $again[$a];
            }
            [$count, $inside] = [$fewer, $newInside];
        }

        return [$aggregate, $coarse];
    }

    /**
     * @param array<int, int> $aggregate
     */
    public static function galerkin(SparseMatrix $matrix, array $aggregate, int $count): SparseMatrix
    {
        [$start, $middle, $column, $coupling, $diagonal] = self::collapse(
            $matrix->size, $matrix->start, $matrix->column, $matrix->coupling, $matrix->diagonal, $aggregate, $count,
        );

        return new SparseMatrix($count, $start, $middle, $column, $coupling, $diagonal);
    }

    /**
     * Joins each unknown with its strongest free neighbour. In the first pass ($block 0) a leftover joins the aggregate of its
     * strongest neighbour; later it stays alone, and two join only when their coupling is $block times the one inside either.
     *
     * @param array<int, int> $start
     * @param array<int, int> $column
     * @param array<int, float> $coupling
     * @param array<int, float> $inside coupling inside each unknown of a later pass
     * @return array{array<int, int>, int, array<int, float>} aggregate of each unknown, how many, and the coupling inside each
     */
    private static function match(int $n, array $start, array $column, array $coupling, float $threshold, array $inside, float $block): array
    {
        $aggregate = array_fill(0, $n, -1);
        $newInside = [];
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
                if ($g > self::EQUAL * $free && $aggregate[$column[$p]] < 0) {
                    $free = $g;
                    $partner = $column[$p];
                }
            }
            $joins = $partner >= 0 && $free >= $threshold * $strongest;
            if ($joins && $block > 0.0) {
                $joins = $free >= $block * $inside[$i] && $free >= $block * $inside[$partner];
            }
            if ($joins) {
                $aggregate[$i] = $count;
                $aggregate[$partner] = $count;
                $newInside[] = $free;
                $count++;
            } elseif ($block === 0.0 && $neighbour >= 0 && $aggregate[$neighbour] >= 0) {
                $aggregate[$i] = $aggregate[$neighbour];
            } else {
                $aggregate[$i] = $count++;
                $newInside[] = $block > 0.0 ? $inside[$i] : 0.0;
            }
        }

        return [$aggregate, $count, $newInside];
    }

    /**
     * @param array<int, int> $start
     * @param array<int, int> $column
     * @param array<int, float> $coupling
     * @param array<int, float> $diagonal
     * @param array<int, int> $aggregate
     * @return array{array<int, int>, array<int, int>, array<int, int>, array<int, float>, array<int, float>}
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
