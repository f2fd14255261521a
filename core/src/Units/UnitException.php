<?php

declare(strict_types=1);

namespace Foehn\Units;

use Foehn\FoehnException;

/** A quantity or formula cannot be read, or has the wrong dimension. */
final class UnitException extends FoehnException
{
}
