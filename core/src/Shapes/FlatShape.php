<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/** A device without thickness that lies in a plane across an axis: a rectangle, a disc or a ring. It holds no cell, only faces between them. */
abstract readonly class FlatShape implements Shape
{
    /** @var 0|1|2 */
    public int $axis;

    /** Of the plane along the axis, m. */
    public float $position;

    /** @var array{float, float} along the two axes across, m */
    public array $min;

    /** @var array{float, float} */
    public array $max;

    public bool $round;

    public float $hub;

    public function __construct(protected Outline $outline)
    {
        [$this->axis, $this->position, $this->min, $this->max] = [$outline->axis, $outline->position, $outline->min, $outline->max];
        [$this->round, $this->hub] = [$outline->round, $outline->hub];
    }

    public function bounds(): Box
    {
        [$a, $b] = Axes::across($this->axis);
        $low = $high = [0.0, 0.0, 0.0];
        [$low[$this->axis], $low[$a], $low[$b]] = [$this->position, $this->min[0], $this->min[1]];
        [$high[$this->axis], $high[$a], $high[$b]] = [$this->position, $this->max[0], $this->max[1]];

        return new Box([$low[0], $low[1], $low[2]], [$high[0], $high[1], $high[2]]);
    }

    public function volume(): ?float
    {
        return null;
    }

    public function surface(string $face): Surface
    {
        return Surface::none();
    }

    public function planes(int $axis): array
    {
        $bounds = $this->bounds();

        return $axis === $this->axis ? [$this->position] : [$bounds->min[$axis], $bounds->max[$axis]];
    }

    public function contains(float $x, float $y, float $z): bool
    {
        return false;
    }

    /** Whether a place of the plane belongs to the device. */
    public function covers(float $a, float $b): bool
    {
        return $this->withinOutline($a, $b) && ! $this->withinHub($a, $b);
    }

    public function withinHub(float $a, float $b): bool
    {
        return $this->hub > 0.0 && $this->radius($a, $b) < $this->hub;
    }

    private function withinOutline(float $a, float $b): bool
    {
        $inside = $a >= $this->min[0] && $a <= $this->max[0] && $b >= $this->min[1] && $b <= $this->max[1];

        return $inside && (! $this->round || $this->radius($a, $b) < 1.0);
    }

    /** Distance from the middle as a share of the half axes. */
    private function radius(float $a, float $b): float
    {
        $x = (2 * $a - $this->min[0] - $this->max[0]) / ($this->max[0] - $this->min[0]);
        $y = (2 * $b - $this->min[1] - $this->max[1]) / ($this->max[1] - $this->min[1]);

        return sqrt($x * $x + $y * $y);
    }

    public function faces(): array
    {
        return [];
    }

    public function faceTowards(int $axis, int $sign): string
    {
        return '';
    }

    public function features(): array
    {
        return [];
    }

    public function drawing(): array
    {
        $bounds = $this->bounds();
        if (! $this->round) {
            return [['kind' => 'box', 'min' => $bounds->min, 'max' => $bounds->max]];
        }
        $thickness = 0.02 * ($this->max[0] - $this->min[0]);
        $centre = [0.5 * ($this->min[0] + $this->max[0]), 0.5 * ($this->min[1] + $this->max[1])];

        return [['kind' => 'cylinder', 'axis' => $this->axis, 'centre' => $centre, 'radius' => 0.5 * ($this->max[0] - $this->min[0]),
            'from' => $this->position - $thickness, 'to' => $this->position + $thickness]];
    }
}
