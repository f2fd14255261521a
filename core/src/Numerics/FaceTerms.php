<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * A sparse matrix and what passes between its unknowns beyond it. Term t carries v = a0 x[k0] + a1 x[k1] + a2 x[k2] from the unknown
 * $from[t] to $to[t]: v is added to the row of $from and taken from that of $to. The correction of a convection scheme is such a sum.
 */
final readonly class FaceTerms implements Matrix
{
    /**
     * @param array<int, int> $from
     * @param array<int, int> $to
     * @param array{array<int, int>, array<int, int>, array<int, int>} $columns k0, k1, k2 of each term
     * @param array{array<int, float>, array<int, float>, array<int, float>} $weights a0, a1, a2 of each term
     * @param bool $transposed whether the matrix is that with rows and columns exchanged
     */
    public function __construct(public SparseMatrix $matrix, private array $from, private array $to, private array $columns, private array $weights, private bool $transposed = false)
    {
    }

    public function times(array $x): array
    {
        $y = $this->matrix->times($x);

        return $this->transposed
            ? self::addTransposed($this->from, $this->to, $this->columns[0], $this->columns[1], $this->columns[2], $this->weights[0], $this->weights[1], $this->weights[2], $x, $y)
            : self::add($this->from, $this->to, $this->columns[0], $this->columns[1], $this->columns[2], $this->weights[0], $this->weights[1], $this->weights[2], $x, $y);
    }

    public function transposed(): self
    {
        return new self($this->matrix->transposed(), $this->from, $this->to, $this->columns, $this->weights, ! $this->transposed);
    }

    /**
     * @param array<int, int> $from
     * @param array<int, int> $to
     * @param array<int, int> $k0
     * @param array<int, int> $k1
     * @param array<int, int> $k2
     * @param array<int, float> $a0
     * @param array<int, float> $a1
     * @param array<int, float> $a2
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return array<int, float>
     */
    private static function add(array $from, array $to, array $k0, array $k1, array $k2, array $a0, array $a1, array $a2, array $x, array $y): array
    {
        foreach ($from as $t => $row) {
            $v = $a0[$t] * $x[$k0[$t]] + $a1[$t] * $x[$k1[$t]] + $a2[$t] * $x[$k2[$t]];
            $y[$row] += $v;
            $y[$to[$t]] -= $v;
        }

        return $y;
    }

    /**
     * @param array<int, int> $from
     * @param array<int, int> $to
     * @param array<int, int> $k0
     * @param array<int, int> $k1
     * @param array<int, int> $k2
     * @param array<int, float> $a0
     * @param array<int, float> $a1
     * @param array<int, float> $a2
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return array<int, float>
     */
    private static function addTransposed(array $from, array $to, array $k0, array $k1, array $k2, array $a0, array $a1, array $a2, array $x, array $y): array
    {
        foreach ($from as $t => $row) {
            $v = $x[$row] - $x[$to[$t]];
            $y[$k0[$t]] += $a0[$t] * $v;
            $y[$k1[$t]] += $a1[$t] * $v;
            $y[$k2[$t]] += $a2[$t] * $v;
        }

        return $y;
    }
}
