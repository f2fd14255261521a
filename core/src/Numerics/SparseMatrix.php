<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * A sparse matrix with non-positive off-diagonal entries and a symmetric pattern, as conduction and upwind convection give it:
 * (A x)_i = d_i x_i - sum_j g_ij x_j. Rows hold their lower couplings first, then the upper ones: entries start[i] ..
 * middle[i]-1 have column < i, the rest > i.
 */
final class SparseMatrix implements Matrix
{
    /**
     * @param array<int, int> $start n + 1 row starts
     * @param array<int, int> $middle first upper entry of each row
     * @param array<int, int> $column
     * @param array<int, float> $coupling g_ij >= 0
     * @param array<int, float> $diagonal
     */
    public function __construct(
        public readonly int $size,
        public readonly array $start,
        public readonly array $middle,
        public readonly array $column,
        public readonly array $coupling,
        public readonly array $diagonal,
    ) {
    }

    /**
     * @param array<int, int> $from
     * @param array<int, int> $to a different unknown each
     * @param array<int, float> $conductance of the links: the weight of $to in the row of $from
     * @param array<int, float> $extra what the diagonal has beyond the sum of the row's couplings
     * @param ?array<int, float> $back the weight of $from in the row of $to, where that is another one
     */
    public static function fromLinks(array $from, array $to, array $conductance, array $extra, ?array $back = null): self
    {
        return LinkPattern::of(count($extra), $from, $to)->matrix($conductance, $back ?? $conductance, $extra);
    }

    /** The matrix with rows and columns exchanged; the pattern stays, since it is symmetric. */
    public function transposed(): self
    {
        $lower = $this->start;
        $upper = $this->middle;
        $column = $this->column;
        $coupling = $this->coupling;
        for ($i = 0; $i < $this->size; $i++) {
            for ($p = $this->start[$i]; $p < $this->start[$i + 1]; $p++) {
                $j = $this->column[$p];
                $to = $i < $j ? $lower[$j]++ : $upper[$j]++;
                $column[$to] = $i;
                $coupling[$to] = $this->coupling[$p];
            }
        }

        return new self($this->size, $this->start, $this->middle, $column, $coupling, $this->diagonal);
    }

    /**
     * @param array<int, float> $x
     * @return array<int, float> A x
     */
    public function times(array $x): array
    {
        return self::product($this->size, $this->start, $this->column, $this->coupling, $this->diagonal, $x);
    }

    /**
     * @param array<int, int> $start
     * @param array<int, int> $column
     * @param array<int, float> $coupling
     * @param array<int, float> $diagonal
     * @param array<int, float> $x
     * @return array<int, float>
     */
    private static function product(int $n, array $start, array $column, array $coupling, array $diagonal, array $x): array
    {
        $y = $x;
        $end = 0;
        for ($i = 0; $i < $n; $i++) {
            $p = $end;
            $end = $start[$i + 1];
            $sum = $diagonal[$i] * $x[$i];
            for (; $p < $end; $p++) {
                $sum -= $coupling[$p] * $x[$column[$p]];
            }
            $y[$i] = $sum;
        }

        return $y;
    }
}
