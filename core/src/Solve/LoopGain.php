<?php

declare(strict_types=1);

namespace Foehn\Solve;

/**
 * How strongly temperatures answer themselves where heat follows them: the ratio of one change of theirs to the change before. Below 1 they come
 * to rest, sooner by the sum of the geometric series that their changes are (Aitken, Proc. R. Soc. Edinburgh 46 (1926) 289); from 1 on they run
 * away, and are let go on faster.
 */
final class LoopGain
{
    /** Two gains that differ by less, relative, are taken to stay. */
    private const STAYS = 0.03;

    /** Below this, plain passes are as fast. */
    private const SLOW = 0.4;

    /** Changes that a sum of the series may be ahead by. */
    private const MOST = 300.0;

    /** Changes by which temperatures that run away are let go on. */
    private const ONWARD = 20.0;

    private ?float $change = null;

    private ?float $gain = null;

    /** The last one that stayed, or the last at all while none has. */
    private ?float $latest = null;

    private bool $hasStayed = false;

    public function latest(): ?float
    {
        return $this->latest;
    }

    /**
     * Where the next pass begins.
     *
     * @param ?array<int, float> $before temperatures a pass began with, K
     * @param array<int, float> $after those it ended with, K
     * @return array<int, float> K
     */
    public function next(?array $before, array $after): array
    {
        if ($before === null) {
            return $after;
        }
        $change = array_sum($after) - array_sum($before);
        $last = $this->gain;
        $this->gain = $this->change === null || $this->change === 0.0 ? null : $change / $this->change;
        $this->change = $change;
        $this->latest = $this->hasStayed ? $this->latest : $this->gain ?? $this->latest;
        if (abs($change) <= ConductionSettings::STEADY * count($after) || $last === null || $this->gain === null || abs($this->gain - $last) > self::STAYS * abs($last)) {
            return $after;
        }
        [$this->latest, $this->hasStayed] = [$this->gain, true];
        if ($this->gain < self::SLOW) {
            return $after;
        }
        $ahead = $this->gain < 1.0 ? min(self::MOST, $this->gain / (1.0 - $this->gain)) : self::ONWARD;
        foreach ($after as $i => $value) {
            $after[$i] = $value + $ahead * ($value - $before[$i]);
        }
        $this->change = $this->gain = null;

        return $after;
    }
}
