<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * A symmetric matrix that couples each cell of a box of cells to its six neighbours: (A x)_c = d_c x_c - sum g x_neighbour.
 * Arrays over cells are padded by one x-y plane in front and behind, so that no neighbour is out of range: cell (i, j, k)
 * stands at pad + i + nx (j + ny k). A cell without couplings and without an own conductance takes no part.
 */
final class Stencil implements Matrix
{
    public readonly int $pad;

    /** @var array<int, float> */
    public readonly array $diagonal;

    /**
     * @param array{int, int, int} $cells
     * @param array{array<int, float>, array<int, float>, array<int, float>} $coupling per axis towards the next cell; zero at the last
     * @param array<int, float> $extra what the diagonal has beyond the sum of the couplings
     */
    public function __construct(public readonly array $cells, public readonly array $coupling, public readonly array $extra)
    {
        $this->pad = $cells[0] * $cells[1];
        $this->diagonal = self::sum($cells, $coupling[0], $coupling[1], $coupling[2], $extra);
    }

    /**
     * @param array{int, int, int} $cells
     * @return array<int, float> a padded array of zeros
     */
    public static function zeros(array $cells): array
    {
        return array_fill(0, $cells[0] * $cells[1] * ($cells[2] + 2), 0.0);
    }

    /**
     * The cells of a padded array, each with the same added.
     *
     * @param array<int, float> $padded
     * @param array{int, int, int} $cells
     * @return array<int, float>
     */
    public static function inside(array $padded, array $cells, float $added): array
    {
        $values = array_slice($padded, $cells[0] * $cells[1], $cells[0] * $cells[1] * $cells[2]);
        foreach ($values as $c => $value) {
            $values[$c] = $value + $added;
        }

        return $values;
    }

    /** Whether it has the same couplings and own conductances. */
    public function equals(self $other): bool
    {
        return $this === $other || ($this->extra === $other->extra && $this->coupling === $other->coupling);
    }

    /** Number of cells. */
    public function size(): int
    {
        return $this->pad * $this->cells[2];
    }

    /** @return array{int, int, int} steps from a cell to the next one along each axis */
    public function strides(): array
    {
        return [1, $this->cells[0], $this->pad];
    }

    /**
     * @param array<int, float> $x padded
     * @return array<int, float> A x, padded
     */
    public function times(array $x): array
    {
        return self::product($this->cells, $this->coupling[0], $this->coupling[1], $this->coupling[2], $this->diagonal, $x);
    }

    /**
     * The matrix between vectors with one value per group of cells: sums of what the groups contain.
     *
     * @param array<int, int> $group of each padded cell; of cells that take no part any
     */
    public function galerkin(array $group, int $count): SparseMatrix
    {
        $between = [];
        foreach ($this->strides() as $axis => $stride) {
            foreach ($this->coupling[$axis] as $c => $g) {
                if ($g > 0.0 && $group[$c] !== $group[$c + $stride]) {
                    $one = $group[$c];
                    $other = $group[$c + $stride];
                    $key = $one < $other ? $one * $count + $other : $other * $count + $one;
                    $between[$key] = ($between[$key] ?? 0.0) + $g;
                }
            }
        }
        $from = $to = [];
        foreach ($between as $key => $g) {
            $from[] = intdiv($key, $count);
            $to[] = $key % $count;
        }

        return SparseMatrix::fromLinks($from, $to, array_values($between), self::pack($this->extra, $group, $count));
    }

    /** @return array<int, bool> padded: whether couplings join the cell to one with an own conductance, without which its value has no answer */
    public function reached(): array
    {
        $reached = array_fill(0, count($this->extra), null);
        foreach ($this->extra as $c => $conductance) {
            if ($conductance > 0.0) {
                $this->spread($reached, $c, true);
            }
        }

        return array_map(fn (?bool $is): bool => $is === true, $reached);
    }

    /**
     * Sets a value in a cell and in all that couplings join to it, up to those that have one.
     *
     * @template T
     * @param array<int, ?T> $values padded
     * @param T $value
     */
    public function spread(array &$values, int $from, mixed $value): void
    {
        if (isset($values[$from])) {
            return;
        }
        $values[$from] = $value;
        $stack = [$from];
        while ($stack !== []) {
            $c = array_pop($stack);
            foreach ($this->strides() as $axis => $stride) {
                if ($this->coupling[$axis][$c] > 0.0 && ! isset($values[$c + $stride])) {
                    $values[$c + $stride] = $value;
                    $stack[] = $c + $stride;
                }
                if ($this->coupling[$axis][$c - $stride] > 0.0 && ! isset($values[$c - $stride])) {
                    $values[$c - $stride] = $value;
                    $stack[] = $c - $stride;
                }
            }
        }
    }

    /**
     * The same matrix without the cells that take no part, and with one unknown for each group of tied cells.
     *
     * @param list<non-empty-array<int, int>> $ties padded indices of cells with one common value
     * @return array{SparseMatrix, array<int, int>} and the unknown of each padded cell, -1 for none
     */
    public function toSparse(array $ties = []): array
    {
        [$unknown, $size] = $this->number($ties);

        return [$ties === [] ? $this->packed($unknown, $size) : $this->galerkin($unknown, $size), $unknown];
    }

