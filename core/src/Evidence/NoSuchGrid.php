<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use RuntimeException;

/** There are not so many grids before the one asked for. */
final class NoSuchGrid extends RuntimeException
{
}
