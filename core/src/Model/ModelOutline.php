<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a screen needs of an evaluated model: numbers instead of formulas, and boxes and cylinders to draw. SI units. */
final class ModelOutline
{
    /** @return array<string, mixed> */
    public static function of(Model $model): array
    {
        return [
            'name' => $model->name,
            'space' => ['min' => $model->space->box->min, 'max' => $model->space->box->max, 'fluid' => $model->space->fluid],
            'ambient' => $model->surroundings->temperature,
            'gravity' => $model->surroundings->gravity,
            'watts' => array_sum(array_map(fn (Part $p) => $p->power, $model->parts)),
            'parts' => array_map(fn (Part $part) => self::part($part, $model), $model->parts),
            'limits' => array_map(fn (Limit $l) => ['id' => $l->id, 'name' => $l->name, 'part' => $l->of->part, 'node' => $l->of->node, 'face' => $l->of->face,
                'atMost' => $l->atMost, 'atLeast' => $l->atLeast], $model->limits),
            'grade' => $model->grid->grade,
        ];
    }

    /** @return array<string, mixed> */
    private static function part(Part $part, Model $model): array
    {
        $bounds = $part->shape->bounds();
        $material = $part->material === null ? null : $model->materials->get($part->material);

        return [
            'id' => $part->id,
            'name' => $part->name,
            'group' => $part->group,
            'kind' => $part->shape->kind(),
            'material' => $part->material,
            'materialTitle' => $material?->title,
            'conductivity' => $material === null ? null : array_map(fn ($law) => $law->at(300.0), $material->conductivity),
            'power' => $part->power,
            'min' => $bounds->min,
            'max' => $bounds->max,
            'drawing' => $part->shape->drawing(),
        ];
    }
}
