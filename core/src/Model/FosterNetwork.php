<?php

declare(strict_types=1);

namespace Foehn\Model;

/**
 * The thermal impedance from a part to a junction in it that is not modelled, as a Foster network: the junction is warmer than the
 * part by the sum of rises r with tau r' = R P - r, of the watts P of the part (JESD51-14, 2010, annex).
 */
final readonly class FosterNetwork
{
    /** @param non-empty-list<array{float, float}> $pairs resistance R in K/W and time constant tau in s */
    public function __construct(public array $pairs)
    {
    }

    /** K of the junction over its part at rest. */
    public function rise(float $watts): float
    {
        return $watts * array_sum(array_column($this->pairs, 0));
    }

    /**
     * The rises some time later, while the watts go on a straight line: exact.
     *
     * @param list<float> $rises K, of each pair; empty: of none yet
     * @param float $time s
     * @param float $from W at the beginning
     * @param float $to W at the end
     * @return list<float>
     */
    public function after(array $rises, float $time, float $from, float $to): array
    {
        $after = [];
        foreach ($this->pairs as $n => [$resistance, $tau]) {
            $left = exp(-$time / $tau);
            $after[] = ($rises[$n] ?? 0.0) * $left + $resistance * ($from * (1.0 - $left) + ($to - $from) * (1.0 - $tau / $time * (1.0 - $left)));
        }

        return $after;
    }

    /** @return list<float> K of each pair at rest */
    public function atRest(float $watts): array
    {
        return array_map(fn (array $pair): float => $watts * $pair[0], $this->pairs);
    }
}
