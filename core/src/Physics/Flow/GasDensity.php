<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\Fluid;

use Foehn\Numerics\Vectors;

/**
 * The density of a gas in what it carries: ideal gas at the pressure of the surroundings, and in a closed space at the pressure
 * at which it holds the gas that filled it when it was at rest. While temperatures differ little from the surroundings the density
 * counts as constant there, and only its weight drives the flow (Boussinesq; Gray & Giorgini, Int. J. Heat Mass Transfer 19 (1976) 545).
 */
final class GasDensity
{
    /** Change of the density, as a share, from which on it counts everywhere: 0.1 is where the approximation of Boussinesq is said to end. */
    private const FROM = 0.1;

    /** Temperatures beyond these multiples of that of the surroundings count as these. */
    private const COLDEST = 0.25;

    private const HOTTEST = 10.0;

    private bool $varies = false;

    /** @var ?array<int, float> */
    private ?array $inCells = null;

    /** Pressure of the gas in a closed space over that of the surroundings. */
    private float $pressureRatio = 1.0;

    /** Whether no gas gets in or out. */
    private readonly bool $closed;

    public function __construct(private readonly FlowDomain $domain, private readonly Fluid $fluid, private readonly bool $heat)
    {
        $this->closed = $domain->openings === [];
    }

    /** Whether temperatures can change it at all. */
    public function mayVary(): bool
    {
        return $this->fluid->gas && $this->heat;
    }

    public function varies(): bool
    {
        return $this->varies;
    }

    /** @return ?array<int, float> kg/m3 at the last temperatures, in the layout of the flow; null while the density counts as constant */
    public function inCells(): ?array
    {
        return $this->inCells;
    }

    /** Pressure of the gas over that of the surroundings; 1 in an open space. */
    public function pressureRatio(): float
    {
        return $this->pressureRatio;
    }

    /**
     * Density at the present temperatures for the mass that passes the faces of a level.
     *
     * @param array<int, float> $temperature K, in the layout of the flow
     */
    public function update(FlowLevel $level, array $temperature): void
    {
        if (! $this->mayVary()) {
            return;
        }
        [$ratio, $sum, $largest] = [array_fill(0, $this->domain->layout->length, 1.0), 0.0, 0.0];
        foreach ($this->domain->fluid as $c => $fluid) {
            if ($fluid === 1) {
                $ratio[$c] = $this->ratio($temperature[$c]);
                $sum += $ratio[$c] * $level->volume[$c];
                $largest = max($largest, abs($ratio[$c] - 1.0));
            }
        }
        foreach ($this->domain->openings as $opening) {
            foreach ($opening->temperatures as $t) {
                $largest = max($largest, abs($this->ratio($t) - 1.0));
            }
        }
        $this->varies = $this->varies || $largest > self::FROM;
        if (! $this->varies || $sum <= 0.0) {
            return;
        }
        $this->pressureRatio = $this->closed ? array_sum($level->volume) / $sum : 1.0;
        $this->inCells = Vectors::scaled($level->density * $this->pressureRatio, $ratio);
        foreach ([0, 1, 2] as $axis) {
            $level->carrying[$axis] = self::carrying(
                $this->domain->layout->pad, $this->domain->layout->length - $this->domain->layout->pad, $this->domain->layout->stride[$axis],
                $level->area[$axis], $ratio, 0.5 * $level->density * $this->pressureRatio, $this->domain->layout->zeros(),
            );
        }
        $this->atOpenings($level, $ratio);
    }

    /**
     * Quadratic losses, stated for the density of the surroundings, at the present one.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $loss
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public function onLosses(FlowLevel $level, array $loss): array
    {
        foreach ($this->varies ? $loss : [] as $axis => $faces) {
            foreach ($faces as $c => $lost) {
                if ($lost > 0.0 && $level->area[$axis][$c] > 0.0) {
                    $loss[$axis][$c] = $lost * $level->carrying[$axis][$c] / ($level->density * $level->area[$axis][$c]);
                }
            }
        }

        return $loss;
    }

    /**
     * What enters has its own temperature, what leaves that of the cell inside.
     *
     * @param array<int, float> $ratio
     */
    private function atOpenings(FlowLevel $level, array $ratio): void
    {
        foreach ($this->domain->openings as $opening) {
            $axis = $opening->axis;
            foreach ($opening->faces as $n => $face) {
                $leaves = $opening->outward * $level->velocity[$axis][$face] > 0.0;
                $passing = $leaves ? $ratio[$opening->cells[$n]] : $this->ratio($opening->temperatures[$n]);
                if ($opening->condition->isAtPressure()) {
                    $level->carrying[$axis][$face] = $level->density * $opening->areas[$n] * $passing;
                } elseif ($opening->condition->given?->by === 'massFlow') {
                    $level->velocity[$axis][$face] = $this->domain->velocity[$axis][$face] / $passing;
                } else {
                    $level->given[$axis][$face] = $level->density * $passing * $opening->areas[$n] * $this->domain->velocity[$axis][$face];
                }
            }
        }
    }

    /** Density over that of the surroundings; iterations on their way may pass through temperatures that no gas has. */
    private function ratio(float $temperature): float
    {
        return 1.0 + $this->fluid->densityChange(max(self::COLDEST * $this->fluid->temperature, min(self::HOTTEST * $this->fluid->temperature, $temperature)));
    }

    /**
     * @param array<int, float> $area
     * @param array<int, float> $ratio
     * @param array<int, float> $carrying
     * @return array<int, float>
     */
    private static function carrying(int $first, int $end, int $s, array $area, array $ratio, float $half, array $carrying): array
    {
        for ($c = $first; $c < $end; $c++) {
            $carrying[$c] = $half * $area[$c] * ($ratio[$c] + $ratio[$c + $s]);
        }

        return $carrying;
    }
}
