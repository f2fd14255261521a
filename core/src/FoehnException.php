<?php

declare(strict_types=1);

namespace Foehn;

use RuntimeException;

/** Root of every error the core raises on purpose; its message is a plain sentence for the user. */
abstract class FoehnException extends RuntimeException
{
}
