<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\FlowCondition;
use Foehn\Model\Inlet;
use Foehn\Model\Physics;
use Foehn\Model\Surroundings;
use Foehn\Units\Dimension;
use Foehn\Units\ScalarField;

/** Reads what a side or patch is to the flow. */
final class FlowConditionReader
{
    public static function read(Reader $reader, Surroundings $surroundings, Physics $physics): FlowCondition
    {
        $kind = $reader->oneOf('kind', FlowCondition::KINDS, 'wall');
        if (! $physics->hasFlow() && ! in_array($kind, ['wall', 'symmetry'], true)) {
            $reader->problem('kind', sprintf('"%s" needs moving fluid; set physics.flow to "auto", or write "wall" or "symmetry"', $kind));
        }
        $inlet = $kind === 'inlet' ? self::inlet($reader) : null;
        $velocity = self::velocity($reader, $kind === 'inlet' || $kind === 'wall');
        $enters = $kind === 'inlet' || $kind === 'outlet' || $kind === 'open';

        return new FlowCondition(
            $kind,
            $kind === 'wall' && $reader->bool('slip', false),
            $inlet,
            $velocity,
            $enters && $reader->has('temperature') ? $reader->field('temperature', Dimension::temperature()) : ScalarField::constant($surroundings->temperature),
            $kind === 'outlet' || $kind === 'open' ? $reader->quantity('pressure', Dimension::pressure(), 0.0) : 0.0,
        );
    }

    private static function inlet(Reader $reader): Inlet
    {
        $given = array_values(array_filter(FlowCondition::INLETS, $reader->has(...)));
        if (count($given) !== 1) {
            $reader->problem('', sprintf('an inlet needs exactly one of %s; %s', implode(', ', FlowCondition::INLETS), $given === [] ? 'none is given' : implode(' and ', $given) . ' are given'));
        }
        $amount = match ($given[0] ?? '') {
            'speed' => $reader->quantity('speed', Dimension::speed(), null, 0.0),
            'volumeFlow' => $reader->quantity('volumeFlow', Dimension::volumeFlow(), null, 0.0),
            'massFlow' => $reader->quantity('massFlow', Dimension::massFlow(), null, 0.0),
            default => 0.0,
        };

        return new Inlet($given[0] ?? 'speed', $amount, $reader->oneOf('profile', ['uniform', 'developed'], 'uniform'));
    }

    /** @return array{float, float, float} */
    private static function velocity(Reader $reader, bool $allowed): array
    {
        $v = $allowed && $reader->has('velocity') ? $reader->vector('velocity', Dimension::speed(), 3) : [0.0, 0.0, 0.0];

        return [$v[0], $v[1], $v[2]];
    }
}
