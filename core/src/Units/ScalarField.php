<?php

declare(strict_types=1);

namespace Foehn\Units;

/** A constant, or a formula of the place (x, y, z in metres), in SI units. */
final readonly class ScalarField
{
    private function __construct(public float $constant, private ?Formula $formula, private ?Parameters $parameters, private float $factor = 1.0)
    {
    }

    public static function constant(float $value): self
    {
        return new self($value, null, null);
    }

    public static function formula(Formula $formula, Parameters $parameters): self
    {
        return new self(0.0, $formula, $parameters);
    }

    public function times(float $factor): self
    {
        return new self($factor * $this->constant, $this->formula, $this->parameters, $factor * $this->factor);
    }

    public function isConstant(): bool
    {
        return $this->formula === null;
    }

    /** Whether it changes along an axis: 0 is x, 1 is y, 2 is z. */
    public function follows(int $axis): bool
    {
        return in_array('xyz'[$axis], $this->formula?->names() ?? [], true);
    }

    public function at(float $x, float $y, float $z): float
    {
        return $this->formula === null ? $this->constant : $this->factor * $this->quantityAt($x, $y, $z)->value;
    }

    /** @throws UnitException that names the formula and the place where it has no value */
    public function quantityAt(float $x, float $y, float $z): Quantity
    {
        $place = ['x' => $x, 'y' => $y, 'z' => $z];
        $lookup = fn (string $name): ?Quantity => isset($place[$name])
            ? new Quantity($place[$name], Dimension::length())
            : $this->parameters?->get($name);

        try {
            return $this->formula?->evaluate($lookup) ?? Quantity::number($this->constant);
        } catch (UnitException $e) {
            throw new UnitException(sprintf('"%s" has no value at x = %g m, y = %g m, z = %g m: %s', $this->formula?->text, $x, $y, $z, $e->getMessage()));
        }
    }
}
