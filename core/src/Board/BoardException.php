<?php

declare(strict_types=1);

namespace Foehn\Board;

use Foehn\FoehnException;

/** Artwork or holes of a board that say nothing usable. */
final class BoardException extends FoehnException
{
}
