<?php

declare(strict_types=1);

namespace App\Archives;

use RuntimeException;

/** A file is no archive that can be restored; says what was found and what would be right. */
final class ArchiveException extends RuntimeException
{
}
