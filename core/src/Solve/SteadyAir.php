<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\FlowCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Numerics\TrBdf2;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Shapes\Fan;
use LogicException;

/**
 * Air that is at rest with what drives it, brought to rest anew whenever fans or what is let in have other values. Frozen, it is
 * that of the steady temperatures at such loads. Where it follows, it is that of the solids as warm as they are at the moment, and
 * is brought to rest again when these have moved the buoyancy by a stated share: right where solids warm up far more slowly than
 * the air passes them.
 */
final class SteadyAir implements AirInTime
{
    /** Share of the rises of the solids that they may move by, in the mean, until the air follows. */
    public const MOVED = 0.25;

    /** The same at the end of a step that moves them past it. */
    private const MOST_MOVED = 1.6 * self::MOVED;

    /** The same once half as much time again has passed as at the flow before, so that the end has the air that belongs to it. */
    private const MOVED_SLOWLY = 0.02;

    private const LATER = 1.5;

    /** Square of the speed of free fall over that of what is given, below which buoyancy plays no part. */
    private const BUOYANT_FROM = 0.01;

    /** @var array<string, FrozenAir> by what drives it */
    private array $known = [];

    /** @var list<string> what is to be said of flows that were not steady */
    private array $notes = [];

    private ?Model $model = null;

    private ?AirState $resumed = null;

    /** @var array<string, mixed> of the last flow (see Solution) */
    private array $regime = [];

    /** What the last flow was begun at. */
    private ?FlowState $from = null;

    private string $driven = '';

    /** s: of the last jump of what drives it, and of the last flow. */
    private float $jumped = 0.0;

    private float $followed = 0.0;

    /** How much of what drives it is buoyancy, 0 to 1. */
    private float $buoyant = 0.0;

    /** @var array<int, float> K of the cells as the flow was computed with; where it follows */
    private array $held = [];

    /**
     * @param ?FlowState $last from which the next flow starts; null: at rest
     * @param ?array<int, float> $temperature of the cells at the moment, K, where it follows; null: frozen
     * @param float $tolerance K that temperatures may be wrong by
     */
    private function __construct(private readonly Voxels $voxels, private readonly ProgressListener $listener, private readonly LinkStore $links, private ?FlowState $last, private ?array $temperature, private readonly float $tolerance)
    {
    }

    /**
     * The air that a steady run left, frozen.
     *
     * @param Model $model with the loads of that run
     * @return ?self null where nothing flows
     */
    public static function left(Solution $steady, Model $model, string $loads, ProgressListener $listener, LinkStore $links): ?self
    {
        if ($steady->air === null || $steady->checkpoint === null) {
            return null;
        }
        $air = new self($steady->state->voxels, $listener, $links, $steady->checkpoint, null, 0.0);
        $air->known[self::driven($model, $loads)] = $steady->air;
        $air->regime = $steady->regime;
        if (! $steady->outcome->converged) {
            $air->notes[] = 'the air at 0 s: ' . lcfirst($steady->shortfall());
        }

        return $air;
    }

    /**
     * Air that follows.
     *
     * @param ?FlowState $start of which it begins; null: at rest
     * @param array<int, float> $temperature of the cells at the start, K
     * @param float $tolerance K that temperatures may be wrong by
     * @param ?AirState $resumed of an interrupted course that goes on
     */
    public static function following(Voxels $voxels, ?FlowState $start, array $temperature, float $tolerance, ProgressListener $listener, LinkStore $links, ?AirState $resumed): self
    {
        $air = new self($voxels, $listener, $links, $resumed === null ? $start : $resumed->from, $resumed->held ?? $temperature, $tolerance);
        $air->resumed = $resumed;

        return $air;
    }

    public function of(Model $model, string $loads, float $time): FrozenAir
    {
        $driven = self::driven($model, $loads);
        $this->model = $model;
        if ($driven !== $this->driven) {
            [$this->driven, $this->jumped] = [$driven, $this->resumed->jumped ?? $time];
            if ($this->temperature !== null) {
                $this->known = [];
            }
        }
        $air = $this->known[$driven] ??= $this->atRest($model, $this->resumed->followed ?? $time);
        $this->resumed = null;

        return $air;
    }