    /**
     * Row by row: neighbours before a cell have lower numbers, those after it higher ones.
     *
     * @param array<int, int> $unknown of each padded cell, in the order of the cells; -1 for none
     */
    private function packed(array $unknown, int $size): SparseMatrix
    {
        [$gx, $gy, $gz] = $this->coupling;
        [, $nx, $pad] = $this->strides();
        $start = [0];
        $middle = $column = $coupling = $diagonal = [];
        $filled = 0;
        foreach ($unknown as $c => $u) {
            if ($u < 0) {
                continue;
            }
            if ($gz[$c - $pad] > 0.0) {
                $column[] = $unknown[$c - $pad];
                $coupling[] = $gz[$c - $pad];
                $filled++;
            }
            if ($gy[$c - $nx] > 0.0) {
                $column[] = $unknown[$c - $nx];
                $coupling[] = $gy[$c - $nx];
                $filled++;
            }
            if ($gx[$c - 1] > 0.0) {
                $column[] = $unknown[$c - 1];
                $coupling[] = $gx[$c - 1];
                $filled++;
            }
            $middle[] = $filled;
            if ($gx[$c] > 0.0) {
                $column[] = $unknown[$c + 1];
                $coupling[] = $gx[$c];
                $filled++;
            }
            if ($gy[$c] > 0.0) {
                $column[] = $unknown[$c + $nx];
                $coupling[] = $gy[$c];
                $filled++;
            }
            if ($gz[$c] > 0.0) {
                $column[] = $unknown[$c + $pad];
                $coupling[] = $gz[$c];
                $filled++;
            }
            $start[] = $filled;
            $diagonal[] = $this->diagonal[$c];
        }

        return new SparseMatrix($size, $start, $middle, $column, $coupling, $diagonal);
    }

    /**
     * The unknowns of toSparse().
     *
     * @param list<non-empty-array<int, int>> $ties padded indices of cells with one common value
     * @return array{array<int, int>, int} the unknown of each padded cell, -1 for none, and how many there are
     */
    public function number(array $ties): array
    {
        $tie = [];
        foreach ($ties as $cells) {
            foreach ($cells as $c) {
                $tie[$c] = $cells[0];
            }
        }
        $unknown = [];
        $size = 0;
        foreach ($this->diagonal as $c => $d) {
            $unknown[] = $d > 0.0 && ($tie[$c] ?? $c) === $c ? $size++ : -1;
        }
        foreach ($tie as $c => $first) {
            $unknown[$c] = $unknown[$first];
        }

        return [$unknown, $size];
    }

    /**
     * The value of each unknown of toSparse(), where all its cells have the same.
     *
     * @param array<int, float> $x padded
     * @param array<int, int> $unknown
     * @return array<int, float>
     */
    public static function pick(array $x, array $unknown, int $size): array
    {
        $picked = array_fill(0, $size, 0.0);
        foreach ($unknown as $c => $u) {
            if ($u >= 0) {
                $picked[$u] = $x[$c];
            }
        }

        return $picked;
    }

    /**
     * Sums over the cells of each unknown of toSparse().
     *
     * @param array<int, float> $x padded
     * @param array<int, int> $unknown
     * @return array<int, float>
     */
    public static function pack(array $x, array $unknown, int $size): array
    {
        $packed = array_fill(0, $size, 0.0);
        foreach ($unknown as $c => $u) {
            if ($u >= 0) {
                $packed[$u] += $x[$c];
            }
        }

        return $packed;
    }

    /**
     * @param array<int, float> $packed per unknown of toSparse()
     * @param array<int, int> $unknown
     * @return array<int, float> padded
     */
    public static function unpack(array $packed, array $unknown): array
    {
        $x = [];
        foreach ($unknown as $u) {
            $x[] = $u >= 0 ? $packed[$u] : 0.0;
        }

        return $x;
    }

    /**
     * @param array{int, int, int} $cells
     * @param array<int, float> $gx
     * @param array<int, float> $gy
     * @param array<int, float> $gz
     * @param array<int, float> $d extra, becomes the diagonal
     * @return array<int, float>
     */
    private static function sum(array $cells, array $gx, array $gy, array $gz, array $d): array
    {
        [$nx, $ny, $nz] = $cells;
        $pad = $nx * $ny;
        for ($c = $pad, $end = $pad * ($nz + 1); $c < $end; $c++) {
            $d[$c] += $gx[$c] + $gx[$c - 1] + $gy[$c] + $gy[$c - $nx] + $gz[$c] + $gz[$c - $pad];
        }

        return $d;
    }

    /**
     * @param array{int, int, int} $cells
     * @param array<int, float> $gx
     * @param array<int, float> $gy
     * @param array<int, float> $gz
     * @param array<int, float> $d
     * @param array<int, float> $x
     * @return array<int, float>
     */
    private static function product(array $cells, array $gx, array $gy, array $gz, array $d, array $x): array
    {
        [$nx, $ny, $nz] = $cells;
        $pad = $nx * $ny;
        $y = $x;
        for ($c = $pad, $end = $pad * ($nz + 1); $c < $end; $c++) {
            $y[$c] = $d[$c] * $x[$c] - $gx[$c] * $x[$c + 1] - $gx[$c - 1] * $x[$c - 1] - $gy[$c] * $x[$c + $nx] - $gy[$c - $nx] * $x[$c - $nx]
                - $gz[$c] * $x[$c + $pad] - $gz[$c - $pad] * $x[$c - $pad];
        }

        return $y;
    }
}
