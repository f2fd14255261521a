<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;
use Foehn\Numerics\BoxInterpolation;
use Foehn\Numerics\LineTable;
use Foehn\Numerics\Vectors;

/**
 * A coarser level of the flow made by joining neighbouring intervals of the grid lines, and what goes up and down between the
 * two. Narrow intervals are joined first, which evens the cells out; walls need not lie on the coarse lines.
 */
final class Coarsening
{
    /** Intervals of the grid are joined up to a width, which rises by this factor until enough are joined. */
    private const RISE = 1.25;

    /** That width begins at this multiple of the narrowest cell: a little over two, so that a uniform grid is halved at once. */
    private const FIRST = 2.1;

    /** Two intervals count as wider by this times the fraction of the plane between them that is wall. Set on boxes with parts and fins, where joining across walls stopped the cycles. */
    private const WALL = 3.0;

    /** Enough are joined when at most this fraction of the cells is left; an eighth is the ideal, and unequal grids do not reach it. */
    private const FEWER = 0.2;

    public readonly FlowLevel $coarse;

    /**
     * Per axis, by fine cell or face, the two coarse places between which it lies.
     *
     * @var array{LineTable, LineTable, LineTable} where the cell lies; its centre between coarse centres; its upper face between coarse faces
     */
    private array $within;

    /** @var array{LineTable, LineTable, LineTable} */
    private array $between;

    /** @var array{LineTable, LineTable, LineTable} */
    private array $along;

    /** @var array<int, array<int, float>> 1 where the upper face of the cell lies on a coarse face */
    private array $onFace = [];

    /** @var array<int, array<int, float>> distance of the centres over that of the coarse ones across a coarse face, else 0 */
    private array $nearer = [];

    /** @var array<int, array<int, float>> square of the width over the coarse width */
    private array $squared = [];

    /** @var array<int, array<int, float>> */
    private array $ones = [];

    public function __construct(private readonly FlowLevel $fine)
    {
        $layout = $fine->layout;
        $parents = self::parents($fine);
        $lines = [];
        foreach ([0, 1, 2] as $axis) {
            $own = $layout->grid->lines[$axis];
            $coarse = [$own[0]];
            foreach ($own as $i => $x) {
                if ($i > 0 && $parents[$axis][$i] !== $parents[$axis][$i + 1]) {
                    $coarse[] = $x;
                }
            }
            $lines[] = $coarse;
        }
        $coarseLayout = new FlowLayout(new Grid([$lines[0], $lines[1], $lines[2]]));
        $tables = [];
        foreach ([0, 1, 2] as $axis) {
            $tables[] = $this->tables($axis, $parents[$axis], $layout, $coarseLayout);
        }
        $this->within = [$tables[0][0], $tables[1][0], $tables[2][0]];
        $this->between = [$tables[0][1], $tables[1][1], $tables[2][1]];
        $this->along = [$tables[0][2], $tables[1][2], $tables[2][2]];
        $this->coarse = $this->level($coarseLayout);
        $this->restrictFriction();
        $this->restrictDensity();
    }

    /** What the faces of the fine level carry, summed on the coarse ones. */
    public function restrictDensity(): void
    {
        foreach ([0, 1, 2] as $axis) {
            $this->coarse->carrying[$axis] = $this->gather($this->fine->carrying[$axis], $this->within, $this->planes($axis));
            $this->coarse->given[$axis] = $this->gather($this->fine->given[$axis], $this->within, $this->planes($axis));
        }
    }

