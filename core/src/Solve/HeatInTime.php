<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelInTime;
use Foehn\Grid\GridLevels;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;

/** The equation of heat at any moment of a course in time, without the watts of controls. Loads that come again are assembled once. */
final class HeatInTime
{
    /** Loads at different moments that are kept: those of a pulse and its pause, and some more. */
    private const KEPT = 6;

    /** @var array<string, array{Model, Coupling, ?HeatSystem}> by what the loads are */
    private array $assembled = [];

    /** @param list<int> $controlled parts whose watts are set by controls */
    public function __construct(private readonly ModelInTime $model, private readonly string $grade, private readonly Voxels $voxels, private readonly LinkStore $links, private readonly array $controlled)
    {
    }

    /** Cells of the padding in front. */
    public function pad(): int
    {
        return $this->voxels->grid->cells[0] * $this->voxels->grid->cells[1];
    }

    /**
     * @param float $time s
     * @param bool $before whether loads that jump at this moment are as they were before
     * @param array<int, float> $temperature of the cells, K, for what follows it
     * @return array{Model, Coupling, HeatSystem}
     * @throws PhysicsException
     */
    public function at(float $time, bool $before, array $temperature): array
    {
        [$model, $key] = $this->model->at($time, $before);
        if (! isset($this->assembled[$key])) {
            if (count($this->assembled) >= self::KEPT) {
                array_shift($this->assembled);
            }
            $model = $model->withGrade($this->grade);
            $levels = $model->physics->hasFlow() ? GridLevels::of($model) : [[$model]];
            $model = end($levels)[0];
            $coupling = new Coupling($model, $this->voxels, links: $this->links);
            $coupling->beginAt($temperature);
            $this->assembled[$key] = [$model, $coupling, null];
        }
        [$model, $coupling, $system] = $this->assembled[$key];
        if ($system === null || $coupling->isNonlinear()) {
            $coupling->follow($temperature);
            foreach ($this->controlled as $part) {
                $coupling->control($part, 0.0);
            }
            $system = $coupling->equation($temperature);
            $this->assembled[$key] = [$model, $coupling, $system];
        }

        return [$model, $coupling, $system];
    }
}
