<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What sets the watts of a part, or the speed of a fan as a share of its full speed, by the temperature at a sensor. */
interface Control
{
    public function sensor(): Sensor;

    /** @return array{float, float} least and most that it sets, W or a share */
    public function bounds(): array;
}
