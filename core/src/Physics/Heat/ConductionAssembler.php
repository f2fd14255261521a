<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Axes;
use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Materials\Material;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\HeatCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Space;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\FlatShape;
use Foehn\Shapes\LocatedFaces;
use Foehn\Shapes\TwoResistancePackage;

/**
 * Finite volumes for steady heat conduction on the rectilinear grid. The conductance between two cell centres is the area
 * over the sum of the half-cell resistances and the contact resistance between them (harmonic mean; Patankar, Numerical
 * Heat Transfer and Fluid Flow, 1980, eq. 4.9), which is exact for layered materials.
 */
final class ConductionAssembler
{
    /** Joins isothermal nodes that touch without resistance, m2K/W: a billionth of a thin grease layer. */
    private const PERFECT_CONTACT = 1e-12;

    /** Conductivity inside an isothermal node, W/m/K. It has no part in the answer: the cells are tied. It helps the multigrid. */
    private const NODE_CONDUCTIVITY = 2000.0;

    /** Cells of the padding in front (see Stencil). */
    private int $pad;

    /** Fluid that has one temperature across is taken to conduct so many times better there. */
    private const MIXED = 50.0;

    /** @var array{int, int, int} steps to the next cell along each axis */
    private array $strides;

    /** @var list<bool> whether the cell's temperature is computed */
    private array $live = [];

    /** @var array{list<float>, list<float>, list<float>} half-cell resistance times area per axis, m2K/W */
    private array $half = [[], [], []];

    /** @var list<float> resistance of each cell towards a wall over that inside the fluid; empty: 1 */
    private array $wallShare = [];

    /** @var array<int, array<int, float>> W/m2/K between a cell and the walls across an axis, where the grid does not resolve it */
    private array $films = [];

    /** @var array{list<float>, list<float>, list<float>} W/K towards the next cell along each axis, padded */
    private array $coupling;

    /** @var list<float> W/K to ambients per cell, padded */
    private array $extra;

    /** @var list<float> W per cell, padded */
    private array $source;

    private FaceRecords $faces;

    private PackageNodes $packages;

    private float $watts = 0.0;

    /** @var list<array{array<int, ?HeatCondition>, array<int, ?HeatCondition>}> per part what holds by direction: where something touches, and where it is bare; of parts whose faces the direction does not tell nothing */
    private array $conditions = [];

    /** @var array<string, ?HeatCondition> the same of the other parts, by face */
    private array $located = [];

    /** @var array<int, array{HeatCondition, list<int>}> conditions with a given power and their face records */
    private array $powerFaces = [];

    private function __construct(
        private readonly Model $model,
        private readonly Grid $grid,
        private readonly Voxels $voxels,
        private readonly float $reference,
    ) {
        $this->faces = new FaceRecords();
        $this->packages = new PackageNodes();
        $this->pad = $grid->cells[0] * $grid->cells[1];
        $this->strides = [1, $grid->cells[0], $this->pad];
        $zeros = Stencil::zeros($grid->cells);
        $this->coupling = [$zeros, $zeros, $zeros];
        $this->extra = $zeros;
        $this->source = $zeros;
    }

    /**
     * @param ?list<float> $temperature of the cells, K, for materials that depend on it; null: the ambient everywhere
     * @param ?array{list<float>, list<float>} $mixing W/m/K of each cell that is fluid in turbulent flow: inside, and towards walls
     * @param array<int, array<int, float>> $films W/m2/K between cells and walls across an axis that replace the conduction of half a cell
     * @throws PhysicsException
     * @param array<int, list<int>> $mixed cells whose fluid has one temperature across an axis, by axis
     * @param list<float> $joule W that currents give each cell
     */
    public static function assemble(Model $model, Grid $grid, Voxels $voxels, ?array $temperature = null, ?array $mixing = null, array $films = [], array $mixed = [], array $joule = []): HeatSystem
    {
        $assembler = new self($model, $grid, $voxels, $model->surroundings->temperature);
        $assembler->films = $films;
        $assembler->findLiveCells();
        $assembler->resistances($temperature);
        $assembler->mix($mixing);
        $assembler->mixAcross($mixed);
        $assembler->conditionsByDirection();
        for ($axis = 0; $axis < 3; $axis++) {
            $assembler->innerFaces($axis);
            $assembler->sideFaces($axis);
        }
        $assembler->givenPowers();
        $assembler->packages();
        $assembler->sources();
        foreach ($joule as $cell => $watts) {
            $assembler->source[$assembler->pad + $cell] += $watts;
            $assembler->watts += $watts;
        }
        $source = TiedCells::project($assembler->source, $assembler->packages->ties($assembler->pad));
        $stencil = new Stencil($grid->cells, $assembler->coupling, $assembler->extra);
        if (! $model->physics->hasFlow()) {
            FloatingPieces::check($model, $voxels, $stencil, $assembler->live);
        }

        return new HeatSystem($stencil, $source, $assembler->live, $assembler->faces, $assembler->packages, $assembler->reference, $assembler->watts);
    }

