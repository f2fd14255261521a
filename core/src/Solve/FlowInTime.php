<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Anderson;
use Foehn\Numerics\Bdf2;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Flow\Diverged;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\Friction;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Simplec;

/**
 * Steps a flow in time: the second backward difference of the momentum of every face, implicit, with iterations over momentum and
 * pressure until the velocities at the end of the step stay. With the whole inertia of a step on the diagonal these come to rest
 * in a few, each a projection onto what conserves mass (Chorin, Math. Comp. 22 (1968) 745).
 */
final class FlowInTime
{
    /** Speed, in the mean by mass, that a step may be wrong by as a share of the mean speed. */
    public const TOLERANCE = 3e-4;

    /** What the velocities would still change by in further iterations, as a share of that. */
    private const STAYS = 0.3;

    private const MOST_ITERATIONS = 40;

    /** Iterations before their acceleration: most steps need no more. */
    private const PLAIN = 2;

    /** Share that an iteration leaves of the change of the one before, up to which what is left can be told. */
    private const SLOWEST = 0.95;

    /** Iterations of every step: with one, the corrections of second order would be those of the step before. */
    private const LEAST_ITERATIONS = 2;

    /** Cells that the fastest flow may pass in a step: beyond it the iterations over what it carries come to rest slowly. */
    private const COURANT = 2.0;

    /** Reynolds number of the whole space below which its flow plays no part. */
    private const CREEPING = 1e-2;

    private readonly Simplec $scheme;

    /** m/s: speeds below it play no part. */
    private readonly float $least;

