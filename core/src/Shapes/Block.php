<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Box;

/** A solid box; also the body of a board. */
final readonly class Block implements Shape
{
    use BoxFaces;

    public function __construct(private Box $box, private string $kind = 'block')
    {
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    public function planes(int $axis): array
    {
        return [$this->box->min[$axis], $this->box->max[$axis]];
    }

    public function contains(float $x, float $y, float $z): bool
    {
        [$x0, $y0, $z0] = $this->box->min;
        [$x1, $y1, $z1] = $this->box->max;

        return $x >= $x0 && $x <= $x1 && $y >= $y0 && $y <= $y1 && $z >= $z0 && $z <= $z1;
    }

    public function features(): array
    {
        $thin = 0;
        for ($axis = 1; $axis < 3; $axis++) {
            if ($this->box->size($axis) < $this->box->size($thin)) {
                $thin = $axis;
            }
        }

        return [new Feature('thickness', $thin, $this->box->min[$thin], $this->box->max[$thin])];
    }

    public function drawing(): array
    {
        return [['kind' => 'box', 'min' => $this->box->min, 'max' => $this->box->max]];
    }
}
