<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Grid\Resampling;

/** The temperatures of a run that is kept, for a course in time to begin with on another grid. */
final readonly class KeptTemperatures
{
    /**
     * @param list<int> $owners what the cells belong to
     * @param array<int, ?float> $values of the cells, K; null where nothing was computed
     */
    public function __construct(private Grid $grid, private array $owners, private array $values)
    {
    }

    /**
     * @param float $elsewhere K, where there was nothing
     * @return list<float> of the cells of a grid, K: outside of where it was kept what is nearest
     */
    public function onto(Grid $grid, float $elsewhere): array
    {
        return array_map(fn (array $read): float => $read[0] ?? $elsewhere, (new Resampling($this->grid, $this->owners, true))->onto($grid, $this->values));
    }
}
