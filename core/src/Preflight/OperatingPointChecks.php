<?php

declare(strict_types=1);

namespace Foehn\Preflight;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Model\Part;
use Foehn\Study\SweepPlan;

/** Whether the operating points of a model can be computed, and are other loads of the same design. */
final class OperatingPointChecks
{
    /**
     * @param array<array-key, mixed> $document the model as written
     * @return list<Finding>
     */
    public static function of(Model $model, array $document): array
    {
        if ($document === [] || $model->operatingPoints === []) {
            return [];
        }
        [$findings, $json, $places] = [[], json_encode($document, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR), self::places($model)];
        foreach ($model->operatingPoints as $point) {
            try {
                $there = ModelCodec::fromJson(SweepPlan::modelAt($json, $point->values));
                if (self::places($there) != $places) {
                    $findings[] = new Finding('warning', 'Load', sprintf('Operating point "%s" changes the shape or place of parts and will not be computed; make it a variant or a sweep.', $point->name));
                }
            } catch (ModelException $e) {
                $findings[] = new Finding('warning', 'Load', sprintf('Operating point "%s" cannot be computed: %s.', $point->name, rtrim($e->problems[0]->message, '.')));
            }
        }

        return $findings;
    }

    /** @return array<string, mixed> */
    private static function places(Model $model): array
    {
        return array_combine(array_column($model->parts, 'id'), array_map(fn (Part $part) => $part->shape->bounds(), $model->parts));
    }
}
