<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Physics\PhysicsException;

/** Thrown where an iteration has left all bounds: a value that is not finite, or a speed or temperature that only a diverging run has. */
final class Diverged extends PhysicsException
{
}
