<?php

declare(strict_types=1);

namespace Foehn\Grid;

/** Values in the cells of one grid read in the middles of the cells of another: straight between the middles of the cells of the same body around each. */
final readonly class Resampling
{
    /**
     * @param list<int> $owners what each cell of the grid belongs to
     * @param bool $beyond whether places outside the grid take what is nearest in it
     */
    public function __construct(private Grid $from, private array $owners, private bool $beyond = false)
    {
    }

    /**
     * @param array<int, ?float> $values in the cells of the grid
     * @return list<array{?float, ?int}> value in each cell of the other grid and what its place belongs to in this one; null where there is none
     */
    public function onto(Grid $to, array $values): array
    {
        [$places, $strides] = [[$this->places($to, 0), $this->places($to, 1), $this->places($to, 2)], $this->from->strides()];
        $read = [];
        foreach ($places[2] as $z) {
            foreach ($places[1] as $y) {
                foreach ($places[0] as $x) {
                    if ($x === null || $y === null || $z === null) {
                        $read[] = [null, null];

                        continue;
                    }
                    $owner = $this->owners[$x[0] + $strides[1] * $y[0] + $strides[2] * $z[0]];
                    $read[] = [$this->read($values, $strides, [$x, $y, $z], $owner), $owner];
                }
            }
        }

        return $read;
    }

    /**
     * Where the middles of the cells of another grid lie in this one along an axis.
     *
     * @return list<?array{int, int, float}> per cell: the cell that holds it, the lower of the two whose middles are beside it, and the
     *     share of the way to the upper; null outside
     */
    private function places(Grid $to, int $axis): array
    {
        [$lines, $centres] = [$this->from->lines[$axis], $this->from->centres[$axis]];
        $last = count($centres) - 1;
        $places = [];
        foreach ($to->centres[$axis] as $x) {
            if ($x < $lines[0] || $x > $lines[$last + 1]) {
                $nearest = $x < $lines[0] ? 0 : $last;
                $places[] = $this->beyond ? [$nearest, $nearest, 0.0] : null;

                continue;
            }
            $cell = $this->from->locate($axis, $x);
            $low = $x < $centres[$cell] ? $cell - 1 : $cell;
            $places[] = match (true) {
                $low < 0 => [$cell, 0, 0.0],
                $low >= $last => [$cell, $last, 0.0],
                default => [$cell, $low, ($x - $centres[$low]) / ($centres[$low + 1] - $centres[$low])],
            };
        }

        return $places;
    }

    /**
     * The value between the eight cells around a place that belong to its owner.
     *
     * @param array<int, ?float> $values
     * @param array{int, int, int} $strides
     * @param array{array{int, int, float}, array{int, int, float}, array{int, int, float}} $at
     */
    private function read(array $values, array $strides, array $at, int $owner): ?float
    {
        [$sum, $weights] = [0.0, 0.0];
        for ($n = 0; $n < 8; $n++) {
            [$weight, $cell] = [1.0, 0];
            foreach ($at as $axis => [, $low, $share]) {
                $up = ($n >> $axis) & 1;
                $weight *= $up === 1 ? $share : 1.0 - $share;
                // Beyond the last middle the share is nothing.
                $cell += ($share > 0.0 ? $low + $up : $low) * $strides[$axis];
            }
            if ($weight > 0.0 && $this->owners[$cell] === $owner && $values[$cell] !== null) {
                $sum += $weight * $values[$cell];
                $weights += $weight;
            }
        }

        return $weights > 1e-9 ? $sum / $weights : null;
    }
}
