<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\FlowCondition;
use Foehn\Model\HeatCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Patch;
use Foehn\Model\Side;
use Foehn\Shapes\TwoResistancePackage;

/** Everything of a model that its designer could change to make it cooler, with the flow as it is. */
final readonly class Parameters
{
    /** How far each is asked to go: a share of what it is, K of the surroundings. */
    private const SHARE = 0.2;

    private const COOLER = 5.0;

    public function __construct(private Model $model)
    {
    }

    /** @return list<Parameter> */
    public function all(): array
    {
        return [...$this->powers(), ...$this->temperatures(), ...$this->conductivities(), ...(new SurfaceParameters($this->model, self::SHARE))->all(), ...$this->atFaces(), ...$this->atSides(), ...$this->packages()];
    }

    /** @return list<Parameter> watts of the parts that have any */
    public function powers(): array
    {
        $heated = array_filter($this->model->parts, fn (Part $part): bool => $part->power > 0.0);

        return array_values(array_map(fn (Part $part): Parameter => new Parameter(
            'power', $part->id, null, $part->power, 'W', -self::SHARE,
            fn (float $by): Model => $this->withPart($part, fn (Part $own): Part => $own->withPower((1.0 + $by) * $own->power)),
        ), $heated));
    }

    /** @return list<Parameter> the temperature of the surroundings, and every other one that something is held at */
    private function temperatures(): array
    {
        $surroundings = $this->model->surroundings->temperature;
        $given = [$surroundings];
        foreach ($this->model->heatConditions() as $condition) {
            $field = $condition->kind === 'temperature' ? $condition->value : $condition->ambient;
            if ($condition->fixesTemperature() && $field->isConstant()) {
                $given[] = $field->constant;
            }
        }
        foreach ($this->model->physics->hasFlow() ? $this->model->space->flows() : [] as $flow) {
            if (! $flow->isWall() && $flow->temperature->isConstant()) {
                $given[] = $flow->temperature->constant;
            }
        }

        return array_map(
            fn (float $from): Parameter => new Parameter($from === $surroundings ? 'ambient' : 'givenTemperature', null, null, $from, 'K', -self::COOLER, fn (float $by): Model => $this->model->warmer($from, $by)),
            array_values(array_unique($given)),
        );
    }

    /** @return list<Parameter> */
    private function conductivities(): array
    {
        $parameters = [];
        foreach (array_unique(array_filter(array_map(fn (Part $part): ?string => $part->material, $this->model->parts), is_string(...))) as $id) {
            $material = $this->model->materials->get($id);
            if ($material !== null && ! $material->fluid) {
                [$x, $y, $z] = $material->conductivity;
                $one = $x->isConstant() && $x->points[0][1] === $y->points[0][1] && $x->points[0][1] === $z->points[0][1];
                $parameters[] = new Parameter('conductivity', $id, null, $one ? $x->points[0][1] : null, 'W/m/K', self::SHARE, fn (float $by): Model => $this->model->withMaterial($material->conducting(1.0 + $by)));
            }
        }

        return $parameters;
    }

    /** @return list<Parameter> contact resistances and convection coefficients of part faces */
    private function atFaces(): array
    {
        $parameters = [];
        foreach ($this->model->parts as $part) {
            foreach ($part->faces as $face => $condition) {
                $kind = self::kindOf($condition);
                if ($kind !== null) {
                    $change = fn (float $by): Model => $this->withPart($part, fn (Part $own): Part => $own->withFaces(fn (HeatCondition $c): HeatCondition => $c === $condition ? $c->times(1.0 + $by) : $c));
                    $parameters[] = self::ofCondition($kind, $part->id, (string) $face, $condition, $change);
                }
            }
        }

        return $parameters;
    }

    /** @return list<Parameter> convection coefficients of sides of the space and their patches */
    private function atSides(): array
    {
        $parameters = [];
        foreach ($this->model->space->sides as $name => $side) {
            foreach ([$side->heat, ...array_map(fn (Patch $patch): HeatCondition => $patch->heat, $side->patches)] as $n => $condition) {
                $kind = self::kindOf($condition);
                if ($kind !== null) {
                    $heat = fn (float $by): callable => fn (HeatCondition $c): HeatCondition => $c === $condition ? $c->times(1.0 + $by) : $c;
                    $change = fn (float $by): Model => $this->model->within(
                        $this->model->space->withSides(fn (Side $own): Side => $own->with($heat($by), fn (FlowCondition $flow): FlowCondition => $flow)), $this->model->grid,
                    );
                    $parameters[] = self::ofCondition($kind, $n === 0 ? $name : "$name patch " . ($n - 1), null, $condition, $change);
                }
            }
        }

        return $parameters;
    }

    /** @return list<Parameter> */
    private function packages(): array
    {
        $parameters = [];
        foreach ($this->model->parts as $part) {
            $shape = $part->shape;
            if ($shape instanceof TwoResistancePackage) {
                $with = fn (float $case, float $board): Model => $this->withPart($part, fn (Part $own): Part => $own->withShape($shape->withResistances($case * $shape->junctionToCase, $board * $shape->junctionToBoard)));
                $parameters[] = new Parameter('junctionToCase', $part->id, null, $shape->junctionToCase, 'K/W', -self::SHARE, fn (float $by): Model => $with(1.0 + $by, 1.0));
                $parameters[] = new Parameter('junctionToBoard', $part->id, null, $shape->junctionToBoard, 'K/W', -self::SHARE, fn (float $by): Model => $with(1.0, 1.0 + $by));
            }
        }

        return $parameters;
    }

    /** @return 'contactResistance'|'convectionCoefficient'|null */
    private static function kindOf(HeatCondition $condition): ?string
    {
        $hasValue = ! $condition->value->isConstant() || $condition->value->constant > 0.0;

        return match (true) {
            $hasValue && $condition->kind === 'contact' => 'contactResistance',
            $hasValue && $condition->kind === 'film' => 'convectionCoefficient',
            default => null,
        };
    }

    /**
     * @param 'contactResistance'|'convectionCoefficient' $kind
     * @param callable(float): Model $change
     */
    private static function ofCondition(string $kind, string $of, ?string $face, HeatCondition $condition, callable $change): Parameter
    {
        $resists = $kind === 'contactResistance';
        $value = $condition->value->isConstant() ? $condition->value->constant : null;

        return new Parameter($kind, $of, $face, $value, $resists ? 'm2K/W' : 'W/m2/K', $resists ? -self::SHARE : self::SHARE, $change(...));
    }

    /** @param callable(Part): Part $change */
    private function withPart(Part $part, callable $change): Model
    {
        return $this->model->withParts(fn (Part $own): Part => $own === $part ? $change($own) : $own);
    }
}
