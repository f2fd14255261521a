<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;

/** A heat sink: a base plate and equal, equally spaced plate fins that run along one axis and stand on the base. */
final readonly class PlateFins implements Shape
{
    use BoxFaces;

    /** @var 0|1|2 */
    public int $across;

    /** Lumped fins have at least so many gaps. */
    private const FEWEST_LUMPED = 4;

    public int $up;

    private int $upSign;

    public int $along;

    /**
     * @param Box $box base and fins together
     * @param float $base thickness of the base, m
     * @param float $thickness of a fin, m
     * @param ?self $standsFor the fins that these are fewer of, with the same metal, the same clear width and the same outside
     */
    public function __construct(
        private Box $box,
        private FinAxes $axes,
        private float $base,
        public int $count,
        private float $thickness,
        private ?self $standsFor = null,
    ) {
        [$this->up, $this->upSign, $this->along] = [$axes->up, $axes->sign, $axes->along];
        $this->across = Axes::besides($axes->up, $axes->along);
    }

    public function kind(): string
    {
        return 'plateFins';
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    /** Clear width between two fins, m; 0 for a single fin. */
    public function gap(): float
    {
        return $this->count < 2 ? 0.0 : ($this->box->size($this->across) - $this->count * $this->thickness) / ($this->count - 1);
    }

    /** Fewer, thicker fins, one to every cell of this width (m) at most; itself when that leaves nearly all. */
    public function lumped(float $cell): self
    {
        $count = 1 + max(self::FEWEST_LUMPED, (int) ceil($this->box->size($this->across) / $cell));
        if ($count > 0.7 * $this->count) {
            return $this;
        }
        $real = $this->real();

        return new self($this->box, $this->axes, $this->base, $count, $real->thickness * $real->count / $count, $real);
    }

    public function real(): self
    {
        return $this->standsFor ?? $this;
    }

    /** Side walls of the real fins over those of these. */
    public function areaShare(): float
    {
        return ($this->real()->count - 1) / ($this->count - 1);
    }

    /**
     * How far air at a place between the fins has come since it was outside. What moves along the fins or away from the base has
     * come in by their ends, what moves towards the base by their tips.
     *
     * @param array{float, float, float} $centre of a cell, m
     * @param array{float, float, float} $size of the cell, m
     * @param float $along velocity along the fins, and ...
     * @param float $up ... along the axis they stand on, m/s
     * @return array{float, float} m, where it enters the cell and where it leaves it
     */
    public function way(array $centre, array $size, float $along, float $up): array
    {
        $end = $along < 0.0 ? $this->box->max[$this->along] : $this->box->min[$this->along];
        $tip = $this->upSign > 0 ? $this->box->max[$this->up] : $this->box->min[$this->up];
        $down = $up * $this->upSign < 0.0 ? $up * $up : 0.0;
        $upward = $down > 0.0 ? $down / ($down + $along * $along) : 0.0;
        $middle = (1.0 - $upward) * abs($centre[$this->along] - $end) + $upward * abs($centre[$this->up] - $tip);
        $half = 0.5 * ((1.0 - $upward) * $size[$this->along] + $upward * $size[$this->up]);

        return [max(0.0, $middle - $half), $middle + $half];
    }

    /** @return list<Box> the clear space between neighbouring fins */
    public function clearances(): array
    {
        $ends = [$this->baseTop(), $this->upSign > 0 ? $this->box->max[$this->up] : $this->box->min[$this->up]];
        $boxes = [];
        for ($fin = 1; $fin < $this->count; $fin++) {
            $boxes[] = new Box(
                array_replace($this->box->min, [$this->up => min($ends), $this->across => $this->finStart($fin - 1) + $this->thickness]),
                array_replace($this->box->max, [$this->up => max($ends), $this->across => $this->finStart($fin)]),
            );
        }

        return $boxes;
    }

    public function planes(int $axis): array
    {
        [$from, $to] = [$this->box->min[$axis], $this->box->max[$axis]];
        if ($axis === $this->up) {
            return [$from, $this->baseTop(), $to];
        }
        if ($axis !== $this->across) {
            return [$from, $to];
        }
        $planes = [$from, $to];
        for ($fin = 0; $fin < $this->count; $fin++) {
            array_push($planes, $this->finStart($fin), $this->finStart($fin) + $this->thickness);
        }

        return $planes;
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $point = [$x, $y, $z];
        for ($axis = 0; $axis < 3; $axis++) {
            if ($point[$axis] < $this->box->min[$axis] || $point[$axis] > $this->box->max[$axis]) {
                return false;
            }
        }
        if (($point[$this->up] - $this->baseTop()) * $this->upSign <= 0.0) {
            return true;
        }
        $pitch = $this->thickness + $this->gap();
        $offset = $point[$this->across] - $this->finStart(0);

        return $offset >= 0.0 && ($this->count === 1 ? $offset : fmod($offset, $pitch)) <= $this->thickness;
    }

    public function features(): array
    {
        $ends = [$this->baseTop(), $this->upSign > 0 ? $this->box->min[$this->up] : $this->box->max[$this->up]];
        $features = [new Feature('base', $this->up, min($ends), max($ends))];
        for ($fin = 0; $fin < $this->count; $fin++) {
            $features[] = new Feature($this->standsFor === null ? 'fin' : 'fin, several in one', $this->across, $this->finStart($fin), $this->finStart($fin) + $this->thickness);
            if ($fin > 0) {
                $features[] = new Feature($this->standsFor === null ? 'gap' : 'gap, several in one', $this->across, $this->finStart($fin - 1) + $this->thickness, $this->finStart($fin));
            }
        }

        return $features;
    }

    public function drawing(): array
    {
        [$min, $max, $top] = [$this->box->min, $this->box->max, $this->baseTop()];
        $isUp = $this->upSign > 0;
        $boxes = [['kind' => 'box', 'min' => $isUp ? $min : array_replace($min, [$this->up => $top]), 'max' => $isUp ? array_replace($max, [$this->up => $top]) : $max]];
        for ($fin = 0; $fin < $this->count; $fin++) {
            $from = array_replace($min, [$this->across => $this->finStart($fin)]);
            $to = array_replace($max, [$this->across => $this->finStart($fin) + $this->thickness]);
            $boxes[] = ['kind' => 'box', 'min' => $isUp ? array_replace($from, [$this->up => $top]) : $from, 'max' => $isUp ? $to : array_replace($to, [$this->up => $top])];
        }

        return $boxes;
    }

    private function baseTop(): float
    {
        return $this->upSign > 0 ? $this->box->min[$this->up] + $this->base : $this->box->max[$this->up] - $this->base;
    }

    private function finStart(int $fin): float
    {
        if ($this->count === 1) {
            return 0.5 * ($this->box->min[$this->across] + $this->box->max[$this->across] - $this->thickness);
        }

        return $this->box->min[$this->across] + $fin * ($this->thickness + $this->gap());
    }
}
