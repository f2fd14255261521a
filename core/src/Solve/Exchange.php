<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\PhysicsException;

/** One mechanism that follows the temperatures and acts back on them: currents, later radiation and stress. It is solved at given temperatures. */
interface Exchange
{
    /**
     * Brings the mechanism to the given temperatures; what it does to the heat is in the contribution it has added to the equation.
     *
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @return float largest relative change of what acts on the heat since the last time, INF the first time
     * @throws PhysicsException
     */
    public function follow(?array $temperature): float;

    /** Whether what acts on the heat depends on the temperatures at all. */
    public function followsTemperature(): bool;
}
