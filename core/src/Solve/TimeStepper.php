<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TrBdf2;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Heat\StoredHeat;
use Foehn\Physics\PhysicsException;

/** Steps of M dT/dt = s(t, T) - A(t, T) T by TrBdf2, with the controls of parts. */
final class TimeStepper
{
    /** Matrices of steps that are kept. */
    private const KEPT = 3;

    /** Of what a pass moves the next one is taken to move this at least. */
    private const LEAST_SHARE = 1e-6;

    /** A guess further ahead than so many steps is none. */
    private const AHEAD = 3.0;

    /** Of the equations of a stage. */
    private readonly Accuracy $accuracy;

    /** @var list<StageSolver> used last at the end */
    private array $solvers = [];

    private ?StageSolver $made = null;

    /** Solvers up to the one made last that share its hierarchy. */
    private int $served = 0;

    private int $iterations = 0;

    /** Share of what a pass of a stage moves that the next one does; 0 where it is not known. */
    private float $share = 0.0;

    /** The same for each kelvin that the pass moved, 1/K. */
    private float $bend = 0.0;

    /** Length of the step that both were seen in, s. */
    private float $sharedIn = 0.0;

    /** Stages since. */
    private int $since = 0;

    /**
     * @param float $reference K, which rises are counted from
     * @param float $tolerance K
     * @param list<ControlState> $controls
     * @param list<int> $followed cells of air that follows, which stores no heat
     */
    public function __construct(private readonly HeatInTime $heat, public readonly StoredHeat $stored, private readonly float $reference, private readonly float $tolerance, private readonly array $controls, private readonly array $followed)
    {
        $correction = TimeSettings::LEFT_OPEN * TimeSettings::SHARE * $tolerance;
        $this->accuracy = $stored->melts() ? new Accuracy(TimeSettings::RESIDUAL_MELTING, mostIterations: TimeSettings::MOST_ITERATIONS) : new Accuracy(0.0, mostIterations: TimeSettings::MOST_ITERATIONS, correction: $correction);
    }

    /** Of the linear equations, in all. */
    public function iterations(): int
    {
        return $this->iterations;
    }

    /**
     * Heat at a moment after which loads are other than before, or what flows is another air.
     *
     * @param array<int, float> $x rises, K by padded cell
     * @param bool $isOtherAir whether the air is another one; what stores no heat is then as warm as its flow was computed
     * @throws PhysicsException
     */
    public function begin(float $time, array $x, bool $isOtherAir = false): Moment
    {
        $heat = $this->heat->at($time, false, $this->temperatures($x));
        if (! $this->heat->isComputed()) {
            return new Moment($time, $x, Vectors::scaled(0.0, $x), 0.0, 0.0, $x, 0.0);
        }
        $operator = $heat->operator;
        $air = $isOtherAir ? $heat->air?->cells() ?? [] : [];
        foreach ($air === [] ? [] : $this->followed as $cell) {
            $x[$this->heat->pad() + $cell] = $air[$cell] - $this->reference;
        }
        $watts = array_map(fn (ControlState $control): float => $control->watts, $this->controls);
        $source = $this->source($operator);
        foreach ($this->controls as $control) {
            $source = $control->heat($source, $control->watts);
        }
        $rate = Vectors::combine(1.0, $source, -1.0, $operator->times($x));
        foreach ($this->followed as $cell) {
            // What stores no heat passes on what it takes up.
            $rate[$this->heat->pad() + $cell] = 0.0;
        }

        return new Moment($time, $x, $rate, $operator->system()->watts + $this->given($watts), array_sum($rate), $x, 0.0);
    }

