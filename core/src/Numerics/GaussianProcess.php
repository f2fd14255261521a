<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * A smooth function known at some places of the unit cube, and how well it is known elsewhere: a Gaussian process with a constant mean
 * and a Matern kernel of order 5/2 that has a length of its own for each axis (Rasmussen & Williams, Gaussian Processes for Machine
 * Learning, 2006, algorithm 2.1 and eq. 4.17). The lengths and the share of noise are the likeliest ones, with a broad prior that
 * keeps them in bounds where few places are known.
 */
final readonly class GaussianProcess
{
    /** Bounds and middle of log10 of the lengths, and how far they are expected to lie from the middle. */
    private const LENGTHS = [-1.3, 1.3];

    private const MIDDLE = -0.2;

    private const EXPECTED = 0.5;

    /** The same of the variance of the noise as a share of that of the function: values that a grid moves have some. */
    private const NOISE = [-9.0, -4.0];

    private const FAINT = -7.0;

    private const EXPECTED_NOISE = 1.0;

    /** Steps of the search for the likeliest lengths. */
    private const FIRST_STEP = 0.4;

    private const LAST_STEP = 0.05;

    /**
     * @param list<list<float>> $at places
     * @param list<float> $values
     * @param list<float> $point log10 of the lengths, then of the noise
     * @param list<float> $weights of the kernel at each place
     */
    private function __construct(private array $at, private array $values, private array $point, private float $mean, private float $deviation, private Cholesky $factors, private array $weights)
    {
    }

    /**
     * @param non-empty-list<list<float>> $at places in the unit cube, each once
     * @param non-empty-list<float> $values
     */
    public static function through(array $at, array $values): self
    {
        $point = [...array_fill(0, count($at[0]), self::MIDDLE), self::FAINT];
        [$best, $least] = [null, INF];
        $try = function (array $point) use ($at, $values, &$best, &$least): bool {
            /** @var list<float> $point */
            [$made, $cost] = self::made($at, $values, $point);
            $better = $made !== null && $cost < $least - 1e-9;
            [$best, $least] = $better ? [$made, $cost] : [$best, $least];

            return $better;
        };
        $try($point);
        for ($step = self::FIRST_STEP; $step >= self::LAST_STEP;) {
            $moved = false;
            foreach ($point as $axis => $now) {
                [$low, $high] = $axis === count($point) - 1 ? self::NOISE : self::LENGTHS;
                $by = $axis === count($point) - 1 ? 4.0 * $step : $step;
                foreach ([$now + $by, $now - $by] as $next) {
                    $other = array_replace($point, [$axis => max($low, min($high, $next))]);
                    if ($other !== $point && $try($other)) {
                        [$point, $moved] = [$other, true];

                        break;
                    }
                }
            }
            $step = $moved ? $step : 0.5 * $step;
        }
        assert($best !== null);

        return $best;
    }

    /**
     * The same with a further place, as smooth as before.
     *
     * @param list<float> $place
     */
    public function with(array $place, float $value): self
    {
        return self::made([...$this->at, $place], [...$this->values, $value], $this->point)[0] ?? $this;
    }

    /**
     * @param list<float> $place in the unit cube
     * @return array{float, float} the expected value there, and its standard deviation
     */
    public function at(array $place): array
    {
        $lengths = self::lengths($this->point);
        $kernel = array_map(fn (array $known): float => self::kernel($known, $place, $lengths), $this->at);
        $mean = 0.0;
        foreach ($kernel as $n => $value) {
            $mean += $this->weights[$n] * $value;
        }
        $explained = 0.0;
        foreach ($this->factors->forward($kernel) as $value) {
            $explained += $value * $value;
        }

        return [$this->mean + $mean, $this->deviation * sqrt(max(0.0, 1.0 - $explained))];
    }

    /**
     * The process with given lengths and noise, and minus the logarithm of its likelihood, with the mean and the variance that are likeliest
     * for them.
     *
     * @param non-empty-list<list<float>> $at
     * @param non-empty-list<float> $values
     * @param list<float> $point log10 of the lengths, then of the noise
     * @return array{?self, float}
     */
    private static function made(array $at, array $values, array $point): array
    {
        $noise = 10.0 ** $point[count($point) - 1];
        $lengths = self::lengths($point);
        $rows = [];
        foreach ($at as $i => $one) {
            $row = [];
            for ($j = 0; $j < $i; $j++) {
                $row[] = self::kernel($one, $at[$j], $lengths);
            }
            $rows[] = [...$row, 1.0 + $noise];
        }
        $factors = Cholesky::of($rows);
        if ($factors === null) {
            return [null, INF];
        }
        $count = count($values);
        $ones = $factors->solve(array_fill(0, $count, 1.0));
        $mean = Vectors::dot($ones, $values) / array_sum($ones);
        $rest = array_map(fn (float $value): float => $value - $mean, $values);
        $weights = $factors->solve($rest);
        // Values that are all equal have no variance; what is known of them elsewhere is then very little uncertain.
        $variance = max(1e-24 * ($mean * $mean + 1e-24), Vectors::dot($rest, $weights) / $count);
        $prior = array_sum(array_map(fn (float $length): float => 0.5 * ((log10($length) - self::MIDDLE) / self::EXPECTED) ** 2, $lengths)) + 0.5 * ((log10($noise) - self::FAINT) / self::EXPECTED_NOISE) ** 2;

        return [new self($at, $values, $point, $mean, sqrt($variance), $factors, $weights), 0.5 * ($count * log($variance) + $factors->logDeterminant()) + $prior];
    }

    /**
     * @param list<float> $point
     * @return list<float>
     */
    private static function lengths(array $point): array
    {
        return array_map(fn (float $log): float => 10.0 ** $log, array_slice($point, 0, -1));
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     * @param list<float> $lengths
     */
    private static function kernel(array $a, array $b, array $lengths): float
    {
        $square = 0.0;
        foreach ($lengths as $axis => $length) {
            $by = ($a[$axis] - $b[$axis]) / $length;
            $square += $by * $by;
        }
        $r = sqrt(5.0 * $square);

        return (1.0 + $r + $r * $r / 3.0) * exp(-$r);
    }
}
