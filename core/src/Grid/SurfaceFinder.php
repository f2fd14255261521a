<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Geometry\Axes;
use Foehn\Model\HeatCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Space;
use Foehn\Shapes\LocatedFaces;
use Foehn\Shapes\TwoResistancePackage;

/** Finds the surface elements of a model on its grid, and what the model states for each. */
final class SurfaceFinder
{
    private SurfaceElements $found;

    /** @var list<array{array<int, ?HeatCondition>, array<int, ?HeatCondition>}> per part what holds by direction, where something touches and where it is bare; nothing of parts whose faces the direction does not tell */
    private array $byDirection = [];

    /** @var array<string, ?HeatCondition> the same of the other parts, by face */
    private array $byFace = [];

    private readonly HeatCondition $adiabatic;

    private readonly Grid $grid;

    private function __construct(private readonly Model $model, private readonly Voxels $voxels)
    {
        $this->grid = $voxels->grid;
        $this->found = new SurfaceElements();
        $this->adiabatic = HeatCondition::adiabatic();
        foreach ($model->parts as $part) {
            $conditions = [[], []];
            for ($direction = 0; $direction < 6 && $part->faces !== [] && ! $part->shape instanceof LocatedFaces; $direction++) {
                $face = $part->shape->faceTowards($direction >> 1, $direction % 2 === 1 ? 1 : -1);
                $conditions[0][$direction] = self::given($part, $face, false);
                $conditions[1][$direction] = self::given($part, $face, true);
            }
            $this->byDirection[] = $conditions;
        }
    }

    public static function find(Model $model, Voxels $voxels): SurfaceElements
    {
        $finder = new self($model, $voxels);
        foreach ([0, 1, 2] as $axis) {
            foreach (self::boundaries($finder->grid->cells, $axis, $voxels->owner) as $cell) {
                $finder->between($axis, $cell, $cell + $finder->grid->strides()[$axis]);
            }
            $finder->atSide(2 * $axis);
            $finder->atSide(2 * $axis + 1);
        }

        return $finder->found;
    }

    /** What a part states for one of its faces, counted on the steps that the face becomes on the grid. */
    private static function given(Part $part, string $face, bool $bare): ?HeatCondition
    {
        $given = $part->faces[$face] ?? ($bare ? $part->faces['bare'] ?? null : null);

        return $given?->onSteps($part->stepsOf($face));
    }

    /**
     * @param array{int, int, int} $cells
     * @param array<int, int> $owner
     * @return array<int, int> cells whose next one along the axis has another owner
     */
    private static function boundaries(array $cells, int $axis, array $owner): array
    {
        [$nx, $ny, $nz] = $cells;
        $stride = [1, $nx, $nx * $ny][$axis];
        [$ni, $nj, $nk] = [$nx - ($axis === 0 ? 1 : 0), $ny - ($axis === 1 ? 1 : 0), $nz - ($axis === 2 ? 1 : 0)];
        $found = [];
        for ($k = 0; $k < $nk; $k++) {
            for ($j = 0; $j < $nj; $j++) {
                $c = $nx * ($j + $ny * $k);
                for ($i = 0; $i < $ni; $i++, $c++) {
                    if ($owner[$c] !== $owner[$c + $stride]) {
                        $found[] = $c;
                    }
                }
            }
        }

        return $found;
    }

    /** The face between two cells of different owners, the second towards rising coordinates. */
    private function between(int $axis, int $c, int $d): void
    {
        [$p, $q] = [$this->voxels->owner[$c], $this->voxels->owner[$d]];
        [$up, $down] = [2 * $axis + 1, 2 * $axis];
        if (! $this->voxels->isLive($c) || ! $this->voxels->isLive($d)) {
            if ($this->voxels->isLive($c)) {
                $this->end($c, $up, $this->condition($p, $up, $c, true));
            } elseif ($this->voxels->isLive($d)) {
                $this->end($d, $down, $this->condition($q, $down, $d, true));
            }

            return;
        }
        $ofC = $this->condition($p, $up, $c, $q < 0);
        $ofD = $this->condition($q, $down, $d, $p < 0);
        // A film washes what is bare. Where another solid touches the face, heat goes on into that.
        $endsC = $ofC->kind === 'temperature' || ($ofC->kind === 'film' && $q < 0);
        $endsD = $ofD->kind === 'temperature' || ($ofD->kind === 'film' && $p < 0);
        if ($endsC || $endsD) {
            $this->end($c, $up, $endsC ? $ofC : $this->beyond($ofD));
            $this->end($d, $down, $endsD ? $ofD : $this->beyond($ofC));

            return;
        }
        $contact = self::contact($ofC) + self::contact($ofD);
        $passes = $this->passes($p, $axis) && $this->passes($q, $axis);
        $first = $this->found->count();
        if ($p >= 0) {
            $this->add($c, $up, $ofC, $contact, $passes);
            $this->found->other[$first] = $d;
            $this->found->otherPart[$first] = $q;
        }
        if ($q >= 0) {
            $this->add($d, $down, $ofD, $contact, $passes);
            $second = $this->found->count() - 1;
            $this->found->other[$second] = $c;
            $this->found->otherPart[$second] = $p;
            if ($p >= 0) {
                $this->found->twin[$first] = $second;
                $this->found->twin[$second] = $first;
            }
        }
    }

