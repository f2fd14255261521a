<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\Grid;

/**
 * Follows straight lines through the space between the parts to the face that they meet (Amanatides & Woo, A Fast Voxel Traversal
 * Algorithm, Eurographics 1987). A plane of symmetry turns a line back. Planes of the grid on which no face lies are passed over: what is
 * between the others is empty or filled as a whole.
 */
final readonly class RayTracer
{
    /** A line that has met nothing after so many blocks is given up. */
    private const MOST_STEPS = 100_000;

    /** @var array{array<int, int>, array<int, int>, array<int, int>} block of every cell along each axis */
    private array $blockOf;

    /** @var array{list<int>, list<int>, list<int>} first cell of every block along each axis, and the number of cells */
    private array $first;

    /** @var array{list<float>, list<float>, list<float>} m, planes between the blocks */
    private array $lines;

    /** @var array{int, int, int} of the blocks */
    private array $strides;

    /** @var array<int, bool> whether faces close a block, by 6 * block + direction */
    private array $closed;

    public function __construct(private Grid $grid, private CavityFaces $faces)
    {
        $kept = [[], [], []];
        foreach ($faces->cell as $face => $cell) {
            $axis = $faces->direction[$face] >> 1;
            $kept[$axis][$grid->position($cell, $axis) + $faces->direction[$face] % 2] = true;
        }
        $blockOf = $first = $lines = [[], [], []];
        foreach ([0, 1, 2] as $axis) {
            for ($n = 0; $n < $grid->cells[$axis]; $n++) {
                if ($n === 0 || isset($kept[$axis][$n])) {
                    $first[$axis][] = $n;
                    $lines[$axis][] = $grid->lines[$axis][$n];
                }
                $blockOf[$axis][$n] = count($first[$axis]) - 1;
            }
            $first[$axis][] = $grid->cells[$axis];
            $lines[$axis][] = $grid->lines[$axis][$grid->cells[$axis]];
        }
        [$this->blockOf, $this->first, $this->lines] = [$blockOf, $first, $lines];
        [$nx, $ny, $nz] = [count($first[0]) - 1, count($first[1]) - 1, count($first[2]) - 1];
        $this->strides = [1, $nx, $nx * $ny];
        $closed = array_fill(0, 6 * $nx * $ny * $nz, false);
        foreach ($faces->cell as $face => $cell) {
            $block = 0;
            foreach ([0, 1, 2] as $axis) {
                $block += $this->strides[$axis] * $blockOf[$axis][$grid->position($cell, $axis)];
            }
            $closed[6 * $block + $faces->direction[$face]] = true;
        }
        $this->closed = $closed;
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
        [$closed, $strides, $lines] = [$this->closed, $this->strides, $this->lines];
        $place = $ahead = $per = $step = [0, 0, 0];
        $block = 0;
        for ($axis = 0; $axis < 3; $axis++) {
            $place[$axis] = $this->blockOf[$axis][$this->grid->position($cell, $axis)];
            $block += $strides[$axis] * $place[$axis];
            $speed = $towards[$axis];
            $step[$axis] = $speed >= 0.0 ? 1 : 0;
            $per[$axis] = abs($speed) < 1e-300 ? INF : 1.0 / abs($speed);
            $line = $lines[$axis][$place[$axis] + $step[$axis]];
            $ahead[$axis] = $per[$axis] === INF ? INF : max(0.0, abs($line - $from[$axis]) * $per[$axis]);
        }
        for ($n = 0; $n < self::MOST_STEPS; $n++) {
            $axis = $ahead[0] <= $ahead[1] ? ($ahead[0] <= $ahead[2] ? 0 : 2) : ($ahead[1] <= $ahead[2] ? 1 : 2);
            $isUp = $step[$axis] === 1;
            if ($closed[6 * $block + 2 * $axis + $step[$axis]]) {
                return $this->faceAt($place, $axis, $step[$axis], $ahead[$axis], $from, $towards);
            }
            $next = $isUp ? $place[$axis] + 1 : $place[$axis] - 1;
            if ($next < 0 || $next >= count($lines[$axis]) - 1) {
                // A mirror: back through the same block.
                $from[$axis] = 2.0 * $lines[$axis][$place[$axis] + $step[$axis]] - $from[$axis];
                $towards[$axis] = -$towards[$axis];
                $step[$axis] = 1 - $step[$axis];
                $next = $place[$axis];
            } else {
                $block = $isUp ? $block + $strides[$axis] : $block - $strides[$axis];
            }
            $place[$axis] = $next;
            $ahead[$axis] += ($lines[$axis][$next + 1] - $lines[$axis][$next]) * $per[$axis];
        }

        return -1;
    }

    /**
     * The face of the grid in the side of a block that a line leaves through.
     *
     * @param array<int, int> $place of the block along each axis
     * @param int $step 1 towards rising coordinates, else 0
     * @param float $after how far the line has gone, in lengths of its direction
     * @param array{float, float, float} $from m
     * @param array{float, float, float} $towards
     */
    private function faceAt(array $place, int $axis, int $step, float $after, array $from, array $towards): int
    {
        $cell = 0;
        foreach ($this->grid->strides() as $along => $stride) {
            [$low, $high] = [$this->first[$along][$place[$along]], $this->first[$along][$place[$along] + 1] - 1];
            if ($along === $axis) {
                $cell += $stride * ($step === 1 ? $high : $low);

                continue;
            }
            $at = $from[$along] + $after * $towards[$along];
            while ($low < $high) {
                $middle = intdiv($low + $high, 2);
                if ($this->grid->lines[$along][$middle + 1] > $at) {
                    $high = $middle;
                } else {
                    $low = $middle + 1;
                }
            }
            $cell += $stride * $low;
        }

        return $this->faces->at[6 * $cell + 2 * $axis + $step] ?? -1;
    }
}
