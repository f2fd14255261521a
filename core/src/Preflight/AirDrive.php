<?php

declare(strict_types=1);

namespace Foehn\Preflight;

use Foehn\Model\FlowCondition;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Shapes\Fan;

/** What fans and openings give the air, before any flow is computed. */
final readonly class AirDrive
{
    /** Share of the flow of a fan that blows freely which the resistance of a box leaves. */
    private const LEFT = 0.5;

    /**
     * @param float $speed greatest that is given, m/s
     * @param float $flow through the space, m3/s
     */
    private function __construct(public Fluid $fluid, public float $speed, public float $flow)
    {
    }

    /** Null where nothing flows. */
    public static function of(Model $model): ?self
    {
        $material = $model->physics->hasFlow() ? $model->materials->get((string) $model->space->fluid) : null;
        if ($material === null) {
            return null;
        }
        $fluid = Fluid::of($material, $model->surroundings);
        [$speed, $through] = [0.0, 0.0];
        foreach ($model->parts as $part) {
            if ($part->shape instanceof Fan) {
                $sizes = array_filter(array_map($part->shape->bounds()->size(...), [0, 1, 2]));
                $speed = max($speed, $part->shape->freeFlow() / max(1e-12, array_product($sizes)));
                $through += self::LEFT * $part->shape->freeFlow();
            }
        }
        $box = $model->space->box;
        $side = max(1e-12, min($box->size(0) * $box->size(1), $box->size(1) * $box->size(2), $box->size(2) * $box->size(0)));
        foreach ($model->space->flows() as $flow) {
            $own = self::speedOf($flow, $side, $fluid->density);
            $speed = max($speed, $own);
            $through += $flow->kind === 'inlet' ? $own * $side : 0.0;
        }

        return new self($fluid, $speed, $through);
    }

    /** @param float $side m2, of an opening whose own area is not known */
    private static function speedOf(FlowCondition $flow, float $side, float $density): float
    {
        $amount = $flow->given?->amount->isConstant() === true ? $flow->given->amount->constant : 0.0;
        $components = array_map(fn ($component): float => $component->isConstant() ? abs($component->constant) : 0.0, $flow->velocity);

        return max(0.0, match ($flow->given?->by) {
            'volumeFlow' => $amount / $side,
            'massFlow' => $amount / $side / $density,
            default => $amount,
        }, ...$components);
    }
}
