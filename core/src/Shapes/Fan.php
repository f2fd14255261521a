<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A fan in a plane, with its curve of pressure rise against volume flow. */
final readonly class Fan extends FlatShape
{
    /** @var non-empty-list<array{float, float}> volume flow (m3/s, rising) and pressure rise (Pa) at full speed */
    public array $curve;

    /** Fraction of the full speed. */
    public float $speedFactor;

    /**
     * @param int $direction +1 blows towards rising coordinates, -1 the other way
     * @param float $swirl mean speed around the axis of what leaves, over that along it; positive turns right-handed about the way it blows
     */
    public function __construct(Outline $outline, public int $direction, private FanCurve $given, public float $swirl = 0.0)
    {
        parent::__construct($outline);
        [$this->curve, $this->speedFactor] = [$given->points, $given->speedFactor];
    }

    public function kind(): string
    {
        return 'fan';
    }

    /** The fan in a fluid of a density in kg/m3 (see FanCurve). */
    public function in(float $density): self
    {
        return new self($this->outline, $this->direction, $this->given->in($density), $this->swirl);
    }

    /** The fan at a share of its full speed. */
    public function at(float $speed): self
    {
        return new self($this->outline, $this->direction, new FanCurve($this->given->points, $speed, $this->given->density), $this->swirl);
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