    /** Friction of the fine level on the coarse one: sums; links get longer with the distances. */
    public function restrictFriction(): void
    {
        $friction = $this->fine->friction;
        [$along, $across, $drag, $loss] = [[], [], [], []];
        foreach ([0, 1, 2] as $axis) {
            [$b, $c] = Axes::across($axis);
            $scale = $this->ones;
            $scale[$axis] = $this->squared[$axis];
            $along[] = $this->gather($friction->along[$axis], $this->within, $scale);
            $tables = $this->faceTables($axis);
            $links = [];
            foreach ([$b, $c] as $n => $other) {
                $scale = $this->ones;
                $scale[$other] = $this->nearer[$other];
                $links[] = $this->gather($friction->across[$axis][$n], $tables, $scale);
            }
            $across[] = [$links[0], $links[1]];
            $drag[] = $this->drag($axis, $tables);
            $loss[] = $this->gather($friction->loss[$axis], $tables, $this->ones);
        }
        $zeros = $this->coarse->layout->zeros();
        $this->coarse->friction = new Friction($along, $across, $drag, [$zeros, $zeros, $zeros], $loss);
    }

    /**
     * Near a wall the fluid is slower than the mean over a coarse face, so its drag counts by the present velocities.
     *
     * @param array{LineTable, LineTable, LineTable} $tables
     * @return array<int, float>
     */
    private function drag(int $axis, array $tables): array
    {
        $fine = $this->fine;
        [$rubbing, $passing] = self::bySpeed($fine->friction->drag[$axis], $fine->area[$axis], $fine->velocity[$axis]);
        $area = $this->gather($fine->area[$axis], $tables, $this->ones);
        $passing = $this->gather($passing, $tables, $this->ones);

        return Vectors::times($this->gather($rubbing, $tables, $this->ones), self::quotients($area, $passing));
    }

    /**
     * @param array<int, float> $drag
     * @param array<int, float> $area
     * @param array<int, float> $u
     * @return array{array<int, float>, array<int, float>} drag and area times speed; at rest all speeds count alike
     */
    private static function bySpeed(array $drag, array $area, array $u): array
    {
        $least = 1e-3 * max(1e-12, Vectors::largest($u));
        for ($c = 0, $n = count($u); $c < $n; $c++) {
            $speed = ($u[$c] < 0.0 ? -$u[$c] : $u[$c]) + $least;
            $drag[$c] *= $speed;
            $area[$c] *= $speed;
        }

        return [$drag, $area];
    }

    /**
     * Velocities and pressures of the fine level as means on the coarse one.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux mass flow on the fine level, kg/s
     */
    public function restrictState(array $flux): void
    {
        $coarse = $this->coarse;
        foreach ([0, 1, 2] as $axis) {
            $through = $this->gather($flux[$axis], $this->within, $this->planes($axis));
            $coarse->velocity[$axis] = self::means($through, $coarse->given[$axis], $coarse->carrying[$axis], $coarse->layout->faceAreas($axis), $coarse->density);
        }
        $coarse->pressure = self::quotients($this->gather(Vectors::times($this->fine->pressure, $this->fine->volume), $this->within, $this->ones), $coarse->volume);
    }

    /**
     * Forces on the fine faces summed on the coarse ones.
     *
     * @param array<int, float> $force N
     * @return array<int, float>
     */
    public function restrictForce(int $axis, array $force): array
    {
        return $this->gather($force, $this->faceTables($axis), $this->ones);
    }

    /**
     * Adds corrections of the coarse level to the fine one.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @param array<int, float> $pressure Pa
     */
    public function prolongate(array $velocity, array $pressure): void
    {
        $fine = $this->fine;
        $layout = $fine->layout;
        $pad = $this->coarse->layout->pad;
        foreach ([0, 1, 2] as $axis) {
            $tables = $this->between;
            $tables[$axis] = $this->along[$axis];
            $u = $fine->velocity[$axis];
            $fine->velocity[$axis] = [];
            $fine->velocity[$axis] = (new BoxInterpolation($layout->size, $layout->pad, $pad, $tables))->addTo($velocity[$axis], $fine->area[$axis], Vectors::take($u));
        }
        $p = $fine->pressure;
        $fine->pressure = [];
        $fine->pressure = (new BoxInterpolation($layout->size, $layout->pad, $pad, $this->within))->addTo($pressure, $fine->volume, Vectors::take($p));
    }

