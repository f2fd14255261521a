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

    private FlowInTime $stepper;

    private string $driven;

    private ?FlowMoment $tried = null;

    /** @var array<int, float> K of the cells, as expected at the end of the step that was tried */
    private array $temperature;

    /** @var array{float, FrozenAir}|null the air that was asked for last, and its moment */
    private ?array $latest = null;

    /** @var list<string> */
    private array $notes = [];

    /**
     * @param non-empty-list<FlowMoment> $history the latest first
     * @param array<int, float> $temperature of the cells, K
     */
    private function __construct(private readonly ModelInTime $model, private readonly string $grade, private readonly Voxels $voxels, private readonly LinkStore $links, private array $history, array $temperature)
    {
        $this->temperature = $temperature;
    }

    /**
     * @param ?FlowState $start null: at rest, but for the velocities that the start of the course gives
     * @param array<int, float> $temperature of the cells at the start, K
     * @param list<FlowMoment> $history of an interrupted course that goes on
     */
    public static function begin(ModelInTime $model, string $grade, Voxels $voxels, ?FlowState $start, array $temperature, array $history, LinkStore $links): self
    {
        $zeros = [[], [], []];
        $air = new self($model, $grade, $voxels, $links, $history === [] ? [new FlowMoment(0.0, $zeros, $zeros, [], [], false)] : $history, $temperature);
        $time = $air->history[0]->time;
        [$loads, $key] = $model->at($time);
        $flow = $air->equations($loads);
        if ($history === []) {
            $flow->begin($start ?? $air->given($flow));
            $air->use($flow, self::key($loads, $key));
            $air->history = [$air->stepper->begin($time)];
        } else {
            $air->renew($loads, self::key($loads, $key));
        }

        return $air;
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
        [$this->tried, $error] = $this->step($from->time + $step);

        return $error;
    }

    public function accept(float $time, array $temperature): bool
    {
        $this->temperature = $temperature;
        $tried = $this->tried;
        if ($tried === null || abs($tried->time - $time) > 1e-9 * ($time - $this->history[0]->time)) {
            [$tried] = $this->step($time);
        }
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
        return $this->notes;
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
        $driven = self::key($model, $loads);
        if ($driven !== $this->driven) {
            $this->renew($model, $driven);
        }

        return $this->stepper->step($this->history, $time, $this->inLayout());
    }

    /** The equations with other loads, where the flow is. */
    private function renew(Model $model, string $driven): void
    {
        $flow = $this->equations($model);
        $now = $this->history[0];
        $flow->begin(new FlowState($flow->domain->layout, $now->velocity, $now->pressure, $flow->domain->layout->spread($this->temperature, $flow->fluid->temperature), $now->rises, $now->turbulent));
        $this->use($flow, $driven);
    }

    /** The flow that the course starts with: at rest, or as it is given at every place. */
    private function given(FlowEquations $flow): FlowState
    {
        $layout = $flow->domain->layout;
        $velocity = [$layout->zeros(), $layout->zeros(), $layout->zeros()];
        foreach ($this->model->start->time->velocity ?? [] as $axis => $law) {
            foreach ($flow->domain->face[$axis] as $c => $kind) {
                if ($kind !== FlowDomain::GIVEN) {
                    $velocity[$axis][$c] = $law->at(...$layout->faceCentre($axis, $c));
                }
            }
        }

        return new FlowState($layout, $velocity, $layout->zeros(), $layout->spread($this->temperature, $flow->fluid->temperature), [], $this->model->start->physics->flow === 'turbulent');
    }

    private function use(FlowEquations $flow, string $driven): void
    {
        [$this->stepper, $this->driven] = [new FlowInTime($flow), $driven];
    }

    private function equations(Model $model): FlowEquations
    {
        $levels = GridLevels::of($model->withGrade($this->grade)->beforeStart());

        return new FlowEquations(end($levels)[0], $this->voxels, $this->links);
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

    private static function key(Model $model, string $loads): string
    {
        return SteadyAir::driven($model, $loads);
    }
}
