<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Control;
use Foehn\Model\Controller;
use Foehn\Model\CurveControl;
use Foehn\Model\Thermostat;
use Foehn\Numerics\TrBdf2;

/**
 * A control in the course of time: what its sensor reads, what it has accumulated, whether it is on. A reading y with a lag tau
 * follows the temperature s at the sensor by tau y' = s - y, the integral part I of a controller the deviation by I' = (gain / integral) e;
 * both are stepped in the stages of TrBdf2 as the temperatures are.
 */
final class ControlState
{
    public float $reading;

    public float $watts = 0.0;

    public bool $isOn;

    /** Of a fan, the share of its full speed that it runs at; null where it is watts that are set. */
    private ?float $speed = null;

    /** s, when that changed last. */
    private float $adjusted = 0.0;

    private float $readingRate = 0.0;

    private float $accumulated = 0.0;

    private float $accumulatedRate = 0.0;

    /** s, when it was switched last. */
    private float $since = -INF;

    /** @var non-empty-list<array{float, float}> s and K at the sensor, for a dead time */
    private array $past;

    /** @var array{time: float, delta: float, reading: float, accumulated: float} the stage that is being solved */
    private array $stage;

    /** @var array{reading: float, accumulated: float} rates in the stage before */
    private array $second = ['reading' => 0.0, 'accumulated' => 0.0];

    /** @var list<array{float, bool}> s, and whether it was switched on */
    public array $switches = [];

    /**
     * @param int $part whose watts it sets
     * @param array<int, float> $weights of the temperatures of padded cells in that of the sensor
     * @param array<int, float> $source W by padded cell for a watt
     * @param float $sensed K at the sensor at the start
     * @param float $beside K at the sensor beside its share of the rises of cells
     * @param bool $isOfFan whether it sets the speed of a fan, as a share of full speed, in place of watts
     */
    public function __construct(public readonly int $part, public readonly Control $control, public readonly array $weights, public readonly array $source, float $sensed, public float $beside = 0.0, private readonly bool $isOfFan = false)
    {
        $this->reading = $sensed;
        $this->past = [[0.0, $sensed]];
        $this->isOn = $control instanceof Thermostat && $control->past(false, $sensed) >= 0.0;
        // A stage so short that nothing has moved tells the rates at the start.
        $this->stage = ['time' => 0.0, 'delta' => TimeSettings::SWITCHING, 'reading' => $sensed, 'accumulated' => 0.0];
        $this->accumulatedRate = $this->rates($sensed)['accumulated'];
        $this->watts = $this->wattsAt($sensed);
        $this->run();
    }

    /**
     * What the rises of cells add to the temperature at the sensor, K.
     *
     * @param array<int, float> $x K by padded cell
     */
    public function answer(array $x): float
    {
        $sum = 0.0;
        foreach ($this->weights as $cell => $weight) {
            $sum += $weight * $x[$cell];
        }

        return $sum;
    }

    /**
     * The temperature at the sensor, K.
     *
     * @param array<int, float> $x rises by padded cell, K
     */
    public function sensed(array $x): float
    {
        return $this->beside + $this->answer($x);
    }

    /**
     * Adds what the control heats.
     *
     * @param array<int, float> $b W by padded cell
     * @return array<int, float>
     */
    public function heat(array $b, float $watts): array
    {
        if ($watts !== 0.0) {
            foreach ($this->source as $cell => $share) {
                $b[$cell] += $watts * $share;
            }
        }

        return $b;
    }

    /** Whether its watts depend on the temperature at the sensor in the same moment. */
    public function isImmediate(): bool
    {
        return ! $this->isOfFan && ! $this->control instanceof Thermostat && $this->control->sensor()->deadTime <= 0.0;
    }

    /** The stage at TrBdf2::SHARE of a step from a moment on. */
    public function beginSecond(float $from, float $step): void
    {
        $delta = $step * TrBdf2::D;
        $this->stage = ['time' => $from + TrBdf2::SHARE * $step, 'delta' => $delta, 'reading' => $this->reading + $delta * $this->readingRate, 'accumulated' => $this->accumulated + $delta * $this->accumulatedRate];
    }

    /** The stage at the end of the step, after the one before had these temperatures at the sensor. */
    public function beginThird(float $from, float $step, float $sensed): void
    {
        $this->second = $this->rates($sensed);
        $weight = $step * TrBdf2::W;
        $this->stage = ['time' => $from + $step, 'delta' => $step * TrBdf2::D,
            'reading' => $this->reading + $weight * ($this->readingRate + $this->second['reading']),
            'accumulated' => $this->accumulated + $weight * ($this->accumulatedRate + $this->second['accumulated'])];
    }

    /**
     * Watts in the present stage, or the share of its full speed that a fan is to run at.
     *
     * @param float $sensed K at the sensor
     */
    public function wattsAt(float $sensed): float
    {
        $control = $this->control;

        return match (true) {
            $control instanceof CurveControl => $control->law->at($this->readingAt($sensed)),
            $control instanceof Controller => $control->at($this->readingAt($sensed), $this->accumulatedAt($sensed)),
            $control instanceof Thermostat => $this->isOn ? $control->watts : 0.0,
            default => 0.0,
        };
    }

