<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A rectangle, or the ellipse inscribed in it, of a space side with conditions of its own; corners in metres along the two axes of the side, in the order x, y, z. */
final readonly class Patch
{
    /**
     * @param array{float, float} $min
     * @param array{float, float} $max
     */
    public function __construct(public array $min, public array $max, public HeatCondition $heat, public FlowCondition $flow, public Cover $cover, public bool $round = false, private bool $statesHeat = true)
    {
    }

    /** See Side::leavesBare(). */
    public function leavesBare(): bool
    {
        return ! $this->statesHeat && $this->flow->kind === 'wall';
    }

    /**
     * The same with other conditions.
     *
     * @param callable(HeatCondition): HeatCondition $heat
     * @param callable(FlowCondition): FlowCondition $flow
     */
    public function with(callable $heat, callable $flow): self
    {
        return new self($this->min, $this->max, $heat($this->heat), $flow($this->flow), $this->cover, $this->round, $this->statesHeat);
    }

    public function withCover(Cover $cover): self
    {
        return new self($this->min, $this->max, $this->heat, $this->flow, $cover, $this->round, $this->statesHeat);
    }

    public function contains(float $a, float $b): bool
    {
        if ($a <= $this->min[0] || $a >= $this->max[0] || $b <= $this->min[1] || $b >= $this->max[1]) {
            return false;
        }
        $x = (2 * $a - $this->min[0] - $this->max[0]) / ($this->max[0] - $this->min[0]);
        $y = (2 * $b - $this->min[1] - $this->max[1]) / ($this->max[1] - $this->min[1]);

        return ! $this->round || $x * $x + $y * $y < 1.0;
    }
}
