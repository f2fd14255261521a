<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;
use Foehn\Model\Model;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\Fan;
use Foehn\Shapes\FlatShape;
use Foehn\Shapes\Screen;

/** Fans and screens on the faces of the grid, and the state of the fans. */
final class Devices
{
    /** Most that the rise of a fan changes at once, as a share of it (at least of a tenth of its greatest): flows overshoot while they take shape. */
    private const LARGEST_STEP = 0.5;

    /** @var array<int, array{fan: Fan, faces: array<int, int>, areas: array<int, float>, rise: float, flow: float}> by part index */
    private array $fans = [];

    /** @var array{array<int, float>, array<int, float>, array<int, float>} N per (m/s)^2 on faces */
    public readonly array $loss;

    /** @var array<int, array<int, float>> N by axis and face: what turns the air behind the fans */
    private array $turning = [];

    /** @throws PhysicsException when a device meets no fluid */
    public function __construct(private readonly Model $model, private readonly FlowDomain $domain, private readonly float $density)
    {
        $zeros = $domain->layout->zeros();
        $loss = [$zeros, $zeros, $zeros];
        foreach ($model->parts as $index => $part) {
            $shape = $part->shape;
            if (! $shape instanceof FlatShape) {
                continue;
            }
            [$faces, $areas] = $this->faces($shape);
            if ($faces === []) {
                throw new PhysicsException(sprintf('the %s "%s" lies nowhere in the fluid: it is inside a solid, or its plane is a closed side', $shape->kind(), $part->name));
            }
            if ($shape instanceof Fan) {
                $this->fans[$index] = ['fan' => $shape->in($density), 'faces' => $faces, 'areas' => $areas, 'rise' => 0.0, 'flow' => 0.0];
            } elseif ($shape instanceof Screen) {
                foreach ($faces as $n => $face) {
                    $loss[$shape->axis][$face] += 0.5 * $shape->loss * $density * $areas[$n];
                }
            }
        }
        $this->loss = $loss;
    }

    /**
     * Moves the pressure rise of every fan towards its curve at the present flow (Newton against a system whose resistance is
     * quadratic), which converges on gentle and steep curves alike.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity
     */
    public function update(array $velocity): void
    {
        $this->turning = [];
        foreach ($this->fans as $index => $state) {
            if ($state['fan']->swirl !== 0.0) {
                $this->turn($state['fan'], $state['faces'], $state['areas'], $velocity[$state['fan']->axis]);
            }
            $flow = 0.0;
            foreach ($state['faces'] as $n => $face) {
                $flow += $state['fan']->direction * $velocity[$state['fan']->axis][$face] * $state['areas'][$n];
            }
            [$rise, $slope] = $state['fan']->rise($flow);
            $now = $state['rise'];
            if ($now === 0.0) {
                // From rest, before the system has shown its resistance.
                $next = $state['fan']->rise(0.5 * $state['fan']->freeFlow())[0];
            } else {
                $weight = 1.0 / (1.0 + max(0.0, -$slope) * max($flow, 0.0) / (2.0 * abs($now)));
                $reach = self::LARGEST_STEP * max(abs($now), 0.1 * abs($state['fan']->rise(0.0)[0]));
                $next = $now + max(-$reach, min($reach, $weight * ($rise - $now)));
            }
            $this->fans[$index] = [...$state, 'rise' => $next, 'flow' => $flow];
        }
    }

    /**
     * The force per face is the mass that passes times the speed around the axis it leaves with, in the cell behind the fan.
     *
     * @param array<int, int> $faces
     * @param array<int, float> $areas m2
     * @param array<int, float> $velocity m/s through them
     */
    private function turn(Fan $fan, array $faces, array $areas, array $velocity): void
    {
        $layout = $this->domain->layout;
        $bounds = $fan->bounds();
        // The axes in right-handed order after that of the fan: n x a = b.
        [$a, $b] = [($fan->axis + 1) % 3, ($fan->axis + 2) % 3];
        foreach ($faces as $n => $face) {
            $place = $layout->place($face);
            $arm = [0.0, 0.0, 0.0];
            foreach ([$a, $b] as $axis) {
                $arm[$axis] = $layout->grid->centres[$axis][$place[$axis] - 1] - 0.5 * ($bounds->min[$axis] + $bounds->max[$axis]);
            }
            $length = hypot($arm[$a], $arm[$b]);
            $through = $fan->direction * $velocity[$face];
            if ($length <= 0.0 || $through <= 0.0) {
                continue;
            }
            $force = $this->density * $areas[$n] * $through ** 2 * $fan->swirl * $fan->direction;
            $behind = $fan->direction > 0 ? $face + $layout->stride[$fan->axis] : $face;
            foreach ([[$a, -$arm[$b] / $length], [$b, $arm[$a] / $length]] as [$axis, $component]) {
                foreach ([$behind, $behind - $layout->stride[$axis]] as $to) {
                    if ($this->domain->face[$axis][$to] !== FlowDomain::GIVEN) {
                        $this->turning[$axis][$to] = ($this->turning[$axis][$to] ?? 0.0) + 0.5 * $force * $component;
                    }
                }
            }
        }
    }

