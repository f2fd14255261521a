<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelInTime;
use Foehn\Grid\GridLevels;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Bdf2;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Radiation\LinkStore;

/** Air whose own motion is followed in time: it is stepped first, with the temperatures as they are expected, then heat on what lies between. */
final class UnsteadyAir implements AirInTime
{
    /** Moments that a step needs of those before. */
    private const KEPT = 3;

    private ?FlowMoment $tried = null;

    /** @var array{float, FrozenAir}|null the air that was asked for last, and its moment */
    private ?array $latest = null;

    /** @var list<string> */
    private array $notes = [];

    /** Of the step that is tried, as a share of what is allowed. */
    private float $error = 0.0;

    /** Steps taken with a greater error: only given ones are. */
    private int $wrong = 0;

    /**
     * @param FlowInTime $stepper of the equations with the loads that it is driven by
     * @param non-empty-list<FlowMoment> $history the latest first
     * @param array<int, float> $temperature of the cells, as expected at the end of the step that was tried, K
     */
    private function __construct(private readonly ModelInTime $model, private readonly string $grade, private readonly Voxels $voxels, private readonly LinkStore $links, private FlowInTime $stepper, private string $driven, private array $history, private array $temperature)
    {
    }

    /**
     * @param ?FlowState $start null: at rest, but for the velocities that the start of the course gives
     * @param array<int, float> $temperature of the cells at the start, K
     * @param list<FlowMoment> $history of an interrupted course that goes on
     */
    public static function begin(ModelInTime $model, string $grade, Voxels $voxels, ?FlowState $start, array $temperature, array $history, LinkStore $links): self
    {
        [$loads, $key] = $model->at($history[0]->time ?? 0.0);
        $flow = self::equations($loads, $grade, $voxels, $links);
        $flow->begin($history === [] ? $start ?? self::given($flow, $model->start, $temperature) : self::state($flow, $history[0], $temperature));
        $stepper = new FlowInTime($flow);

        return new self($model, $grade, $voxels, $links, $stepper, SteadyAir::driven($loads, $key), $history === [] ? [$stepper->begin(0.0)] : $history, $temperature);
    }

    public function of(Model $model, string $loads, float $time): FrozenAir
    {
        if ($this->latest === null || $this->latest[0] !== $time) {
            $this->latest = [$time, $this->at($time)];
        }

        return $this->latest[1];
    }

    public function attempt(Moment $from, float $step, array $temperature): float
    {
        if ($from->last === 0.0) {
            // What drives it may have jumped: nothing before tells how it goes on.
            $this->history = [$this->history[0]];
        }
        $this->temperature = $temperature;
        $this->latest = null;
        [$this->tried, $this->error] = $this->step($from->time + $step);

        return $this->error;
    }

    public function accept(float $time, array $temperature): bool
    {
        $this->temperature = $temperature;
        $tried = $this->tried;
        if ($tried === null || abs($tried->time - $time) > 1e-9 * ($time - $this->history[0]->time)) {
            [$tried, $this->error] = $this->step($time);
        }
        $this->wrong += $this->error > 1.0 ? 1 : 0;
        $this->history = array_slice([$tried, ...$this->history], 0, self::KEPT);
        $this->tried = $this->latest = null;
        $flow = $this->stepper->flow;
        if ($flow->turbulence === null && $flow->mayJudge() && $flow->reynolds() >= ControlSettings::TURBULENT_FROM && $flow->become(true)) {
            $this->notes[] = sprintf('the air became turbulent at %g s', $time);
        }

        return false;
    }

    public function longest(): float
    {
        return $this->stepper->longest();
    }

    public function notes(): array
    {
        return $this->wrong === 0 ? $this->notes : [...$this->notes, sprintf('in %d of the steps that were given the air errs by more than is allowed; take shorter ones, or let them be chosen', $this->wrong)];
    }

    public function regime(): array
    {
        return [...$this->stepper->flow->regime(), 'scheme' => 'steps in time', 'velocityChange' => null, 'massImbalance' => null, 'temperatureMove' => null, 'frozen' => false, 'amplitude' => null];
    }

    public function kept(): AirState
    {
        return new AirState($this->history);
    }

    /** @return array{FlowMoment, float} the flow there, and its error as a share of what is allowed */
    private function step(float $time): array
    {
        [$model, $loads] = $this->model->at($time, true);
        $driven = SteadyAir::driven($model, $loads);
        if ($driven !== $this->driven) {
            $flow = self::equations($model, $this->grade, $this->voxels, $this->links);
            $flow->begin(self::state($flow, $this->history[0], $this->temperature));
            [$this->stepper, $this->driven] = [new FlowInTime($flow), $driven];
        }

        return $this->stepper->step($this->history, $time, $this->inLayout());
    }

    private static function equations(Model $model, string $grade, Voxels $voxels, LinkStore $links): FlowEquations
    {
        $levels = GridLevels::of($model->withGrade($grade)->beforeStart());

        return new FlowEquations(end($levels)[0], $voxels, $links);
    }

    /**
     * The flow that a course starts with: at rest, or as it is given at every place.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    private static function given(FlowEquations $flow, Model $model, array $temperature): FlowState
    {
        $layout = $flow->domain->layout;
        $velocity = [$layout->zeros(), $layout->zeros(), $layout->zeros()];
        foreach ($model->time->velocity ?? [] as $axis => $law) {
            foreach ($flow->domain->face[$axis] as $c => $kind) {
                if ($kind !== FlowDomain::GIVEN) {
                    $velocity[$axis][$c] = $law->at(...$layout->faceCentre($axis, $c));
                }
            }
        }

        return new FlowState($layout, $velocity, $layout->zeros(), $layout->spread($temperature, $flow->fluid->temperature), [], $model->physics->flow === 'turbulent');
    }

    /** @param array<int, float> $temperature of the cells, K */
    private static function state(FlowEquations $flow, FlowMoment $now, array $temperature): FlowState
    {
        $layout = $flow->domain->layout;

        return new FlowState($layout, $now->velocity, $now->pressure, $layout->spread($temperature, $flow->fluid->temperature), $now->rises, $now->turbulent);
    }

    /** @return array<int, float> K in the layout of the flow */
    private function inLayout(): array
    {
        $flow = $this->stepper->flow;

        return $flow->domain->layout->spread($this->temperature, $flow->fluid->temperature);
    }

    private function at(float $time): FrozenAir
    {
        $flow = $this->stepper->flow;
        $moments = $this->tried === null ? [$this->history[0]] : [$this->tried, ...array_slice($this->history, 0, 2)];
        $weights = Bdf2::through(array_column($moments, 'time'), $time);
        $field = new FlowField(
            $flow->domain,
            $flow->fluid,
            FlowMoment::mixed(array_column($moments, 'velocity'), $weights),
            $moments[0]->pressure,
            FlowMoment::mixed(array_column($moments, 'flux'), $weights),
            $flow->wallViscosity(),
            $flow->devices->operatingPoints(),
            $flow->gaps->summary(),
        );

        return new FrozenAir($field, $flow->heat->mix($flow->turbulence), $this->inLayout());
    }
}
