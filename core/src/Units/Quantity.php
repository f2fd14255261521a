<?php

declare(strict_types=1);

namespace Foehn\Units;

/** A number in SI base units with its dimension. */
final readonly class Quantity
{
    public function __construct(public float $value, public Dimension $dimension)
    {
    }

    public static function number(float $value): self
    {
        return new self($value, Dimension::none());
    }

    public function plus(self $other, int $sign = 1): self
    {
        if (! $this->dimension->equals($other->dimension)) {
            throw new UnitException(sprintf('%s and %s cannot be added', $this->dimension->describe(), $other->dimension->describe()));
        }

        return new self($this->value + $sign * $other->value, $this->dimension);
    }

    public function times(self $other): self
    {
        return new self($this->value * $other->value, $this->dimension->times($other->dimension));
    }

    public function per(self $other): self
    {
        if ($other->value === 0.0) {
            throw new UnitException('division by zero');
        }

        return new self($this->value / $other->value, $this->dimension->times($other->dimension, -1));
    }

    public function raisedTo(self $exponent): self
    {
        if (! $exponent->dimension->isNone()) {
            throw new UnitException('an exponent must be a plain number');
        }
        $value = $this->value ** $exponent->value;
        if (! is_finite($value)) {
            throw new UnitException('the power is not a finite number');
        }

        return new self($value, $this->dimension->raisedTo($exponent->value));
    }
}
