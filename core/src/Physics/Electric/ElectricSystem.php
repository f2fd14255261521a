<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\Drive;
use Foehn\Model\Model;
use Foehn\Numerics\Stencil;
use Foehn\Physics\Conduction;
use Foehn\Physics\Equation;
use Foehn\Physics\PhysicsException;

/**
 * Steady conduction of current in the cells whose material has a resistivity (see Conduction). Parts that touch are joined,
 * through a contact resistance where a face states one. What is connected to no voltage carries no current and takes no part.
 */
final class ElectricSystem
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} resistance times area of half a cell along the axes, of cells that conduct, ohm m2 */
    private array $half = [[], [], []];

    public readonly Terminals $terminals;

    private readonly Contacts $contacts;

    public readonly Stencil $stencil;

    /** @var array<int, float> A into each padded cell, where all that is joined is at its level */
    public readonly array $source;

    /**
     * @var array<int, ?float> V of one voltage that each padded cell is joined to, null where there is none. Potentials are counted from it: most of a
     * voltage then passes no equation, and digits are left for the drops.
     */
    private readonly array $level;

    private readonly Grid $grid;

    /**
     * @param ?array<int, float> $temperature of the cells, K, for the resistivities; null: the ambient everywhere
     * @throws PhysicsException where a current has no way back, or a terminal no face of its own
     */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, ?array $temperature, Drive $drive = new Drive())
    {
        $this->grid = $voxels->grid;
        $this->resistances($temperature);
        $this->terminals = new Terminals($model, $voxels, $this->half, $drive);
        $equation = new Equation($this->grid);
        $this->conduction()->addTo($equation);
        $this->contacts = new Contacts($model, $voxels, $this->half);
        $this->contacts->addTo($equation);
        $this->terminals->addTo($equation);
        $this->level = $this->levels($equation->stencil());
        foreach ($this->terminals->ends as $end) {
            if ($this->level[$equation->pad + $end['cell']] === null) {
                $terminal = $this->terminals->all[$end['terminal']];
                throw new PhysicsException(sprintf(
                    'the current at face %s of "%s" has no way back: nothing it is joined to has a face with a voltage or ground; give one, or let the conductors touch',
                    $terminal['condition']->face, $model->parts[$terminal['part']]->name,
                ));
            }
        }
        foreach ([0, 1, 2] as $axis) {
            foreach ($this->half[0] as $cell => $_) {
                if ($this->level[$equation->pad + $cell] === null) {
                    $equation->coupling[$axis][$equation->pad + $cell] = 0.0;
                }
            }
        }
        $this->stencil = $equation->stencil();
        $this->source = array_map(fn (float $amperes, float $toGiven, ?float $level): float => $amperes - $toGiven * ($level ?? 0.0), $equation->rightHandSide(), $this->stencil->extra, $this->level);
    }

    /**
     * @param array<int, float> $potential V, padded
     * @return list<float> the same over the levels
     */
    public function over(array $potential): array
    {
        return array_map(fn (float $volts, ?float $level): float => $volts - ($level ?? 0.0), $potential, $this->level);
    }

    /** @return array<int, ?float> V by padded cell: that of the first terminal with a voltage, of those that it is joined to */
    private function levels(Stencil $stencil): array
    {
        $levels = array_fill(0, count($stencil->extra), null);
        foreach ($this->terminals->ends as $end) {
            $condition = $this->terminals->all[$end['terminal']]['condition'];
            if (! $condition->givesCurrent()) {
                $stencil->spread($levels, $stencil->pad + $end['cell'], $condition->voltage());
            }
        }

        return $levels;
    }

    /** All that conducts is one body: parts that touch are joined, without resistance between them where no contact states one. */
    private function conduction(): Conduction
    {
        $zeros = array_fill(0, $this->grid->count(), 0.0);
        $half = [];
        foreach ($this->half as $along) {
            $half[] = array_replace($zeros, $along);
        }

        return new Conduction([$half[0], $half[1], $half[2]], array_map(fn (float $h) => $h > 0.0 ? 1 : 0, $half[0]));
    }

    /** Whether the resistivity of anything that conducts follows the temperature. */
    public static function followsTemperature(Model $model): bool
    {
        foreach ($model->parts as $part) {
            $law = self::law($model, $part->material);
            if ($law !== null && ! $law->isConstant()) {
                return $model->physics->electric;
            }
        }

        return false;
    }

    /**
     * What the potentials mean: heat is shared between the two half-cells of a link by their resistances, each with half of a contact between them, and what a current meets
     * between a face and the centre of its cell heats that cell, so that all of it is current times voltage at the terminals.
     *
     * @param array<int, float> $over V over the levels, padded
     */
    public function currents(array $over): Currents
    {
        $pad = $this->stencil->pad;
        $potential = array_map(fn (float $volts, ?float $level): float => $volts + ($level ?? 0.0), $over, $this->level);
        $heat = array_fill(0, $this->grid->count(), 0.0);
        /** @var array<int, array<int, float>> $through A towards rising coordinates, twice the mean over the two faces of each cell */
        $through = [[], [], []];
        foreach ($this->stencil->coupling as $axis => $coupling) {
            $stride = $this->stencil->strides()[$axis];
            foreach ($this->half[0] as $cell => $_) {
                $conductance = $coupling[$pad + $cell];
                if ($conductance > 0.0) {
                    $next = $cell + $stride;
                    $drop = $potential[$pad + $cell] - $potential[$pad + $next];
                    $contact = $this->contacts->resistance[$axis][$cell] ?? 0.0;
                    $fraction = ($this->half[$axis][$cell] + 0.5 * $contact) / ($this->half[$axis][$cell] + $contact + $this->half[$axis][$next]);
                    $heat[$cell] += $fraction * $conductance * $drop * $drop;
                    $heat[$next] += (1.0 - $fraction) * $conductance * $drop * $drop;
                    foreach ([$cell, $next] as $c) {
                        $through[$axis][$c] = ($through[$axis][$c] ?? 0.0) + $conductance * $drop;
                    }
                }
            }
        }
        /** @var array<int, array{float, float}> $sums A and V */
        $sums = array_fill(0, count($this->terminals->all), [0.0, 0.0]);
        $power = 0.0;
        foreach ($this->terminals->ends as ['cell' => $cell, 'direction' => $direction, 'area' => $area, 'conductance' => $conductance, 'terminal' => $number]) {
            $inside = $potential[$pad + $cell];
            ['condition' => $condition, 'area' => $whole] = $this->terminals->all[$number];
            $current = $condition->current($conductance, $area / $whole, $inside);
            $heat[$cell] += $current * $current / $conductance;
            [$amperes, $volts] = $sums[$number];
            $sums[$number] = [$amperes + $current, $volts + ($inside + $current / $conductance) * $area / $whole];
            $power += $current * ($over[$pad + $cell] + $current / $conductance);
            $axis = $direction >> 1;
            $through[$axis][$cell] = ($through[$axis][$cell] ?? 0.0) + ($direction % 2 === 1 ? -$current : $current);
        }
        $terminals = [];
        foreach ($this->terminals->all as $number => $terminal) {
            $part = $this->model->parts[$terminal['part']];
            $terminals[] = ['part' => $part->id, 'name' => $part->name, 'face' => $terminal['condition']->face, 'kind' => $terminal['condition']->kind, 'current' => $sums[$number][0], 'voltage' => $sums[$number][1]]
                + ($terminal['condition']->joining === null ? [] : ['joint' => $terminal['condition']->joining->terminal]);
        }

        $density = $this->densities($through);

        return new Currents($potential, $heat, $terminals, $this->byPart($density, $heat), $density, $power);
    }

    /**
     * In the material, of which a cell of a round or slanted part may have more or less than it holds.
     *
     * @param array<int, array<int, float>> $through A, twice the mean over the two faces of each cell
     * @return array{array<int, float>, array<int, float>, array<int, float>} A/m2 along each axis in the cells that conduct
     */
    private function densities(array $through): array
    {
        $densities = [[], [], []];
        foreach ($this->half[0] as $cell => $_) {
            foreach ([0, 1, 2] as $axis) {
                $densities[$axis][$cell] = 0.5 * ($through[$axis][$cell] ?? 0.0) / $this->grid->faceArea($cell, $axis) / $this->voxels->fill[$this->voxels->owner[$cell]];
            }
        }

        return $densities;
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $densities A/m2
     * @param array<int, float> $heat W in each cell
     * @return array<int, array{heat: float, density: float}> of each part that carries any current: W, and its greatest density in A/m2
     */
    private function byPart(array $densities, array $heat): array
    {
        $parts = [];
        foreach ($densities[0] as $cell => $x) {
            $density = sqrt($x ** 2 + $densities[1][$cell] ** 2 + $densities[2][$cell] ** 2);
            if ($density > 0.0) {
                $part = $this->voxels->owner[$cell];
                $before = $parts[$part] ?? ['heat' => 0.0, 'density' => 0.0];
                $parts[$part] = ['heat' => $before['heat'] + $heat[$cell], 'density' => max($before['density'], $density)];
            }
        }

        return $parts;
    }

    private static function law(Model $model, ?string $material): ?PropertyLaw
    {
        return $material === null ? null : $model->materials->get($material)?->resistivity;
    }

    /** @param ?array<int, float> $temperature */
    private function resistances(?array $temperature): void
    {
        $laws = array_map(fn ($part) => self::law($this->model, $part->material), $this->model->parts);
        $ambient = $this->model->surroundings->temperature;
        foreach ($this->voxels->owner as $cell => $owner) {
            $law = $owner < 0 ? null : $laws[$owner];
            if ($law !== null) {
                $resistivity = $law->at($temperature[$cell] ?? $ambient) / $this->voxels->fill[$owner];
                foreach ($this->grid->size($cell) as $axis => $width) {
                    $this->half[$axis][$cell] = 0.5 * $width * $resistivity;
                }
            }
        }
    }
}
