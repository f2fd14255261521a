<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\Joints;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Heat\ConductivityChange;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\Heat\SurfaceNodes;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\Enclosure;
use Foehn\Physics\Radiation\LightResponse;
use Foehn\Physics\Radiation\LinkStore;

/** The heat equation of a model on its grid, and everything that follows the temperatures and acts back on them. Drivers say when; this says what. */
final class Coupling
{
    private readonly HeatEquation $heat;

    private ?CurrentExchange $currents = null;

    private ?CopperExchange $copper = null;

    private ?RadiationExchange $radiation = null;

    /** As last assembled. */
    private ?HeatSystem $system = null;

    private bool $hasLosses = false;

    /** @var list<Exchange> in the order in which they follow */
    private array $exchanges = [];

    /** Whether the exchanges have seen any temperatures yet. */
    private bool $begun = false;

    /**
     * @param ?SurfaceNodes $surfaces of the last equation; null where there was none
     * @param LinkStore $links view factors that are kept
     * @param array<int, BoardState> $boards copper on another grid, to begin at
     * @param bool $isOnTheWay whether the grid is one on the way to that asked for
     * @throws PhysicsException
     */
    public function __construct(private readonly Model $model, Voxels $voxels, private ?SurfaceNodes $surfaces = null, LinkStore $links = new LinkStore(), array $boards = [], bool $isOnTheWay = false)
    {
        $this->heat = new HeatEquation($model, $voxels);
        if ($model->physics->electric) {
            $joints = new Joints($model->parts, $model->materials);
            if ($joints->obstacles !== []) {
                throw new PhysicsException($joints->obstacles[0]['says']);
            }
            $hasBoards = CopperExchange::carrying($model->parts) !== [];
            if ($hasBoards) {
                $this->copper = new CopperExchange($this->heat, $boards, $isOnTheWay);
            }
            if (! $hasBoards || array_filter($model->parts, fn (Part $part): bool => $part->terminals !== []) !== []) {
                $this->currents = new CurrentExchange($this->heat);
            }
            $this->exchanges = $joints->faces !== [] && $this->copper !== null && $this->currents !== null ? [new JointExchange($this->copper, $this->currents, $boards)] : array_values(array_filter([$this->copper, $this->currents]));
        }
        if (array_filter($model->parts, fn (Part $part): bool => $part->losses !== null) !== []) {
            $this->exchanges[] = new LossExchange($this->heat, fn (): ?Currents => $this->currents());
            $this->hasLosses = true;
        }
        if ($model->time === null && array_filter($model->parts, fn (Part $part): bool => $part->control !== null) !== []) {
            $this->exchanges[] = new ControlExchange($this->heat, fn (): ?HeatSystem => $this->system);
        }
        if ($model->physics->radiates()) {
            $this->exchanges[] = $this->radiation = new RadiationExchange($this->heat, fn (): ?SurfaceNodes => $this->surfaces, $links);
        }
    }

    /** The currents at the last temperatures; null where none are computed. */
    public function currents(): ?Currents
    {
        return $this->currents?->currents();
    }

    /** @return array<int, BoardState> the copper of boards at the last temperatures, by index of the part */
    public function boards(): array
    {
        return $this->copper?->states() ?? [];
    }

    /**
     * What a watt set by a control heats.
     *
     * @return array<int, float> W by padded cell
     * @throws PhysicsException where the part has no cells
     */
    public function unitSource(int $part): array
    {
        return $this->heat->unitSource($part);
    }

    /** Sets the watts of a part under control, for the next equation and for what is read. */
    public function control(int $part, float $watts): void
    {
        $this->heat->losses->watts[$part] = $watts;
    }

    /** Whether the heat of currents follows the temperatures, so that it can run away. */
    public function canRunAway(): bool
    {
        return $this->currents?->followsTemperature() === true || $this->copper?->followsTemperature() === true;
    }

    /** Whether heat follows the temperatures in any part. */
    public function answersItself(): bool
    {
        return $this->hasLosses || $this->canRunAway();
    }

