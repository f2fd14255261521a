<?php

declare(strict_types=1);

namespace Foehn\Results\Trace;

use Foehn\Grid\Grid;

/**
 * Lines along which particles of the fluid move. Inside a cell every component of the velocity goes straight from that of the lower to
 * that of the upper face, as the balance of mass has it; the path and its time are then known in closed form (Pollock, Ground Water 26
 * (1988) 743, eq. 6 to 9). Faces of solids pass nothing, so that no line enters one, and a line of a plane flow closes.
 */
final readonly class Streamlines
{
    /** A line ends after so many passages of cells per cell along the three axes together, as one that circulates for ever. */
    private const ROUNDS = 3;

    /** Velocities below this share of the greatest are standstill. */
    private const STILL = 1e-6;

    /** Points within a cell, so that a curved path is drawn as one. */
    private const POINTS = 3;

    private float $still;

    private int $most;

    /** @param array{array<int, float>, array<int, float>, array<int, float>} $faces velocities across the faces, m/s (see Observe\Fields::faceVelocities) */
    public function __construct(private Grid $grid, private array $faces)
    {
        $greatest = 0.0;
        foreach ($faces as $values) {
            $greatest = $values === [] ? $greatest : max($greatest, max($values), -min($values));
        }
        $this->still = self::STILL * $greatest;
        $this->most = self::ROUNDS * array_sum($grid->cells);
    }

    /**
     * The line through a point, from where it comes to where it goes.
     *
     * @param array{float, float, float} $seed m
     * @param bool $back whether it is followed against the flow too
     * @return list<array{float, float, float, float}> m, and s before (negative) or after the seed; fewer than two points where nothing moves
     */
    public function through(array $seed, bool $back = true): array
    {
        $line = [[...$seed, 0.0], ...$this->follow($seed, 1)];

        return $back ? [...array_reverse($this->follow($seed, -1)), ...$line] : $line;
    }

    /**
     * The lines through points, without those where nothing moves.
     *
     * @param list<array{float, float, float}> $seeds m
     * @return list<non-empty-list<array{float, float, float, float}>>
     */
    public function throughAll(array $seeds, bool $back): array
    {
        return array_values(array_filter(array_map(fn (array $seed): array => $this->through($seed, $back), $seeds), fn (array $line): bool => count($line) > 1));
    }

    /**
     * @param array{float, float, float} $point m
     * @param 1|-1 $sense with or against the flow
     * @return list<array{float, float, float, float}>
     */
    private function follow(array $point, int $sense): array
    {
        $lines = $this->grid->lines;
        $cell = [$this->grid->locate(0, $point[0]), $this->grid->locate(1, $point[1]), $this->grid->locate(2, $point[2])];
        $points = [];
        $spent = 0.0;
        for ($passage = 0; $passage < $this->most; $passage++) {
            // At a face that the flow goes away from, the point belongs to the cell it goes to.
            [$time, $exit, $low, $slope] = [INF, -1, [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
            foreach ([0, 1, 2] as $axis) {
                [$u, $v] = $this->ofCell($axis, $cell);
                [$from, $to] = [$lines[$axis][$cell[$axis]], $lines[$axis][$cell[$axis] + 1]];
                $low[$axis] = $sense * $u;
                $slope[$axis] = $sense * ($v - $u) / ($to - $from);
                $here = $low[$axis] + $slope[$axis] * ($point[$axis] - $from);
                $leaves = $this->timeOut($here, $sense * ($here > 0.0 ? $v : $u), $slope[$axis], $here > 0.0 ? $to - $point[$axis] : $from - $point[$axis]);
                if ($leaves < $time) {
                    [$time, $exit] = [$leaves, 2 * $axis + ($here > 0.0 ? 1 : 0)];
                }
            }
            if ($exit < 0) {
                break;
            }
            $start = $point;
            for ($n = 1; $n <= self::POINTS; $n++) {
                $point = $this->along($start, $cell, $low, $slope, $time * $n / self::POINTS);
                if ($n === self::POINTS) {
                    $point[$exit >> 1] = $lines[$exit >> 1][$cell[$exit >> 1] + $exit % 2];
                }
                if ($time > 0.0) {
                    $points[] = [...$point, $sense * ($spent + $time * $n / self::POINTS)];
                }
            }
            $spent += $time;
            $cell[$exit >> 1] += $exit % 2 === 1 ? 1 : -1;
            if ($cell[$exit >> 1] < 0 || $cell[$exit >> 1] >= $this->grid->cells[$exit >> 1]) {
                break;
            }
        }

        return $points;
    }

    /**
     * Time until a point reaches a face, s; INF where it never does.
     *
     * @param float $here velocity at the point, m/s
     * @param float $there velocity at the face
     * @param float $slope change of the velocity along the axis, 1/s
     * @param float $way to the face, m, of the sign of the velocity
     */
    private function timeOut(float $here, float $there, float $slope, float $way): float
    {
        if (abs($here) <= $this->still || $here * $there <= 0.0) {
            return INF;
        }

        return abs($slope * $way) < 1e-6 * abs($here) ? $way / $here : log($there / $here) / $slope;
    }

    /**
     * @param array{float, float, float} $from m
     * @param array{int, int, int} $cell
     * @param array{float, float, float} $low velocities at the lower faces, m/s
     * @param array{float, float, float} $slope 1/s
     * @return array{float, float, float} where a point of a cell is after a time, m
     */
    private function along(array $from, array $cell, array $low, array $slope, float $time): array
    {
        $to = $from;
        foreach ([0, 1, 2] as $axis) {
            $edge = $this->grid->lines[$axis][$cell[$axis]];
            $here = $low[$axis] + $slope[$axis] * ($from[$axis] - $edge);
            $grown = $slope[$axis] * $time;
            $way = abs($grown) < 1e-6 ? $time * (1.0 + 0.5 * $grown) : (exp($grown) - 1.0) / $slope[$axis];
            $to[$axis] = max($edge, min($this->grid->lines[$axis][$cell[$axis] + 1], $from[$axis] + $here * $way));
        }

        return $to;
    }

    /**
     * @param array{int, int, int} $cell
     * @return array{float, float} m/s across its lower and its upper face
     */
    private function ofCell(int $axis, array $cell): array
    {
        [$nx, $ny] = $this->grid->cells;
        [$mx, $my] = [$axis === 0 ? $nx + 1 : $nx, $axis === 1 ? $ny + 1 : $ny];
        $face = $cell[0] + $mx * ($cell[1] + $my * $cell[2]);

        return [$this->faces[$axis][$face], $this->faces[$axis][$face + ($axis === 0 ? 1 : ($axis === 1 ? $mx : $mx * $my))]];
    }
}
