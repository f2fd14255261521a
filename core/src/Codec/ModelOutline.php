<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Model\Assembly;
use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Patch;
use Foehn\Model\Space;
use Foehn\Model\Watch;
use Foehn\Shapes\Turned;

/** What a screen needs of an evaluated model: numbers instead of formulas, and boxes and cylinders to draw. SI units. */
final class ModelOutline
{
    /** @return array<string, mixed> */
    public static function of(Model $model): array
    {
        return [
            'name' => $model->name,
            'space' => ['min' => $model->space->box->min, 'max' => $model->space->box->max, 'fluid' => $model->space->fluid],
            'openings' => self::openings($model->space),
            'ambient' => $model->surroundings->temperature,
            'gravity' => $model->surroundings->gravity,
            'sun' => $model->surroundings->sun === null ? null : ['direction' => $model->surroundings->sun->direction, 'flux' => $model->surroundings->sun->flux, 'diffuse' => $model->surroundings->sun->diffuse],
            'watts' => array_sum(array_map(fn (Part $p) => $p->power, $model->parts)),
            'parts' => array_map(fn (Part $part) => self::part($part, $model), $model->parts),
            'limits' => array_map(fn (Limit $l) => ['id' => $l->id, 'name' => $l->name, 'part' => $l->of->part, 'node' => $l->of->node, 'face' => $l->of->face, 'side' => $l->of->side, 'patch' => $l->of->patch,
                'quantity' => $l->quantity, 'reduce' => $l->reduce, 'atMost' => $l->atMost, 'atLeast' => $l->atLeast, 'derating' => $l->derating], $model->limits),
            'watches' => array_map(fn (Watch $w) => ['id' => $w->id, 'name' => $w->name, 'part' => $w->of->part, 'node' => $w->of->node, 'face' => $w->of->face, 'quantity' => $w->quantity, 'reduce' => $w->reduce], $model->watches),
            'assemblies' => array_map(fn (Assembly $assembly) => ['at' => $assembly->at, 'copies' => $assembly->offsets], $model->assemblies) ?: (object) [],
            'grade' => $model->grid->grade,
        ];
    }

    /** @return list<array{name: string, kind: string, round: bool, min: list<float>, max: list<float>}> what passes the sides, as flat boxes */
    private static function openings(Space $space): array
    {
        $openings = [];
        foreach (Space::SIDES as $index => $name) {
            $axis = $index >> 1;
            [$a, $b] = Axes::across($axis);
            $side = $space->sides[$name];
            $plane = $index % 2 === 0 ? $space->box->min[$axis] : $space->box->max[$axis];
            $whole = [[$space->box->min[$a], $space->box->min[$b]], [$space->box->max[$a], $space->box->max[$b]], false, $side->flow->kind, $name];
            $patches = array_map(fn (Patch $patch, int $n) => [$patch->min, $patch->max, $patch->round, $patch->flow->kind, "$name patch $n"], $side->patches, array_keys($side->patches));
            foreach ([$whole, ...$patches] as [$low, $high, $round, $kind, $called]) {
                if (! in_array($kind, ['open', 'inlet', 'outlet'], true)) {
                    continue;
                }
                [$min, $max] = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
                $min[$axis] = $max[$axis] = $plane;
                foreach ([$a, $b] as $n => $along) {
                    $min[$along] = max($low[$n], $space->box->min[$along]);
                    $max[$along] = min($high[$n], $space->box->max[$along]);
                }
                $openings[] = ['name' => $called, 'kind' => $kind, 'round' => $round, 'min' => $min, 'max' => $max];
            }
        }

        return $openings;
    }

    /** @return array<string, mixed> */
    private static function part(Part $part, Model $model): array
    {
        $bounds = $part->shape->bounds();
        $own = $part->shape instanceof Turned ? $part->shape->ownBounds() : $bounds;
        $material = $part->material === null ? null : $model->materials->get($part->material);
        $rotation = $model->assemblies[$part->group ?? '']->rotation ?? null;

        return [
            'id' => $part->id,
            'name' => $part->name,
            'copyOf' => $part->origin() === $part->id ? null : $part->origin(),
            'group' => $part->group,
            'axes' => $rotation === null || $rotation->isNone() ? null : array_merge(...$rotation->rows),
            'colour' => $part->colour,
            'touchedAs' => $part->touchedAs,
            'kind' => $part->shape->kind(),
            'material' => $part->material,
            'emissivity' => $model->emissivity($part),
            'absorptivity' => $model->absorptivity($part),
            'materialTitle' => $material?->title,
            'conductivity' => $material === null ? null : array_map(fn ($law) => $law->at(300.0), $material->conductivity),
            'power' => $part->power,
            'upTo' => $part->control?->bounds()[1],
            'size' => array_map(fn (int $axis) => $own->size($axis), [0, 1, 2]),
            'min' => $bounds->min,
            'max' => $bounds->max,
            'drawing' => $part->shape->drawing(),
        ];
    }
}
