<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/**
 * SIMPLEC (Van Doormaal & Raithby, Numer. Heat Transfer 7 (1984) 147) on one level: momentum with implicit relaxation, then a full
 * pressure correction. Robust where temperature and flow drive each other.
 */
final class Simplec implements FlowScheme
{
    /** Symmetric sweeps over each momentum equation. */
    private const SWEEPS = 2;

    private const STRONGEST = 0.3;

    private const SOFTER = 0.2;

    private readonly float $undamped;

    public function __construct(private readonly FlowLevel $level, private readonly PressureCorrection $correction, private float $relaxation)
    {
        $this->undamped = $relaxation;
    }

    public function step(float $inertia): void
    {
        $level = $this->level;
        $flux = $level->fluxes();
        $mobility = [];
        foreach ([0, 1, 2] as $axis) {
            $momentum = new Momentum($level, $axis, $flux, $this->relaxation, $inertia, true);
            for ($sweep = 0; $sweep < 2 * self::SWEEPS; $sweep++) {
                $momentum->sweep(1.0, $sweep % 2 === 0);
            }
            $mobility[] = $momentum->mobility;
        }
        [$imbalance] = $level->imbalance($level->fluxes());
        $mobility = [$mobility[0], $mobility[1], $mobility[2]];
        $level->follow($mobility, $this->correction->solve($mobility, $level->carrying, $imbalance), 1.0);
    }

    public function coefficientsChanged(): void
    {
    }

    public function soften(): bool
    {
        if ($this->relaxation <= self::STRONGEST) {
            return false;
        }
        $this->relaxation = max(self::STRONGEST, $this->relaxation - self::SOFTER);

        return true;
    }

    /** Implicit relaxation is a time step of this ratio. */
    public function pace(): float
    {
        return $this->relaxation / (1.0 - $this->relaxation) * (1.0 - $this->undamped) / $this->undamped;
    }
}
