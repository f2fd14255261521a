<?php

declare(strict_types=1);

namespace Foehn\Study\Search;

/**
 * The best of many points by one or two costs: those that no other one is at least as good as in everything. How much a further point
 * would add is the share of the space of costs that it alone is better than, up to a reference (Emmerich, Giannakoglou & Naujoks, IEEE
 * Trans. Evol. Comput. 10 (2006) 421); with one cost it is the improvement itself.
 */
final readonly class Front
{
    /** The reference lies beyond the worst point by this share of the range. */
    private const BEYOND = 0.1;

    /**
     * @param list<list<float>> $points by their first cost
     * @param list<float> $reference
     * @param list<float> $ranges of the costs
     */
    private function __construct(private array $points, private array $reference, private array $ranges)
    {
    }

    /** @param non-empty-array<int, list<float>> $costs of all points */
    public static function of(array $costs): self
    {
        $points = array_map(fn (int $key): array => $costs[$key], self::best($costs));
        usort($points, fn (array $a, array $b): int => $a <=> $b);
        $reference = $ranges = [];
        foreach (array_keys($points[0]) as $aim) {
            $own = array_column($costs, $aim);
            assert($own !== []);
            $range = max($own) - min($own);
            $ranges[] = $range = $range > 0.0 ? $range : max(1e-12, abs($own[0]));
            $reference[] = max($own) + self::BEYOND * $range;
        }

        return new self($points, $reference, $ranges);
    }

    /**
     * @param array<int, list<float>> $costs
     * @return list<int> keys of the points that no other one beats
     */
    public static function best(array $costs): array
    {
        $beaten = function (array $own, int $key) use ($costs): bool {
            foreach ($costs as $other => $cost) {
                $as = array_filter(array_keys($own), fn (int $aim): bool => $cost[$aim] > $own[$aim]) === [];
                if ($as && ($cost !== $own || $other < $key)) {
                    return true;
                }
            }

            return false;
        };

        return array_values(array_filter(array_keys($costs), fn (int $key): bool => ! $beaten($costs[$key], $key)));
    }

    /**
     * What a point would add, as a share of the ranges of the costs.
     *
     * @param list<float> $cost
     */
    public function gain(array $cost): float
    {
        if (count($cost) === 1) {
            return max(0.0, $this->points[0][0] - $cost[0]) / $this->ranges[0];
        }
        [$x, $y] = $cost;
        [$end, $height] = $this->reference;
        $area = 0.0;
        foreach ($this->points as [$next, $then]) {
            if ($next > $x) {
                $area += max(0.0, min($next, $end) - $x) * max(0.0, $height - $y);
                $x = min($next, $end);
            }
            $height = min($height, $then);
        }

        return ($area + max(0.0, $end - $x) * max(0.0, $height - $y)) / ($this->ranges[0] * $this->ranges[1]);
    }
}
