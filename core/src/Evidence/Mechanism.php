<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Materials\Material;
use Foehn\Model\FlowCondition;
use Foehn\Model\HeatCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Shapes\Fan;
use Foehn\Shapes\PinFins;
use Foehn\Shapes\PlateFins;
use Foehn\Shapes\Screen;
use Foehn\Shapes\TwoResistancePackage;
use Foehn\Units\ScalarField;

/** One thing that a model can make the solver compute; what a verification case covers is what its own models use. */
enum Mechanism: string
{
    case Conduction = 'conduction';
    case Direction = 'direction';
    case Property = 'property';
    case Contact = 'contact';
    case Film = 'film';
    case Package = 'package';
    case Fins = 'fins';
    case Current = 'current';
    case Radiation = 'radiation';
    case Enclosure = 'enclosure';
    case Sun = 'sun';
    case Driven = 'driven';
    case Buoyant = 'buoyant';
    case Turbulent = 'turbulent';
    case Conjugate = 'conjugate';
    case Fan = 'fan';
    case Screen = 'screen';
    case Course = 'course';
    case Control = 'control';
    case Melting = 'melting';

    public function title(): string
    {
        return match ($this) {
            self::Conduction => 'Conduction in solids',
            self::Direction => 'Conductivity that differs by direction, as of boards',
            self::Property => 'Properties that follow the temperature',
            self::Contact => 'Contact resistances',
            self::Film => 'Convection coefficients on surfaces',
            self::Package => 'Two-resistance packages',
            self::Fins => 'Fins',
            self::Current => 'Electric current and its heat',
            self::Radiation => 'Radiation to the surroundings',
            self::Enclosure => 'Radiation between surfaces',
            self::Sun => 'Sunlight',
            self::Driven => 'Flow driven by inlets, openings or fans',
            self::Buoyant => 'Natural convection',
            self::Turbulent => 'Turbulent flow',
            self::Conjugate => 'Heat between solids and a moving fluid',
            self::Fan => 'Fans that follow their curve',
            self::Screen => 'Perforated plates and screens',
            self::Course => 'The course in time',
            self::Control => 'Thermostats and other controls',
            self::Melting => 'Melting that stores heat',
        };
    }

    /** @return list<self> what the solver needs for a model, in the order of the cases above */
    public static function of(Model $model): array
    {
        return array_values(array_filter(self::cases(), fn (self $mechanism) => $mechanism->isIn($model)));
    }

    private function isIn(Model $model): bool
    {
        [$physics, $space] = [$model->physics, $model->space];
        $flow = $physics->hasFlow();

        return match ($this) {
            self::Conduction => $physics->heat && self::solids($model) !== [],
            self::Direction => $physics->heat && array_filter(self::solids($model), fn (Material $solid) => count(array_unique(array_map(fn ($law) => $law->at(300.0), $solid->conductivity))) > 1) !== [],
            self::Property => array_filter(self::materials($model), self::changes(...)) !== [],
            self::Contact => $physics->heat && self::conditions($model, 'contact'),
            self::Film => $physics->heat && self::conditions($model, 'film'),
            self::Package => self::shapes($model, TwoResistancePackage::class),
            self::Fins => self::shapes($model, PlateFins::class) || self::shapes($model, PinFins::class),
            self::Current => $physics->electric,
            self::Radiation => $physics->radiation === 'surroundings',
            self::Enclosure => $physics->radiation === 'surfaces',
            self::Sun => $physics->radiates() && $model->surroundings->sun !== null,
            self::Driven => $flow && ($space->force !== null || self::shapes($model, Fan::class) || array_filter($space->flows(), fn (FlowCondition $condition) => $condition->drives() || self::moves($condition)) !== []),
            self::Buoyant => $flow && $physics->heat && $physics->buoyancy && $model->surroundings->gravity !== [0.0, 0.0, 0.0],
            self::Turbulent => $flow && $physics->flow !== 'laminar',
            self::Conjugate => $flow && $physics->heat && self::solids($model) !== [],
            self::Fan => self::shapes($model, Fan::class),
            self::Screen => self::shapes($model, Screen::class),
            self::Course => $model->time !== null,
            self::Control => array_filter($model->parts, fn (Part $part): bool => $part->control !== null) !== [],
            self::Melting => $model->time !== null && array_filter(self::materials($model), fn (Material $material): bool => $material->phaseChange !== null) !== [],
        };
    }

    /** Whether it is a wall that moves along itself. */
    private static function moves(FlowCondition $condition): bool
    {
        return $condition->isWall() && array_filter($condition->velocity, fn (ScalarField $speed) => ! $speed->isConstant() || $speed->constant !== 0.0) !== [];
    }

    /** @return list<Material> of the parts and of the space */
    private static function materials(Model $model): array
    {
        $names = array_unique(array_filter([$model->space->fluid, ...array_map(fn (Part $part) => $part->material, $model->parts)]));

        return array_values(array_filter(array_map(fn (string $name) => $model->materials->get($name), $names)));
    }

    /** @return list<Material> */
    private static function solids(Model $model): array
    {
        return array_values(array_filter(self::materials($model), fn (Material $material) => ! $material->fluid));
    }

    private static function changes(Material $material): bool
    {
        $laws = array_filter([...$material->conductivity, $material->viscosity, $material->resistivity]);

        return $material->gasConstant !== null || array_filter($laws, fn ($law) => ! $law->isConstant()) !== [];
    }

    private static function conditions(Model $model, string $kind): bool
    {
        return array_filter($model->heatConditions(), fn (HeatCondition $condition) => $condition->kind === $kind) !== [];
    }

    /** @param class-string $kind */
    private static function shapes(Model $model, string $kind): bool
    {
        return array_filter($model->parts, fn (Part $part) => $part->shape instanceof $kind) !== [];
    }
}