    private function findLiveCells(): void
    {
        $hasFluid = $this->model->space->fluid !== null;
        foreach ($this->voxels->owner as $owner) {
            $this->live[] = $owner >= 0 || $hasFluid;
        }
        foreach ($this->model->parts as $index => $part) {
            if ($this->voxels->cellsOfPart[$index] === 0 && $part->power !== 0.0 && ! $part->shape instanceof FlatShape) {
                throw new PhysicsException(sprintf('part "%s" has %g W but no volume left: parts after it in the ledger cover it, or it is thinner than the cells of this grid', $part->name, $part->power));
            }
        }
    }

    /** Case and board node of every package: two groups of cells with one temperature each, joined through the junction. */
    private function packages(): void
    {
        foreach ($this->model->parts as $index => $part) {
            if ($part->shape instanceof TwoResistancePackage && $this->voxels->cellsOfPart[$index] > 0) {
                $this->package($index, $part->shape, $part->power);
            }
        }
    }

    private function package(int $index, TwoResistancePackage $shape, float $power): void
    {
        $axis = $shape->boardAxis;
        $owner = $this->voxels->owner;
        $halves = [[], []];
        foreach ($owner as $cell => $part) {
            if ($part === $index) {
                $isBoard = ($this->grid->centres[$axis][$this->position($cell, $axis)] > $shape->middle()) === ($shape->boardSign > 0);
                $halves[$isBoard ? 1 : 0][$cell] = true;
            }
        }
        [$case, $board] = $halves;
        $joints = [];
        foreach ($case + $board as $cell => $_) {
            foreach ($this->strides as $direction => $stride) {
                $next = $cell + $stride;
                if ($this->position($cell, $direction) + 1 === $this->grid->cells[$direction] || ($owner[$next] ?? -1) !== $index) {
                    continue;
                }
                if (isset($case[$cell]) === isset($case[$next])) {
                    $distance = $this->grid->centres[$direction][$this->position($next, $direction)] - $this->grid->centres[$direction][$this->position($cell, $direction)];
                    $this->coupling[$direction][$this->pad + $cell] = self::NODE_CONDUCTIVITY * $this->grid->faceArea($cell, $direction) / $distance;
                } else {
                    $joints[$cell] = $this->grid->faceArea($cell, $direction);
                }
            }
        }
        if ($joints === []) {
            throw new PhysicsException(sprintf('package "%s" has lost its upper or lower half to parts after it in the ledger; a two-resistance package needs both', $this->model->parts[$index]->name));
        }
        foreach ($joints as $cell => $area) {
            $this->coupling[$axis][$this->pad + $cell] = $area / array_sum($joints) / ($shape->junctionToCase + $shape->junctionToBoard);
        }
        $this->packages->add($index, $shape, array_keys($case), array_keys($board), $power);
    }