    /**
     * @param float $step s
     * @return ?TimeStep null where what follows the temperatures did not come to rest
     * @throws PhysicsException
     */
    public function attempt(Moment $from, float $step): ?TimeStep
    {
        if (! $this->heat->isComputed()) {
            return new TimeStep($step, $from->x, $from->rate, [], null, [], [0.0, 0.0], [0.0, 0.0]);
        }
        foreach ($this->controls as $control) {
            $control->beginSecond($from->time, $step);
        }
        $storing = 1.0 / ($step * TrBdf2::D);
        $second = $this->stage($from, $step, TrBdf2::SHARE * $step, $from->rate, self::ahead($from, TrBdf2::SHARE * $step));
        if ($second === null) {
            return null;
        }
        $rate = Vectors::combine($storing, $this->stored->between($from->x, $second['x'], $this->reference), -1.0, $from->rate);
        foreach ($this->controls as $control) {
            $control->beginThird($from->time, $step, $control->sensed($second['x']));
        }
        $sum = Vectors::plus($from->rate, 1.0, $rate);
        $guess = Vectors::combine(1.0 / TrBdf2::SHARE, $second['x'], 1.0 - 1.0 / TrBdf2::SHARE, $from->x);
        $third = $this->stage($from, $step, $step, Vectors::scaled(TrBdf2::W / TrBdf2::D, $sum), $guess);
        if ($third === null) {
            return null;
        }
        $end = Vectors::combine($storing, $this->stored->between($from->x, $third['x'], $this->reference), -TrBdf2::W / TrBdf2::D, $sum);
        [$e1, $e2, $e3] = TrBdf2::ERROR;
        $error = Vectors::plus(Vectors::combine($e1 / TrBdf2::D, $from->rate, $e2 / TrBdf2::D, $rate), $e3 / TrBdf2::D, $end);

        return new TimeStep($step, $third['x'], $end, $error, $third['solver'], $third['watts'], [$second['in'], $third['in']], [$second['net'], $third['net']]);
    }

    /**
     * The error of a step, K: the greatest over the cells of its difference from the third-order companion, passed through the
     * matrix of the stages so that stiff parts do not count for more than they are (Hosea & Shampine 1996, eq. 20).
     *
     * @throws PhysicsException
     */
    public function error(TimeStep $step): float
    {
        if ($step->solver === null) {
            return 0.0;
        }
        [$solution] = $step->solver->solve($step->error, array_fill(0, count($step->error), 0.0), new Accuracy(TimeSettings::ERROR_RESIDUAL, mostIterations: TimeSettings::MOST_ITERATIONS));
        $this->iterations += $solution->iterations;

        return Vectors::largest($solution->x);
    }

    /**
     * @param array<int, float> $x rises by padded cell, K
     * @return array<int, float> of the cells, K
     */
    public function temperatures(array $x): array
    {
        return Stencil::inside($x, $this->heat->cells(), $this->reference);
    }

    /** @return array<int, float> rises some time after a moment, K by padded cell, as the step before went on */
    public static function ahead(Moment $from, float $time): array
    {
        $ahead = $from->last > 0.0 ? $time / $from->last : 0.0;

        return $ahead > 0.0 && $ahead < self::AHEAD ? Vectors::combine(1.0 + $ahead, $from->x, -$ahead, $from->before) : $from->x;
    }

    /**
     * One stage, over and over while coefficients follow its temperatures.
     *
     * @param float $after s since the beginning of the step; loads that jump at its end are as before
     * @param array<int, float> $known rates of the stages before, W by padded cell
     * @param array<int, float> $x rises to begin at
     * @return array{x: array<int, float>, solver: StageSolver, watts: list<float>, in: float, net: float}|null
     * @throws PhysicsException
     */
    private function stage(Moment $from, float $step, float $after, array $known, array $x): ?array
    {
        $storing = 1.0 / ($step * TrBdf2::D);
        $phases = $this->stored->phases($x, $this->reference);
        $most = $phases === [] ? TimeSettings::MOST_PASSES : TimeSettings::MOST_PASSES_MELTING;
        $last = INF;
        $this->lengthen($step);
        $this->since++;
        for ($pass = 1; $pass <= $most; $pass++) {
            $heat = $this->heat->at($from->time + $after, true, $this->temperatures($x), $pass === 1 ? $this->near() : 0.0);
            $operator = $heat->operator;
            $source = $this->source($operator);
            [$slope, $beside] = $line = $this->stored->line($from->x, $phases, $this->reference);
            $solver = $this->solver($operator, $step, $slope);
            // M / (h D) times what is stored since the beginning of the step, on a straight line about the present temperatures.
            $right = Vectors::plus(Vectors::plus($known, 1.0, $source), $storing, Vectors::combine(1.0, Vectors::times($slope, $from->x), -1.0, $beside));
            [$solution, $watts] = $solver->solve($right, $x, $this->accuracy, $this->controls);
            $this->iterations += $solution->iterations;
            $x = $solution->x;
            $moved = $heat->isNonlinear ? Vectors::farthest($this->temperatures($x), $heat->temperature) : 0.0;
            $isAtRest = ! $heat->isNonlinear || $this->left($moved, $last, $step) <= TimeSettings::PASS * $this->tolerance;
            $last = $moved;
            $before = $phases;
            $phases = $this->stored->next($phases, $x, $this->reference);
            if ($isAtRest && $phases === $before) {
                return ['x' => $x, 'solver' => $solver, 'watts' => $watts, 'in' => $operator->system()->watts + $this->given($watts), 'net' => $this->net($operator, $source, $x, $watts)];
            }
        }

        return null;
    }

