<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\FoehnException;

/** No grid can be made for the model within its number of cells. */
final class GridException extends FoehnException
{
}