    /** What a cell meets where the one beyond has this condition: its temperature, or nothing. */
    private function beyond(HeatCondition $condition): HeatCondition
    {
        return $condition->kind === 'temperature' ? $condition : $this->adiabatic;
    }

    private function atSide(int $direction): void
    {
        $axis = $direction >> 1;
        $strides = $this->grid->strides();
        [$a, $b] = Axes::across($axis);
        $side = $this->model->space->sides[Space::SIDES[$direction]];
        for ($jb = 0; $jb < $this->grid->cells[$b]; $jb++) {
            for ($ja = 0; $ja < $this->grid->cells[$a]; $ja++) {
                $cell = $ja * $strides[$a] + $jb * $strides[$b] + ($direction % 2 === 1 ? ($this->grid->cells[$axis] - 1) * $strides[$axis] : 0);
                if (! $this->voxels->isLive($cell)) {
                    continue;
                }
                $patch = $side->patchAt($this->grid->centres[$a][$ja], $this->grid->centres[$b][$jb]);
                $on = $patch === null ? $side : $side->patches[$patch];
                $own = $this->ownCondition($this->voxels->owner[$cell], $direction, $cell, $on->leavesBare());
                $hasContact = $own !== null && $own->kind === 'contact';
                $this->end($cell, $direction, $own === null || $hasContact ? $on->heat : $own, $hasContact ? self::contact($own) : 0.0);
                $element = $this->found->count() - 1;
                $this->found->side[$element] = $direction;
                $this->found->patch[$element] = $patch ?? SurfaceElements::NONE;
            }
        }
    }

    /** A face beyond which nothing is computed. */
    private function end(int $cell, int $direction, HeatCondition $condition, float $contact = 0.0): void
    {
        $this->add($cell, $direction, $condition, $contact, $this->passes($this->voxels->owner[$cell], $direction >> 1));
    }

    private function add(int $cell, int $direction, HeatCondition $condition, float $contact, bool $passes): void
    {
        $found = $this->found;
        $found->part[] = $this->voxels->owner[$cell];
        $found->direction[] = $direction;
        $found->cell[] = $cell;
        $found->area[] = $this->grid->faceArea($cell, $direction >> 1);
        $found->condition[] = $condition;
        $found->contact[] = $contact;
        $found->passes[] = $passes;
        $found->other[] = $found->otherPart[] = $found->side[] = $found->patch[] = $found->twin[] = SurfaceElements::NONE;
    }

    private function condition(int $part, int $direction, int $cell, bool $bare): HeatCondition
    {
        return $this->ownCondition($part, $direction, $cell, $bare) ?? $this->adiabatic;
    }

    /** What a part states for a face of its own; for a bare one also what it states for all bare ones. */
    private function ownCondition(int $part, int $direction, int $cell, bool $bare): ?HeatCondition
    {
        if ($part < 0 || $this->model->parts[$part]->faces === []) {
            return null;
        }
        $own = $this->model->parts[$part];
        if (! $own->shape instanceof LocatedFaces) {
            return $this->byDirection[$part][(int) $bare][$direction];
        }
        $face = $own->face($direction, fn () => $this->grid->faceCentre($cell, $direction));

        return $this->byFace["$part $face " . (int) $bare] ??= self::given($own, $face, $bare);
    }

    private static function contact(HeatCondition $condition): float
    {
        return $condition->kind === 'contact' ? $condition->value->constant : 0.0;
    }

    /** Whether heat passes a part along an axis: not through the sides of a package. */
    private function passes(int $part, int $axis): bool
    {
        $shape = $part < 0 ? null : $this->model->parts[$part]->shape;

        return ! $shape instanceof TwoResistancePackage || $shape->boardAxis === $axis;
    }
}
