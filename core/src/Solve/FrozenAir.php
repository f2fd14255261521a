<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Heat\ConductivityChange;

/** A steady flow that heat is computed on for other loads or over time. */
final readonly class FrozenAir
{
    /**
     * @param list<ConductivityChange> $changes what it does to the conduction
     * @param array<int, float> $temperature K, that its scheme of second order is linear about, in the layout of the flow
     */
    public function __construct(public FlowField $field, public array $changes, public array $temperature)
    {
    }

    /** @return array<int, float> K of the cells of the grid, as the flow was computed with */
    public function cells(): array
    {
        return $this->field->domain->layout->gather($this->temperature);
    }
}
