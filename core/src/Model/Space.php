<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Geometry\Box;
use Foehn\Units\ScalarField;

/** The box that is analysed, what fills it where no part is (a fluid, or null: nothing), and its sides by name. */
final readonly class Space
{
    /** Shortest side of a space, and how far from the origin it may reach, m. */
    public const SMALLEST = 1e-6;

    public const FARTHEST = 1e5;

    public const SIDES = ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'];

    /**
     * @param array<string, Side> $sides by name, all six
     * @param ?array{ScalarField, ScalarField, ScalarField} $force on the fluid, N/m3
     * @param ?ScalarField $source in the fluid, W/m3
     */
    public function __construct(public Box $box, public ?string $fluid, public array $sides, public ?array $force = null, public ?ScalarField $source = null)
    {
    }

    /** @param callable(Side): Side $change */
    public function withSides(callable $change): self
    {
        return new self($this->box, $this->fluid, array_map($change, $this->sides), $this->force, $this->source);
    }

    /** @return list<FlowCondition> of all sides and their patches */
    public function flows(): array
    {
        $flows = [];
        foreach ($this->sides as $side) {
            array_push($flows, ...$side->flows());
        }

        return $flows;
    }
}
