<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\Dimension;

/** A number followed during a run and kept for it. */
final readonly class Watch
{
    public const QUANTITIES = ['temperature', 'heat', 'heatFlux', ...self::AT_WALLS, ...self::AT_POINTS, ...self::THROUGH, ...self::OF_CURRENTS];

    /** Where fluid passes a face of a part, a side of the space or a patch of it. */
    public const AT_WALLS = ['convectionCoefficient', 'nusselt', 'wallShear'];

    /** Of the flow, at a point. */
    public const AT_POINTS = ['velocityX', 'velocityY', 'velocityZ', 'speed', 'pressure'];

    /** Of the flow, through a side or patch, positive out of the space, or through a section, positive along its axis. */
    public const THROUGH = ['massFlow', 'volumeFlow', 'outflowTemperature', 'bulkTemperature'];

    /** Of currents: the greatest density in a part, and at a face of it with a terminal the current into it and its mean voltage. */
    public const OF_CURRENTS = ['currentDensity', 'current', 'voltage', ...self::OF_BOARDS];

    /** Of the copper of a board: the current of the via that is nearest to its limit, and the voltage drop along a net. */
    public const OF_BOARDS = ['viaCurrent', 'voltageDrop'];

    public const REDUCTIONS = ['min', 'mean', 'max', 'total', ...self::PLACES];

    /** Where along a line, in metres from its beginning: of the least and the greatest value, and of the first passage through zero. */
    public const PLACES = ['minAt', 'maxAt', 'zeroAt'];

    public static function dimension(string $quantity): Dimension
    {
        return match ($quantity) {
            'heat' => Dimension::power(),
            'heatFlux' => Dimension::heatFlux(),
            'pressure', 'wallShear' => Dimension::pressure(),
            'convectionCoefficient' => Dimension::filmCoefficient(),
            'nusselt' => Dimension::none(),
            'massFlow' => Dimension::massFlow(),
            'volumeFlow' => Dimension::volumeFlow(),
            'currentDensity' => Dimension::currentDensity(),
            'current', 'viaCurrent' => Dimension::current(),
            'voltage', 'voltageDrop' => Dimension::voltage(),
            'temperature', 'outflowTemperature', 'bulkTemperature' => Dimension::temperature(),
            default => Dimension::speed(),
        };
    }

    /** SI unit of a quantity, or of the place where it has a value; empty for a plain number. */
    public static function unit(string $quantity, string $reduce = ''): string
    {
        return in_array($reduce, self::PLACES, true) ? 'm' : match ($quantity) {
            'heat' => 'W',
            'heatFlux' => 'W/m²',
            'pressure', 'wallShear' => 'Pa',
            'convectionCoefficient' => 'W/m²/K',
            'nusselt' => '',
            'massFlow' => 'kg/s',
            'mass' => 'kg',
            'volumeFlow' => 'm³/s',
            'currentDensity' => 'A/m²',
            'current', 'viaCurrent' => 'A',
            'voltage', 'voltageDrop' => 'V',
            'temperature', 'outflowTemperature', 'bulkTemperature' => 'K',
            default => 'm/s',
        };
    }

    /**
     * @param ?Convective $against of a convection coefficient or a Nusselt number
     * @param ?ViaCurrents $vias what they may carry, of the current of vias
     */
    public function __construct(public string $id, public string $name, public Target $of, public string $quantity, public string $reduce, public ?Convective $against = null, public ?ViaCurrents $vias = null)
    {
    }
}