    /**
     * Coarse cell of each fine one with ghosts, per axis.
     *
     * @return array{array<int, int>, array<int, int>, array<int, int>}
     */
    private static function parents(FlowLevel $level): array
    {
        $grid = $level->layout->grid;
        $blocked = array_map(fn (int $axis) => self::blocked($level, $axis), [0, 1, 2]);
        $width = self::FIRST * $grid->smallest();
        while (true) {
            $parents = [];
            $cells = 1;
            $pairs = true;
            foreach ($grid->widths as $axis => $widths) {
                $parent = [0];
                $coarse = 0;
                $count = count($widths);
                for ($i = 0; $i < $count; $i++) {
                    $parent[] = ++$coarse;
                    if ($i + 1 < $count) {
                        if (($widths[$i] + $widths[$i + 1]) * (1.0 + self::WALL * $blocked[$axis][$i]) <= $width) {
                            $parent[] = $coarse;
                            $i++;
                        } else {
                            $pairs = false;
                        }
                    }
                }
                $parent[] = $coarse + 1;
                $parents[] = $parent;
                $cells *= $coarse;
            }
            if ($pairs || $cells <= self::FEWER * $grid->count()) {
                return [$parents[0], $parents[1], $parents[2]];
            }
            $width *= self::RISE;
        }
    }

    /**
     * Share of each plane between two layers of cells that keeps fluid from fluid. Cells on both sides of a wall that are
     * joined feel each other, which they should not.
     *
     * @return array<int, float>
     */
    private static function blocked(FlowLevel $level, int $axis): array
    {
        $layout = $level->layout;
        $n = $layout->grid->cells[$axis];
        $closed = $whole = array_fill(0, $n + 1, 0.0);
        $areas = $layout->faceAreas($axis);
        foreach ($level->area[$axis] as $c => $open) {
            if ($areas[$c] > 0.0) {
                $i = $layout->place($c)[$axis];
                if ($i < $n + 1) {
                    $whole[$i] += $areas[$c];
                    if ($level->volume[$c] > 0.0 && $level->volume[$c + $layout->stride[$axis]] > 0.0) {
                        $closed[$i] += $areas[$c] - $open;
                    }
                }
            }
        }
        $blocked = [];
        for ($i = 1; $i < $n; $i++) {
            $blocked[] = $closed[$i] / $whole[$i];
        }

        return $blocked;
    }

    /**
     * @param array<int, int> $parent
     * @return array{LineTable, LineTable, LineTable} within, between and along this axis
     */
    private function tables(int $axis, array $parent, FlowLayout $layout, FlowLayout $coarse): array
    {
        $n = count($parent) - 2;
        $step = $coarse->stride[$axis];
        $w = $layout->width[$axis];
        $wide = $coarse->width[$axis];
        $lines = $layout->grid->lines[$axis];
        $coarseLines = $coarse->grid->lines[$axis];
        $zeros = array_fill(0, $n + 2, 0.0);
        $ones = array_fill(0, $n + 2, 1.0);
        $places = array_map(fn (int $p) => $p * $step, $parent);
        [$second, $far, $weight, $lower, $upper, $rise] = [$places, $places, $zeros, $places, $places, $zeros];
        [$onFace, $nearer, $squared] = [$zeros, $zeros, $zeros];
        for ($i = 0; $i <= $n; $i++) {
            $p = $parent[$i];
            if ($parent[$i + 1] !== $p) {
                $onFace[$i] = 1.0;
                $nearer[$i] = $i > 0 && $i < $n ? ($w[$i] + $w[$i + 1]) / ($wide[$p] + $wide[$p + 1]) : 0.0;
            } else {
                // Inside a coarse cell, between its lower and its upper face.
                $lower[$i] = ($p - 1) * $step;
                $rise[$i] = ($lines[$i] - $coarseLines[$p - 1]) / $wide[$p];
            }
            if ($i > 0) {
                $squared[$i] = ($w[$i] / $wide[$p]) ** 2;
                $off = 0.5 * ($lines[$i - 1] + $lines[$i] - $coarseLines[$p - 1] - $coarseLines[$p]);
                if (abs($off) > 1e-9 * $wide[$p]) {
                    $next = $off > 0.0 ? $p + 1 : $p - 1;
                    $far[$i] = $next * $step;
                    $weight[$i] = 2.0 * abs($off) / ($wide[$p] + $wide[$next]);
                }
            }
        }
        $this->onFace[$axis] = $onFace;
        $this->nearer[$axis] = $nearer;
        $this->squared[$axis] = $squared;
        $this->ones[$axis] = $ones;

        return [new LineTable($places, $second, $zeros), new LineTable($places, $far, $weight), new LineTable($lower, $upper, $rise)];
    }

