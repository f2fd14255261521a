<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

/**
 * Every grid face at which a part ends: towards another part, the fluid, a side of the space, or nothing.
 * One array per property, one entry per face and part. What heats, surface temperatures and routes are read off here.
 */
final class FaceRecords
{
    /** Share of the resistance to a given temperature that may lie beyond the surface. */
    private const HELD = 1e-9;

    /** @var list<int> index of the part */
    public array $part = [];

    /** @var list<int> 2 * axis + (1 when the part ends towards rising coordinates) */
    public array $direction = [];

    /** @var list<int> */
    public array $cell = [];

    /** @var list<float> m2 */
    public array $area = [];

    /** @var list<float> resistance times area between the cell's centre and the surface, m2K/W */
    public array $half = [];

    /** @var list<float> W/K towards the other cell or the ambient */
    public array $conductance = [];

    /** @var list<int> cell beyond the face; -1 for an ambient */
    public array $other = [];

    /** @var list<int> part beyond the face; -1 for fluid, nothing or a side */
    public array $otherPart = [];

    /** @var list<float> K */
    public array $ambient = [];

    /** @var list<float> W given into the model at the face */
    public array $heat = [];

    /** @var list<int> side of the space (0 .. 5), or -1 */
    public array $side = [];

    /** @var list<int> patch of that side, or -1 */
    public array $patch = [];

    public function add(int $part, int $direction, int $cell, float $area, float $half, float $conductance, int $other, int $otherPart, float $ambient, float $heat, int $side, int $patch): void
    {
        $this->part[] = $part;
        $this->direction[] = $direction;
        $this->cell[] = $cell;
        $this->area[] = $area;
        $this->half[] = $half;
        $this->conductance[] = $conductance;
        $this->other[] = $other;
        $this->otherPart[] = $otherPart;
        $this->ambient[] = $ambient;
        $this->heat[] = $heat;
        $this->side[] = $side;
        $this->patch[] = $patch;
    }

    public function count(): int
    {
        return count($this->part);
    }

    /** Whether the surface has a given temperature at face $f, and not only something behind a film. */
    public function isHeld(int $f): bool
    {
        return $this->other[$f] < 0 && $this->conductance[$f] > 0.0 && $this->conductance[$f] * $this->half[$f] > (1.0 - self::HELD) * $this->area[$f];
    }

    /**
     * Heat leaving the part through face $f, W.
     *
     * @param list<float> $temperature of the cells, K
     */
    public function heatOut(int $f, array $temperature): float
    {
        $beyond = $this->other[$f] >= 0 ? $temperature[$this->other[$f]] : $this->ambient[$f];

        return $this->conductance[$f] * ($temperature[$this->cell[$f]] - $beyond) - $this->heat[$f];
    }

    /**
     * Temperature of the part's surface at face $f, K.
     *
     * @param list<float> $temperature of the cells, K
     */
    public function surfaceTemperature(int $f, array $temperature): float
    {
        return $temperature[$this->cell[$f]] - $this->heatOut($f, $temperature) * $this->half[$f] / $this->area[$f];
    }
}
