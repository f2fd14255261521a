<?php

declare(strict_types=1);

namespace App\Runs;

use Foehn\FoehnException;

/** A run needs more memory than this host has. */
final class OutOfMemory extends FoehnException
{
}
