<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Grid;
use Foehn\Grid\SurfaceElements;
use Foehn\Model\HeatCondition;
use Foehn\Units\ScalarField;

/** What a model states at its surfaces: given temperatures, films, fluxes, and powers that are shared over a face by area. */
final class SurfaceConditions implements SurfaceContribution
{
    /** @var list<array{int, float, float}> element, coefficient in W/m2/K (INF where the surface is held), temperature in K */
    private array $joined = [];

    /** @var array<int, float> W by element */
    private array $given = [];

    public function __construct(SurfaceElements $elements, Grid $grid)
    {
        $shared = [];
        foreach ($elements->condition as $e => $condition) {
            $at = fn (ScalarField $field): float => $field->isConstant() ? $field->constant : $field->at(...$grid->faceCentre($elements->cell[$e], $elements->direction[$e]));
            match ($condition->kind) {
                'temperature' => $this->joined[] = [$e, INF, $at($condition->value)],
                'film' => $this->joined[] = [$e, $condition->value->constant, $at($condition->ambient)],
                'flux' => $this->given[$e] = $elements->area[$e] * $at($condition->value),
                'power' => $shared[spl_object_id($condition)][] = $e,
                default => null,
            };
        }
        foreach ($shared as $members) {
            $this->share($elements->condition[$members[0]], $members, $elements);
        }
    }

    /** @param non-empty-array<int, int> $members elements of one face, side or patch */
    private function share(HeatCondition $condition, array $members, SurfaceElements $elements): void
    {
        $area = 0.0;
        foreach ($members as $e) {
            $area += $elements->area[$e];
        }
        foreach ($members as $e) {
            $this->given[$e] = $condition->value->constant * $elements->area[$e] / $area;
        }
    }

    public function addToSurfaces(SurfaceNodes $nodes): void
    {
        foreach ($this->joined as [$e, $coefficient, $temperature]) {
            $nodes->join($e, $coefficient, $temperature);
        }
        foreach ($this->given as $e => $watts) {
            $nodes->given[$e] += $watts;
        }
    }
}
