<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Anderson acceleration of a fixed-point iteration x -> G(x) over several fields at once (Walker & Ni, SIAM J. Numer. Anal. 49
 * (2011) 1715): the next point is the combination of the last images whose combined step is least. It starts anew when the
 * step grows or the weights become large, so that it cannot do worse than the plain iteration for long.
 */
final class Anderson
{
    private const DEPTH = 6;

    /** The history is dropped when the step has grown by this against the least since the last start. */
    private const GROWTH = 2.0;

    /** The history is dropped as well when its weights sum to more than this: it has become nearly linearly dependent. */
    private const WEIGHTS = 50.0;

    /** @var list<array{list<array<int, float>>, list<array<int, float>>}> changes of the steps and of the images */
    private array $history = [];

    /** @var ?array{list<array<int, float>>, list<array<int, float>>} last step and image */
    private ?array $last = null;

    private float $least = INF;

    /** @param int $plain iterations before it starts */
    public function __construct(private int $plain)
    {
    }

    /**
     * @param list<array<int, float>> $x fields before the iteration
     * @param list<array<int, float>> $image fields after it
     * @param array<int, float> $scale weight of each field in the measure of a step
     * @return list<array<int, float>> fields to go on with
     */
    public function next(array $x, array $image, array $scale): array
    {
        if ($this->plain-- > 0) {
            return $image;
        }
        $step = [];
        foreach ($image as $n => $field) {
            $step[] = Vectors::plus($field, -1.0, $x[$n]);
        }
        $size = sqrt(self::dot($step, $step, $scale));
        if ($size > self::GROWTH * $this->least) {
            $this->restart();
        }
        $this->least = min($this->least, $size);
        if ($this->last !== null) {
            $changes = [[], []];
            foreach ($step as $n => $field) {
                $changes[0][] = Vectors::plus($field, -1.0, $this->last[0][$n]);
                $changes[1][] = Vectors::plus($image[$n], -1.0, $this->last[1][$n]);
            }
            $this->history[] = $changes;
            if (count($this->history) > self::DEPTH) {
                array_shift($this->history);
            }
        }
        $this->last = [$step, $image];
        $weights = $this->weights($step, $scale);
        if (array_sum(array_map(abs(...), $weights)) > self::WEIGHTS) {
            $this->restart();

            return $image;
        }
        foreach ($weights as $j => $weight) {
            foreach ($image as $n => $field) {
                $image[$n] = Vectors::plus($field, -$weight, $this->history[$j][1][$n]);
            }
        }

        return $image;
    }

    private function restart(): void
    {
        $this->history = [];
        $this->last = null;
        $this->least = INF;
    }

    /**
     * Least squares by normal equations, slightly regularised.
     *
     * @param list<array<int, float>> $step
     * @param array<int, float> $scale
     * @return array<int, float>
     */
    private function weights(array $step, array $scale): array
    {
        $m = count($this->history);
        $a = [];
        $b = [];
        for ($i = 0; $i < $m; $i++) {
            for ($j = 0; $j <= $i; $j++) {
                $a[$i][$j] = $a[$j][$i] = self::dot($this->history[$i][0], $this->history[$j][0], $scale);
            }
            $b[] = self::dot($this->history[$i][0], $step, $scale);
        }
        for ($i = 0; $i < $m; $i++) {
            $a[$i][$i] *= 1.0 + 1e-10;
        }
        for ($k = 0; $k < $m; $k++) {
            for ($i = $k + 1; $i < $m; $i++) {
                $factor = $a[$k][$k] > 0.0 ? $a[$i][$k] / $a[$k][$k] : 0.0;
                for ($j = $k; $j < $m; $j++) {
                    $a[$i][$j] -= $factor * $a[$k][$j];
                }
                $b[$i] -= $factor * $b[$k];
            }
        }
        $weights = [];
        for ($i = $m - 1; $i >= 0; $i--) {
            $sum = $b[$i];
            for ($j = $i + 1; $j < $m; $j++) {
                $sum -= $a[$i][$j] * $weights[$j];
            }
            $weights[$i] = $a[$i][$i] > 0.0 ? $sum / $a[$i][$i] : 0.0;
        }
        ksort($weights);

        return array_values($weights);
    }

    /**
     * @param list<array<int, float>> $a
     * @param list<array<int, float>> $b
     * @param array<int, float> $scale
     */
    private static function dot(array $a, array $b, array $scale): float
    {
        $sum = 0.0;
        foreach ($scale as $n => $weight) {
            $sum += $weight * Vectors::dot($a[$n], $b[$n]);
        }

        return $sum;
    }
}