    /** @param ?list<float> $temperature */
    private function resistances(?array $temperature): void
    {
        $fluid = $this->model->space->fluid;
        $materials = [-1 => $fluid === null ? null : $this->model->materials->get($fluid)];
        foreach ($this->model->parts as $index => $part) {
            $materials[$index] = $part->material === null ? null : $this->model->materials->get($part->material);
        }
        $ambient = $this->model->surroundings->temperature;
        for ($axis = 0; $axis < 3; $axis++) {
            $constant = array_map(
                fn (?Material $m) => $m === null ? INF : $m->conductivity[$axis]->at($ambient),
                $materials,
            );
            foreach ($this->voxels->filling as $index => $share) {
                $constant[$index] *= $share;
            }
            $varies = array_map(
                fn (?Material $m) => $temperature !== null && $m !== null && ! $m->conductivity[$axis]->isConstant() ? $m->conductivity[$axis] : null,
                $materials,
            );
            $anyVaries = array_filter($varies) !== [];
            $this->half[$axis] = $anyVaries
                ? $this->varyingHalves($axis, $constant, $varies, $temperature ?? [])
                : self::constantHalves($this->grid->cells, $axis, $this->grid->widths[$axis], $this->voxels->owner, $constant);
        }
    }

    /** @param array<int, list<int>> $mixed */
    private function mixAcross(array $mixed): void
    {
        foreach ($mixed as $axis => $cells) {
            $half = $this->half[$axis];
            $this->half[$axis] = [];
            foreach ($cells as $cell) {
                $half[$cell] /= self::MIXED;
            }
            $this->half[$axis] = $half;
        }
    }

    /** @param ?array{list<float>, list<float>} $mixing */
    private function mix(?array $mixing): void
    {
        if ($mixing === null) {
            return;
        }
        [$inside, $wall] = $mixing;
        foreach ([0, 1, 2] as $axis) {
            $half = $this->half[$axis];
            $this->half[$axis] = [];
            foreach ($this->voxels->owner as $cell => $owner) {
                if ($owner < 0) {
                    $half[$cell] = 0.5 * $this->grid->widths[$axis][$this->position($cell, $axis)] / $inside[$cell];
                }
            }
            $this->half[$axis] = $half;
        }
        foreach ($this->voxels->owner as $cell => $owner) {
            $this->wallShare[] = $owner < 0 ? $inside[$cell] / $wall[$cell] : 1.0;
        }
    }

    /** Resistance times area between a cell's centre and its face towards another body or a side, m2K/W. */
    private function towardsWall(int $axis, int $cell): float
    {
        return isset($this->films[$axis][$cell]) ? 1.0 / $this->films[$axis][$cell] : $this->half[$axis][$cell] * ($this->wallShare[$cell] ?? 1.0);
    }

