<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;
use Foehn\Grid\Voxels;
use Foehn\Model\FlowCondition;
use Foehn\Model\Model;
use Foehn\Model\Space;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\SparseMatrix;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\Fan;

/** Finds the fluid cells, walls and openings of a model on its grid. */
final class DomainBuilder
{
    /** Share of the given flows by which what enters and what leaves may differ by the rounding of their sums. */
    private const ROUNDING = 1e-9;

    /** Relative residual of the profile of an inlet. */
    private const PROFILE = 1e-10;

    private FlowLayout $layout;

    /** @var array<int, int> */
    private array $fluid;

    /** @var array<int, float> */
    private array $noSlip;

    /** @var array{array<int, int>, array<int, int>, array<int, int>} */
    private array $face;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} */
    private array $velocity;

    /** @var array<int, float> */
    private array $pressure;

    /** @var array<string, Opening> */
    private array $openings = [];

    private function __construct(private readonly Model $model, Voxels $voxels, private readonly float $density)
    {
        $this->layout = $layout = new FlowLayout($voxels->grid);
        $this->fluid = $layout->spread(array_map(fn (int $region) => $region >= 0 ? 1 : 0, $voxels->region), 0);
        $this->noSlip = array_fill(0, $layout->length, 1.0);
        $zeros = $layout->zeros();
        $this->velocity = [$zeros, $zeros, $zeros];
        $this->pressure = $zeros;
        $this->face = [self::innerFaces($this->fluid, 1), self::innerFaces($this->fluid, $layout->stride[1]), self::innerFaces($this->fluid, $layout->stride[2])];
    }

    /**
     * @param float $density of the fluid that enters, kg/m3
     * @throws PhysicsException
     */
    public static function build(Model $model, Voxels $voxels, float $density): FlowDomain
    {
        $builder = new self($model, $voxels, $density);
        foreach (Space::SIDES as $side => $name) {
            $builder->side($side, $name);
        }
        $builder->closeHubs();
        foreach ($builder->openings as $opening) {
            $builder->give($opening);
        }
        $domain = new FlowDomain(
            $builder->layout, $builder->fluid, $builder->noSlip, $builder->face, $builder->velocity, $builder->pressure,
            array_values($builder->openings),
        );
        $builder->check($domain);

        return $domain;
    }

    /**
     * @param array<int, int> $fluid
     * @return array<int, int>
     */
    private static function innerFaces(array $fluid, int $stride): array
    {
        $face = $fluid;
        for ($c = 0, $end = count($fluid) - $stride; $c < $end; $c++) {
            $face[$c] = $fluid[$c] === 1 && $fluid[$c + $stride] === 1 ? FlowDomain::INNER : FlowDomain::GIVEN;
        }

        return $face;
    }

    private function side(int $side, string $name): void
    {
        $axis = Axes::named($name);
        $upper = $side % 2 === 1;
        [$a, $b] = Axes::across($axis);
        $grid = $this->layout->grid;
        $given = $this->model->space->sides[$name];
        for ($jb = 0; $jb < $grid->cells[$b]; $jb++) {
            for ($ja = 0; $ja < $grid->cells[$a]; $ja++) {
                $place = [0, 0, 0];
                $place[$a] = $ja + 1;
                $place[$b] = $jb + 1;
                $place[$axis] = $upper ? $grid->cells[$axis] : 1;
                $cell = $this->layout->index(...$place);
                $stride = $this->layout->stride[$axis];
                $ghost = $upper ? $cell + $stride : $cell - $stride;
                $patch = $given->patchAt($grid->centres[$a][$ja], $grid->centres[$b][$jb]);
                $flow = $patch === null ? $given->flow : $given->patches[$patch]->flow;
                $centre = [$grid->centres[0][$place[0] - 1], $grid->centres[1][$place[1] - 1], $grid->centres[2][$place[2] - 1]];
                $centre[$axis] = $grid->lines[$axis][$upper ? $grid->cells[$axis] : 0];
                $this->ghost($flow, $ghost, [$a, $b], $centre);
                if ($this->fluid[$cell] === 1 && ! $flow->isWall()) {
                    $key = $patch === null ? $name : "$name patch $patch";
                    $opening = $this->openings[$key] ??= new Opening($key, $axis, $upper ? 1 : -1, $flow);
                    $face = $upper ? $cell : $ghost;
                    $opening->faces[] = $face;
                    $opening->cells[] = $cell;
                    $opening->areas[] = $grid->widths[$a][$ja] * $grid->widths[$b][$jb];
                    $opening->centres[] = $centre;
                    $opening->temperatures[] = $flow->temperature->at(...$centre);
                    if ($flow->isAtPressure()) {
                        $this->face[$axis][$face] = FlowDomain::OUTER;
                    }
                }
            }
        }
    }

    /** Nothing passes the middle of a fan. */
    private function closeHubs(): void
    {
        foreach ($this->model->parts as $part) {
            if ($part->shape instanceof Fan) {
                foreach (Devices::inPlane($part->shape, $this->layout, $part->shape->withinHub(...)) as $face => $_) {
                    $this->face[$part->shape->axis][$face] = FlowDomain::GIVEN;
                }
            }
        }
    }

    /**
     * @param array{0|1|2, 0|1|2} $along axes along the side
     * @param array{float, float, float} $centre of the face, m
     */
    private function ghost(FlowCondition $flow, int $ghost, array $along, array $centre): void
    {
        $this->noSlip[$ghost] = $flow->slips() || $flow->kind === 'outlet' || $flow->kind === 'open' ? 0.0 : 1.0;
        $this->pressure[$ghost] = $flow->pressure;
        foreach ($along as $axis) {
            $this->velocity[$axis][$ghost] = $flow->velocity[$axis]->at(...$centre);
        }
    }

    /** The velocities of an opening whose flow is given: inwards at an inlet, outwards at an outlet. */
    private function give(Opening $opening): void
    {
        $condition = $opening->condition;
        $given = $condition->given;
        if ($given === null) {
            return;
        }
        $area = array_sum($opening->areas);
        $profile = $given->profile === 'developed' ? $this->developed($opening) : array_fill(0, count($opening->faces), 1.0);
        $ahead = $condition->kind === 'inlet' ? -$opening->outward : $opening->outward;
        foreach ($opening->faces as $n => $face) {
            $amount = $given->amount->at(...$opening->centres[$n]);
            $this->velocity[$opening->axis][$face] = $profile[$n] * match ($given->by) {
                'volumeFlow' => $ahead * $amount / $area,
                'massFlow' => $ahead * $amount / $area / $this->density,
                'velocity' => $condition->velocity[$opening->axis]->at(...$opening->centres[$n]),
                default => $ahead * $amount,
            };
        }
    }

    /**
     * Fully developed laminar profile over the faces of an opening, of mean 1: the Poisson equation between its walls.
     *
     * @return array<int, float>
     */
    private function developed(Opening $opening): array
    {
        $layout = $this->layout;
        $number = array_flip($opening->cells);
        [$from, $to, $conductance] = [[], [], []];
        $wall = array_fill(0, count($number), 0.0);
        foreach ($opening->cells as $n => $cell) {
            $place = $layout->place($cell);
            foreach ([0, 1, 2] as $axis) {
                if ($axis === $opening->axis) {
                    continue;
                }
                $breadth = $opening->areas[$n] / $layout->width[$axis][$place[$axis]];
                foreach ([-1, 1] as $sign) {
                    $next = $cell + $sign * $layout->stride[$axis];
                    if (isset($number[$next])) {
                        if ($sign > 0) {
                            $from[] = $n;
                            $to[] = $number[$next];
                            $conductance[] = 2 * $breadth / ($layout->width[$axis][$place[$axis]] + $layout->width[$axis][$place[$axis] + 1]);
                        }
                    } else {
                        // Where fluid goes on inside, the opening ends at the side it lies in.
                        $edge = $this->fluid[$next] === 1 ? $next + $opening->outward * $layout->stride[$opening->axis] : $next;
                        $wall[$n] += $this->noSlip[$edge] * 2 * $breadth / $layout->width[$axis][$place[$axis]];
                    }
                }
            }
        }
        if (array_sum($wall) <= 0.0) {
            return array_fill(0, count($number), 1.0);
        }
        $matrix = SparseMatrix::fromLinks($from, $to, $conductance, $wall);
        $x = ConjugateGradient::solve($matrix, Multigrid::sparse($matrix), $opening->areas, $wall, new Accuracy(self::PROFILE))->x;
        $flow = 0.0;
        foreach ($x as $n => $value) {
            $flow += $value * $opening->areas[$n];
        }
        $mean = $flow / array_sum($opening->areas);

        return array_map(fn (float $value) => $value / $mean, $x);
    }

    /** @throws PhysicsException */
    private function check(FlowDomain $domain): void
    {
        if ($domain->fluidCells === 0) {
            throw new PhysicsException('flow is to be computed, but no cell of the space is fluid: the parts fill it');
        }
        [$in, $all] = [0.0, 0.0];
        foreach ($domain->openings as $opening) {
            foreach ($opening->faces as $n => $face) {
                $enters = -$opening->outward * $this->velocity[$opening->axis][$face] * $opening->areas[$n];
                $in += $enters;
                $all += abs($enters);
            }
        }
        if (! $domain->hasPressureLevel() && abs($in) > self::ROUNDING * $all) {
            throw new PhysicsException(sprintf(
                '%g l/s flow in and %g l/s are drawn off, and no opening lets the difference pass at a pressure: give one side the kind "open", or "outlet" without a flow',
                1e3 * 0.5 * ($all + $in), 1e3 * 0.5 * ($all - $in),
            ));
        }
    }
}
