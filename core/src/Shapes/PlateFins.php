<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Model\Box;

/** A heat sink: a base plate and equal, equally spaced plate fins that run along one axis and stand on the base. */
final readonly class PlateFins implements Shape
{
    use BoxFaces;

    private int $across;

    /**
     * @param Box $box base and fins together
     * @param int $up axis the fins stand along, $upSign its direction
     * @param int $along axis the fins run along
     * @param float $base thickness of the base, m
     * @param float $thickness of a fin, m
     */
    public function __construct(
        private Box $box,
        private int $up,
        private int $upSign,
        private int $along,
        private float $base,
        private int $count,
        private float $thickness,
    ) {
        $this->across = 3 - $up - $along;
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
            $features[] = new Feature('fin', $this->across, $this->finStart($fin), $this->finStart($fin) + $this->thickness);
            if ($fin > 0) {
                $features[] = new Feature('gap', $this->across, $this->finStart($fin - 1) + $this->thickness, $this->finStart($fin));
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
