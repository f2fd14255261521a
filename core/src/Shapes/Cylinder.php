<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/** A solid circular cylinder along one of the axes; $from and $to are its ends, $centre the other two coordinates in the order x, y, z. */
final readonly class Cylinder implements Shape
{
    /** @param array{float, float} $centre */
    public function __construct(private int $axis, private array $centre, private float $radius, private float $from, private float $to)
    {
    }

    public function kind(): string
    {
        return 'cylinder';
    }

    public function bounds(): Box
    {
        [$a, $b] = $this->centre;
        $r = $this->radius;

        return new Box(Axes::place($this->axis, $this->from, $a - $r, $b - $r), Axes::place($this->axis, $this->to, $a + $r, $b + $r));
    }

    public function planes(int $axis): array
    {
        return [$this->bounds()->min[$axis], $this->bounds()->max[$axis]];
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $point = [$x, $y, $z];
        [$a, $b] = self::across($this->axis);

        return $point[$this->axis] >= $this->from && $point[$this->axis] <= $this->to
            && ($point[$a] - $this->centre[0]) ** 2 + ($point[$b] - $this->centre[1]) ** 2 <= $this->radius ** 2;
    }

    public function volume(): float
    {
        return M_PI * $this->radius ** 2 * ($this->to - $this->from);
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
            return Surface::ofBox($this->bounds(), $this->axis, $face === 'end' ? 1 : -1);
        }
        [$a, $b] = self::across($this->axis);

        return Surface::round(2 * M_PI * $this->radius * ($this->to - $this->from), Axes::unit($a), Axes::unit($b));
    }

    public function features(): array
    {
        [$axis] = self::across($this->axis);

        return [new Feature('diameter', $axis, $this->bounds()->min[$axis], $this->bounds()->max[$axis])];
    }

    public function drawing(): array
    {
        return [['kind' => 'cylinder', 'axis' => $this->axis, 'centre' => $this->centre, 'radius' => $this->radius, 'from' => $this->from, 'to' => $this->to]];
    }

    /** @return array{int, int} */
    private static function across(int $axis): array
    {
        return Axes::across($axis);
    }
}
