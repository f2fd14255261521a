<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Board\BoardException;
use Foehn\Board\Drawn;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\SurfaceFinder;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Conduction;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;
use Foehn\Physics\PhysicsException;

/** The balance of heat in a model on its grid, made of contributions. What does not follow the temperature is found once. */
final class HeatEquation
{
    public readonly SurfaceElements $elements;

    public readonly Packages $packages;

    /** @var list<bool> whether anything is computed in each cell */
    private readonly array $live;

    private readonly HalfResistances $resistances;

    /** @var list<BoardConduction> of boards whose artwork is known */
    private readonly array $boards;

    /** @var list<SurfaceContribution> */
    private array $atSurfaces;

    /** @var list<Contribution> */
    private array $inCells;

    /** @throws PhysicsException */
    public function __construct(public readonly Model $model, public readonly Voxels $voxels, public readonly Losses $losses = new Losses())
    {
        $this->elements = SurfaceFinder::find($model, $voxels);
        $this->live = array_map($voxels->isLive(...), array_keys($voxels->owner));
        $this->boards = self::boards($model, $voxels);
        $this->resistances = new HalfResistances($model, $voxels);
        $this->packages = new Packages($model, $voxels, $losses);
        $this->atSurfaces = [new SurfaceConditions($this->elements, $voxels->grid)];
        $this->inCells = [new HeatSources($model, $voxels, $losses), $this->packages];
    }

    /**
     * What a watt set by a control heats.
     *
     * @return array<int, float> W by padded cell
     * @throws PhysicsException where the part has no cells
     */
    public function unitSource(int $part): array
    {
        $before = $this->losses->watts;
        $sources = [];
        foreach ([0.0, 1.0] as $watts) {
            $this->losses->watts[$part] = $watts;
            $equation = new Equation($this->voxels->grid);
            foreach ($this->inCells as $contribution) {
                $contribution->addTo($equation);
            }
            $sources[] = $equation->source;
        }
        $this->losses->watts = $before;

        return array_filter(array_map(fn (float $off, float $on): float => $on - $off, ...$sources), fn (float $share): bool => $share !== 0.0);
    }

    /** Another mechanism, from the next assembly on. */
    public function add(Contribution|SurfaceContribution $mechanism): void
    {
        if ($mechanism instanceof Contribution) {
            $this->inCells[] = $mechanism;
        }
        if ($mechanism instanceof SurfaceContribution) {
            $this->atSurfaces[] = $mechanism;
        }
    }

    /**
     * The equation with the coefficients of the present state.
     *
     * @param ?array<int, float> $temperature of the cells, K, for materials that depend on it; null: the ambient everywhere
     * @param list<ConductivityChange> $changes what the flow does to the conduction, in this order
     * @throws PhysicsException
     */
    public function at(?array $temperature, array $changes = []): HeatSystem
    {
        $reference = $this->model->surroundings->temperature;
        $resistances = $this->resistances->at($temperature, [...$this->boards, ...$changes]);
        $surfaces = new SurfaceNodes($this->elements, $resistances, $reference);
        foreach ($this->atSurfaces as $mechanism) {
            $mechanism->addToSurfaces($surfaces);
        }
        $equation = new Equation($this->voxels->grid, $reference);
        foreach ([new Conduction($resistances->half, $this->voxels->owner), $surfaces, ...$this->inCells] as $contribution) {
            $contribution->addTo($equation);
        }
        $system = new HeatSystem($equation, $this->live, $surfaces, $this->packages, $this->losses->watts, $this->boards);
        if (! $this->model->physics->hasFlow() && $this->model->time === null) {
            FloatingPieces::check($this->model, $this->voxels, $system);
        }

        return $system;
    }

    /**
     * @return list<BoardConduction>
     * @throws PhysicsException where artwork cannot be drawn
     */
    private static function boards(Model $model, Voxels $voxels): array
    {
        $boards = [];
        foreach ($model->parts as $index => $part) {
            if ($part->copper !== null) {
                try {
                    $boards[] = new BoardConduction($model, $voxels, $index, $part->copper, Drawn::of($part->copper->artwork)->raster);
                } catch (BoardException $e) {
                    throw new PhysicsException(sprintf('the copper of "%s" cannot be drawn: %s', $part->name, $e->getMessage()), 0, $e);
                }
            }
        }

        return $boards;
    }
}
