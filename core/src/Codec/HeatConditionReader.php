<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\HeatCondition;
use Foehn\Model\Surroundings;
use Foehn\Units\Dimension;
use Foehn\Units\ScalarField;

/** Reads the "heat" object of a face, side or patch. */
final class HeatConditionReader
{
    public static function read(Reader $reader, Surroundings $surroundings): HeatCondition
    {
        $kind = $reader->oneOf('kind', HeatCondition::KINDS, 'adiabatic');
        $ambient = ScalarField::constant($surroundings->temperature);
        $value = match ($kind) {
            'temperature' => $reader->field('temperature', Dimension::temperature()),
            'flux' => $reader->field('flux', Dimension::heatFlux()),
            'power' => ScalarField::constant($reader->load('power', Dimension::power())),
            'film' => ScalarField::constant($reader->load('coefficient', Dimension::filmCoefficient(), null, 0.0)),
            'contact' => ScalarField::constant($reader->quantity('resistance', Dimension::areaResistance(), null, 0.0)),
            default => ScalarField::constant(0.0),
        };
        if ($kind === 'film' && $reader->has('temperature')) {
            $ambient = $reader->field('temperature', Dimension::temperature());
        }
        $reader->close();

        return new HeatCondition($kind, $value, $ambient);
    }
}
