<?php

declare(strict_types=1);

namespace Foehn\Solve;

/**
 * Whether the hottest places of the parts and what is watched of the flow stand still, from looks at them along a run. Flows
 * around parts rarely settle to the last digit; what they are asked for does long before.
 */
final class Steadiness
{
    /** Between two looks temperatures stay within this share of the largest rise, ... */
    private const STAY = 0.003;

    /** ... and what is left to come, if every move is to the next as the last two were, is at most this share of it. */
    private const REMAINS = 0.005;

    private const SLOWEST = 0.95;

    /** Temperatures that only go to and fro are seen over so many looks; less than this share of the rise is no move. */
    private const SEEN = 4;

    private const STANDS = 5e-4;

    /** Watched velocities and pressures stay within this share of the greatest speed and of the spread of the pressure. */
    private const WATCHES_STAY = 0.01;

    /** @var list<list<float>> greatest temperature of each part at the last looks, K */
    private array $seen = [];

    /** @var list<float> watched velocities and pressures at the last look, as shares */
    private array $watched = [];

    /** What the last look saw move most, as a share of the largest temperature rise. */
    private ?float $moved = null;

    /** @return list<float> greatest temperature of each part at the last look, K */
    public function temperatures(): array
    {
        return $this->seen === [] ? [] : $this->seen[count($this->seen) - 1];
    }

    public function moved(): ?float
    {
        return $this->moved;
    }

    /**
     * @param list<float> $temperatures greatest one of each part, K
     * @param list<float> $watched velocities and pressures, as shares
     * @return bool whether they stand still since the last look
     */
    public function look(array $temperatures, float $ambient, array $watched): bool
    {
        $last = $this->temperatures();
        [$lastWatched, $this->watched] = [$this->watched, $watched];
        $this->seen = array_slice([...$this->seen, $temperatures], -self::SEEN);
        if ($last === []) {
            return false;
        }
        $rise = max(1e-300, max(array_map(fn (float $t) => abs($t - $ambient), $temperatures)));
        $before = $this->moved;
        $this->moved = self::largestMove($temperatures, $last) / $rise;
        if ($before === null || self::largestMove($watched, $lastWatched) > self::WATCHES_STAY) {
            return false;
        }

        return $this->settle($before) || $this->wander($rise);
    }

    /** Whether the moves become smaller so fast that little is left to come. */
    private function settle(float $before): bool
    {
        $ratio = min(self::SLOWEST, (float) $this->moved / max($before, 1e-300));

        return $this->moved <= self::STAY && $this->moved * $ratio / (1.0 - $ratio) <= self::REMAINS;
    }

    /**
     * Whether the temperatures go to and fro in a narrow band, as under a jet that never stands quite still: over the last looks none
     * leaves it, and none that moves at all keeps one direction.
     */
    private function wander(float $rise): bool
    {
        if (count($this->seen) < self::SEEN) {
            return false;
        }
        foreach (array_keys($this->seen[0]) as $part) {
            $values = array_column($this->seen, $part);
            $range = (max($values) - min($values)) / $rise;
            $ascending = $values;
            sort($ascending);
            if ($range > self::STAY || ($range > self::STANDS && ($values === $ascending || array_reverse($values) === $ascending))) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<float> $now
     * @param list<float> $before
     */
    private static function largestMove(array $now, array $before): float
    {
        return max([0.0, ...array_map(fn (float $a, float $b) => abs($a - $b), $now, $before)]);
    }
}
