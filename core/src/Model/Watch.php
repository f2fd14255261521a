<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\Dimension;

/** A number followed during a run and kept for it. */
final readonly class Watch
{
    public const QUANTITIES = ['temperature', 'heat', 'heatFlux', ...self::AT_POINTS, ...self::THROUGH];

    /** Of the flow, at a point. */
    public const AT_POINTS = ['velocityX', 'velocityY', 'velocityZ', 'speed', 'pressure'];

    /** Of the flow, through a side or patch, positive out of the space. */
    public const THROUGH = ['massFlow', 'volumeFlow', 'outflowTemperature'];

    public const REDUCTIONS = ['min', 'mean', 'max', 'total'];

    public static function dimension(string $quantity): Dimension
    {
        return match ($quantity) {
            'heat' => Dimension::power(),
            'heatFlux' => Dimension::heatFlux(),
            'pressure' => Dimension::pressure(),
            'massFlow' => Dimension::massFlow(),
            'volumeFlow' => Dimension::volumeFlow(),
            'temperature', 'outflowTemperature' => Dimension::temperature(),
            default => Dimension::speed(),
        };
    }

    /** SI unit of a quantity. */
    public static function unit(string $quantity): string
    {
        return match ($quantity) {
            'heat' => 'W',
            'heatFlux' => 'W/m²',
            'pressure' => 'Pa',
            'massFlow' => 'kg/s',
            'volumeFlow' => 'm³/s',
            'temperature', 'outflowTemperature' => 'K',
            default => 'm/s',
        };
    }

    public function __construct(public string $id, public string $name, public Target $of, public string $quantity, public string $reduce)
    {
    }
}
