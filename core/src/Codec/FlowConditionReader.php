<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\FlowCondition;
use Foehn\Model\GivenFlow;
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
        $given = match ($kind) {
            'inlet' => self::given($reader, FlowCondition::GIVEN, true),
            'outlet' => self::given($reader, array_diff(FlowCondition::GIVEN, ['velocity']), false),
            default => null,
        };
        if ($kind === 'outlet' && $given !== null && $reader->has('pressure')) {
            $reader->problem('pressure', sprintf('an outlet has either a pressure outside or a given flow; "pressure" and "%s" are given', $given->by));
        }
        $velocity = self::velocity($reader, $kind === 'inlet' || $kind === 'wall');
        $enters = $kind === 'inlet' || $kind === 'outlet' || $kind === 'open';

        return new FlowCondition(
            $kind,
            $kind === 'wall' && $reader->bool('slip', false),
            $given,
            $velocity,
            $enters && $reader->has('temperature') ? $reader->field('temperature', Dimension::temperature()) : ScalarField::constant($surroundings->temperature),
            $kind === 'outlet' || $kind === 'open' ? $reader->quantity('pressure', Dimension::pressure(), 0.0) : 0.0,
        );
    }

    /**
     * @param array<int, string> $ways in which it may be given
     */
    private static function given(Reader $reader, array $ways, bool $needed): ?GivenFlow
    {
        $given = array_values(array_filter($ways, $reader->has(...)));
        if ($given === [] && ! $needed) {
            return null;
        }
        if (count($given) !== 1) {
            $reader->problem('', sprintf('%s exactly one of %s; %s', $needed ? 'an inlet needs' : 'an outlet that draws off a given flow has', implode(', ', $ways), $given === [] ? 'none is given' : implode(' and ', $given) . ' are given'));
        }
        $by = $given[0] ?? 'speed';
        $amount = match ($by) {
            'speed' => $reader->field('speed', Dimension::speed()),
            'volumeFlow' => ScalarField::constant($reader->load('volumeFlow', Dimension::volumeFlow(), null, 0.0)),
            'massFlow' => ScalarField::constant($reader->load('massFlow', Dimension::massFlow(), null, 0.0)),
            default => ScalarField::constant(0.0),
        };
        if ($amount->isConstant() && $amount->constant < 0.0) {
            $reader->problem($by, sprintf('%g m/s are given; what an inlet lets in, or an outlet draws off, is positive', $amount->constant));
        }
        $profile = $reader->oneOf('profile', ['uniform', 'developed'], 'uniform');
        if ($profile === 'developed' && ! $amount->isConstant()) {
            $reader->problem('profile', 'the speed follows the place; leave the profile "uniform"');
        }

        return new GivenFlow($by, $amount, $profile);
    }

    /** @return array{ScalarField, ScalarField, ScalarField} m/s */
    private static function velocity(Reader $reader, bool $allowed): array
    {
        $still = ScalarField::constant(0.0);

        return $allowed && $reader->has('velocity') ? $reader->fields('velocity', Dimension::speed()) : [$still, $still, $still];
    }
}
