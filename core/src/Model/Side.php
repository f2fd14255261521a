<?php

declare(strict_types=1);

namespace Foehn\Model;

/** One of the six sides of the space. */
final readonly class Side
{
    /**
     * @param list<Patch> $patches later ones win
     */
    public function __construct(public HeatCondition $heat, public FlowCondition $flow, public array $patches, public Cover $cover, private bool $statesHeat = true)
    {
    }

    /** Whether a part that touches the side is bare there: the side states nothing of heat, and the model does not go on beyond it as its mirror image. */
    public function leavesBare(): bool
    {
        return ! $this->statesHeat && $this->flow->kind === 'wall';
    }

    /**
     * The same with other conditions of heat and flow, on its patches too.
     *
     * @param callable(HeatCondition): HeatCondition $heat
     * @param callable(FlowCondition): FlowCondition $flow
     */
    public function with(callable $heat, callable $flow): self
    {
        return new self($heat($this->heat), $flow($this->flow), array_map(fn (Patch $patch): Patch => $patch->with($heat, $flow), $this->patches), $this->cover, $this->statesHeat);
    }

    /** The same with another cover on one of its patches, or beside them. */
    public function withCover(?int $patch, Cover $cover): self
    {
        $patches = array_map(fn (Patch $own, int $index): Patch => $index === $patch ? $own->withCover($cover) : $own, $this->patches, array_keys($this->patches));

        return new self($this->heat, $this->flow, $patches, $patch === null ? $cover : $this->cover, $this->statesHeat);
    }

    /** @return non-empty-list<FlowCondition> of the side and its patches */
    public function flows(): array
    {
        return [$this->flow, ...array_column($this->patches, 'flow')];
    }

    /** What the side is to radiation on one of its patches, or beside them. */
    public function coverOf(?int $patch): Cover
    {
        return $patch === null || $patch < 0 ? $this->cover : $this->patches[$patch]->cover;
    }

    /** Index of the patch at a place of the side, in metres along its two axes; null: none. */
    public function patchAt(float $a, float $b): ?int
    {
        for ($index = count($this->patches) - 1; $index >= 0; $index--) {
            if ($this->patches[$index]->contains($a, $b)) {
                return $index;
            }
        }

        return null;
    }
}
