<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Grid\Voxels;
use Foehn\Model\ElectricCondition;
use Foehn\Model\Model;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;
use Foehn\Physics\PhysicsException;

/** The faces of parts at which current enters or leaves: spread evenly by area where the current is given, through half a cell where the voltage is. */
final class Terminals implements Contribution
{
    /** @var list<array{part: int, face: string, condition: ElectricCondition, area: float}> m2 */
    public array $all = [];

    /** @var list<array{cell: int, direction: int, area: float, conductance: float, terminal: int}> grid faces; conductance between the cell's centre and the face, S */
    public array $ends = [];

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $half resistance times area of half a cell along the axes, of cells that conduct, ohm m2
     * @throws PhysicsException where nothing of a terminal is left on the grid
     */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, private readonly array $half)
    {
        $cells = [];
        foreach ($voxels->owner as $cell => $owner) {
            if ($owner >= 0 && $model->parts[$owner]->terminals !== []) {
                $cells[$owner][] = $cell;
            }
        }
        foreach ($model->parts as $index => $part) {
            $numbers = [];
            foreach ($part->terminals as $face => $condition) {
                $numbers[$face] = count($this->all);
                $this->all[] = ['part' => $index, 'face' => $face, 'condition' => $condition, 'area' => 0.0];
            }
            $this->findEnds($index, $cells[$index] ?? [], $numbers);
        }
        foreach ($this->all as $terminal) {
            if ($terminal['area'] <= 0.0) {
                throw new PhysicsException(sprintf('face %s of "%s" carries current, but nothing of it is left on this grid that conducts', $terminal['face'], $model->parts[$terminal['part']]->name));
            }
        }
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->ends as $end) {
            $terminal = $this->all[$end['terminal']];
            $cell = $equation->pad + $end['cell'];
            if ($terminal['condition']->fixesVoltage()) {
                $equation->toGiven[$cell] += $end['conductance'];
                $equation->source[$cell] += $end['conductance'] * $terminal['condition']->value;
            } else {
                $equation->source[$cell] += $terminal['condition']->value * $end['area'] / $terminal['area'];
            }
        }
    }

    /**
     * @param array<int, int> $cells of the part
     * @param array<string, int> $numbers of its terminals, by face
     */
    private function findEnds(int $index, array $cells, array $numbers): void
    {
        $grid = $this->voxels->grid;
        foreach ($cells as $cell) {
            for ($direction = 0; $direction < 6; $direction++) {
                $axis = $direction >> 1;
                $beyond = $grid->neighbour($cell, $direction);
                if ($beyond !== null && $this->voxels->owner[$beyond] === $index) {
                    continue;
                }
                $face = $this->model->parts[$index]->face($direction, fn () => $grid->faceCentre($cell, $direction));
                if (isset($numbers[$face], $this->half[$axis][$cell])) {
                    $area = $grid->faceArea($cell, $axis);
                    $this->all[$numbers[$face]]['area'] += $area;
                    $this->ends[] = ['cell' => $cell, 'direction' => $direction, 'area' => $area, 'conductance' => $area / $this->half[$axis][$cell], 'terminal' => $numbers[$face]];
                }
            }
        }
    }
}
