<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Shapes\Fan;
use Foehn\Shapes\PlateFins;

/** One variant, evaluated: every formula is a number in SI units and every reference is known to exist. */
final readonly class Model
{
    public const FORMAT = 'foehn-model';
    public const VERSION = 1;
    public const MOST_PARTS = 4000;

    public Library $materials;

    /** @var list<Part> later ones carve earlier ones */
    public array $parts;

    /** @var array<string, Assembly> groups with axes of their own */
    public array $assemblies;

    /** @var list<Watch> */
    public array $watches;

    /** @var list<Limit> */
    public array $limits;

    /** @var list<Tolerance> */
    public array $tolerances;

    /** The course in time that is asked for; null: the steady state. */
    public ?Transient $time;

    /** @var list<OperatingPoint> */
    public array $operatingPoints;

    public function __construct(
        public string $name,
        public Surroundings $surroundings,
        public Physics $physics,
        public Space $space,
        private Contents $contents,
        private Questions $questions,
        public GridSettings $grid,
        public ConvergenceTarget $convergence = new ConvergenceTarget(),
    ) {
        [$this->materials, $this->parts, $this->assemblies] = [$contents->materials, $contents->parts, $contents->assemblies];
        [$this->watches, $this->limits, $this->tolerances] = [$questions->watches, $questions->limits, $questions->tolerances];
        [$this->time, $this->operatingPoints] = [$questions->time, $questions->operatingPoints];
    }

    public function withGrade(string $grade): self
    {
        return $this->with($this->parts, $this->grid->withGrade($grade));
    }

    /** The steady state of the same, with all watts that are under control switched off. */
    public function beforeStart(): self
    {
        $parts = array_map(fn (Part $part): Part => $part->control === null ? $part : $part->withoutControl(), $this->parts);

        return new self($this->name, $this->surroundings, $this->physics, $this->space, new Contents($this->materials, $parts, $this->assemblies), new Questions($this->watches, $this->limits, $this->tolerances), $this->grid, $this->convergence);
    }

    /** With plate fins that a grid of cells of this width (m) cannot have one by one lumped together. */
    public function withLumpedFins(float $cell): self
    {
        return $this->with(array_map(fn (Part $part) => $part->shape instanceof PlateFins ? $part->withShape($part->shape->lumped($cell)) : $part, $this->parts), $this->grid);
    }

    /** The same parts in another space, on another grid. */
    public function within(Space $space, GridSettings $grid): self
    {
        return new self($this->name, $this->surroundings, $this->physics, $space, $this->contents, $this->questions, $grid, $this->convergence);
    }

    /** @param callable(Part): Part $change */
    public function withParts(callable $change): self
    {
        return $this->with(array_map($change, $this->parts), $this->grid);
    }

    /** With currents and voltages so many times as large. */
    public function driven(float $factor): self
    {
        return $this->withParts(fn (Part $part): Part => $part->driven(new Drive($factor)));
    }

    /**
     * With fans that run at given speeds, whatever would set these.
     *
     * @param array<int, float> $speeds as shares of full speed, by their part
     */
    public function withSpeeds(array $speeds): self
    {
        $at = fn (Part $part, int $index): Part => $part->shape instanceof Fan && isset($speeds[$index]) ? $part->withSpeed($part->shape->at($speeds[$index])) : $part;

        return $this->with(array_map($at, $this->parts, array_keys($this->parts)), $this->grid);
    }

    public function withMaterial(Material $material): self
    {
        return new self($this->name, $this->surroundings, $this->physics, $this->space, new Contents($this->materials->with($material), $this->parts, $this->assemblies), $this->questions, $this->grid, $this->convergence);
    }

    /** Everything that is held at a temperature (K) so many kelvin warmer: surroundings, films, given temperatures and what enters. */
    public function warmer(float $from, float $by): self
    {
        $heat = fn (HeatCondition $condition): HeatCondition => $condition->warmerFrom($from, $by);
        $flow = fn (FlowCondition $condition): FlowCondition => $condition->warmerFrom($from, $by);
        $contents = new Contents($this->materials, array_map(fn (Part $part): Part => $part->withFaces($heat), $this->parts), $this->assemblies);

        $surroundings = $from === $this->surroundings->temperature ? $this->surroundings->warmer($by) : $this->surroundings;

        return new self($this->name, $surroundings, $this->physics, $this->space->withSides(fn (Side $side): Side => $side->with($heat, $flow)), $contents, $this->questions, $this->grid, $this->convergence);
    }

    /** @param list<Part> $parts */
    private function with(array $parts, GridSettings $grid): self
    {
        return new self($this->name, $this->surroundings, $this->physics, $this->space, new Contents($this->materials, $parts, $this->assemblies), $this->questions, $grid, $this->convergence);
    }

    /** @return list<HeatCondition> of all sides, patches and part faces */
    public function heatConditions(): array
    {
        $conditions = [];
        foreach ($this->space->sides as $side) {
            array_push($conditions, $side->heat, ...array_column($side->patches, 'heat'));
        }
        foreach ($this->parts as $part) {
            array_push($conditions, ...array_values($part->faces));
        }

        return $conditions;
    }

    /** @return list<array{Refinement, Box}> what is asked of the grid by hand, and where; once for each linked copy */
    public function refined(): array
    {
        $found = [];
        foreach ($this->grid->refine as $refinement) {
            foreach ($refinement->boxes($this->parts) as $box) {
                $found[] = [$refinement, $box];
            }
        }

        return $found;
    }

    /** Whether a given temperature, a film or a stream takes heat out of the model. */
    public function heatLeaves(): bool
    {
        $streams = $this->physics->hasFlow() ? array_filter($this->space->flows(), fn (FlowCondition $flow) => ! $flow->isWall()) : [];

        return $streams !== [] || $this->holdsTemperature() || $this->radiatesOut();
    }

    /** Whether something radiates to the surroundings: where nothing is between the parts through any side but a mirror, else through what is open. */
    private function radiatesOut(): bool
    {
        $isOpen = fn (FlowCondition $flow): bool => $this->space->fluid === null ? $flow->kind !== 'symmetry' : ! $flow->isWall();

        return $this->physics->radiates() && array_filter($this->space->flows(), $isOpen) !== []
            && array_filter($this->parts, fn (Part $part): bool => ($this->emissivity($part) ?? 0.0) > 0.0) !== [];
    }

    /** Emissivity of a part, or of one of its faces: its own, or that of its material; null where neither is known. */
    public function emissivity(Part $part, ?string $face = null): ?float
    {
        return $part->coating($face)->emissivityOn($this->materialOf($part));
    }

    /** Absorptivity of sunlight of a part, or of one of its faces: its own, or as its emissivity; null where neither is known. */
    public function absorptivity(Part $part, ?string $face = null): ?float
    {
        return $part->coating($face)->absorptivityOn($this->materialOf($part));
    }

    private function materialOf(Part $part): ?Material
    {
        return $part->material === null ? null : $this->materials->get($part->material);
    }

    /** Whether a given temperature or a film takes heat out of the model, also where nothing moves. */
    public function holdsTemperature(): bool
    {
        return array_filter($this->heatConditions(), fn (HeatCondition $condition) => $condition->fixesTemperature()) !== [];
    }
}