    /** Share of its full speed that a fan runs at; null where it is watts that are set. */
    public function speed(): ?float
    {
        return $this->speed;
    }

    /** By how much a fan that follows its sensor runs at another speed than at a reading of it (K at the sensor), as a share of full speed; 0 of all others. */
    public function open(float $sensed): float
    {
        return $this->speed === null || $this->control instanceof Thermostat ? 0.0 : abs($this->wattsAt($sensed) - $this->speed);
    }

    /** Lets a fan that follows its sensor run at the speed asked for now, where that is worth a new flow; whether it does. */
    public function adjust(float $time): bool
    {
        $moved = $this->speed === null || $this->control instanceof Thermostat ? 0.0 : abs($this->watts - $this->speed);
        if ($moved <= TimeSettings::SPEED_MOVED && ($moved <= TimeSettings::SPEED_MOVED_SLOWLY || $time < TimeSettings::SPEED_LATER * $this->adjusted)) {
            return false;
        }
        $this->run();
        $this->adjusted = $time;

        return true;
    }

    private function run(): void
    {
        if ($this->isOfFan) {
            $this->speed = $this->control instanceof Thermostat ? ($this->control->speeds ?? [1.0, 0.0])[$this->isOn ? 0 : 1] : $this->watts;
        }
    }

    /** K that the sensor reads in the present stage. */
    public function readingAt(float $sensed): float
    {
        [$lag, $deadTime] = [$this->control->sensor()->lag, $this->control->sensor()->deadTime];
        $seen = $deadTime > 0.0 ? $this->pastAt($this->stage['time'] - $deadTime) : $sensed;

        return $lag > 0.0 ? ($this->stage['reading'] + $this->stage['delta'] / $lag * $seen) / (1.0 + $this->stage['delta'] / $lag) : $seen;
    }

    /** The step has come to this moment. */
    public function accept(float $time, float $sensed, float $watts): void
    {
        $rates = $this->rates($sensed);
        $this->reading = $this->readingAt($sensed);
        $this->accumulated = $this->accumulatedAt($sensed);
        [$this->readingRate, $this->accumulatedRate] = [$rates['reading'], $rates['accumulated']];
        $this->watts = $this->isOfFan ? $this->wattsAt($sensed) : $watts;
        if ($this->control->sensor()->deadTime > 0.0) {
            $this->past[] = [$time, $sensed];
        }
    }

    /** By how much a reading is past what switches a thermostat, K; negative while it stays as it is. */
    public function past(float $reading): float
    {
        return $this->control instanceof Thermostat ? $this->control->past($this->isOn, $reading) : -1.0;
    }

    /** s, from when on it may be switched again. */
    public function free(): float
    {
        return $this->control instanceof Thermostat ? $this->since + ($this->isOn ? $this->control->leastOn : $this->control->leastOff) : -INF;
    }

    public function switch(float $time): void
    {
        $this->isOn = ! $this->isOn;
        $this->since = $time;
        $this->switches[] = [$time, $this->isOn];
        $this->watts = $this->wattsAt($this->reading);
        $this->run();
    }

    /** Whether it has switched faster than its switching can be told. */
    public function chatters(): bool
    {
        for ($n = 1; $n < count($this->switches); $n++) {
            if ($this->switches[$n][0] - $this->switches[$n - 1][0] < TimeSettings::CHATTERING) {
                return true;
            }
        }

        return false;
    }

    /** @return array{reading: float, accumulated: float} per s */
    private function rates(float $sensed): array
    {
        $lag = $this->control->sensor()->lag;
        $delta = max($this->stage['delta'], 1e-300);

        return ['reading' => $lag > 0.0 ? ($this->readingAt($sensed) - $this->stage['reading']) / $delta : 0.0, 'accumulated' => ($this->accumulatedAt($sensed) - $this->stage['accumulated']) / $delta];
    }

    /** W of the integral part, which rests while the watts are at a bound that it would push beyond. */
    private function accumulatedAt(float $sensed): float
    {
        $control = $this->control;
        if (! $control instanceof Controller || $control->integral === null) {
            return 0.0;
        }
        $deviation = $control->setpoint - $this->readingAt($sensed);
        $more = $this->stage['delta'] * $control->gain / $control->integral * $deviation;
        $asked = $control->gain * $deviation + $this->stage['accumulated'];
        $isAtBound = ($asked >= $control->atMost && $more > 0.0) || ($asked <= $control->atLeast && $more < 0.0);

        return $this->stage['accumulated'] + ($isAtBound ? 0.0 : $more);
    }

    /** K at the sensor at a moment that has been. */
    private function pastAt(float $time): float
    {
        [$to, $after] = $this->past[count($this->past) - 1];
        for ($n = count($this->past) - 2; $n >= 0; $n--) {
            [$from, $before] = $this->past[$n];
            if ($from <= $time) {
                return $before + ($after - $before) * min(1.0, ($time - $from) / ($to - $from));
            }
            [$to, $after] = [$from, $before];
        }

        return $after;
    }
}
