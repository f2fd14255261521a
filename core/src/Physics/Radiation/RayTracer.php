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

    public function __construct(private Grid $grid, private CavityFaces $faces)
    {
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
        $strides = $this->grid->strides();
        $place = $ahead = $per = $step = [0, 0, 0];
        for ($axis = 0; $axis < 3; $axis++) {
            $place[$axis] = intdiv($cell, $strides[$axis]) % $this->grid->cells[$axis];
            $speed = $towards[$axis];
            $step[$axis] = $speed >= 0.0 ? 1 : 0;
            $per[$axis] = abs($speed) < 1e-300 ? INF : 1.0 / abs($speed);
            $line = $this->grid->lines[$axis][$place[$axis] + $step[$axis]];
            $ahead[$axis] = $per[$axis] === INF ? INF : max(0.0, abs($line - $from[$axis]) * $per[$axis]);
        }
        for ($n = 0; $n < self::MOST_STEPS; $n++) {
            $axis = $ahead[0] <= $ahead[1] ? ($ahead[0] <= $ahead[2] ? 0 : 2) : ($ahead[1] <= $ahead[2] ? 1 : 2);
            $direction = 2 * $axis + $step[$axis];
            $face = $this->faces->at[6 * $cell + $direction] ?? -1;
            if ($face >= 0) {
                return $face;
            }
            $next = $place[$axis] + ($step[$axis] === 1 ? 1 : -1);
            if ($next < 0 || $next >= $this->grid->cells[$axis]) {
                // A mirror: back through the same cell.
                $step[$axis] = 1 - $step[$axis];
                $ahead[$axis] += $this->grid->widths[$axis][$place[$axis]] * $per[$axis];

                continue;
            }
            $place[$axis] = $next;
            $cell += $step[$axis] === 1 ? $strides[$axis] : -$strides[$axis];
            $ahead[$axis] += $this->grid->widths[$axis][$next] * $per[$axis];
        }

        return -1;
    }
}
