<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Direct solver for the coarsest level; a zero pivot (a floating piece) is treated as a fixed unknown. */
final class DenseCholesky
{
    /** @var list<list<float>> lower factor */
    private array $factor;

    public function __construct(SymmetricMatrix $matrix)
    {
        $n = $matrix->size;
        $a = [];
        for ($i = 0; $i < $n; $i++) {
            $row = array_fill(0, $i + 1, 0.0);
            for ($p = $matrix->start[$i]; $p < $matrix->middle[$i]; $p++) {
                $row[$matrix->column[$p]] -= $matrix->coupling[$p];
            }
            $row[$i] = $matrix->diagonal[$i];
            $a[] = $row;
        }
        for ($i = 0; $i < $n; $i++) {
            $whole = $a[$i][$i];
            for ($j = 0; $j <= $i; $j++) {
                $sum = $a[$i][$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $a[$i][$k] * $a[$j][$k];
                }
                if ($j < $i) {
                    $a[$i][$j] = $sum / $a[$j][$j];
                } else {
                    $a[$i][$i] = $sum > 1e-14 * $whole ? sqrt($sum) : 1e150;
                }
            }
        }
        $this->factor = $a;
    }

    /**
     * @param list<float> $b
     * @return list<float>
     */
    public function solve(array $b): array
    {
        $a = $this->factor;
        $n = count($b);
        for ($i = 0; $i < $n; $i++) {
            $row = $a[$i];
            $sum = $b[$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $row[$k] * $b[$k];
            }
            $b[$i] = $sum / $row[$i];
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $b[$i];
            for ($k = $i + 1; $k < $n; $k++) {
                $sum -= $a[$k][$i] * $b[$k];
            }
            $b[$i] = $sum / $a[$i][$i];
        }

        return $b;
    }
}
