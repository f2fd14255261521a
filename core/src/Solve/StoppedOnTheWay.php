<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\PhysicsException;

/** A computation within another one was asked to stop. */
final class StoppedOnTheWay extends PhysicsException
{
    public function __construct()
    {
        parent::__construct('the computation was asked to stop');
    }
}
