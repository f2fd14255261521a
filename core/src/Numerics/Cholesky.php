<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Factors L of a full symmetric positive definite matrix A = L L^T (Golub & Van Loan, Matrix Computations, 4th ed., 4.2). */
final readonly class Cholesky
{
    /** @param list<list<float>> $factor rows of L up to the diagonal */
    private function __construct(private array $factor)
    {
    }

    /**
     * @param list<list<float>> $matrix its rows up to the diagonal
     * @return ?self null where it is not positive definite
     */
    public static function of(array $matrix): ?self
    {
        $factor = [];
        foreach ($matrix as $i => $row) {
            $own = [];
            for ($j = 0; $j < $i; $j++) {
                $other = $factor[$j];
                $sum = $row[$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $own[$k] * $other[$k];
                }
                $own[$j] = $sum / $other[$j];
            }
            $pivot = $row[$i];
            for ($k = 0; $k < $i; $k++) {
                $pivot -= $own[$k] * $own[$k];
            }
            if (! ($pivot > 0.0)) {
                return null;
            }
            $own[$i] = sqrt($pivot);
            $factor[] = array_values($own);
        }

        return new self($factor);
    }

    /** Natural logarithm of the determinant of A. */
    public function logDeterminant(): float
    {
        $sum = 0.0;
        foreach ($this->factor as $i => $row) {
            $sum += log($row[$i]);
        }

        return 2.0 * $sum;
    }

    /**
     * y with L y = b.
     *
     * @param list<float> $b
     * @return list<float>
     */
    public function forward(array $b): array
    {
        $y = [];
        foreach ($this->factor as $i => $row) {
            $sum = $b[$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $row[$k] * $y[$k];
            }
            $y[] = $sum / $row[$i];
        }

        return $y;
    }

    /**
     * x with A x = b.
     *
     * @param list<float> $b
     * @return list<float>
     */
    public function solve(array $b): array
    {
        $x = $this->forward($b);
        for ($i = count($x) - 1; $i >= 0; $i--) {
            $x[$i] /= $this->factor[$i][$i];
            for ($k = 0; $k < $i; $k++) {
                $x[$k] -= $this->factor[$i][$k] * $x[$i];
            }
        }

        return array_values($x);
    }
}