    /** @return array<string, float> pressure rise of each fan by part, Pa */
    public function rises(): array
    {
        $rises = [];
        foreach ($this->fans as $index => $state) {
            $rises[$this->model->parts[$index]->id] = $state['rise'];
        }

        return $rises;
    }

    /** @return array<string, float> of fans whose speed is set by a sensor, by the id of the part, as shares of their full speed */
    public function speeds(): array
    {
        $speeds = [];
        foreach ($this->fans as $index => $state) {
            $part = $this->model->parts[$index];
            if ($part->speedControl !== null) {
                $speeds[$part->id] = $state['fan']->speedFactor;
            }
        }

        return $speeds;
    }

    /** @param array<string, float> $speeds of these; those of others are given */
    public function setSpeeds(array $speeds): void
    {
        foreach (array_keys($this->fans) as $index) {
            $part = $this->model->parts[$index];
            if ($part->speedControl !== null && isset($speeds[$part->id])) {
                $this->fans[$index]['fan'] = $this->fans[$index]['fan']->at($speeds[$part->id]);
            }
        }
    }

    /** @param array<string, float> $rises Pa, by part; fans that are not named start from rest */
    public function setRises(array $rises): void
    {
        foreach (array_keys($this->fans) as $index) {
            $this->fans[$index]['rise'] = $rises[$this->model->parts[$index]->id] ?? 0.0;
        }
    }

    /**
     * Adds the pressure rises and the swirl as forces.
     *
     * @param array<int, float> $force N on the faces of the axis
     * @return array<int, float>
     */
    public function addForces(int $axis, array $force): array
    {
        foreach ($this->fans as $state) {
            if ($state['fan']->axis === $axis) {
                foreach ($state['faces'] as $n => $face) {
                    $force[$face] += $state['fan']->direction * $state['rise'] * $state['areas'][$n];
                }
            }
        }
        foreach ($this->turning[$axis] ?? [] as $face => $more) {
            $force[$face] += $more;
        }

        return $force;
    }

    /** How far the fans are from their curves, as a share of the greatest rise on them. */
    public function distance(): float
    {
        $largest = 0.0;
        foreach ($this->fans as $state) {
            $scale = max(array_map(fn (array $point) => abs($point[1]), $state['fan']->curve)) * $state['fan']->speedFactor ** 2;
            $largest = max($largest, abs($state['rise'] - $state['fan']->rise($state['flow'])[0]) / max($scale, 1e-12));
        }

        return $largest;
    }

    /** @return list<array{part: string, name: string, flow: float, rise: float, speed: float, curve: list<array{float, float}>}> m3/s and Pa */
    public function operatingPoints(): array
    {
        $points = [];
        foreach ($this->fans as $index => $state) {
            $part = $this->model->parts[$index];
            $speed = $state['fan']->speedFactor;
            $points[] = ['part' => $part->id, 'name' => $part->name, 'flow' => $state['flow'], 'rise' => $state['rise'], 'speed' => $speed,
                'curve' => array_map(fn (array $point) => [$point[0] * $speed, $point[1] * $speed ** 2], $state['fan']->curve)];
        }

        return $points;
    }

    /** Largest mean speed through a fan that blows freely, m/s; 0 without fans. */
    public function freeSpeed(): float
    {
        $speed = 0.0;
        foreach ($this->fans as $state) {
            $speed = max($speed, $state['fan']->freeFlow() / array_sum($state['areas']));
        }

        return $speed;
    }

    /** @return array{array<int, int>, array<int, float>} open faces of the device, and their areas in m2 */
    private function faces(FlatShape $shape): array
    {
        $faces = [];
        $areas = [];
        foreach (self::inPlane($shape, $this->domain->layout, $shape->covers(...)) as $face => $area) {
            if ($this->domain->face[$shape->axis][$face] !== FlowDomain::GIVEN) {
                $faces[] = $face;
                $areas[] = $area;
            }
        }

        return [$faces, $areas];
    }

    /**
     * Areas in m2 of the grid faces in the plane of a device whose centres a test accepts, by face.
     *
     * @param callable(float, float): bool $accepts a place along the two axes across, m
     * @return array<int, float>
     */
    public static function inPlane(FlatShape $shape, FlowLayout $layout, callable $accepts): array
    {
        $grid = $layout->grid;
        [$a, $b] = Axes::across($shape->axis);
        // The grid has a line in the plane; the face on it is the upper one of the cells before.
        $line = 0;
        foreach ($grid->lines[$shape->axis] as $n => $position) {
            if (abs($position - $shape->position) < abs($grid->lines[$shape->axis][$line] - $shape->position)) {
                $line = $n;
            }
        }
        $areas = [];
        foreach ($grid->centres[$b] as $jb => $cb) {
            foreach ($grid->centres[$a] as $ja => $ca) {
                $place = [0, 0, 0];
                [$place[$shape->axis], $place[$a], $place[$b]] = [$line, $ja + 1, $jb + 1];
                if ($accepts($ca, $cb)) {
                    $areas[$layout->index(...$place)] = $grid->widths[$a][$ja] * $grid->widths[$b][$jb];
                }
            }
        }

        return $areas;
    }
}
