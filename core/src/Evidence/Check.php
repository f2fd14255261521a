<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** One computed quantity against its reference. */
final readonly class Check
{
    /** @param float $known what the reference itself is not known to, in its unit: the scatter of a correlation, or half of its last printed digit where that counts */
    private function __construct(
        public string $case,
        public string $quantity,
        public float $reference,
        public float $computed,
        public float $tolerance,
        public string $unit,
        public float $known = 0.0,
    ) {
    }

    public static function absolute(string $case, string $quantity, float $reference, float $computed, float $tolerance, string $unit): self
    {
        return new self($case, $quantity, $reference, $computed, $tolerance, $unit);
    }

    /** @param float $tolerance as a share of the reference */
    public static function relative(string $case, string $quantity, float $reference, float $computed, float $tolerance, string $unit): self
    {
        return new self($case, $quantity, $reference, $computed, $tolerance * abs($reference), $unit);
    }

    /** The same against a reference that is itself known only so far, as a share of it. */
    public function knownTo(float $share): self
    {
        return new self($this->case, $this->quantity, $this->reference, $this->computed, $this->tolerance, $this->unit, $share * abs($this->reference));
    }

    public function error(): float
    {
        return $this->computed - $this->reference;
    }

    public function passes(): bool
    {
        return abs($this->error()) <= $this->tolerance;
    }
}
