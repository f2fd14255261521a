<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\FlowCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Shapes\Fan;

/** The air of a course in time: frozen as a steady flow had it, and brought to rest anew whenever fans or what is let in have other values. */
final class AirInTime
{
    /** @var array<string, FrozenAir> by what drives it */
    private array $known = [];

    /** @var list<string> what is to be said of flows that were not steady */
    private array $notes = [];

    /** @param FlowState $last from which the next flow starts */
    private function __construct(private readonly Voxels $voxels, private readonly ProgressListener $listener, private readonly LinkStore $links, private FlowState $last)
    {
    }

    /**
     * The air that a steady run left.
     *
     * @param Model $model with the loads of that run
     * @return ?self null where nothing flows
     */
    public static function left(Solution $steady, Model $model, ProgressListener $listener, LinkStore $links): ?self
    {
        if ($steady->air === null || $steady->checkpoint === null) {
            return null;
        }
        $air = new self($steady->state->voxels, $listener, $links, $steady->checkpoint);
        $air->known[self::driven($model)] = $steady->air;
        if (! $steady->outcome->converged) {
            $air->notes[] = 'the air at 0 s: ' . lcfirst($steady->shortfall());
        }

        return $air;
    }

    /**
     * @param Model $model with the loads of the moment
     * @throws PhysicsException
     */
    public function of(Model $model, float $time): FrozenAir
    {
        $key = self::driven($model);
        if (! isset($this->known[$key])) {
            $solution = (new FlowSolver($model->beforeStart(), $this->voxels, $this->listener, $this->last, true, [], new Start($this->last), $this->links))->solve();
            if ($solution->outcome->stopped) {
                throw new StoppedOnTheWay();
            }
            if (! $solution->outcome->converged) {
                $this->notes[] = sprintf('the air from %g s on: %s', $time, lcfirst($solution->shortfall()));
            }
            [$this->last, $this->known[$key]] = [$solution->checkpoint ?? $this->last, $solution->air ?? throw new \LogicException('a flow has been computed')];
        }

        return $this->known[$key];
    }

    /** @return list<string> */
    public function notes(): array
    {
        return $this->notes;
    }

    /** What drives the air from outside. Temperatures that enter, and those of walls, are part of the balance of heat. */
    private static function driven(Model $model): string
    {
        $fans = array_map(fn (Part $part): ?float => $part->shape instanceof Fan ? $part->shape->speedFactor : null, $model->parts);
        $given = array_map(fn (FlowCondition $flow): ?float => $flow->given?->amount->isConstant() === true ? $flow->given->amount->constant : null, $model->space->flows());

        return json_encode([$fans, $given], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
