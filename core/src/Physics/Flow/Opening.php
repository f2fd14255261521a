<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\FlowCondition;

/** A side of the space, or a patch of it, through which fluid passes: its grid faces and what enters there. */
final class Opening
{
    /** @var array<int, int> index of the velocity on each face */
    public array $faces = [];

    /** @var array<int, int> the cell inside of each face */
    public array $cells = [];

    /** @var array<int, float> m2 */
    public array $areas = [];

    /** @var array<int, array{float, float, float}> middle of each face, m */
    public array $centres = [];

    /** @var array<int, float> K, of what enters */
    public array $temperatures = [];

    /**
     * @param 0|1|2 $axis
     * @param int $outward +1 where the side is the upper one, else -1
     */
    public function __construct(
        public readonly string $name,
        public readonly int $axis,
        public readonly int $outward,
        public readonly FlowCondition $condition,
    ) {
    }
}