    private function level(FlowLayout $layout): FlowLevel
    {
        $fine = $this->fine;
        [$area, $given, $outside] = [[], [], []];
        foreach ([0, 1, 2] as $axis) {
            $area[] = $open = $this->gather($fine->area[$axis], $this->within, $this->planes($axis), $layout);
            $given[] = $this->gather($fine->given[$axis], $this->within, $this->planes($axis), $layout);
            $out = array_fill(0, $layout->length, 0);
            $n = $layout->grid->cells[$axis];
            foreach ($open as $c => $a) {
                if ($a > 0.0) {
                    $place = $layout->place($c)[$axis];
                    $out[$c] = $place === 0 ? -1 : ($place === $n ? 1 : 0);
                }
            }
            $outside[] = $out;
        }

        return new FlowLevel(
            $layout, $fine->density, [$area[0], $area[1], $area[2]], [$given[0], $given[1], $given[2]], [$outside[0], $outside[1], $outside[2]],
            $this->gather($fine->volume, $this->within, $this->ones, $layout),
        );
    }

    /** @return array{LineTable, LineTable, LineTable} of faces across an axis */
    private function faceTables(int $axis): array
    {
        [$x, $y, $z] = $this->within;

        return [$axis === 0 ? $this->along[0] : $x, $axis === 1 ? $this->along[1] : $y, $axis === 2 ? $this->along[2] : $z];
    }

    /** @return array<int, array<int, float>> 1 for faces that lie on coarse ones */
    private function planes(int $axis): array
    {
        $scale = $this->ones;
        $scale[$axis] = $this->onFace[$axis];

        return $scale;
    }

    /**
     * @param array<int, float> $values
     * @param array{LineTable, LineTable, LineTable} $tables
     * @param array<int, array<int, float>> $scale
     * @return array<int, float> on the coarse level
     */
    private function gather(array $values, array $tables, array $scale, ?FlowLayout $coarse = null): array
    {
        $layout = $this->fine->layout;
        $coarse ??= $this->coarse->layout;

        return (new BoxInterpolation($layout->size, $layout->pad, $coarse->pad, $tables))->sums($values, $scale, $coarse->zeros());
    }

    /**
     * @param array<int, float> $flux
     * @param array<int, float> $given
     * @param array<int, float> $carrying
     * @param array<int, float> $whole
     * @return array<int, float> mean velocity on the open part, or on the whole face where nothing is open
     */
    private static function means(array $flux, array $given, array $carrying, array $whole, float $density): array
    {
        foreach ($flux as $c => $f) {
            if ($carrying[$c] > 0.0) {
                $flux[$c] = ($f - $given[$c]) / $carrying[$c];
            } elseif ($f !== 0.0) {
                $flux[$c] = $f / ($density * $whole[$c]);
            }
        }

        return $flux;
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     * @return array<int, float> 0 where the divisor is
     */
    private static function quotients(array $a, array $b): array
    {
        for ($c = 0, $n = count($a); $c < $n; $c++) {
            $a[$c] = $b[$c] > 0.0 ? $a[$c] / $b[$c] : 0.0;
        }

        return $a;
    }
}
