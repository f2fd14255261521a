<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A drill file of a board. */
final readonly class DrillFile
{
    /**
     * @param bool $isPlated what holds where the file says nothing of it
     * @param int $from number of the first layer of copper that its holes join
     * @param int $to number of the last one
     */
    public function __construct(public string $name, public string $text, public bool $isPlated, public int $from, public int $to)
    {
    }
}
