<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Vectors;

/**
 * Whether the hottest places of the parts, the ways of the heat and what is watched of the flow stand still, from looks at them
 * along a run. Flows around parts rarely settle to the last digit; what they are asked for does long before.
 */
final class Steadiness
{
    /** @var array<int, float> greatest temperature of each part at the last look, K */
    private array $temperatures = [];

    /** @var list<array<int, float>> at the last looks these, K, and the ways of the heat, W */
    private array $seen = [];

    /** @var array<int, float> what else is watched at the last look, as shares */
    private array $watched = [];

    /** What the last look saw move most, as a share of the largest temperature rise or heat. */
    private ?float $moved = null;

    /** The same at the look before that. */
    private ?float $before = null;

    /** What else is watched moved at most by this share between the last two looks. */
    private float $watchedMoved = INF;

    private bool $stands = false;

    /** @return array<int, float> greatest temperature of each part at the last look, K */
    public function temperatures(): array
    {
        return $this->temperatures;
    }

    public function moved(): ?float
    {
        return $this->moved;
    }

    /** What moved most between the last two looks, whatever is watched; null before there are two. */
    public function movedMost(): ?float
    {
        return $this->moved === null ? null : max($this->moved, $this->watchedMoved);
    }

    /**
     * @param array<int, float> $temperatures greatest one of each part, K
     * @param array<int, float> $ways what leaves through each part and side whose temperature is given, W
     * @param array<int, float> $watched velocities, pressures, flows and heat, as shares
     * @param float $pace how far steps go between looks, as a share of undamped ones: what creeps must move less to stand
     */
    public function look(array $temperatures, float $ambient, array $ways, array $watched, float $pace = 1.0): void
    {
        $last = $this->seen === [] ? null : $this->seen[count($this->seen) - 1];
        [$lastWatched, $this->watched] = [$this->watched, $watched];
        $this->temperatures = $temperatures;
        $rise = max([1e-300, ...array_map(fn (float $t) => abs($t - $ambient), $temperatures)]);
        $heat = max([1e-300, ...array_map(abs(...), $ways)]);
        $now = [...$temperatures, ...$ways];
        $scales = [...array_fill(0, count($temperatures), $rise), ...array_fill(0, count($ways), $heat)];
        $this->seen = array_slice([...$this->seen, $now], -SteadinessSettings::SEEN);
        $this->stands = false;
        if ($last === null) {
            return;
        }
        $this->before = $before = $this->moved;
        $this->moved = self::largestMove($now, $last, $scales);
        $this->watchedMoved = self::largestMove($watched, $lastWatched, array_fill(0, count($watched), 1.0));
        $this->stands = $before !== null
            && $this->watchedMoved <= $pace * SteadinessSettings::WATCHES_STAY
            && ($this->settle($before, $pace) || $this->wander($scales, $pace));
    }

    /**
     * What is left to come, as a share: of moves that become smaller the rest of their row, of those that go to and fro the last. 1 where there are too few looks to tell.
     */
    public function open(): float
    {
        return $this->moved === null || $this->before === null ? 1.0 : $this->moved * max(1.0, self::rest($this->moved, $this->before));
    }

    /** Sum of the moves to come over the last one, if every move is to the next as the last two were. */
    private static function rest(float $moved, float $before): float
    {
        $ratio = min(SteadinessSettings::SLOWEST, $moved / max($before, 1e-300));

        return $ratio / (1.0 - $ratio);
    }

    /** Whether all of it stood still between the last looks. */
    public function stands(): bool
    {
        return $this->stands;
    }

    /** Whether the moves become smaller so fast that little is left to come. */
    private function settle(float $before, float $pace): bool
    {
        return $this->moved <= $pace * SteadinessSettings::STAY && $before <= $pace * SteadinessSettings::STAYED && $this->moved * self::rest((float) $this->moved, $before) <= SteadinessSettings::REMAINS;
    }

    /**
     * Whether all of it goes to and fro in a narrow band, as under a jet that never stands quite still: over the last looks none
     * leaves it, and none that moves at all keeps one direction.
     *
     * @param array<int, float> $scales
     */
    private function wander(array $scales, float $pace): bool
    {
        if (count($this->seen) < SteadinessSettings::SEEN) {
            return false;
        }
        foreach (array_keys($this->seen[0]) as $n) {
            $values = array_column($this->seen, $n);
            $range = Vectors::spread($values) / $scales[$n];
            $ascending = $values;
            sort($ascending);
            if ($range > $pace * SteadinessSettings::STAY || ($range > $pace * SteadinessSettings::STANDS && ($values === $ascending || array_reverse($values) === $ascending))) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<int, float> $now
     * @param array<int, float> $before
     * @param array<int, float> $scales
     */
    private static function largestMove(array $now, array $before, array $scales): float
    {
        return max([0.0, ...array_map(fn (float $a, float $b, float $scale) => abs($a - $b) / $scale, $now, $before, $scales)]);
    }
}