    /** What the light between surfaces answers to changes about the state of a system; null where they do not radiate to each other. */
    public function lightResponse(HeatSystem $system): ?LightResponse
    {
        return $this->radiation?->response($system);
    }

    /**
     * How the light between the surfaces differs in a like model where the cells keep their temperatures (see RadiationExchange).
     *
     * @param HeatSystem $own of this model
     * @param HeatSystem $system of the like one
     * @param array<int, float> $temperature of the cells, K
     * @return array<int, float> W/m2 by element; none where it does not
     */
    public function lightMore(HeatSystem $own, HeatSystem $system, Model $other, array $temperature): array
    {
        return $this->radiation?->lightMore($own, $system, $other, $temperature) ?? [];
    }

    /** What surfaces see of each other; null where they do not radiate to each other. */
    public function enclosure(): ?Enclosure
    {
        return $this->radiation?->enclosure();
    }

    /** Whether the equation of heat changes with the temperatures, so that it has to be solved again and again. */
    public function isNonlinear(): bool
    {
        $materials = [$this->model->space->fluid, ...array_map(fn ($part) => $part->material, $this->model->parts)];
        foreach (array_unique(array_filter($materials, is_string(...))) as $material) {
            if ($this->model->materials->get($material)?->dependsOnTemperature() === true) {
                return true;
            }
        }

        return array_filter($this->exchanges, fn (Exchange $exchange) => $exchange->followsTemperature()) !== [];
    }

    /**
     * Lets every exchange follow the temperatures; those that do not depend on them only once.
     *
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @return float largest of their relative changes
     * @throws PhysicsException
     */
    public function follow(?array $temperature): float
    {
        $change = 0.0;
        foreach ($this->exchanges as $exchange) {
            if (! $this->begun || $exchange->followsTemperature()) {
                $change = max($change, $exchange->follow($temperature));
            }
        }
        $this->begun = true;

        return $change;
    }

    /**
     * Brings up what stays behind while temperatures move: currents in boards.
     *
     * @param array<int, float> $temperature of the cells at rest, K
     * @return bool whether anything was behind, so that heat has to be balanced again
     * @throws PhysicsException
     */
    public function catchUp(array $temperature): bool
    {
        return $this->copper?->catchUp($temperature) === true;
    }

    /**
     * Radiation alone follows the temperatures.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function followRadiation(array $temperature): void
    {
        $this->radiation?->follow($temperature);
    }

    /**
     * Radiation begins at these temperatures.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function beginAt(array $temperature): void
    {
        $this->radiation?->beginAt($temperature);
    }

    /** Whether surfaces radiate, so that the equation of heat follows every step of the temperatures. */
    public function radiates(): bool
    {
        return $this->radiation !== null;
    }

    /**
     * The equation of heat with the coefficients at these temperatures, and what the exchanges had at their last ones.
     *
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @param list<ConductivityChange> $changes what a flow does to the conduction
     * @throws PhysicsException
     */
    public function equation(?array $temperature, array $changes = []): HeatSystem
    {
        $this->system = $this->heat->at($temperature, $changes);
        $this->surfaces = $this->system->surfaces;

        return $this->system;
    }

    /**
     * The equation of heat of a like model, with the currents of this one, and its surfaces radiating at the temperatures of this one's.
     *
     * @param Model $other with the same parts in the same places
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @param list<ConductivityChange> $changes what a flow does to the conduction
     * @throws PhysicsException
     */
    public function equationOf(Model $other, ?array $temperature, array $changes): HeatSystem
    {
        $heat = new HeatEquation($other, $this->heat->voxels, $this->heat->losses);
        if ($this->currents !== null) {
            $heat->add($this->currents->joule);
        }
        if ($this->copper !== null) {
            $heat->add($this->copper->heat);
        }
        if ($this->radiation !== null) {
            $this->radiation->addTo($heat);
        }

        return $heat->at($temperature, $changes);
    }
}
