<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Shapes\Fan;
use Foehn\Shapes\LocatedFaces;
use Foehn\Shapes\Shape;
use Foehn\Units\ScalarField;

/** A part of the ledger, evaluated: shape in place, material, watts and face conditions. */
final readonly class Part
{
    public const FLUID = 'fluid';

    /** Between the id of a repeated part and the number of its copy. */
    public const COPY = '#';

    public string $id;

    public string $name;

    public ?string $group;

    /** JSON pointer of the part in the document. */
    public string $pointer;

    /** #rrggbb, for the screen. */
    public ?string $colour;

    /** Whose touch limits hold for its surface: "metal", "glass" or "plastic"; null: those of its material. */
    public ?string $touchedAs;

    /** W over the whole part. */
    public float $power;

    /** W/m3, or null. */
    public ?ScalarField $source;

    /** @var array<string, HeatCondition> by face name; "bare" stands for every face of the part that nothing touches and no other entry names */
    public array $faces;

    /** @var list<ElectricCondition> */
    public array $terminals;

    /** @var array<string, float> by face, what current meets between it and the conductor that touches it, ohm m2 */
    public array $contacts;

    /** Beside the power; null where there are none. */
    public ?LossTable $losses;

    /** What sets watts beside the power; null where nothing does. */
    public ?Control $control;

    /** What switches the speed of a fan; null where nothing does. */
    public ?Control $speedControl;

    /** A junction in the part that is not modelled; null where there is none. */
    public ?FosterNetwork $junction;

    /**
     * @param ?string $material name in the library of the model, FLUID for a carve-out, null for a package (it has two resistances instead)
     * @param ?BoardCopper $copper of a board whose artwork is known
     */
    public function __construct(private PartName $called, public Shape $shape, public ?string $material, private Coatings $coatings, private Loads $loads, public ?BoardCopper $copper = null)
    {
        [$this->id, $this->name, $this->group, $this->pointer, $this->colour, $this->touchedAs] = [$called->id, $called->name, $called->group, $called->pointer, $called->colour, $called->touchedAs];
        [$this->power, $this->source, $this->faces, $this->terminals, $this->contacts, $this->losses, $this->control, $this->speedControl, $this->junction] = [$loads->power, $loads->source, $loads->faces, $loads->terminals, $loads->contacts, $loads->losses, $loads->control, $loads->speedControl, $loads->junction];
    }

    /**
     * Name of the part's face that a grid face belongs to.
     *
     * @param int $direction 2 * axis + (1 where the part ends towards rising coordinates)
     * @param callable(): array{float, float, float} $place middle of the grid face, m
     */
    public function face(int $direction, callable $place): string
    {
        [$axis, $sign] = [$direction >> 1, $direction % 2 === 1 ? 1 : -1];

        return $this->shape instanceof LocatedFaces ? $this->shape->faceAt($axis, $sign, $place()) : $this->shape->faceTowards($axis, $sign);
    }

    /** How many times its area the steps of a face have on the grid. */
    public function stepsOf(string $face): float
    {
        return $this->shape->surface($face)->steps();
    }

    /** Whether watts are stated for it. */
    public function isHeated(): bool
    {
        return $this->power !== 0.0 || $this->heatFollows();
    }

    /** Whether some of its heat follows a temperature or a current. */
    public function heatFollows(): bool
    {
        return $this->losses !== null || $this->control !== null;
    }

    /** Whether current enters or leaves at one of its faces, or its copper. */
    public function carriesCurrent(): bool
    {
        return $this->currents() !== [];
    }

    /** @return list<ElectricCondition> at its faces and its copper */
    public function currents(): array
    {
        return [...$this->terminals, ...array_column($this->copper->terminals ?? [], 'condition')];
    }

    /** What a face is for radiation; null: the part as a whole. */
    public function coating(?string $face = null): Coating
    {
        return $this->coatings->of($face);
    }

    /** @return list<string> faces with a finish of their own */
    public function finishedFaces(): array
    {
        return $this->coatings->faces();
    }

    /** Whether an absorptivity of sunlight of its own is stated, for the part or for one of its faces. */
    public function isForSun(): bool
    {
        return $this->coatings->areForSun();
    }

    /** Id of the part in the document: a linked copy is that of its original. */
    public function origin(): string
    {
        return explode(self::COPY, $this->id)[0];
    }

    public function withPower(float $power): self
    {
        return new self($this->called, $this->shape, $this->material, $this->coatings, $this->loads->withPower($power), $this->copper);
    }

    /** With the watts under control off. */
    public function withoutControl(): self
    {
        return new self($this->called, $this->shape, $this->material, $this->coatings, $this->loads->withControls(null, $this->speedControl), $this->copper);
    }

    /** With another finish of a face, or of all that have none of their own. */
    public function withCoating(?string $face, Coating $coating): self
    {
        return new self($this->called, $this->shape, $this->material, $this->coatings->with($face, $coating), $this->loads, $this->copper);
    }

    /** @param callable(HeatCondition): HeatCondition $change */
    public function withFaces(callable $change): self
    {
        return new self($this->called, $this->shape, $this->material, $this->coatings, $this->loads->withFaces(array_map($change, $this->faces)), $this->copper);
    }

    public function driven(Drive $drive): self
    {
        return new self($this->called, $this->shape, $this->material, $this->coatings, $this->loads->withTerminals(array_map($drive->of(...), $this->terminals)), $this->copper?->driven($drive));
    }

    /** @param list<ElectricCondition> $joints at its faces, beside the terminals that it has */
    public function joined(array $joints): self
    {
        return new self($this->called, $this->shape, $this->material, $this->coatings, $this->loads->withTerminals([...$this->terminals, ...$joints]), $this->copper);
    }

    /** A fan that runs at a given speed. */
    public function withSpeed(Fan $fan): self
    {
        return new self($this->called, $fan, $this->material, $this->coatings, $this->loads->withControls($this->control, null), $this->copper);
    }

    public function withShape(Shape $shape): self
    {
        return new self($this->called, $shape, $this->material, $this->coatings, $this->loads, $this->copper);
    }
}
