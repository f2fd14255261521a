<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;

/**
 * Contact resistance where conductors of two parts touch: g = A / (h_c + R + h_d), with the half-cell resistances h of both cells and the
 * resistances R that the two faces state, all times area (Holm, Electric Contacts, 4th ed. 1967). Half of its heat goes to either side.
 */
final class Contacts implements Contribution
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} ohm m2 between a cell and the next along each axis, where there is any */
    public array $resistance = [[], [], []];

    /** @param array{array<int, float>, array<int, float>, array<int, float>} $half resistance times area of half a cell along the axes, of cells that conduct, ohm m2 */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, private readonly array $half)
    {
        if (array_filter($model->parts, fn ($part) => $part->contacts !== []) === []) {
            return;
        }
        foreach ([0, 1, 2] as $axis) {
            $this->find($axis);
        }
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->resistance as $axis => $resistances) {
            $stride = $this->voxels->grid->strides()[$axis];
            foreach ($resistances as $cell => $resistance) {
                $equation->coupling[$axis][$equation->pad + $cell] = $this->voxels->grid->faceArea($cell, $axis) / ($this->half[$axis][$cell] + $resistance + $this->half[$axis][$cell + $stride]);
            }
        }
    }

    private function find(int $axis): void
    {
        $up = 2 * $axis + 1;
        foreach ($this->half[$axis] as $cell => $_) {
            $next = $this->voxels->grid->neighbour($cell, $up);
            if ($next === null || ! isset($this->half[$axis][$next]) || $this->voxels->owner[$next] === $this->voxels->owner[$cell]) {
                continue;
            }
            $place = $this->voxels->grid->faceCentre($cell, $up);
            $resistance = $this->of($this->voxels->owner[$cell], $up, $place) + $this->of($this->voxels->owner[$next], 2 * $axis, $place);
            if ($resistance > 0.0) {
                $this->resistance[$axis][$cell] = $resistance;
            }
        }
    }

    /**
     * What the face of a part states, ohm m2 of the area it has on the grid.
     *
     * @param array{float, float, float} $place on the face, m
     */
    private function of(int $part, int $direction, array $place): float
    {
        $part = $this->model->parts[$part];
        if ($part->contacts === []) {
            return 0.0;
        }
        $face = $part->face($direction, fn () => $place);

        return ($part->contacts[$face] ?? 0.0) * $part->stepsOf($face);
    }
}
