<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelInTime;
use Foehn\Grid\GridLevels;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;

/** The equation of heat at any moment of a course in time, without the watts of controls. Loads that come again are assembled once. */
final class HeatInTime
{
    /** Loads at different moments that are kept: those of a pulse and its pause, and some more. */
    private const KEPT = 6;

    /** @var array<string, HeatAt> by what the loads are */
    private array $assembled = [];

    private readonly LastEnergy $last;

    /** @param ?AirInTime $air null where nothing flows */
    public function __construct(private readonly ModelInTime $model, private readonly string $grade, private readonly Voxels $voxels, private readonly LinkStore $links, private readonly ?AirInTime $air = null)
    {
        $this->last = new LastEnergy();
    }

    /** @return array{int, int, int} of the grid */
    public function cells(): array
    {
        return $this->voxels->grid->cells;
    }

    /** Cells of the padding in front. */
    public function pad(): int
    {
        return $this->voxels->grid->cells[0] * $this->voxels->grid->cells[1];
    }

    /** Whether temperatures are computed at all; else only what flows is. */
    public function isComputed(): bool
    {
        return $this->model->start->physics->heat;
    }

    /**
     * @param float $time s
     * @param bool $before whether loads that jump at this moment are as they were before
     * @param array<int, float> $temperature of the cells, K, for what follows it
     * @param float $near K that they may be from those which the coefficients are of, for these to stay
     * @throws PhysicsException
     */
    public function at(float $time, bool $before, array $temperature, float $near = 0.0): HeatAt
    {
        [$model, $key] = $this->model->at($time, $before);
        $known = $this->assembled[$key] ?? null;
        $model = $known->model ?? $this->graded($model);
        $air = $this->air?->of($model, $key, $time);
        if ($known === null || ($known->isNonlinear && Vectors::farthest($temperature, $known->temperature) > $near) || $known->air !== $air) {
            $this->assembled[$key] = $known === null ? $this->first($model, $air, $temperature) : $this->assemble($model, $known->coupling, $air, $known->isNonlinear, $temperature, $known);
            $this->assembled = array_slice($this->assembled, -self::KEPT, null, true);
        }

        return $this->assembled[$key];
    }

    private function graded(Model $model): Model
    {
        $model = $model->withGrade($this->grade);
        $levels = $this->air === null ? [[$model]] : GridLevels::of($model);

        return end($levels)[0];
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @throws PhysicsException
     */
    private function first(Model $model, ?FrozenAir $air, array $temperature): HeatAt
    {
        $coupling = new Coupling($model, $this->voxels, links: $this->links, boards: $this->assembled === [] ? [] : end($this->assembled)->coupling->boards());
        $coupling->beginAt($temperature);
        $isNonlinear = $air === null ? $coupling->isNonlinear() : $coupling->radiates() || $coupling->answersItself();

        return $this->assemble($model, $coupling, $air, $isNonlinear, $temperature, null);
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @param ?HeatAt $before the same at other temperatures or on other air
     * @throws PhysicsException
     */
    private function assemble(Model $model, Coupling $coupling, ?FrozenAir $air, bool $isNonlinear, array $temperature, ?HeatAt $before): HeatAt
    {
        if ($before !== null && ! $this->isComputed()) {
            return new HeatAt($model, $coupling, $before->operator, $temperature, false, $air);
        }
        $coupling->follow($temperature);
        foreach (array_keys(array_filter($model->parts, fn (Part $part): bool => $part->control !== null)) as $part) {
            $coupling->control($part, 0.0);
        }
        // Properties stay with the air as its flow was computed.
        $system = $coupling->equation($air === null ? $temperature : $air->cells(), $air->changes ?? []);
        if ($air === null || ! $this->isComputed()) {
            return new HeatAt($model, $coupling, new StillHeat($system), $temperature, $isNonlinear, $air);
        }
        $openings = $before?->operator instanceof HeatOnAir ? $before->operator->openings : DomainBuilder::build($model, $this->voxels, $air->field->fluid->density)->openings;

        return new HeatAt($model, $coupling, new HeatOnAir($system, $air, $openings, $this->last), $temperature, $isNonlinear, $air);
    }
}
