<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\ElectricCondition;
use Foehn\Model\Model;
use Foehn\Numerics\Stencil;
use Foehn\Physics\PhysicsException;

/**
 * Steady conduction of current in the cells whose material has a resistivity, by finite volumes: the conductance between two cell
 * centres is the area over the sum of the half-cell resistances (as for heat; Patankar 1980, eq. 4.9). Parts that touch are joined
 * without resistance between them. What is connected to no voltage carries no current and takes no part.
 */
final class ElectricSystem
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} resistance times area of half a cell along the axes, of cells that conduct, ohm m2 */
    private array $half = [[], [], []];

    /** @var list<array{cell: int, direction: int, area: float, conductance: float, terminal: int}> conductance between the cell's centre and the face, S */
    private array $ends = [];

    /** @var list<array{part: int, face: string, condition: ElectricCondition, area: float}> m2 */
    public array $terminals = [];

    public readonly Stencil $stencil;

    /** @var list<float> A into each padded cell */
    public readonly array $source;

    /**
     * @param ?list<float> $temperature of the cells, K, for the resistivities; null: the ambient everywhere
     * @throws PhysicsException where a current has no way back, or a terminal no face of its own
     */
    public function __construct(private readonly Model $model, private readonly Grid $grid, private readonly Voxels $voxels, ?array $temperature)
    {
        $this->resistances($temperature);
        $this->findTerminals();
        $zeros = Stencil::zeros($grid->cells);
        $coupling = [$zeros, $zeros, $zeros];
        $extra = $source = $zeros;
        $pad = $grid->cells[0] * $grid->cells[1];
        foreach ($this->links() as [$axis, $cell, $conductance]) {
            $coupling[$axis][$pad + $cell] = $conductance;
        }
        foreach ($this->ends as $end) {
            $terminal = $this->terminals[$end['terminal']];
            if ($terminal['condition']->fixesVoltage()) {
                $extra[$pad + $end['cell']] += $end['conductance'];
                $source[$pad + $end['cell']] += $end['conductance'] * $terminal['condition']->value;
            } else {
                $source[$pad + $end['cell']] += $terminal['condition']->value * $end['area'] / $terminal['area'];
            }
        }
        $reached = (new Stencil($grid->cells, [$coupling[0], $coupling[1], $coupling[2]], $extra))->reached();
        foreach ($this->ends as $end) {
            if (! $reached[$pad + $end['cell']]) {
                $terminal = $this->terminals[$end['terminal']];
                throw new PhysicsException(sprintf(
                    'the current at face %s of "%s" has no way back: nothing it is joined to has a face with a voltage or ground; give one, or let the conductors touch',
                    $terminal['face'], $model->parts[$terminal['part']]->name,
                ));
            }
        }
        foreach ([0, 1, 2] as $axis) {
            foreach ($this->half[0] as $cell => $_) {
                if (! $reached[$pad + $cell]) {
                    $coupling[$axis][$pad + $cell] = 0.0;
                }
            }
        }
        $this->stencil = new Stencil($grid->cells, [$coupling[0], $coupling[1], $coupling[2]], $extra);
        $this->source = $source;
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
     * What the potentials mean: heat is shared between the two half-cells of a link by their resistances, and what a current meets
     * between a face and the centre of its cell heats that cell, so that all of it is current times voltage at the terminals.
     *
     * @param list<float> $potential V, padded
     */
    public function currents(array $potential): Currents
    {
        $pad = $this->stencil->pad;
        $heat = array_fill(0, $this->grid->count(), 0.0);
        /** @var array{array<int, float>, array<int, float>, array<int, float>} $through A towards rising coordinates, twice the mean over the two faces of each cell */
        $through = [[], [], []];
        foreach ($this->stencil->coupling as $axis => $coupling) {
            $stride = $this->stencil->strides()[$axis];
            foreach ($this->half[0] as $cell => $_) {
                $conductance = $coupling[$pad + $cell];
                if ($conductance > 0.0) {
                    $next = $cell + $stride;
                    $drop = $potential[$pad + $cell] - $potential[$pad + $next];
                    $share = $this->half[$axis][$cell] / ($this->half[$axis][$cell] + $this->half[$axis][$next]);
                    $heat[$cell] += $share * $conductance * $drop * $drop;
                    $heat[$next] += (1.0 - $share) * $conductance * $drop * $drop;
                    foreach ([$cell, $next] as $c) {
                        $through[$axis][$c] = ($through[$axis][$c] ?? 0.0) + $conductance * $drop;
                    }
                }
            }
        }
        $sums = array_fill(0, count($this->terminals), ['current' => 0.0, 'voltage' => 0.0]);
        foreach ($this->ends as ['cell' => $cell, 'direction' => $direction, 'area' => $area, 'conductance' => $conductance, 'terminal' => $number]) {
            ['condition' => $condition, 'area' => $whole] = $this->terminals[$number];
            $inside = $potential[$pad + $cell];
            $current = $condition->fixesVoltage() ? $conductance * ($condition->value - $inside) : $condition->value * $area / $whole;
            $heat[$cell] += $current * $current / $conductance;
            $sums[$number]['current'] += $current;
            $sums[$number]['voltage'] += ($inside + $current / $conductance) * $area / $whole;
            $axis = $direction >> 1;
            $through[$axis][$cell] = ($through[$axis][$cell] ?? 0.0) + ($direction % 2 === 1 ? -$current : $current);
        }
        $terminals = [];
        foreach ($this->terminals as $number => $terminal) {
            $part = $this->model->parts[$terminal['part']];
            $terminals[] = ['part' => $part->id, 'name' => $part->name, 'face' => $terminal['face'], 'kind' => $terminal['condition']->kind, ...$sums[$number]];
        }

        return new Currents($potential, $heat, $terminals, $this->byPart($through, $heat));
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $through
     * @param list<float> $heat W in each cell
     * @return array<int, array{heat: float, density: float}> of each part that carries any current: W, and its greatest density in A/m2
     */
    private function byPart(array $through, array $heat): array
    {
        $parts = [];
        foreach ($this->half[0] as $cell => $_) {
            $squared = 0.0;
            foreach ([0, 1, 2] as $axis) {
                $squared += (0.5 * ($through[$axis][$cell] ?? 0.0) / $this->grid->faceArea($cell, $axis)) ** 2;
            }
            if ($squared > 0.0) {
                $part = $this->voxels->owner[$cell];
                $density = sqrt($squared) / $this->voxels->filling[$part];
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

    /** @param ?list<float> $temperature */
    private function resistances(?array $temperature): void
    {
        $laws = array_map(fn ($part) => self::law($this->model, $part->material), $this->model->parts);
        $ambient = $this->model->surroundings->temperature;
        foreach ($this->voxels->owner as $cell => $owner) {
            $law = $owner < 0 ? null : $laws[$owner];
            if ($law !== null) {
                $resistivity = $law->at($temperature[$cell] ?? $ambient) / $this->voxels->filling[$owner];
                foreach ($this->grid->size($cell) as $axis => $width) {
                    $this->half[$axis][$cell] = 0.5 * $width * $resistivity;
                }
            }
        }
    }

    /** @return iterable<array{int, int, float}> axis, cell, and what joins it to the next one along the axis, S */
    private function links(): iterable
    {
        foreach ($this->half as $axis => $halves) {
            foreach ($halves as $cell => $half) {
                $next = $this->grid->neighbour($cell, 2 * $axis + 1);
                if ($next !== null && isset($halves[$next])) {
                    yield [$axis, $cell, $this->grid->faceArea($cell, $axis) / ($half + $halves[$next])];
                }
            }
        }
    }

    private function findTerminals(): void
    {
        $cells = [];
        foreach ($this->voxels->owner as $cell => $owner) {
            if ($owner >= 0 && $this->model->parts[$owner]->terminals !== []) {
                $cells[$owner][] = $cell;
            }
        }
        foreach ($this->model->parts as $index => $part) {
            $numbers = [];
            foreach ($part->terminals as $face => $condition) {
                $numbers[$face] = count($this->terminals);
                $this->terminals[] = ['part' => $index, 'face' => $face, 'condition' => $condition, 'area' => 0.0];
            }
            foreach ($cells[$index] ?? [] as $cell) {
                for ($direction = 0; $direction < 6; $direction++) {
                    $axis = $direction >> 1;
                    $beyond = $this->grid->neighbour($cell, $direction);
                    if ($beyond !== null && $this->voxels->owner[$beyond] === $index) {
                        continue;
                    }
                    $face = $part->face($direction, fn () => $this->grid->faceCentre($cell, $direction));
                    if (isset($numbers[$face], $this->half[$axis][$cell])) {
                        $area = $this->grid->faceArea($cell, $axis);
                        $this->terminals[$numbers[$face]]['area'] += $area;
                        $this->ends[] = ['cell' => $cell, 'direction' => $direction, 'area' => $area, 'conductance' => $area / $this->half[$axis][$cell], 'terminal' => $numbers[$face]];
                    }
                }
            }
        }
        foreach ($this->terminals as $terminal) {
            if ($terminal['area'] <= 0.0) {
                throw new PhysicsException(sprintf('face %s of "%s" carries current, but nothing of it is left on this grid that conducts', $terminal['face'], $this->model->parts[$terminal['part']]->name));
            }
        }
    }
}
