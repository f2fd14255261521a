<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/** What heats a part, and what is stated of its faces. */
final readonly class Loads
{
    /**
     * @param float $power W over the whole part
     * @param ?ScalarField $source W/m3, or null
     * @param array<string, HeatCondition> $faces by face name; "bare" stands for every face of the part that nothing touches and no other entry names
     * @param list<ElectricCondition> $terminals
     * @param array<string, float> $contacts by face, what current meets between it and the conductor that touches it, ohm m2
     * @param ?LossTable $losses beside the power
     * @param ?Control $control what sets watts beside the power
     * @param ?Control $speedControl of a fan, what sets its speed
     * @param ?FosterNetwork $junction in the part, that is not modelled
     */
    public function __construct(public float $power, public ?ScalarField $source, public array $faces, public array $terminals = [], public array $contacts = [], public ?LossTable $losses = null, public ?Control $control = null, public ?Control $speedControl = null, public ?FosterNetwork $junction = null)
    {
    }

    public function withPower(float $power): self
    {
        return new self($power, $this->source, $this->faces, $this->terminals, $this->contacts, $this->losses, $this->control, $this->speedControl, $this->junction);
    }

    public function withControls(?Control $control, ?Control $speedControl): self
    {
        return new self($this->power, $this->source, $this->faces, $this->terminals, $this->contacts, $this->losses, $control, $speedControl, $this->junction);
    }

    /** @param array<string, HeatCondition> $faces by face name */
    public function withFaces(array $faces): self
    {
        return new self($this->power, $this->source, $faces, $this->terminals, $this->contacts, $this->losses, $this->control, $this->speedControl, $this->junction);
    }

    /** @param list<ElectricCondition> $terminals */
    public function withTerminals(array $terminals): self
    {
        return new self($this->power, $this->source, $this->faces, $terminals, $this->contacts, $this->losses, $this->control, $this->speedControl, $this->junction);
    }
}
