<?php

declare(strict_types=1);

namespace Foehn\Physics;

use Foehn\FoehnException;

/** The model is well formed, but its physics has no single answer. */
class PhysicsException extends FoehnException
{
}
