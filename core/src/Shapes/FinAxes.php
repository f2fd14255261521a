<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** How fins stand: up along an axis in one direction, and running along another one. */
final readonly class FinAxes
{
    /**
     * @param int $up axis the fins stand along
     * @param int $sign of the direction they stand in
     * @param int $along axis they run along
     */
    public function __construct(public int $up, public int $sign, public int $along)
    {
    }
}
