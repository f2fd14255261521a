<?php

declare(strict_types=1);

namespace App\Runs;

use RuntimeException;

/** The run was given to another worker, or ended, while this one computed it: it must write nothing more. */
final class ClaimLost extends RuntimeException
{
}
