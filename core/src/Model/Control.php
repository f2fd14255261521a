<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What sets the watts of a part by the temperature at a sensor. */
interface Control
{
    public function sensor(): Sensor;

    /** @return array{float, float} least and most watts that it sets */
    public function bounds(): array;
}
