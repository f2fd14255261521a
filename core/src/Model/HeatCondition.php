<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/** What happens to heat at a face: kind and the values it needs, SI. */
final readonly class HeatCondition
{
    public const KINDS = ['adiabatic', 'temperature', 'flux', 'power', 'film', 'contact'];

    /**
     * @param string $kind one of KINDS
     * @param ScalarField $value K for temperature, W/m2 into the model for flux, W for power, W/m2/K for film, m2K/W for contact
     * @param ScalarField $ambient K, for film
     */
    public function __construct(public string $kind, public ScalarField $value, public ScalarField $ambient)
    {
    }

    public static function adiabatic(): self
    {
        return new self('adiabatic', ScalarField::constant(0.0), ScalarField::constant(0.0));
    }

    /** The same with so many times the value. */
    public function times(float $factor): self
    {
        return new self($this->kind, $this->value->times($factor), $this->ambient);
    }

    /** The same so many kelvin warmer, where it is tied to a given temperature. */
    public function warmerFrom(float $temperature, float $by): self
    {
        $warmer = fn (ScalarField $field): ScalarField => $field->isConstant() && $field->constant === $temperature ? ScalarField::constant($temperature + $by) : $field;

        return match ($this->kind) {
            'temperature' => new self($this->kind, $warmer($this->value), $this->ambient),
            'film' => new self($this->kind, $this->value, $warmer($this->ambient)),
            default => $this,
        };
    }

    /** The same heat on a face whose steps have so many times its area. */
    public function onSteps(float $steps): self
    {
        return match ($this->kind) {
            'film', 'flux' => new self($this->kind, $this->value->times(1.0 / $steps), $this->ambient),
            'contact' => new self($this->kind, $this->value->times($steps), $this->ambient),
            default => $this,
        };
    }

    /** Whether the condition ties the model to a temperature, so that heat has a way out. */
    public function fixesTemperature(): bool
    {
        return $this->kind === 'temperature' || ($this->kind === 'film' && (! $this->value->isConstant() || $this->value->constant > 0.0));
    }
}