    /**
     * @param array{int, int, int} $cells
     * @param list<float> $widths
     * @param list<int> $owner
     * @param array<int, float> $conductivity by owner
     * @return list<float>
     */
    private static function constantHalves(array $cells, int $axis, array $widths, array $owner, array $conductivity): array
    {
        [$nx, $ny, $nz] = $cells;
        $half = array_fill(0, $nx * $ny * $nz, 0.0);
        $c = 0;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $across = 0.5 * $widths[$axis === 2 ? $k : ($axis === 1 ? $j : 0)];
                for ($i = 0; $i < $nx; $i++, $c++) {
                    $half[$c] = ($axis === 0 ? 0.5 * $widths[$i] : $across) / $conductivity[$owner[$c]];
                }
            }
        }

        return $half;
    }

    /**
     * @param array<int, float> $constant W/m/K by owner
     * @param array<int, ?PropertyLaw> $varies by owner
     * @param list<float> $temperature of the cells, K
     * @return list<float>
     */
    private function varyingHalves(int $axis, array $constant, array $varies, array $temperature): array
    {
        $half = self::constantHalves($this->grid->cells, $axis, $this->grid->widths[$axis], $this->voxels->owner, $constant);
        foreach ($this->voxels->owner as $cell => $owner) {
            if ($varies[$owner] !== null) {
                $half[$cell] *= $constant[$owner] / ($this->voxels->filling[$owner] ?? 1.0) / $varies[$owner]->at($temperature[$cell]);
            }
        }

        return $half;
    }

    private function conditionsByDirection(): void
    {
        foreach ($this->model->parts as $part) {
            $byDirection = [[], []];
            for ($direction = 0; $direction < 6 && $part->faces !== [] && ! $part->shape instanceof LocatedFaces; $direction++) {
                $face = $part->shape->faceTowards($direction >> 1, $direction % 2 === 1 ? 1 : -1);
                $byDirection[0][$direction] = self::given($part, $face, false);
                $byDirection[1][$direction] = self::given($part, $face, true);
            }
            $this->conditions[] = $byDirection;
        }
    }

    /** What a part states for one of its faces, counted on the steps that the face becomes on the grid. */
    private static function given(Part $part, string $face, bool $bare): ?HeatCondition
    {
        $given = $part->faces[$face] ?? ($bare ? $part->faces['bare'] ?? null : null);

        return $given?->onSteps($part->stepsOf($face));
    }

    private function innerFaces(int $axis): void
    {
        [$nx, $ny, $nz] = $this->grid->cells;
        $stride = [1, $nx, $nx * $ny][$axis];
        [$ni, $nj, $nk] = [$nx - ($axis === 0 ? 1 : 0), $ny - ($axis === 1 ? 1 : 0), $nz - ($axis === 2 ? 1 : 0)];
        [$wx, $wy, $wz] = $this->grid->widths;
        $owner = $this->voxels->owner;
        $half = $this->half[$axis];
        $pad = $this->pad;
        $coupling = $this->coupling[$axis];
        $this->coupling[$axis] = [];
        $ends = [];
        for ($k = 0; $k < $nk; $k++) {
            for ($j = 0; $j < $nj; $j++) {
                $c = $nx * ($j + $ny * $k);
                $area0 = $axis === 0 ? $wy[$j] * $wz[$k] : ($axis === 1 ? $wz[$k] : $wy[$j]);
                for ($i = 0; $i < $ni; $i++, $c++) {
                    $d = $c + $stride;
                    if ($owner[$c] !== $owner[$d]) {
                        $ends[] = $c;
                        $ends[] = $axis === 0 ? $area0 : $area0 * $wx[$i];
                    } elseif ($half[$c] > 0.0) {
                        $coupling[$pad + $c] = ($axis === 0 ? $area0 : $area0 * $wx[$i]) / ($half[$c] + $half[$d]);
                    }
                }
            }
        }
        $this->coupling[$axis] = $coupling;
        for ($e = 0, $count = count($ends); $e < $count; $e += 2) {
            $this->interface($axis, $ends[$e], $ends[$e] + $stride, $ends[$e + 1]);
        }
    }

    /** The face between cells $c and $d (towards rising coordinates) of different owners. */
    private function interface(int $axis, int $c, int $d, float $area): void
    {
        $p = $this->voxels->owner[$c];
        $q = $this->voxels->owner[$d];
        $up = 2 * $axis + 1;
        $down = 2 * $axis;
        if (! $this->live[$c] || ! $this->live[$d]) {
            if ($this->live[$c]) {
                $this->boundary($p, $up, $c, $area, $this->condition($p, $up, $c, true), -1, $axis);
            } elseif ($this->live[$d]) {
                $this->boundary($q, $down, $d, $area, $this->condition($q, $down, $d, true), -1, $axis);
            }

            return;
        }
        $conditionC = $this->condition($p, $up, $c, $q < 0);
        $conditionD = $this->condition($q, $down, $d, $p < 0);
        // A film washes what is bare; where another solid touches the face, heat goes on into that.
        $replacesC = $conditionC->kind === 'temperature' || ($conditionC->kind === 'film' && $q < 0);
        $replacesD = $conditionD->kind === 'temperature' || ($conditionD->kind === 'film' && $p < 0);
        if ($replacesC || $replacesD) {
            $other = fn (HeatCondition $given): HeatCondition => $given->kind === 'temperature' ? $given : HeatCondition::adiabatic();
            $this->boundary($p, $up, $c, $area, $replacesC ? $conditionC : $other($conditionD), -1, $axis);
            $this->boundary($q, $down, $d, $area, $replacesD ? $conditionD : $other($conditionC), -1, $axis);

            return;
        }
        $resistance = $this->contact($conditionC) + $this->contact($conditionD);
        $conductance = $this->passes($p, $axis) && $this->passes($q, $axis)
            ? $area / max($this->towardsWall($axis, $c) + $this->towardsWall($axis, $d) + $resistance, self::PERFECT_CONTACT)
            : 0.0;
        $this->coupling[$axis][$this->pad + $c] = $conductance;
        foreach ([[$p, $up, $c, $d, $q, $conditionC], [$q, $down, $d, $c, $p, $conditionD]] as [$part, $direction, $cell, $beyond, $otherPart, $condition]) {
            if ($part < 0) {
                continue;
            }
            $given = $this->givenHeat($condition, $cell, $direction, $area);
            $this->source[$this->pad + $cell] += $given;
            $this->watts += $given;
            $this->faces->add($part, $direction, $cell, $area, $this->towardsWall($axis, $cell), $conductance, $beyond, $otherPart, 0.0, $given, -1, -1);
            $this->notePower($condition);
        }
    }

    private function sideFaces(int $axis): void
    {
        [$nx, $ny] = $this->grid->cells;
        $strides = $this->strides;
        [$a, $b] = Axes::across($axis);
        foreach ([0, 1] as $end) {
            $side = $this->model->space->sides[Space::SIDES[2 * $axis + $end]];
            for ($jb = 0; $jb < $this->grid->cells[$b]; $jb++) {
                for ($ja = 0; $ja < $this->grid->cells[$a]; $ja++) {
                    $cell = $ja * $strides[$a] + $jb * $strides[$b] + ($end === 1 ? ($this->grid->cells[$axis] - 1) * $strides[$axis] : 0);
                    if (! $this->live[$cell]) {
                        continue;
                    }
                    $area = $this->grid->widths[$a][$ja] * $this->grid->widths[$b][$jb];
                    $onPatch = $side->patchAt($this->grid->centres[$a][$ja], $this->grid->centres[$b][$jb]) ?? -1;
                    $on = $onPatch >= 0 ? $side->patches[$onPatch] : $side;
                    $part = $this->voxels->owner[$cell];
                    $own = $this->ownCondition($part, 2 * $axis + $end, $cell, $on->leavesBare());
                    $contact = 0.0;
                    if ($own !== null && $own->kind === 'contact') {
                        $contact = $this->contact($own);
                        $own = null;
                    }
                    $this->boundary($part, 2 * $axis + $end, $cell, $area, $own ?? $on->heat, 2 * $axis + $end, $axis, $contact, $onPatch);
                }
            }
        }
    }

    /** A face beyond which nothing is computed: a bare face or a side of the space. */
    private function boundary(int $part, int $direction, int $cell, float $area, HeatCondition $condition, int $side, int $axis, float $contact = 0.0, int $patch = -1): void
    {
        $half = $this->towardsWall($axis, $cell);
        $conductance = 0.0;
        $ambient = $this->reference;
        if ($this->passes($part, $axis)) {
            if ($condition->kind === 'temperature') {
                $conductance = $area / max($half + $contact, self::PERFECT_CONTACT);
                $ambient = $condition->value->isConstant() ? $condition->value->constant : $condition->value->at(...$this->grid->faceCentre($cell, $direction));
            } elseif ($condition->kind === 'film' && $condition->value->constant > 0.0) {
                $conductance = $area / ($half + $contact + 1.0 / $condition->value->constant);
                $ambient = $condition->ambient->isConstant() ? $condition->ambient->constant : $condition->ambient->at(...$this->grid->faceCentre($cell, $direction));
            }
        }
        $given = $this->givenHeat($condition, $cell, $direction, $area);
        $this->extra[$this->pad + $cell] += $conductance;
        $this->source[$this->pad + $cell] += $conductance * ($ambient - $this->reference) + $given;
        $this->watts += $given;
        $this->faces->add($part, $direction, $cell, $area, $half, $conductance, -1, -1, $ambient, $given, $side, $patch);
        $this->notePower($condition);
    }

    /** W of a flux condition on one grid face. */
    private function givenHeat(HeatCondition $condition, int $cell, int $direction, float $area): float
    {
        if ($condition->kind !== 'flux') {
            return 0.0;
        }

        return $area * ($condition->value->isConstant() ? $condition->value->constant : $condition->value->at(...$this->grid->faceCentre($cell, $direction)));
    }

    /** Shares a power given over a whole face, side or patch by area. */
    private function givenPowers(): void
    {
        foreach ($this->powerFaces as [$condition, $records]) {
            $area = 0.0;
            foreach ($records as $f) {
                $area += $this->faces->area[$f];
            }
            foreach ($records as $f) {
                $given = $condition->value->constant * $this->faces->area[$f] / $area;
                $this->faces->heat[$f] += $given;
                $this->source[$this->pad + $this->faces->cell[$f]] += $given;
                $this->watts += $given;
            }
        }
    }

    private function notePower(HeatCondition $condition): void
    {
        if ($condition->kind === 'power') {
            $key = spl_object_id($condition);
            $this->powerFaces[$key] ??= [$condition, []];
            $this->powerFaces[$key][1][] = $this->faces->count() - 1;
        }
    }

    private function sources(): void
    {
        [$nx, $ny] = $this->grid->cells;
        [$wx, $wy, $wz] = $this->grid->widths;
        $this->sourceInFluid();
        $volume = array_fill(0, count($this->model->parts), 0.0);
        $heated = [];
        foreach ($this->model->parts as $index => $part) {
            $heated[$index] = ($part->power !== 0.0 || $part->source !== null) && ! $part->shape instanceof TwoResistancePackage;
        }
        $cells = [];
        foreach ($this->voxels->owner as $cell => $owner) {
            if ($owner >= 0 && $heated[$owner]) {
                $v = $wx[$cell % $nx] * $wy[intdiv($cell, $nx) % $ny] * $wz[intdiv($cell, $nx * $ny)];
                $volume[$owner] += $v;
                $cells[$cell] = $v;
            }
        }
        foreach ($cells as $cell => $v) {
            $index = $this->voxels->owner[$cell];
            $part = $this->model->parts[$index];
            $given = $part->power * $v / $volume[$index];
            if ($part->source !== null) {
                $given += $v * $this->voxels->filling[$index] * ($part->source->isConstant() ? $part->source->constant : $part->source->at(...$this->grid->centre($cell)));
            }
            $this->source[$this->pad + $cell] += $given;
            $this->watts += $given;
        }
        foreach ($this->packages->all() as ['case' => $case, 'board' => $board, 'shape' => $shape, 'power' => $power]) {
            $sum = $shape->junctionToCase + $shape->junctionToBoard;
            $this->source[$this->pad + $case[0]] += $power * $shape->junctionToBoard / $sum;
            $this->source[$this->pad + $board[0]] += $power * $shape->junctionToCase / $sum;
            $this->watts += $power;
        }
    }

    private function sourceInFluid(): void
    {
        $source = $this->model->space->source;
        if ($source === null) {
            return;
        }
        foreach ($this->voxels->owner as $cell => $owner) {
            if ($owner < 0 && $this->live[$cell]) {
                $given = $source->at(...$this->grid->centre($cell)) * $this->grid->faceArea($cell, 0) * $this->grid->widths[0][$this->position($cell, 0)];
                $this->source[$this->pad + $cell] += $given;
                $this->watts += $given;
            }
        }
    }

    private function condition(int $part, int $direction, int $cell, bool $bare): HeatCondition
    {
        return $this->ownCondition($part, $direction, $cell, $bare) ?? HeatCondition::adiabatic();
    }

    /** What a part states for a face of its own; for a bare one also what it states for all bare ones. */
    private function ownCondition(int $part, int $direction, int $cell, bool $bare): ?HeatCondition
    {
        if ($part < 0 || $this->model->parts[$part]->faces === []) {
            return null;
        }
        $own = $this->model->parts[$part];
        if (! $own->shape instanceof LocatedFaces) {
            return $this->conditions[$part][(int) $bare][$direction];
        }
        $face = $own->face($direction, fn () => $this->grid->faceCentre($cell, $direction));

        return $this->located["$part $face " . (int) $bare] ??= self::given($own, $face, $bare);
    }

    private function contact(HeatCondition $condition): float
    {
        return $condition->kind === 'contact' ? $condition->value->constant : 0.0;
    }

    /** Whether heat passes the part along the axis: not through the sides of a package. */
    private function passes(int $part, int $axis): bool
    {
        $shape = $part < 0 ? null : $this->model->parts[$part]->shape;

        return ! $shape instanceof TwoResistancePackage || $shape->boardAxis === $axis;
    }

    private function position(int $cell, int $axis): int
    {
        return intdiv($cell, $this->strides[$axis]) % $this->grid->cells[$axis];
    }
}
