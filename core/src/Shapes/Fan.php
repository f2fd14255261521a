<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A fan in a plane, with its curve of pressure rise against volume flow. */
final readonly class Fan extends FlatShape
{
    /**
     * @param array{float, float} $min
     * @param array{float, float} $max
     * @param int $direction +1 blows towards rising coordinates, -1 the other way
     * @param non-empty-list<array{float, float}> $curve volume flow (m3/s, rising) and pressure rise (Pa) at full speed
     * @param float $speedFactor share of the full speed
     * @param float $swirl mean speed around the axis of what leaves, over that along it; positive turns right-handed about the way it blows
     * @param ?float $curveDensity of the air the curve was measured in, kg/m3; null: the curve holds in the air it blows
     */
    public function __construct(
        int $axis,
        float $position,
        array $min,
        array $max,
        bool $round,
        float $hub,
        public int $direction,
        public array $curve,
        public float $speedFactor,
        public float $swirl = 0.0,
        private ?float $curveDensity = null,
    ) {
        parent::__construct($axis, $position, $min, $max, $round, $hub);
    }

    public function kind(): string
    {
        return 'fan';
    }

    /** The fan in a fluid of a density in kg/m3: the flows of its curve stay, the pressures go with the density (fan laws). */
    public function in(float $density): self
    {
        $times = $this->curveDensity === null ? 1.0 : $density / $this->curveDensity;
        $curve = array_map(fn (array $point): array => [$point[0], $times * $point[1]], $this->curve);

        return new self($this->axis, $this->position, $this->min, $this->max, $this->round, $this->hub, $this->direction, $curve, $this->speedFactor, $this->swirl);
    }

    /** Last volume flow of the curve, m3/s: blowing freely, where the curve ends at no pressure. */
    public function freeFlow(): float
    {
        return $this->curve[count($this->curve) - 1][0] * $this->speedFactor;
    }

    /**
     * Pressure rise at a volume flow, Pa, and its slope, Pa/(m3/s). Flow scales with speed, pressure with its square (fan laws).
     * Beyond its ends the curve goes on along its first and last piece, so that a fan blown through brakes the flow.
     *
     * @return array{float, float}
     */
    public function rise(float $flow): array
    {
        $speed = max($this->speedFactor, 1e-6);
        $at = $flow / $speed;
        $last = count($this->curve) - 1;
        if ($last === 0) {
            return [$this->curve[0][1] * $speed ** 2, 0.0];
        }
        $piece = 0;
        while ($piece < $last - 1 && $at > $this->curve[$piece + 1][0]) {
            $piece++;
        }
        [[$q0, $p0], [$q1, $p1]] = [$this->curve[$piece], $this->curve[$piece + 1]];
        $slope = ($p1 - $p0) / ($q1 - $q0);

        return [($p0 + $slope * ($at - $q0)) * $speed ** 2, $slope * $speed];
    }
}
