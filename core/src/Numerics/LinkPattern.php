<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Where the links between unknowns stand in the rows of a sparse matrix, so that new weights need no new order. */
final readonly class LinkPattern
{
    /**
     * @param array<int, int> $from
     * @param array<int, int> $to
     * @param array{array<int, int>, array<int, int>, array<int, int>} $rows starts of the rows (one more than rows), first upper entry of each row, and the column of each entry
     * @param array<int, int> $there entry of each link in the row of $from
     * @param array<int, int> $back entry of each link in the row of $to
     */
    private function __construct(
        private int $size,
        private array $from,
        private array $to,
        private array $rows,
        private array $there,
        private array $back,
    ) {
    }

    /**
     * @param array<int, int> $from
     * @param array<int, int> $to a different unknown each
     */
    public static function of(int $size, array $from, array $to): self
    {
        $links = count($from);
        $lower = $upper = array_fill(0, $size, 0);
        for ($l = 0; $l < $links; $l++) {
            $i = $from[$l];
            $j = $to[$l];
            if ($i < $j) {
                $upper[$i]++;
                $lower[$j]++;
            } else {
                $upper[$j]++;
                $lower[$i]++;
            }
        }
        $start = [0];
        $middle = [];
        $position = 0;
        for ($i = 0; $i < $size; $i++) {
            $middle[] = $position + $lower[$i];
            $position += $lower[$i] + $upper[$i];
            $start[] = $position;
            $lower[$i] = $start[$i];
            $upper[$i] = $middle[$i];
        }
        $column = array_fill(0, $position, 0);
        $there = $back = $from;
        for ($l = 0; $l < $links; $l++) {
            $i = $from[$l];
            $j = $to[$l];
            $there[$l] = $p = $i < $j ? $upper[$i]++ : $lower[$i]++;
            $column[$p] = $j;
            $back[$l] = $p = $i < $j ? $lower[$j]++ : $upper[$j]++;
            $column[$p] = $i;
        }

        return new self($size, $from, $to, [$start, $middle, $column], $there, $back);
    }

    /**
     * Whether it is that of these links.
     *
     * @param array<int, int> $from
     * @param array<int, int> $to
     */
    public function isOf(int $size, array $from, array $to): bool
    {
        return $this->size === $size && $this->from === $from && $this->to === $to;
    }

    /**
     * @param array<int, float> $conductance of the links: the weight of $to in the row of $from
     * @param array<int, float> $back the weight of $from in the row of $to
     * @param array<int, float> $extra what the diagonal has beyond the sum of the row's couplings
     */
    public function matrix(array $conductance, array $back, array $extra): SparseMatrix
    {
        [$start, $middle, $column] = $this->rows;
        [$from, $to, $there, $mirror] = [$this->from, $this->to, $this->there, $this->back];
        $coupling = $column === [] ? [] : array_fill(0, count($column), 0.0);
        $diagonal = $extra;
        for ($l = 0, $links = count($from); $l < $links; $l++) {
            $coupling[$there[$l]] = $conductance[$l];
            $coupling[$mirror[$l]] = $back[$l];
            $diagonal[$from[$l]] += $conductance[$l];
            $diagonal[$to[$l]] += $back[$l];
        }

        return new SparseMatrix($this->size, $start, $middle, $column, $coupling, $diagonal);
    }
}
