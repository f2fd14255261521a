<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Model;
use Foehn\Physics\PhysicsException;

/** What flows in a course in time. */
interface AirInTime
{
    /**
     * The air that carries heat at a moment of the step that was tried last, or at its beginning.
     *
     * @param Model $model with the loads of the moment
     * @param string $loads a text that is the same at two moments with the same loads
     * @throws PhysicsException
     */
    public function of(Model $model, string $loads, float $time): FrozenAir;

    /**
     * Tries a step.
     *
     * @param array<int, float> $temperature of the cells as they are expected at its end, K
     * @return float the error of the flow as a share of what is allowed: 0 where none is stepped
     * @throws PhysicsException
     */
    public function attempt(Moment $from, float $step, array $temperature): float;

    /**
     * A step has been taken.
     *
     * @param float $time s, its end: that of the step that was tried last, or before it
     * @param array<int, float> $temperature of the cells there, K
     * @return bool whether from here on the air is another one than the step had
     * @throws PhysicsException
     */
    public function accept(float $time, array $temperature): bool;

    /** The longest step that may follow, s. */
    public function longest(): float;

    /** @return list<string> what is to be said of it beside the results */
    public function notes(): array;

    /** @return array<string, mixed> what was computed of it (see Solution) */
    public function regime(): array;

    /** What an interrupted course goes on from; null where that is found anew. */
    public function kept(): ?AirState;
}
