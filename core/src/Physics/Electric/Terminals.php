<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Geometry\Axes;
use Foehn\Grid\Voxels;
use Foehn\Model\Drive;
use Foehn\Model\ElectricCondition;
use Foehn\Model\Model;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;
use Foehn\Physics\PhysicsException;

/**
 * The faces of parts, and rectangles of them, at which current enters or leaves: spread evenly by area where the current is given, through half
 * a cell where the voltage is, and through a resistor as well, which is spread by area too, or half of the contact of a joint.
 */
final class Terminals implements Contribution
{
    /** @var list<array{part: int, condition: ElectricCondition, area: float}> m2 */
    public array $all = [];

    /** @var list<array{cell: int, direction: int, area: float, conductance: float, terminal: int}> grid faces; conductance between the cell's centre and the face, S */
    public array $ends = [];

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $half resistance times area of half a cell along the axes, of cells that conduct, ohm m2
     * @throws PhysicsException where nothing of a terminal is left on the grid
     */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, private readonly array $half, Drive $drive)
    {
        $cells = [];
        foreach ($voxels->owner as $cell => $owner) {
            if ($owner >= 0 && $model->parts[$owner]->terminals !== []) {
                $cells[$owner][] = $cell;
            }
        }
        foreach ($model->parts as $index => $part) {
            $numbers = [];
            foreach ($part->terminals as $condition) {
                $numbers[] = count($this->all);
                $this->all[] = ['part' => $index, 'condition' => $drive->of($condition), 'area' => 0.0];
            }
            $this->findEnds($index, $cells[$index] ?? [], $numbers);
        }
        foreach ($this->all as $terminal) {
            if ($terminal['area'] <= 0.0) {
                throw new PhysicsException(sprintf('face %s of "%s" carries current, but nothing of it, or of the rectangle on it, is left on this grid that conducts', $terminal['condition']->face, $model->parts[$terminal['part']]->name));
            }
        }
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->ends as $end) {
            ['condition' => $condition, 'area' => $whole] = $this->all[$end['terminal']];
            [$cell, $share] = [$equation->pad + $end['cell'], $end['area'] / $whole];
            if ($condition->givesCurrent()) {
                $equation->source[$cell] += $condition->value * $share;
            } else {
                $conductance = $condition->conductance($end['conductance'], $share);
                $equation->toGiven[$cell] += $conductance;
                $equation->source[$cell] += $conductance * $condition->voltage();
            }
        }
    }

    /**
     * @param array<int, int> $cells of the part
     * @param list<int> $numbers of its terminals
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
                $number = $this->terminalAt($numbers, $face, $grid->faceCentre($cell, $direction), $axis);
                if ($number !== null && isset($this->half[$axis][$cell])) {
                    $area = $grid->faceArea($cell, $axis);
                    $resistance = $this->half[$axis][$cell] + $this->all[$number]['condition']->contact();
                    $this->all[$number]['area'] += $area;
                    $this->ends[] = ['cell' => $cell, 'direction' => $direction, 'area' => $area, 'conductance' => $area / $resistance, 'terminal' => $number];
                }
            }
        }
    }

    /**
     * The last of the terminals that holds at a place of a face.
     *
     * @param list<int> $numbers
     * @param array{float, float, float} $place m
     */
    private function terminalAt(array $numbers, string $face, array $place, int $axis): ?int
    {
        [$a, $b] = Axes::across($axis);
        foreach (array_reverse($numbers) as $number) {
            $condition = $this->all[$number]['condition'];
            if ($condition->face === $face && $condition->holdsAt($place[$a], $place[$b])) {
                return $number;
            }
        }

        return null;
    }
}
