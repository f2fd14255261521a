<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Watch;
use Foehn\Physics\Flow\FlowField;

/** Velocity and pressure at any point, by linear interpolation between the places where they are computed. */
final class FlowProbe
{
    public function __construct(private readonly FlowField $flow)
    {
    }

    /**
     * What a watch of the flow sees, in m/s or Pa.
     *
     * @param array{float, float, float} $point m
     */
    public function value(string $quantity, array $point): ?float
    {
        return match ($quantity) {
            'pressure' => $this->pressure($point),
            'speed' => $this->speed($point),
            default => $this->velocity((int) array_search($quantity, Watch::AT_POINTS, true), $point),
        };
    }

    /**
     * Component of the velocity along an axis, m/s. Beyond the last cell centre before a side it goes to the side's own value:
     * that of the wall or inlet, or unchanged where the side slips or is open.
     *
     * @param array{float, float, float} $point m
     */
    public function velocity(int $axis, array $point): float
    {
        $layout = $this->flow->domain->layout;
        $places = [];
        foreach ([0, 1, 2] as $a) {
            $lines = $layout->grid->lines[$a];
            $nodes = $a === $axis ? $lines : [$lines[0], ...$layout->grid->centres[$a], $lines[count($lines) - 1]];
            $places[] = self::between($nodes, $point[$a]);
        }

        return $this->interpolate($places, fn (int $i, int $j, int $k) => $this->component($axis, [$i, $j, $k]));
    }

    /** @param array{float, float, float} $point m */
    public function speed(array $point): float
    {
        return sqrt($this->velocity(0, $point) ** 2 + $this->velocity(1, $point) ** 2 + $this->velocity(2, $point) ** 2);
    }

    /**
     * Pa relative to the surroundings; null inside a solid. Beyond the last cell centre before a side the pressure goes on as straight as
     * between the last two, since it is computed in centres alone.
     *
     * @param array{float, float, float} $point m
     */
    public function pressure(array $point): ?float
    {
        $layout = $this->flow->domain->layout;
        $place = [];
        $places = [];
        foreach ([0, 1, 2] as $a) {
            $place[] = $layout->grid->locate($a, $point[$a]) + 1;
            [$low, $weight] = self::between($layout->grid->centres[$a], $point[$a], beyond: true);
            $places[] = [$low + 1, $weight];
        }
        $own = $layout->index(...$place);
        if ($this->flow->domain->fluid[$own] === 0) {
            return null;
        }

        return $this->interpolate($places, function (int $i, int $j, int $k) use ($layout, $own): float {
            $c = $layout->index($i, $j, $k);

            return $this->flow->pressure[$this->flow->domain->fluid[$c] === 1 ? $c : $own];
        });
    }

    /** @param array{int, int, int} $place */
    private function component(int $axis, array $place): float
    {
        $layout = $this->flow->domain->layout;
        $cells = $layout->grid->cells;
        $within = fn (int $a, int $i): int => max(1, min($cells[$a], $i));
        $inner = [$within(0, $place[0]), $within(1, $place[1]), $within(2, $place[2])];
        foreach ([0, 1, 2] as $a) {
            $beside = $inner;
            $beside[$a] = $place[$a];
            // Beside a side that slips the fluid moves as in the last cell before it, in an edge where two of them meet as well.
            if ($a !== $axis && $place[$a] !== $inner[$a] && $this->flow->domain->noSlip[$layout->index(...$beside)] === 0.0) {
                $place[$a] = $inner[$a];
            }
        }

        return $this->flow->velocity[$axis][$layout->index(...$place)];
    }

    /**
     * Where a place lies among rising nodes.
     *
     * @param array<int, float> $nodes
     * @param bool $beyond whether the share may lie below 0 and above 1 beyond the ends
     * @return array{int, float} lower node, and the share of the way to the next
     */
    public static function between(array $nodes, float $x, bool $beyond = false): array
    {
        $last = count($nodes) - 1;
        if ($last < 1) {
            return [0, 0.0];
        }
        $low = 0;
        while ($low < $last - 1 && $nodes[$low + 1] <= $x) {
            $low++;
        }

        $share = ($x - $nodes[$low]) / ($nodes[$low + 1] - $nodes[$low]);

        return [$low, $beyond ? $share : max(0.0, min(1.0, $share))];
    }

    /**
     * @param list<array{int, float}> $places
     * @param callable(int, int, int): float $value
     */
    private function interpolate(array $places, callable $value): float
    {
        $sum = 0.0;
        foreach ([0, 1] as $i) {
            foreach ([0, 1] as $j) {
                foreach ([0, 1] as $k) {
                    $weight = 1.0;
                    foreach ([$i, $j, $k] as $a => $up) {
                        $weight *= $up === 1 ? $places[$a][1] : 1.0 - $places[$a][1];
                    }
                    if ($weight !== 0.0) {
                        $sum += $weight * $value($places[0][0] + $i, $places[1][0] + $j, $places[2][0] + $k);
                    }
                }
            }
        }

        return $sum;
    }
}
