<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\Grid;

/**
 * Follows straight lines through the cells between the parts to the face that they meet (Amanatides & Woo, A Fast Voxel Traversal
 * Algorithm, Eurographics 1987). A plane of symmetry turns a line back.
 */
final readonly class RayTracer
{
    /** A line that has met nothing after so many cells is given up. */
    private const MOST_STEPS = 100_000;

    /** @var array<int, int> face by 6 * cell + direction, -1 where there is none */
    private array $at;

    /** @var array{int, int, int} */
    private array $strides;

    public function __construct(private Grid $grid, CavityFaces $faces)
    {
        $at = array_fill(0, 6 * $grid->count(), -1);
        foreach ($faces->at as $place => $face) {
            $at[$place] = $face;
        }
        $this->at = $at;
        $this->strides = $grid->strides();
    }

    /**
     * The face that a line meets.
     *
     * @param int $cell of no part, in which it begins
     * @param array{float, float, float} $from m, in that cell or on one of its faces
     * @param array{float, float, float} $towards direction, of any length
     * @return int face, -1 where it meets none
     */
    public function face(int $cell, array $from, array $towards): int
    {
        [$at, $strides, $widths, $cells] = [$this->at, $this->strides, $this->grid->widths, $this->grid->cells];
        $place = $ahead = $per = $step = [0, 0, 0];
        for ($axis = 0; $axis < 3; $axis++) {
            $place[$axis] = intdiv($cell, $strides[$axis]) % $cells[$axis];
            $speed = $towards[$axis];
            $step[$axis] = $speed >= 0.0 ? 1 : 0;
            $per[$axis] = abs($speed) < 1e-300 ? INF : 1.0 / abs($speed);
            $line = $this->grid->lines[$axis][$place[$axis] + $step[$axis]];
            $ahead[$axis] = $per[$axis] === INF ? INF : max(0.0, abs($line - $from[$axis]) * $per[$axis]);
        }
        for ($n = 0; $n < self::MOST_STEPS; $n++) {
            $axis = $ahead[0] <= $ahead[1] ? ($ahead[0] <= $ahead[2] ? 0 : 2) : ($ahead[1] <= $ahead[2] ? 1 : 2);
            $isUp = $step[$axis] === 1;
            $face = $at[6 * $cell + 2 * $axis + $step[$axis]];
            if ($face >= 0) {
                return $face;
            }
            $next = $isUp ? $place[$axis] + 1 : $place[$axis] - 1;
            if ($next < 0 || $next >= $cells[$axis]) {
                // A mirror: back through the same cell.
                $step[$axis] = 1 - $step[$axis];
                $ahead[$axis] += $widths[$axis][$place[$axis]] * $per[$axis];

                continue;
            }
            $place[$axis] = $next;
            $cell = $isUp ? $cell + $strides[$axis] : $cell - $strides[$axis];
            $ahead[$axis] += $widths[$axis][$next] * $per[$axis];
        }

        return -1;
    }
}
