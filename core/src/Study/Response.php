<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\LinearHeat;

/** What limits see of a slightly changed model: through the temperatures, by their adjoints, and at temperatures that stay. */
final readonly class Response
{
    /** @var array<int, float> W per padded cell that the change leaves unbalanced */
    private array $residual;

    private Readings $readings;

    /**
     * @param Model $model with the same parts in the same places
     * @throws PhysicsException
     */
    public function __construct(LinearHeat $heat, Model $model)
    {
        $state = $heat->state;
        $system = $heat->systemOf($model);
        $this->residual = $heat->residual($model, $system);
        $this->readings = new Readings(new State($model, $state->voxels, $system, $state->temperature, $state->flow, $state->currents, boards: $state->boards));
    }

    /**
     * The value of a limit in the changed model, SI units.
     *
     * @param array<int, float> $adjoint of the limit, per padded cell
     */
    public function of(Limit $limit, array $adjoint): float
    {
        $through = 0.0;
        foreach ($this->residual as $cell => $watts) {
            $through += $adjoint[$cell] * $watts;
        }

        return $through + (float) $this->readings->of($limit);
    }
}