    /**
     * What further passes would still move, K. Coefficients are of temperatures that a pass moves, and each pass moves a share of what
     * the one before did, or a share that falls with it where what follows the temperatures is on its tangent, as radiation is. Before
     * the second pass of a stage both are those of the stages before.
     *
     * @param float $moved K, by the last pass
     * @param float $before K, by the one before it; INF where there was none
     * @param float $step s
     */
    private function left(float $moved, float $before, float $step): float
    {
        if ($before < INF && $before > 0.0) {
            $share = max(min(1.0, $moved / $before), self::LEAST_SHARE);
            [$this->sharedIn, $this->since] = [$step, 0];
            [$this->share, $this->bend] = [max($share, TimeSettings::FORGETS * $this->share), max($share / $before, TimeSettings::FORGETS * $this->bend)];
        }
        $goesOn = TimeSettings::PASS_SAFETY * max($this->share, $this->bend * $moved);

        return $this->isKnown() && $goesOn < 1.0 ? $moved * $goesOn : $moved;
    }

    /** In a longer step what follows the temperatures acts for longer: the share that a pass moves of the one before rises no more than with it. */
    private function lengthen(float $step): void
    {
        if ($step > $this->sharedIn) {
            $times = $this->sharedIn > 0.0 ? $step / $this->sharedIn : 1.0;
            [$this->share, $this->bend, $this->sharedIn] = [$times * $this->share, $times * $this->bend, $step];
        }
    }

    /** How far temperatures may be from those of known coefficients so that a pass with these is likely the last, K. */
    private function near(): float
    {
        $left = TimeSettings::NEAR * TimeSettings::PASS * $this->tolerance;

        return $this->isKnown() ? min($left / (TimeSettings::PASS_SAFETY * $this->share), sqrt($left / (TimeSettings::PASS_SAFETY * $this->bend))) : $left;
    }

    private function isKnown(): bool
    {
        return $this->share > 0.0 && $this->since <= TimeSettings::BELIEVED;
    }

    /** @param list<float> $watts of the controls */
    private function given(array $watts): float
    {
        return array_sum(array_map(fn (ControlState $control, float $own): float => $own * array_sum($control->source), $this->controls, $watts));
    }

    /**
     * W stored in all: what is given and comes from outside, less what leaves.
     *
     * @param array<int, float> $source W by padded cell
     * @param array<int, float> $x
     * @param list<float> $watts of the controls
     */
    private function net(HeatOperator $operator, array $source, array $x, array $watts): float
    {
        return array_sum($source) - $operator->leaving($x) + $this->given($watts);
    }

    /** @return array<int, float> W by padded cell, for rises over the reference of the course */
    private function source(HeatOperator $operator): array
    {
        $shift = $operator->system()->reference - $this->reference;
        $source = $operator->source();

        return $shift === 0.0 ? $source : Vectors::plus($source, $shift, $operator->times($operator->system()->everywhere()));
    }

    /** @param array<int, float> $slope J/K by padded cell */
    private function solver(HeatOperator $operator, float $step, array $slope): StageSolver
    {
        $found = null;
        $others = [];
        foreach ($this->solvers as $solver) {
            if ($found === null && $solver->serves($operator, $slope, $step)) {
                $found = $solver;
            } else {
                $others[] = $solver;
            }
        }
        if ($found === null) {
            $isNear = $this->served > 0 && $this->served < TimeSettings::SERVES && $this->made?->isNear($operator, $slope, $step) === true;
            $this->served = $isNear ? $this->served + 1 : 1;
            $this->made = $found = new StageSolver($operator, $slope, $step, $isNear ? $this->made : null);
        }
        $this->solvers = [...array_slice($others, 1 - self::KEPT), $found];

        return $found;
    }
}
