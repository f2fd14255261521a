<?php

declare(strict_types=1);

namespace Foehn\Study;

use Closure;
use Foehn\Model\Cover;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Side;

/** What a designer could change of the finishes of a model that radiates: emissivities, and in the sun absorptivities, of parts, of faces with a finish of their own and of the walls of the space. */
final readonly class SurfaceParameters
{
    /** An emissivity above this has nowhere to go. */
    private const BLACK = 0.999;

    public function __construct(private Model $model, private float $share)
    {
    }

    /** @return list<Parameter> */
    public function all(): array
    {
        if (! $this->model->physics->radiates()) {
            return [];
        }
        $parameters = [];
        foreach ($this->model->parts as $part) {
            foreach ([null, ...$part->finishedFaces()] as $face) {
                array_push($parameters, ...$this->ofSurface(
                    $part->id, $face, $this->model->emissivity($part, $face) ?? 0.0, $this->model->absorptivity($part, $face) ?? 0.0,
                    fn (float $emissivity, float $absorptivity): Model => $this->model->withParts(fn (Part $own): Part => $own === $part ? $part->withCoating($face, $part->coating($face)->having($emissivity, $absorptivity)) : $own),
                ));
            }
        }

        return [...$parameters, ...$this->walls()];
    }

    /** @return list<Parameter> */
    private function walls(): array
    {
        $parameters = [];
        foreach ($this->model->space->sides as $name => $side) {
            foreach ($side->flows() as $n => $flow) {
                if (! $flow->isWall()) {
                    continue;
                }
                $patch = $n === 0 ? null : $n - 1;
                $cover = $side->coverOf($patch);
                $change = fn (Cover $other): Model => $this->model->within($this->model->space->withSides(fn (Side $own): Side => $own === $side ? $side->withCover($patch, $other) : $own), $this->model->grid);
                array_push($parameters, ...$this->ofSurface(
                    $patch === null ? $name : "$name patch $patch", null, $cover->emissivity, $cover->absorptivity,
                    fn (float $emissivity, float $absorptivity): Model => $change($cover->having($emissivity, $absorptivity)),
                ));
            }
        }

        return $parameters;
    }

    /**
     * @param Closure(float, float): Model $with the model with that emissivity and that absorptivity
     * @return list<Parameter> an emissivity goes up as far as it can, an absorptivity down
     */
    private function ofSurface(string $of, ?string $face, float $emissivity, float $absorptivity, Closure $with): array
    {
        $parameters = [];
        if ($emissivity > 0.0 && $emissivity < self::BLACK) {
            $parameters[] = new Parameter('emissivity', $of, $face, $emissivity, '', min($this->share, 1.0 / $emissivity - 1.0), fn (float $by): Model => $with((1.0 + $by) * $emissivity, $absorptivity));
        }
        if ($absorptivity > 0.0 && $emissivity > 0.0 && $this->model->surroundings->sun !== null) {
            $parameters[] = new Parameter('absorptivity', $of, $face, $absorptivity, '', -$this->share, fn (float $by): Model => $with($emissivity, (1.0 + $by) * $absorptivity));
        }

        return $parameters;
    }
}
