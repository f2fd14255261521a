<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Geometry\Axes;
use Foehn\Model\FlowCondition;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Model\Patch;
use Foehn\Model\Side;
use Foehn\Shapes\Fan;
use Foehn\Shapes\FlatShape;
use Foehn\Shapes\Shape;
use Foehn\Units\ScalarField;
use Foehn\Units\UnitException;

/**
 * Where the physics of a model asks for cells, before anything is computed: across channels, in boundary layers, in closed boxes,
 * under sources, and nowhere along an axis along which nothing changes. Measured on channels, entries, steps, cavities, plates and
 * conduction (docs/numerics.md, "Grids"); all numbers are those of Working.
 */
final readonly class GridRules
{
    /** Cells between the two walls of a channel that carries flow, and the middle cell over that at the wall. */
    private const CHANNEL = 12.0;

    private const CHANNEL_RATIO = 2.0;

    /** The same between two sides of a closed box. */
    private const CLOSED = 32.0;

    private const CLOSED_RATIO = 4.0;

    /** Cells along a stream at least, and the first cell as a fraction of the gap that it enters. */
    private const ALONG = 24.0;

    private const ENTRY = 8.0;

    /** Cells along an axis where heat is only conducted. */
    private const CONDUCTION = 32.0;

    /** Cells within the boundary layer of a plate. */
    private const LAYER = 6.0;

    /** Cells across a patch or part that gives off heat, and the cell at its edge as a fraction of that. */
    private const SOURCE = 8.0;

    private const EDGE = 0.5;

    /** Cells across a thin body, as a fraction of the widest along it. */
    private const THIN = 0.25;

    /** At which conductivities are compared, K. */
    private const ROOM = 300.0;

    /** A model of more parts than this is a product: there growth and the edges of components count for more than cells across the space. */
    private const FEW_PARTS = 3;

    private const PRODUCT = 10.0;

    /** Along the other axes a model can have so many times the cells where nothing changes along one. */
    private const PLANAR = 2.0;

    /** Cells across a gap, and along it in each length of the gap, where the flow separates behind a step. */
    private const SEPARATED = 24.0;

    private const SEPARATED_ALONG = 2.7;

    /** Warm fluid forms rolls about as wide as it is high: a layer thinner than this fraction of its height has none. */
    private const ROLLS = 0.5;

    /** Difference of temperature that drives natural convection where none is given, K: boundary layers follow its fourth root. */
    private const USUAL_RISE = 30.0;

    /** Bodies whose sections are alike along every axis, or along the one that is theirs. */
    private const PRISMS = ['block', 'board', 'vias', 'cylinder', 'profile', 'package'];

    private ?Fluid $fluid;

    /** @var list<0|1|2> axes along which something enters, leaves or is blown */
    private array $streams;

    /** @var list<0|1|2> axes along which nothing changes */
    private array $uniform;

    /** Cells where the physics asks for them, against those of Working. */
    private float $fineness;

    /** @param float $near where a fluid moves in a product, planes nearer to each other than this share of the space are one (see NearPlanes) */
    public function __construct(private Model $model, float $fineness, private float $near = 0.0)
    {
        $material = $model->space->fluid === null || ! $model->physics->hasFlow() ? null : $model->materials->get($model->space->fluid);
        $this->fluid = $material === null ? null : Fluid::of($material, $model->surroundings);
        $this->streams = $this->fluid === null ? [] : $this->streams();
        $this->uniform = array_values(array_filter([0, 1, 2], $this->isUniform(...)));
        $this->fineness = $this->uniform === [] ? $fineness : self::PLANAR * $fineness;
    }

    /**
     * @param 0|1|2 $axis
     * @param int $across fewest cells across the thin features of parts
     */
    public function along(int $axis, int $across): AxisRules
    {
        $planes = $this->planes($axis);
        if (in_array($axis, $this->uniform, true)) {
            return new AxisRules($planes, [], [], INF);
        }
        $stretches = [];
        foreach ($this->model->parts as $part) {
            foreach ($part->shape->features() as $feature) {
                if ($feature->axis === $axis) {
                    $stretches[] = [$feature->from, $feature->to, (float) ($feature->cells * $across), $across > 0 && $this->fluid !== null ? $feature->fewest : 1];
                }
            }
        }
        $extent = $this->model->space->box->size($axis);
        [$largest, $widths] = $this->fluid === null ? [$this->ofConduction($axis), []] : $this->ofFlow($axis, $planes);
        if (count($this->model->parts) > self::FEW_PARTS) {
            $largest = $extent / self::PRODUCT;
        }
        foreach ($this->sources($axis) as [$from, $to]) {
            $stretches[] = [$from, $to, self::SOURCE * $this->fineness, 1];
            foreach ([$from, $to] as $edge) {
                $n = self::nearest($planes, $edge);
                $widths[$n] = min($widths[$n] ?? INF, self::EDGE * ($to - $from) / self::SOURCE / $this->fineness);
            }
        }

        foreach ($this->model->refined() as [$refinement, $box]) {
            [$from, $to] = [$box->min[$axis], $box->max[$axis]];
            if ($refinement->face !== null && Axes::named($refinement->face) === $axis) {
                $n = self::nearest($planes, str_ends_with($refinement->face, '+') ? $to : $from);
                $widths[$n] = min($widths[$n] ?? INF, $refinement->size);
            } else {
                $stretches[] = [$from, $to, ($to - $from) / $refinement->size, 1];
            }
        }

        return new AxisRules($planes, $stretches, $widths, min($largest, $this->model->grid->largest ?? INF));
    }

    /**
     * Widest cell along the axis where heat is only conducted, m. Through a thin sheet or board heat goes straight, or spreads over lengths that
     * the cells along it must show first: cells across it need not be much thinner than these, as the material conducts.
     */
    private function ofConduction(int $axis): float
    {
        $along = array_filter(array_diff([0, 1, 2], [$axis]), fn (int $other): bool => ! in_array($other, $this->uniform, true));
        $thin = $along === [] ? 0.0 : self::THIN * $this->leastAcross($axis) * min(array_map($this->model->space->box->size(...), $along));

        $extent = $this->model->space->box->size($axis);

        return max($extent / self::CONDUCTION, min($thin / self::CONDUCTION, $extent)) / $this->fineness;
    }

    /** Least root of the conductivity along an axis over the greatest across it, of all parts: by it lengths shrink along the axis. */
    private function leastAcross(int $axis): float
    {
        $least = 1.0;
        foreach ($this->model->parts as $part) {
            $conductivity = array_map(fn ($law): float => $law->at(self::ROOM), $this->model->materials->get((string) $part->material)->conductivity ?? []);
            if (count($conductivity) === 3) {
                $least = min($least, sqrt($conductivity[$axis] / max($conductivity)));
            }
        }

        return $least;
    }

    /**
     * Widest cell along the axis and widths at planes, where a fluid moves, m.
     *
     * @param non-empty-array<int, float> $planes
     * @return array{float, array<int, float>}
     */
    private function ofFlow(int $axis, array $planes): array
    {
        $extent = $this->model->space->box->size($axis);
        $stream = in_array($axis, $this->streams, true);
        $walls = $this->walls($axis);
        // A symmetry plane stands in the middle of a gap.
        $halves = 0.5 * max(1, count($walls));
        [$cells, $ratio] = match (true) {
            $stream => [max(self::ALONG, $this->separates() && $this->gap($axis) < INF ? self::SEPARATED_ALONG * $extent / $this->gap($axis) : 0.0), 1.0],
            $this->streams !== [] => [($this->separates() ? self::SEPARATED : self::CHANNEL) * $halves, self::CHANNEL_RATIO],
            default => [self::CLOSED * $halves, self::CLOSED_RATIO],
        };
        // Widths that grow from w to R w have about (1 + R)/2 of it in the mean.
        $largest = 2.0 * $ratio / (1.0 + $ratio) * $extent / $cells / $this->fineness;
        $ends = [0, count($planes) - 1];
        $widths = [];
        foreach ($walls as $end) {
            $widths[$ends[$end]] = min($largest / $ratio, $this->layer($axis) / self::LAYER / $this->fineness);
        }
        if ($stream) {
            $entry = $this->gap($axis) / self::ENTRY / $this->fineness;
            foreach ($this->sides($axis) as $end => $side) {
                if (in_array('inlet', array_column($side->flows(), 'kind'), true)) {
                    $widths[$ends[$end]] = min($widths[$ends[$end]] ?? INF, $entry);
                }
            }
            // What begins on the way along a wall begins a layer there.
            foreach ($this->edges($axis) as $edge) {
                $n = self::nearest($planes, $edge);
                $widths[$n] = min($widths[$n] ?? INF, $entry, $this->layer($axis === 0 ? 1 : 0) / self::LAYER / $this->fineness);
            }
        }

        return [$largest, $widths];
    }

    /**
     * Thickness of the boundary layer on the walls across an axis at the end of their length, m: 3 L Re^-1/2 (White, Viscous Fluid
     * Flow, ch. 4, rounded down), thinner by Pr^1/3 in fluids that conduct badly. INF where nothing moves along them.
     */
    private function layer(int $axis): float
    {
        $fluid = $this->fluid;
        if ($fluid === null) {
            return INF;
        }
        $others = array_diff([0, 1, 2], [$axis]);
        $along = array_intersect($this->streams, $others) ?: $others;
        $length = max(0.0, ...array_map($this->model->space->box->size(...), $along));
        $speed = max($this->speedGiven(), $this->freeFall());
        $reynolds = $fluid->viscosity > 0.0 ? $speed * $length * $fluid->density / $fluid->viscosity : 0.0;
        if ($reynolds <= 0.0) {
            return INF;
        }
        $prandtl = $this->model->physics->heat && $fluid->conductivity > 0.0 ? max(1.0, $fluid->prandtl()) : 1.0;

        return 3.0 * $length / sqrt($reynolds) / $prandtl ** (1 / 3);
    }

    /** Greatest speed that is given at inlets, walls and by fans, m/s. */
    private function speedGiven(): float
    {
        $box = $this->model->space->box;
        $speed = 0.0;
        foreach ($this->model->space->sides as $name => $side) {
            [$a, $b] = Axes::across(Axes::named($name));
            foreach ([[$side->flow, $box->size($a) * $box->size($b)], ...array_map(fn (Patch $patch) => [$patch->flow, ($patch->max[0] - $patch->min[0]) * ($patch->max[1] - $patch->min[1])], $side->patches)] as [$flow, $area]) {
                $velocity = array_map($this->greatest(...), $flow->velocity);
                $amount = $this->greatest($flow->given->amount ?? ScalarField::constant(0.0));
                $speed = max($speed, sqrt($velocity[0] ** 2 + $velocity[1] ** 2 + $velocity[2] ** 2), match ($flow->given?->by) {
                    'speed' => $amount,
                    'volumeFlow' => $amount / $area,
                    'massFlow' => $amount / $area / max(1e-12, $this->fluid->density ?? 1.0),
                    default => 0.0,
                });
            }
        }
        foreach ($this->model->parts as $part) {
            if ($part->shape instanceof Fan) {
                [$a, $b] = Axes::across($part->shape->axis);
                $speed = max($speed, $part->shape->freeFlow() / max(1e-12, $part->shape->bounds()->size($a) * $part->shape->bounds()->size($b)));
            }
        }

        return $speed;
    }

    /** Greatest amount of what is given, at the corners, edges and middles of the space where it follows the place. */
    private function greatest(ScalarField $field): float
    {
        if ($field->isConstant()) {
            return abs($field->constant);
        }
        $box = $this->model->space->box;
        $greatest = 0.0;
        for ($n = 0; $n < 27; $n++) {
            $place = array_map(fn (int $axis): float => $box->min[$axis] + 0.5 * (intdiv($n, 3 ** $axis) % 3) * $box->size($axis), [0, 1, 2]);
            try {
                $greatest = max($greatest, abs($field->at(...$place)));
            } catch (UnitException) {
                // It need have a value only where it holds.
            }
        }

        return $greatest;
    }

    /** Speed of a fall along the space under the buoyancy of the temperatures that are given, m/s. */
    private function freeFall(): float
    {
        if (! $this->isBuoyant()) {
            return 0.0;
        }
        $given = [];
        foreach ($this->model->heatConditions() as $heat) {
            if ($heat->kind === 'temperature' && $heat->value->isConstant()) {
                $given[] = $heat->value->constant;
            }
        }
        $rise = $given === [] || max($given) === min($given) ? self::USUAL_RISE : max($given) - min($given);
        [$x, $y, $z] = $this->model->surroundings->gravity;

        return sqrt(sqrt($x * $x + $y * $y + $z * $z) * $this->height() * ($this->fluid->expansion ?? 0.0) * $rise);
    }

    /** Extent of the space along gravity, m. */
    private function height(): float
    {
        $strengths = array_map(abs(...), $this->model->surroundings->gravity);

        return $this->model->space->box->size((int) array_search(max($strengths), $strengths, true));
    }

    /**
     * Whether the grid stays that of the rules, whatever a coarser one shows: where a stream separates from the walls of a channel, the layer between
     * it and what turns back beside it swings without end on cells that are wide along it, however many there are across, and a coarse solution asks
     * for just those.
     */
    public function stand(): bool
    {
        return $this->fluid !== null && count($this->model->parts) <= self::FEW_PARTS && $this->separates();
    }

    /** Whether a stream enters by a part of a side, so that it separates from the walls beside. */
    private function separates(): bool
    {
        foreach ($this->model->space->sides as $side) {
            foreach ($side->patches as $patch) {
                if ($patch->flow->kind === 'inlet') {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether temperatures move the fluid. */
    private function isBuoyant(): bool
    {
        return $this->model->physics->buoyancy && $this->model->physics->heat && $this->fluid !== null && $this->fluid->expansion > 0.0;
    }

    /** Whether nothing changes along an axis: neither shapes nor conditions nor what drives. Then one cell shows all there is. */
    private function isUniform(int $axis): bool
    {
        if (($this->isBuoyant() && $this->model->space->box->size($axis) > self::ROLLS * $this->height()) || $this->model->space->force !== null || $this->model->space->source !== null || in_array($axis, $this->streams, true)) {
            return false;
        }
        foreach ($this->model->space->sides as $name => $side) {
            if (Axes::named($name) === $axis && ($side->patches !== [] || $side->heat->kind !== 'adiabatic' || ($this->fluid !== null && ! $side->flow->slips()))) {
                return false;
            }
        }
        foreach ($this->patches($axis) as [$patch, $from, $to]) {
            if ($patch->round || ! $this->spans($axis, $from, $to)) {
                return false;
            }
        }
        foreach ($this->model->heatConditions() as $heat) {
            if ($heat->value->follows($axis) || $heat->ambient->follows($axis)) {
                return false;
            }
        }
        foreach ($this->model->space->flows() as $flow) {
            if ($flow->follows($axis)) {
                return false;
            }
        }
        if ($this->terminalEdges($axis) !== []) {
            return false;
        }
        foreach ($this->model->parts as $part) {
            $bounds = $part->shape->bounds();
            $prism = $this->isPrism($part->shape, $axis);
            $stated = array_filter([...array_keys($part->faces), ...array_column($part->terminals, 'face')], fn (string $face) => $face === 'bare' || ! in_array($face[0], ['x', 'y', 'z'], true) || Axes::named($face) === $axis);
            if (! $prism || $stated !== [] || ! $this->spans($axis, $bounds->min[$axis], $bounds->max[$axis]) || $part->source?->follows($axis) === true) {
                return false;
            }
        }

        return true;
    }

    /** Whether the sections of a shape across an axis are all alike. */
    private function isPrism(Shape $shape, int $axis): bool
    {
        if ($shape instanceof FlatShape) {
            return ! $shape->round && ! ($shape instanceof Fan && $shape->swirl !== 0.0);
        }
        if (! in_array($shape->kind(), self::PRISMS, true)) {
            return false;
        }
        $own = $shape->drawing()[0]['axis'] ?? $axis;

        return $own === $axis;
    }

    private function spans(int $axis, float $from, float $to): bool
    {
        $box = $this->model->space->box;
        $near = 1e-7 * $box->size($axis);

        return $from <= $box->min[$axis] + $near && $to >= $box->max[$axis] - $near;
    }

    /**
     * Stretches along an axis that give off heat: patches, and parts of a model of few.
     *
     * @return list<array{float, float}> m
     */
    private function sources(int $axis): array
    {
        $sources = [];
        foreach ($this->patches($axis) as [$patch, $from, $to]) {
            if (in_array($patch->heat->kind, ['flux', 'power'], true)) {
                $sources[] = [$from, $to];
            }
        }
        foreach (count($this->model->parts) > self::FEW_PARTS ? [] : $this->model->parts as $part) {
            $bounds = $part->shape->bounds();
            $thin = $bounds->size($axis) < 0.5 * max($bounds->size(0), $bounds->size(1), $bounds->size(2));
            if (($part->isHeated() || $this->fluid !== null) && ! $thin && ! $this->spans($axis, $bounds->min[$axis], $bounds->max[$axis])) {
                $sources[] = [$bounds->min[$axis], $bounds->max[$axis]];
            }
        }

        return $sources;
    }

    /** Smallest gap across a stream, m. */
    private function gap(int $stream): float
    {
        $gaps = [];
        foreach (array_diff([0, 1, 2], [$stream]) as $axis) {
            $walls = count($this->walls($axis));
            if ($walls > 0) {
                $gaps[] = $this->model->space->box->size($axis) * 2.0 / $walls;
            }
        }

        return $gaps === [] ? INF : min($gaps);
    }

    /** @return list<float> where patches of the sides along an axis begin and end, m */
    private function edges(int $axis): array
    {
        $edges = [];
        foreach ($this->patches($axis) as [, $from, $to]) {
            array_push($edges, $from, $to);
        }

        return array_values(array_filter($edges, fn (float $edge) => ! $this->spans($axis, $edge, $this->model->space->box->max[$axis]) && ! $this->spans($axis, $this->model->space->box->min[$axis], $edge)));
    }

    /** @return list<int> 0 where the lower side across an axis is a wall that the fluid sticks to, 1 the upper one */
    private function walls(int $axis): array
    {
        return array_keys(array_filter($this->sides($axis), fn (Side $side) => $side->flow->kind === 'wall' && ! $side->flow->slips()));
    }

    /** @return array{Side, Side} */
    private function sides(int $axis): array
    {
        return [$this->model->space->sides['xyz'[$axis] . '-'], $this->model->space->sides['xyz'[$axis] . '+']];
    }

    /** @return list<0|1|2> */
    private function streams(): array
    {
        $streams = [];
        foreach ($this->model->space->sides as $name => $side) {
            if (array_filter($side->flows(), fn (FlowCondition $flow) => ! $flow->isWall()) !== []) {
                $streams[] = Axes::named($name);
            }
        }
        foreach ($this->model->parts as $part) {
            if ($part->shape instanceof Fan) {
                $streams[] = $part->shape->axis;
            }
        }

        return array_values(array_unique($streams));
    }

    /** @return list<array{Patch, float, float}> patches of the sides along an axis, and from where to where they reach along it, m */
    private function patches(int $axis): array
    {
        $patches = [];
        foreach ($this->model->space->sides as $name => $side) {
            $position = array_search($axis, Axes::across(Axes::named($name)), true);
            foreach ($position === false ? [] : $side->patches as $patch) {
                $patches[] = [$patch, $patch->min[(int) $position], $patch->max[(int) $position]];
            }
        }

        return $patches;
    }

    /** @return list<float> where rectangles by which current enters or leaves begin and end along an axis, m */
    private function terminalEdges(int $axis): array
    {
        $edges = [];
        foreach ($this->model->parts as $part) {
            foreach ($part->terminals as $terminal) {
                $position = array_search($axis, Axes::across(Axes::named($terminal->face)), true);
                if ($terminal->rectangle !== null && $position !== false) {
                    array_push($edges, $terminal->rectangle[0][$position], $terminal->rectangle[1][$position]);
                }
            }
        }

        return $edges;
    }

    /** @param non-empty-array<int, float> $planes */
    private static function nearest(array $planes, float $place): int
    {
        $distances = array_map(fn (float $plane) => abs($plane - $place), $planes);

        return (int) array_search(min($distances), $distances, true);
    }

    /**
     * @param 0|1|2 $axis
     * @return non-empty-array<int, float> planes of parts, patches and rectangles of terminals, m, rising; those that nearly coincide are one
     */
    public function planes(int $axis): array
    {
        $box = $this->model->space->box;
        $planes = [$box->min[$axis], $box->max[$axis]];
        foreach ($this->model->parts as $part) {
            array_push($planes, ...$part->shape->planes($axis));
        }
        foreach ($this->patches($axis) as [, $from, $to]) {
            array_push($planes, $from, $to);
        }
        array_push($planes, ...$this->terminalEdges($axis));
        foreach ($this->model->grid->refine as $refinement) {
            if ($refinement->box !== null) {
                array_push($planes, $refinement->box->min[$axis], $refinement->box->max[$axis]);
            }
        }
        sort($planes);
        $tolerance = 1e-7 * $box->size($axis);
        $merged = [$box->min[$axis]];
        foreach ($planes as $plane) {
            if ($plane > end($merged) + $tolerance && $plane < $box->max[$axis] - $tolerance) {
                $merged[] = $plane;
            }
        }
        $merged[] = $box->max[$axis];

        return $this->near > 0.0 && $this->fluid !== null && count($this->model->parts) > self::FEW_PARTS ? NearPlanes::merged($this->model, $axis, $merged, $this->near * $box->size($axis)) : $merged;
    }
}
