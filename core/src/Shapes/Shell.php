<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Box;

/** A hollow box with walls of one thickness inside its outline. */
final readonly class Shell implements Shape
{
    use BoxFaces;

    public function __construct(private Box $outer, private float $wall)
    {
    }

    public function kind(): string
    {
        return 'shell';
    }

    public function bounds(): Box
    {
        return $this->outer;
    }

    public function planes(int $axis): array
    {
        [$from, $to] = [$this->outer->min[$axis], $this->outer->max[$axis]];

        return [$from, $from + $this->wall, $to - $this->wall, $to];
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $hollow = true;
        foreach ([$x, $y, $z] as $axis => $value) {
            if ($value < $this->outer->min[$axis] || $value > $this->outer->max[$axis]) {
                return false;
            }
            $hollow = $hollow && $value > $this->outer->min[$axis] + $this->wall && $value < $this->outer->max[$axis] - $this->wall;
        }

        return ! $hollow;
    }

    public function features(): array
    {
        return [new Feature('wall', 2, $this->outer->min[2], $this->outer->min[2] + $this->wall)];
    }

    public function drawing(): array
    {
        $boxes = [];
        [$lo, $hi, $t] = [$this->outer->min, $this->outer->max, $this->wall];
        for ($axis = 0; $axis < 3; $axis++) {
            // Walls of a later axis fit between those of the earlier ones, so that nothing is drawn twice.
            $min = $lo;
            $max = $hi;
            for ($done = 0; $done < $axis; $done++) {
                $min[$done] += $t;
                $max[$done] -= $t;
            }
            $boxes[] = ['kind' => 'box', 'wall' => 'xyz'[$axis] . '-', 'min' => $min, 'max' => array_replace($max, [$axis => $lo[$axis] + $t])];
            $boxes[] = ['kind' => 'box', 'wall' => 'xyz'[$axis] . '+', 'min' => array_replace($min, [$axis => $hi[$axis] - $t]), 'max' => $max];
        }

        return $boxes;
    }
}
