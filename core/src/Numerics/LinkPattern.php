<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Where the links between unknowns stand in the rows of a sparse matrix, so that new weights need no new order. */
final readonly class LinkPattern
{
    /**
     * @param list<int> $from
     * @param list<int> $to
     * @param list<int> $start n + 1 row starts
     * @param list<int> $middle first upper entry of each row
     * @param list<int> $column
     * @param list<int> $there entry of each link in the row of $from
     * @param list<int> $back entry of each link in the row of $to
     */
    private function __construct(
        private int $size,
        private array $from,
        private array $to,
        private array $start,
        private array $middle,
        private array $column,
        private array $there,
        private array $back,
    ) {
    }

    /**
     * @param list<int> $from
     * @param list<int> $to a different unknown each
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

        return new self($size, $from, $to, $start, $middle, $column, $there, $back);
    }

    /**
     * Whether it is that of these links.
     *
     * @param list<int> $from
     * @param list<int> $to
     */
    public function isOf(int $size, array $from, array $to): bool
    {
        return $this->size === $size && $this->from === $from && $this->to === $to;
    }

    /**
     * @param list<float> $conductance of the links: the weight of $to in the row of $from
     * @param list<float> $back the weight of $from in the row of $to
     * @param list<float> $extra what the diagonal has beyond the sum of the row's couplings
     */
    public function matrix(array $conductance, array $back, array $extra): SparseMatrix
    {
        [$coupling, $diagonal] = self::fill($this->from, $this->to, $this->there, $this->back, $conductance, $back, array_fill(0, count($this->column), 0.0), $extra);

        return new SparseMatrix($this->size, $this->start, $this->middle, $this->column, $coupling, $diagonal);
    }

    /**
     * @param list<int> $from
     * @param list<int> $to
     * @param list<int> $there
     * @param list<int> $mirror
     * @param list<float> $conductance
     * @param list<float> $back
     * @param list<float> $coupling
     * @param list<float> $diagonal
     * @return array{list<float>, list<float>}
     */
    private static function fill(array $from, array $to, array $there, array $mirror, array $conductance, array $back, array $coupling, array $diagonal): array
    {
        for ($l = 0, $links = count($from); $l < $links; $l++) {
            $coupling[$there[$l]] = $conductance[$l];
            $coupling[$mirror[$l]] = $back[$l];
            $diagonal[$from[$l]] += $conductance[$l];
            $diagonal[$to[$l]] += $back[$l];
        }

        return [$coupling, $diagonal];
    }
}
