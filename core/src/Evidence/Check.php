<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** One computed quantity against its reference. */
final readonly class Check
{
    private function __construct(
        public string $case,
        public string $quantity,
        public float $reference,
        public float $computed,
        public float $tolerance,
        public string $unit,
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

    public function error(): float
    {
        return $this->computed - $this->reference;
    }

    public function passes(): bool
    {
        return abs($this->error()) <= $this->tolerance;
    }
}
