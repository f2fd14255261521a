<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\FlatShape;
use Foehn\Shapes\TwoResistancePackage;

/** Watts of parts, spread evenly over their cells, and sources per volume in parts and in the fluid. */
final class HeatSources implements Contribution
{
    /** @var array<int, float> W by cell */
    private array $watts = [];

    /** @var array<int, array<int, float>> share of a part by its index and by cell, of parts whose losses follow something */
    private array $shares = [];

    /** @throws PhysicsException where a part has watts but no cell */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, private readonly Losses $losses)
    {
        $this->checkVolumes();
        $this->inFluid();
        $this->inParts();
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->watts as $cell => $watts) {
            $equation->give($cell, $watts);
        }
        foreach ($this->shares as $part => $shares) {
            foreach ($shares as $cell => $share) {
                $equation->give($cell, $share * ($this->losses->watts[$part] ?? 0.0));
            }
        }
    }

    private function checkVolumes(): void
    {
        foreach ($this->model->parts as $index => $part) {
            if ($this->voxels->cellsOfPart[$index] === 0 && $part->isHeated() && ! $part->shape instanceof FlatShape) {
                throw new PhysicsException(sprintf('part "%s" has %g W but no volume left: parts after it in the ledger cover it, or it is thinner than the cells of this grid', $part->name, $part->power));
            }
        }
    }

    private function inFluid(): void
    {
        $source = $this->model->space->source;
        if ($source === null) {
            return;
        }
        foreach ($this->voxels->region as $cell => $region) {
            if ($region >= 0) {
                $this->watts[$cell] = $source->at(...$this->voxels->grid->centre($cell)) * $this->voxels->grid->volume($cell);
            }
        }
    }

    private function inParts(): void
    {
        $heated = array_map(fn ($part) => ($part->isHeated() || $part->source !== null) && ! $part->shape instanceof TwoResistancePackage, $this->model->parts);
        $volumeOf = array_fill(0, count($this->model->parts), 0.0);
        $volumes = [];
        foreach ($this->voxels->owner as $cell => $owner) {
            if ($owner >= 0 && $heated[$owner]) {
                $volumeOf[$owner] += $volumes[$cell] = $this->voxels->grid->volume($cell);
            }
        }
        foreach ($volumes as $cell => $volume) {
            $index = $this->voxels->owner[$cell];
            $part = $this->model->parts[$index];
            $this->watts[$cell] = $part->power * $volume / $volumeOf[$index];
            if ($part->heatFollows()) {
                $this->shares[$index][$cell] = $volume / $volumeOf[$index];
            }
            if ($part->source !== null) {
                $this->watts[$cell] += $volume * $this->voxels->fill[$index] * ($part->source->isConstant() ? $part->source->constant : $part->source->at(...$this->voxels->grid->centre($cell)));
            }
        }
    }
}
