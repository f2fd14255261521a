<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\Limit;
use Foehn\Observe\Gradient;
use Foehn\Observe\Readings;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\LinearHeat;

/**
 * What would help: how the value of a limit changes with everything that its designer could change, by one adjoint solution (see
 * LinearHeat). The flow is kept, and the changes are small ones drawn out in a straight line.
 *
 * @phpstan-type SensitivityRow array{kind: string, of: ?string, face: ?string, value: ?float, unit: string, step: float, change: float}
 */
final class Sensitivities
{
    /** A change so small that it has no curvature, and large enough to have digits: a share, or of temperatures K. */
    private const SMALL = 1e-3;

    /** Changes below this are not worth a line, K. */
    private const LEAST = 5e-3;

    private readonly Gradient $gradient;

    public function __construct(private readonly LinearHeat $heat)
    {
        $this->gradient = new Gradient($heat->state);
    }

    /** The limit with the least margin among those whose sensitivities are known; null where there is none. */
    public function worst(): ?Limit
    {
        $readings = new Readings($this->heat->state);
        [$worst, $least] = [null, INF];
        foreach ($this->heat->state->model->limits as $limit) {
            $value = $this->gradient->of($limit) === null ? null : $readings->of($limit);
            if ($value !== null && $limit->margin($value) < $least) {
                [$worst, $least] = [$limit, $limit->margin($value)];
            }
        }

        return $worst;
    }

    /**
     * The value of a limit against every parameter, strongest first.
     *
     * @param callable(int, int): void $progress done and all
     * @return list<SensitivityRow> change in K of the value for each step
     * @throws PhysicsException where the limit sees no temperature of a part, a face or a side
     */
    public function of(Limit $limit, ?callable $progress = null): array
    {
        $weights = $this->gradient->of($limit) ?? throw new PhysicsException("what the limit \"$limit->name\" sees has no sensitivities: they are known for temperatures of parts, faces and sides");
        $adjoint = $this->heat->adjoint($weights);
        $value = (new Readings($this->heat->state))->of($limit);
        $parameters = (new Parameters($this->heat->state->model))->all();
        $rows = [];
        foreach ($parameters as $n => $parameter) {
            $change = $parameter->step / self::SMALL * ((new Response($this->heat, ($parameter->changed)(self::SMALL)))->of($limit, $adjoint) - (float) $value);
            if (abs($change) >= self::LEAST) {
                $rows[] = ['kind' => $parameter->kind, 'of' => $parameter->of, 'face' => $parameter->face, 'value' => $parameter->value, 'unit' => $parameter->unit, 'step' => $parameter->step, 'change' => $change];
            }
            $progress === null ?: $progress($n + 1, count($parameters));
        }
        usort($rows, fn (array $a, array $b): int => abs($b['change']) <=> abs($a['change']));

        return $rows;
    }
}
