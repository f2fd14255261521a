<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Shapes\Shape;
use Foehn\Units\ScalarField;

/** A part of the ledger, evaluated: shape in place, material, watts and face conditions. */
final readonly class Part
{
    public const FLUID = 'fluid';

    /**
     * @param ?string $material name in the library of the model, FLUID for a carve-out, null for a package (it has two resistances instead)
     * @param float $power W over the whole part
     * @param ?ScalarField $source W/m3, or null
     * @param array<string, HeatCondition> $faces by face name; "bare" stands for every face of the part that nothing touches and no other entry names
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?string $group,
        public Shape $shape,
        public ?string $material,
        public float $power,
        public ?ScalarField $source,
        public ?float $emissivity,
        public array $faces,
        public string $pointer,
    ) {
    }

    public function withShape(Shape $shape): self
    {
        return new self($this->id, $this->name, $this->group, $shape, $this->material, $this->power, $this->source, $this->emissivity, $this->faces, $this->pointer);
    }
}