    public function attempt(Moment $from, float $step, array $temperature): float
    {
        if ($this->model === null || $this->temperature === null || $from->last === 0.0) {
            return 0.0;
        }

        // A step that is half as long moves them half as far.
        return ($this->buoyant * $this->moved($temperature, $this->model->surroundings->temperature) / self::MOST_MOVED) ** TrBdf2::ORDER;
    }

    public function accept(float $time, array $temperature): bool
    {
        if ($this->temperature === null || $this->model === null) {
            return false;
        }
        $this->temperature = $temperature;
        $moved = $this->buoyant * $this->moved($temperature, $this->model->surroundings->temperature);
        $isLate = $time - $this->jumped >= self::LATER * ($this->followed - $this->jumped);
        if ($moved < self::MOVED && ($moved < self::MOVED_SLOWLY || ! $isLate)) {
            return false;
        }
        $this->known = [$this->driven => $this->atRest($this->model, $time)];

        return true;
    }

    public function longest(): float
    {
        return INF;
    }

    public function notes(): array
    {
        return $this->notes;
    }

    public function regime(): array
    {
        return [...$this->regime, 'frozen' => false, 'amplitude' => null];
    }

    public function kept(): ?AirState
    {
        return $this->temperature === null ? null : new AirState([], $this->from, $this->held, $this->followed, $this->jumped);
    }

    /** @throws PhysicsException */
    private function atRest(Model $model, float $time): FrozenAir
    {
        $held = $this->temperature === null ? null : new HeldSolids($this->voxels, $this->temperature);
        $solver = new FlowSolver($model->beforeStart(), $this->voxels, $this->listener, $this->last, true, [], new Start($this->last), $this->links, $held);
        $solution = $solver->solve();
        if ($solution->outcome->stopped) {
            throw new StoppedOnTheWay();
        }
        $this->regime = $solution->regime;
        if (! $solution->outcome->converged) {
            $this->notes[] = sprintf('the air from %g s on: %s', $time, lcfirst($solution->shortfall()));
        }
        if ($this->temperature !== null) {
            $richardson = $solver->richardson();
            $this->buoyant = $richardson < self::BUOYANT_FROM ? 0.0 : ($richardson === INF ? 1.0 : $richardson / (1.0 + $richardson));
            [$this->held, $this->followed, $this->from] = [$this->temperature, $time, $this->last];
        }
        [$this->last, $air] = [$solution->checkpoint ?? $this->last, $solution->air ?? throw new LogicException('a flow has been computed')];

        return $air;
    }

    /**
     * By how much the solids have moved since the last flow, as a share of their rises, both in the mean by their square.
     *
     * @param array<int, float> $temperature of the cells, K
     * @param float $ambient K
     */
    private function moved(array $temperature, float $ambient): float
    {
        $moved = $rises = $count = 0.0;
        foreach ($temperature as $cell => $now) {
            if ($this->voxels->owner[$cell] >= 0 && $this->voxels->isLive($cell)) {
                $moved += ($now - $this->held[$cell]) ** 2;
                $rises += ($now - $ambient) ** 2;
                $count++;
            }
        }

        // Rises within the tolerance drive nothing that counts.
        return $count > 0.0 ? sqrt($moved / max($rises, $count * $this->tolerance ** 2)) : 0.0;
    }

    /** What drives the air from outside. Temperatures that enter, and those of walls, are part of the balance of heat. */
    public static function driven(Model $model, string $loads): string
    {
        $fans = array_map(fn (Part $part): ?float => $part->shape instanceof Fan ? $part->shape->speedFactor : null, $model->parts);
        // A profile is told by the loads as a whole.
        $given = array_map(fn (FlowCondition $flow): float|string|null => $flow->given === null ? null : ($flow->given->amount->isConstant() ? $flow->given->amount->constant : $loads), $model->space->flows());

        return json_encode([$fans, $given], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
