<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Heat\HeatSystem;

/** What heats a model and what leaves it, W. */
final readonly class HeatBalance
{
    /** What may be missing where a balance holds, as a share of what passes. */
    private const HOLDS = 1e-3;

    /** Rounding: this share of all that conductances to the outside would pass at their cells' rises over the reference lets heat seem to pass where none does. */
    private const ROUNDING = 1e-12;

    /**
     * @param float $out through outer faces and carried through openings beyond the surroundings
     * @param float $passes the larger of what heats and half of all that comes and leaves
     * @param float $open what may seem to pass by rounding
     */
    private function __construct(public float $in, public float $out, public float $passes, private float $open)
    {
    }

    /** @param array<int, float> $temperature of the cells, K */
    public static function of(HeatSystem $system, array $temperature, ?FlowField $flow): self
    {
        $surfaces = $system->surfaces;
        $cell = $surfaces->elements->cell;
        [$out, $exchanged, $open] = [0.0, 0.0, 0.0];
        foreach ($surfaces->elements->other as $e => $other) {
            if ($other < 0) {
                $heat = $surfaces->heatOut($e, $temperature) + $surfaces->given[$e];
                $out += $heat;
                $exchanged += abs($heat);
                $open += $surfaces->conductance($e) * abs($temperature[$cell[$e]] - $system->reference);
            } elseif ($surfaces->radiates($e)) {
                $heat = $surfaces->radiated($e, $temperature);
                $out += $heat;
                $exchanged += abs($heat);
            }
        }
        foreach ($flow?->carried($temperature) ?? [] as $carried) {
            $out += $carried;
            $exchanged += abs($carried);
        }

        return new self($system->watts, $out, max(abs($system->watts), 0.5 * $exchanged), self::ROUNDING * ($open + $exchanged));
    }

    /** Share of what passes that is missing; 0 where nothing passes but rounding. */
    public function error(): float
    {
        return $this->passes <= $this->open ? 0.0 : abs($this->in - $this->out) / $this->passes;
    }

    public function holds(): bool
    {
        return abs($this->in - $this->out) <= self::HOLDS * $this->passes + $this->open;
    }

    /** @return array{in: float, out: float, error: float} W, and the share that is missing */
    public function toArray(): array
    {
        return ['in' => $this->in, 'out' => $this->out, 'error' => $this->error()];
    }
}
