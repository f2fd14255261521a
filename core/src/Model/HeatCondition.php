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
