<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Direct solver for the coarsest level (LU factors); a zero pivot (a floating piece) is treated as a fixed unknown. */
final class DenseFactors
{
    /** @var list<array<int, float>> unit lower factor below the diagonal, upper factor from it on */
    private array $factors;

    public function __construct(SparseMatrix $matrix)
    {
        $n = $matrix->size;
        $a = [];
        for ($i = 0; $i < $n; $i++) {
            $row = array_fill(0, $n, 0.0);
            for ($p = $matrix->start[$i]; $p < $matrix->start[$i + 1]; $p++) {
                $row[$matrix->column[$p]] -= $matrix->coupling[$p];
            }
            $row[$i] += $matrix->diagonal[$i];
            $a[] = $row;
        }
        // Rows of an M-matrix need no exchange.
        for ($k = 0; $k < $n; $k++) {
            $top = $a[$k];
            if ($top[$k] <= 1e-13 * $matrix->diagonal[$k] || ! is_finite($top[$k])) {
                $top[$k] = $a[$k][$k] = 1e300;
            }
            for ($i = $k + 1; $i < $n; $i++) {
                if ($a[$i][$k] === 0.0) {
                    continue;
                }
                $row = $a[$i];
                $factor = $row[$k] / $top[$k];
                $row[$k] = $factor;
                for ($j = $k + 1; $j < $n; $j++) {
                    $row[$j] -= $factor * $top[$j];
                }
                $a[$i] = $row;
            }
        }
        $this->factors = $a;
    }

    /**
     * @param array<int, float> $b
     * @return array<int, float>
     */
    public function solve(array $b): array
    {
        $a = $this->factors;
        $n = count($b);
        for ($i = 1; $i < $n; $i++) {
            $row = $a[$i];
            $sum = $b[$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $row[$k] * $b[$k];
            }
            $b[$i] = $sum;
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $row = $a[$i];
            $sum = $b[$i];
            for ($k = $i + 1; $k < $n; $k++) {
                $sum -= $row[$k] * $b[$k];
            }
            $b[$i] = $sum / $row[$i];
        }

        return $b;
    }
}
