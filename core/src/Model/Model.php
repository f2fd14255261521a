<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\Library;

/** One variant, evaluated: every formula is a number in SI units and every reference is known to exist. */
final readonly class Model
{
    public const FORMAT = 'foehn-model';
    public const VERSION = 1;
    public const MOST_PARTS = 4000;

    /**
     * @param list<Part> $parts later ones carve earlier ones
     * @param list<Watch> $watches
     * @param list<Limit> $limits
     */
    public function __construct(
        public string $name,
        public Surroundings $surroundings,
        public Physics $physics,
        public Space $space,
        public Library $materials,
        public array $parts,
        public array $watches,
        public array $limits,
        public GridSettings $grid,
    ) {
    }

    public function withGrade(string $grade): self
    {
        return new self($this->name, $this->surroundings, $this->physics, $this->space, $this->materials, $this->parts, $this->watches, $this->limits, $this->grid->withGrade($grade));
    }

    /** Whether a given temperature, a film or a stream takes heat out of the model. */
    public function heatLeaves(): bool
    {
        $conditions = [];
        foreach ($this->space->sides as $side) {
            foreach ([$side->flow, ...array_column($side->patches, 'flow')] as $flow) {
                if ($this->physics->hasFlow() && ! $flow->isWall()) {
                    return true;
                }
            }
            array_push($conditions, $side->heat, ...array_column($side->patches, 'heat'));
        }
        foreach ($this->parts as $part) {
            array_push($conditions, ...array_values($part->faces));
        }

        return array_filter($conditions, fn (HeatCondition $condition) => $condition->fixesTemperature()) !== [];
    }
}
