<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** What the air of an interrupted course in time goes on from. */
final readonly class AirState
{
    /**
     * @param list<FlowMoment> $history where its own motion is followed: moments of it, the latest first
     * @param ?FlowState $from where it follows the solids: what its last flow was begun at
     * @param array<int, float> $held K of the cells then
     * @param float $followed s, when that was
     * @param float $jumped s, when what drives it jumped last
     */
    public function __construct(public array $history = [], public ?FlowState $from = null, public array $held = [], public float $followed = 0.0, public float $jumped = 0.0)
    {
    }
}
