<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\FoehnException;

/** A result could not be stored or read. */
final class OutputException extends FoehnException
{
}
