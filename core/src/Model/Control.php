<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What sets the watts of a part by the temperature at a sensor. */
interface Control
{
    public function sensor(): Sensor;
}
