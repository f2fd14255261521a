<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/** A polygon extruded along one of the axes; its corners are coordinates along the other two, in the order x, y, z. */
final readonly class Profile implements Shape
{
    /** Walls thinner than this share of the profile want cells. */
    private const THIN = 0.25;

    private Box $box;

    /** @param non-empty-list<array{float, float}> $points m */
    public function __construct(private int $axis, private array $points, private float $from, private float $to)
    {
        $min = $max = [0.0, 0.0, 0.0];
        [$min[$axis], $max[$axis]] = [$from, $to];
        foreach (Axes::across($axis) as $n => $along) {
            $values = array_column($points, $n);
            [$min[$along], $max[$along]] = [min($values), max($values)];
        }
        $this->box = new Box([$min[0], $min[1], $min[2]], [$max[0], $max[1], $max[2]]);
    }

    public function kind(): string
    {
        return 'profile';
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    public function planes(int $axis): array
    {
        if ($axis === $this->axis) {
            return [$this->from, $this->to];
        }
        $n = $axis === Axes::across($this->axis)[0] ? 0 : 1;
        $planes = [$this->box->min[$axis], $this->box->max[$axis]];
        foreach ($this->points as $i => $point) {
            // The grid follows straight edges across the axis; slanted ones become steps.
            $next = $this->points[($i + 1) % count($this->points)];
            if (abs($next[$n] - $point[$n]) <= 1e-9 * $this->box->size($axis)) {
                $planes[] = $point[$n];
            }
        }

        return $planes;
    }

    /** Even-odd rule: a line towards falling first coordinates crosses the outline an odd number of times. */
    public function contains(float $x, float $y, float $z): bool
    {
        $place = [$x, $y, $z];
        [$a, $b] = Axes::across($this->axis);
        [$p, $q] = [$place[$a], $place[$b]];
        if ($place[$this->axis] < $this->from || $place[$this->axis] > $this->to) {
            return false;
        }
        $inside = false;
        [$p1, $q1] = $this->points[count($this->points) - 1];
        foreach ($this->points as [$p2, $q2]) {
            if (($q1 > $q) !== ($q2 > $q) && $p > $p1 + ($q - $q1) / ($q2 - $q1) * ($p2 - $p1)) {
                $inside = ! $inside;
            }
            [$p1, $q1] = [$p2, $q2];
        }

        return $inside;
    }

    public function volume(): float
    {
        $twice = 0.0;
        [$p1, $q1] = $this->points[count($this->points) - 1];
        foreach ($this->points as [$p2, $q2]) {
            $twice += $p1 * $q2 - $p2 * $q1;
            [$p1, $q1] = [$p2, $q2];
        }

        return 0.5 * abs($twice) * ($this->to - $this->from);
    }

    public function faces(): array
    {
        return ['side', 'start', 'end'];
    }

    public function faceTowards(int $axis, int $sign): string
    {
        return $axis !== $this->axis ? 'side' : ($sign > 0 ? 'end' : 'start');
    }

    public function surface(string $face): Surface
    {
        if ($face !== 'side') {
            return Surface::ofBox($this->box, $this->axis, $face === 'end' ? 1 : -1);
        }
        $surface = Surface::none();
        [$p1, $q1] = $this->points[count($this->points) - 1];
        foreach ($this->points as [$p2, $q2]) {
            $edge = hypot($p2 - $p1, $q2 - $q1);
            if ($edge > 0.0) {
                $normal = Axes::place($this->axis, 0.0, ($q2 - $q1) / $edge, ($p1 - $p2) / $edge);
                $surface = $surface->with(Surface::flat($edge * ($this->to - $this->from), $normal));
            }
            [$p1, $q1] = [$p2, $q2];
        }

        return $surface;
    }

    public function features(): array
    {
        $features = [];
        foreach (Axes::across($this->axis) as $axis) {
            $planes = $this->planes($axis);
            sort($planes);
            for ($i = 1; $i < count($planes); $i++) {
                $width = $planes[$i] - $planes[$i - 1];
                if ($width > 1e-9 && $width < self::THIN * $this->box->size($axis)) {
                    $features[] = new Feature('wall', $axis, $planes[$i - 1], $planes[$i]);
                }
            }
        }

        return $features;
    }

    public function drawing(): array
    {
        return [['kind' => 'profile', 'axis' => $this->axis, 'points' => $this->points, 'from' => $this->from, 'to' => $this->to]];
    }
}
