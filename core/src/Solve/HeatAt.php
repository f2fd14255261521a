<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Model;

/** The balance of heat at a moment of a course, and what it was made of. */
final readonly class HeatAt
{
    /**
     * @param array<int, float> $temperature of the cells, K, that the coefficients are of
     * @param bool $isNonlinear whether its coefficients follow the temperatures
     * @param ?FrozenAir $air that carries heat; null where nothing flows
     */
    public function __construct(public Model $model, public Coupling $coupling, public HeatOperator $operator, public array $temperature, public bool $isNonlinear, public ?FrozenAir $air)
    {
    }
}
