<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** A quantity on the grid that a grade makes, with what the coarser grids say of its error. */
final readonly class GradedCheck
{
    /**
     * @param ?float $plusMinus in the unit of the quantity; null where nothing is said
     * @param int $cells of the grid
     */
    public function __construct(public Check $check, public ?float $plusMinus, public bool $flow, public int $cells)
    {
    }

    /** Whether the reference lies within the value and its ±, as far as it is known itself; a value that is right within a millionth of its tolerance has no error to be told. */
    public function isCovered(): ?bool
    {
        return $this->plusMinus === null ? null : abs($this->check->error()) <= $this->plusMinus + $this->check->known + 1e-6 * $this->check->tolerance;
    }

    /** The ± over the true error; null where either is missing, or the reference is not known that well. */
    public function width(): ?float
    {
        $error = abs($this->check->error());

        return $this->plusMinus === null || $error <= max($this->check->known, 1e-6 * $this->check->tolerance) ? null : $this->plusMinus / $error;
    }
}
