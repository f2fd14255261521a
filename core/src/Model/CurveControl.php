<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\PropertyLaw;

/** Watts, or the speed of a fan, as a curve of the temperature at a sensor: points joined by straight lines, constant outside them. */
final readonly class CurveControl implements Control
{
    /** @param PropertyLaw $law W, or a share of full speed, against K */
    public function __construct(private Sensor $sensor, public PropertyLaw $law)
    {
    }

    public function sensor(): Sensor
    {
        return $this->sensor;
    }

    public function bounds(): array
    {
        $watts = array_column($this->law->points, 1);

        return [min($watts), max($watts)];
    }
}