    /** Without the inertia of a step. */
    private Friction $friction;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} m that the volume around each face is long */
    private readonly array $length;

    public function __construct(public readonly FlowEquations $flow)
    {
        $this->scheme = new Simplec($flow->level, new PressureCorrection($flow->domain, new Accuracy(1e-2, mostIterations: 20)), 1.0);
        $this->friction = $flow->level->friction;
        $this->length = $this->lengths();
        $this->least = max($flow->stillSpeed(), self::CREEPING * $flow->fluid->viscosity / $flow->fluid->density / $flow->size());
    }

    /**
     * The flow as the equations hold it, made to conserve mass.
     *
     * @param float $time s
     */
    public function begin(float $time): FlowMoment
    {
        $this->flow->conserveMass();

        return $this->moment($time);
    }

    /**
     * One step.
     *
     * @param non-empty-list<FlowMoment> $history the latest first
     * @param float $time s, its end
     * @param array<int, float> $temperature K at its end, in the layout of the flow
     * @return array{FlowMoment, float} the flow there, and its error as a share of what is allowed
     */
    public function step(array $history, float $time, array $temperature): array
    {
        $level = $this->flow->level;
        $before = array_column($history, 'time');
        $velocities = array_column($history, 'velocity');
        $two = array_slice($before, 0, 2);
        $this->flow->move(FlowMoment::mixed(array_slice($velocities, 0, 2), Bdf2::through($two, $time)));
        $level->pressure = $history[0]->pressure;
        $this->flow->devices->setRises($history[0]->rises);
        $this->flow->heat->temperature = $temperature;
        $level->friction = $this->friction;
        $this->flow->updateMixing();
        $this->friction = $level->friction;
        $mass = $this->masses();
        $weights = Bdf2::weights($time, $two);
        $level->friction = $this->friction->holding(array_map(fn (array $own): array => Vectors::scaled($weights[0], $own), $mass));
        $known = FlowMoment::mixed(array_slice($velocities, 0, 2), array_slice($weights, 1));
        try {
            $left = $this->iterate($mass, $known);
        } catch (Diverged) {
            return [$history[0], INF];
        }
        $speed = max($this->speed($mass, $level->velocity), $this->speed($mass, $velocities[0]), $this->least);
        $ahead = FlowMoment::mixed($velocities, Bdf2::through($before, $time));
        $error = count($history) === 1 ? 0.0 : Bdf2::error($time, $before) * $this->speed($mass, FlowMoment::mixed([$level->velocity, $ahead], [1.0, -1.0]));

        return [$this->moment($time), max($error, $left) / self::TOLERANCE / $speed];
    }

    /** The longest step in which the flow passes no more than a few cells, s. */
    public function longest(): float
    {
        $fastest = 0.0;
        foreach ([0, 1, 2] as $axis) {
            foreach ($this->flow->level->velocity[$axis] as $c => $velocity) {
                if ($velocity !== 0.0 && $this->length[$axis][$c] > 0.0) {
                    $fastest = max($fastest, abs($velocity) / $this->length[$axis][$c]);
                }
            }
        }

        return $fastest > 0.0 ? self::COURANT / $fastest : INF;
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $mass kg around each face
     * @param array{array<int, float>, array<int, float>, array<int, float>} $known sum of what the difference in time has of moments before, m/s2
     * @return float what further iterations would still change of the velocities, m/s: 0 where that plays no part
     * @throws Diverged
     */
    private function iterate(array $mass, array $known): float
    {
        $level = $this->flow->level;
        $inertia = array_map(fn (array $own, array $sum): array => Vectors::times($own, $sum), $mass, $known);
        $anderson = new Anderson(self::PLAIN);
        $last = INF;
        for ($n = 1; ; $n++) {
            $before = $this->flow->fields();
            $this->flow->devices->update($level->velocity);
            $this->flow->setSources();
            $sources = array_map(fn (array $own, array $of): array => Vectors::plus($own, -1.0, $of), $level->source, $inertia);
            $level->source = [$sources[0], $sources[1], $sources[2]];
            $this->scheme->step(0.0);
            $moved = $this->speed($mass, FlowMoment::mixed([$level->velocity, [$before[0], $before[1], $before[2]]], [1.0, -1.0]));
            if (! is_finite($moved)) {
                throw new Diverged('the flow of a step diverges');
            }
            // What is left is a geometric series.
            $left = $moved / (1.0 - min(self::SLOWEST, $moved / $last));
            $stays = $left <= self::STAYS * self::TOLERANCE * max($this->speed($mass, $level->velocity), $this->least);
            if ($n >= self::LEAST_ITERATIONS && ($stays || $n === self::MOST_ITERATIONS)) {
                return $stays ? 0.0 : $left;
            }
            $this->flow->setFields($anderson->next($before, $this->flow->fields(), $this->flow->scales()));
            $last = max($moved, 1e-300);
        }
    }

    private function moment(float $time): FlowMoment
    {
        $level = $this->flow->level;

        return new FlowMoment($time, $level->velocity, $level->fluxes(), $level->pressure, $this->flow->devices->rises(), $this->flow->turbulence !== null);
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $mass kg
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @return float root of the mean square by mass, m/s
     */
    private function speed(array $mass, array $velocity): float
    {
        $sum = $all = 0.0;
        foreach ([0, 1, 2] as $axis) {
            $sum += Vectors::dot(Vectors::times($mass[$axis], $velocity[$axis]), $velocity[$axis]);
            $all += array_sum($mass[$axis]);
        }

        return $all > 0.0 ? sqrt($sum / $all) : 0.0;
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} kg in the volume around each face that is computed */
    private function masses(): array
    {
        $carrying = $this->flow->level->carrying;

        return [Vectors::times($carrying[0], $this->length[0]), Vectors::times($carrying[1], $this->length[1]), Vectors::times($carrying[2], $this->length[2])];
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} */
    private function lengths(): array
    {
        $layout = $this->flow->domain->layout;
        $lengths = [];
        foreach ([0, 1, 2] as $axis) {
            $own = $layout->zeros();
            foreach ($this->flow->domain->face[$axis] as $c => $kind) {
                if ($kind !== FlowDomain::GIVEN) {
                    $n = $layout->place($c)[$axis];
                    $own[$c] = 0.5 * ($layout->width[$axis][$n] + $layout->width[$axis][$n + 1]);
                }
            }
            $lengths[] = $own;
        }

        return [$lengths[0], $lengths[1], $lengths[2]];
    }
}
