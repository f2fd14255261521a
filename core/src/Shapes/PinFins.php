<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/** A heat sink: a base plate with equal, equally spaced pins in rows, round or square, that stand on it. */
final readonly class PinFins implements Shape
{
    use BoxFaces;

    /** @var array{int, int} the two axes of the base */
    private array $across;

    /**
     * @param Box $box base and pins together
     * @param int $up axis the pins stand along, $upSign its direction
     * @param float $base thickness of the base, m
     * @param array{int, int} $count of pins along the two axes of the base
     * @param float $width diameter of a round pin, side of a square one, m
     */
    public function __construct(private Box $box, private int $up, private int $upSign, private float $base, private array $count, private float $width, private bool $round)
    {
        $this->across = Axes::across($up);
    }

    public function kind(): string
    {
        return 'pinFins';
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    public function planes(int $axis): array
    {
        $planes = [$this->box->min[$axis], $this->box->max[$axis]];
        if ($axis === $this->up) {
            return [...$planes, $this->baseTop()];
        }
        for ($pin = 0; $pin < $this->count[$this->nth($axis)]; $pin++) {
            array_push($planes, $this->start($axis, $pin), $this->start($axis, $pin) + $this->width);
        }

        return $planes;
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $point = [$x, $y, $z];
        foreach ([0, 1, 2] as $axis) {
            if ($point[$axis] < $this->box->min[$axis] || $point[$axis] > $this->box->max[$axis]) {
                return false;
            }
        }
        if (($point[$this->up] - $this->baseTop()) * $this->upSign <= 0.0) {
            return true;
        }
        $distance = [];
        foreach ($this->across as $n => $axis) {
            $offset = $point[$axis] - $this->start($axis, 0);
            $pitch = $this->pitch($axis);
            $within = $this->count[$n] === 1 ? $offset : $offset - $pitch * max(0.0, min($this->count[$n] - 1.0, floor($offset / $pitch)));
            $distance[] = abs($within - 0.5 * $this->width);
        }

        return $this->round ? hypot(...$distance) <= 0.5 * $this->width : max($distance) <= 0.5 * $this->width;
    }

    public function surface(string $face): Surface
    {
        [$axis, $sign] = self::direction($face);
        if (! $this->round || $axis === $this->up) {
            return Surface::ofBox($this->box, $axis, $sign);
        }
        $height = $this->box->size($this->up) - $this->base;
        $pins = Surface::round(M_PI * $this->width * $height * $this->count[0] * $this->count[1], Axes::unit($this->across[0]), Axes::unit($this->across[1]));

        return Surface::ofBox($this->basePlate(), $axis, $sign)->with($pins->towards($axis, $sign));
    }

    public function features(): array
    {
        $ends = [$this->baseTop(), $this->upSign > 0 ? $this->box->min[$this->up] : $this->box->max[$this->up]];
        $features = [new Feature('base', $this->up, min($ends), max($ends))];
        foreach ($this->across as $n => $axis) {
            for ($pin = 0; $pin < $this->count[$n]; $pin++) {
                $features[] = new Feature('pin', $axis, $this->start($axis, $pin), $this->start($axis, $pin) + $this->width, $this->round ? 2 : 1);
            }
        }

        return $features;
    }

    public function drawing(): array
    {
        [$min, $max, $top] = [$this->box->min, $this->box->max, $this->baseTop()];
        $plate = $this->basePlate();
        $pieces = [['kind' => 'box', 'min' => $plate->min, 'max' => $plate->max]];
        [$from, $to] = $this->upSign > 0 ? [$top, $max[$this->up]] : [$min[$this->up], $top];
        for ($i = 0; $i < $this->count[0]; $i++) {
            for ($j = 0; $j < $this->count[1]; $j++) {
                $low = [$this->start($this->across[0], $i), $this->start($this->across[1], $j)];
                $corner = array_replace($min, [$this->up => $from, $this->across[0] => $low[0], $this->across[1] => $low[1]]);
                $pieces[] = $this->round
                    ? ['kind' => 'cylinder', 'axis' => $this->up, 'centre' => [$low[0] + 0.5 * $this->width, $low[1] + 0.5 * $this->width], 'radius' => 0.5 * $this->width, 'from' => $from, 'to' => $to]
                    : ['kind' => 'box', 'min' => $corner, 'max' => array_replace($corner, [$this->up => $to, $this->across[0] => $low[0] + $this->width, $this->across[1] => $low[1] + $this->width])];
            }
        }

        return $pieces;
    }

    private function basePlate(): Box
    {
        [$min, $max] = [$this->box->min, $this->box->max];

        return $this->upSign > 0 ? new Box($min, Axes::replaced($max, $this->up, $this->baseTop())) : new Box(Axes::replaced($min, $this->up, $this->baseTop()), $max);
    }

    private function nth(int $axis): int
    {
        return $axis === $this->across[0] ? 0 : 1;
    }

    private function pitch(int $axis): float
    {
        return ($this->box->size($axis) - $this->width) / max(1, $this->count[$this->nth($axis)] - 1);
    }

    private function start(int $axis, int $pin): float
    {
        return $this->count[$this->nth($axis)] === 1
            ? 0.5 * ($this->box->min[$axis] + $this->box->max[$axis] - $this->width)
            : $this->box->min[$axis] + $pin * $this->pitch($axis);
    }

    private function baseTop(): float
    {
        return $this->upSign > 0 ? $this->box->min[$this->up] + $this->base : $this->box->max[$this->up] - $this->base;
    }
}
