<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A load against the time: a table of moments and values, in steps or joined by straight lines, once or again and again. SI units. */
final readonly class Schedule
{
    /** Edges that a run can land on. */
    public const MOST_EDGES = 20_000;

    /** Of the time: two moments nearer than this share are one. */
    private const ROUNDING = 1e-12;

    /**
     * @param non-empty-list<array{float, float}> $points s and values, rising in time
     * @param bool $isSteps whether each value holds up to the next moment
     * @param ?float $repeat s, after which the table begins again; null: the last value stays
     */
    public function __construct(public array $points, public bool $isSteps, public ?float $repeat = null)
    {
    }

    /**
     * A train of pulses.
     *
     * @param float $duty share of the period in which it is high, rises and falls taken at half of their height
     * @param float $rise s in which it rises, and falls
     */
    public static function pulses(float $low, float $high, float $period, float $duty, float $rise): self
    {
        return $rise <= 0.0
            ? new self([[0.0, $high], [$duty * $period, $low]], true, $period)
            : new self([[0.0, $low], [$rise, $high], [$duty * $period, $high], [$duty * $period + $rise, $low]], false, $period);
    }

    /** @param bool $before whether a jump at this moment is still to come */
    public function at(float $time, bool $before = false): float
    {
        $nearly = self::ROUNDING * ($time + ($this->repeat ?? 0.0));
        if ($this->repeat !== null) {
            $turns = floor(($time + ($before ? -$nearly : $nearly)) / $this->repeat);
            $time -= max(0.0, $turns) * $this->repeat;
        }
        $time += $before ? -$nearly : $nearly;
        $last = $this->points[0];
        foreach ($this->points as $point) {
            if ($point[0] > $time) {
                return $this->isSteps || $point[0] <= $last[0] ? $last[1] : $last[1] + ($point[1] - $last[1]) * max(0.0, $time - $last[0]) / ($point[0] - $last[0]);
            }
            $last = $point;
        }

        return $last[1];
    }

    /**
     * Where it jumps or bends.
     *
     * @return list<float> s, above 0 and up to a moment; one more than MOST_EDGES where there are too many
     */
    public function edges(float $until): array
    {
        $edges = [];
        $moments = array_column($this->points, 0);
        for ($turn = 0; $turn === 0 || ($this->repeat !== null && $turn * $this->repeat <= $until); $turn++) {
            // Where a table begins again it jumps, whether it has a value there or not.
            foreach ($turn > 0 && $moments[0] > 0.0 ? [0.0, ...$moments] : $moments as $moment) {
                $edge = $turn * ($this->repeat ?? 0.0) + $moment;
                if ($edge > 0.0 && $edge <= $until) {
                    $edges[] = $edge;
                }
            }
            if (count($edges) > self::MOST_EDGES) {
                break;
            }
        }

        return $edges;
    }
}
