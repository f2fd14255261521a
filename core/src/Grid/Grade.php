<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;

/** What a grade of fineness means for the grid. */
final readonly class Grade
{
    /** With so many parts a fluid moves around something that it cools, and Scout is for seconds between changes; with fewer it is a channel or a cavity, which costs little. */
    private const PARTS = 2;

    /**
     * @param float $fineness cells where the physics asks for them, against those of Working (see GridRules)
     * @param int $acrossFeature fewest cells across a fin, gap, wall or layer
     * @param float $growth largest ratio of neighbouring cell widths
     * @param int $maxCells before cells become larger instead
     * @param bool $lumps whether plate fins narrower than the largest cell are lumped where air moves
     * @param float $near where air moves, planes of parts nearer to each other than this share of the space are one (see NearPlanes)
     */
    private function __construct(public float $fineness, public int $acrossFeature, public float $growth, public int $maxCells, public bool $lumps = false, public float $near = 0.0)
    {
    }

    /** The grade that is asked for, with what is given by hand in place of its own. */
    public static function of(Model $model): self
    {
        $settings = $model->grid;
        $grade = self::named($settings->grade, $model->physics->hasFlow() && count($model->parts) >= self::PARTS);

        return new self($grade->fineness, $settings->across ?? $grade->acrossFeature, $settings->growth ?? $grade->growth, $grade->maxCells, $grade->lumps, $grade->near);
    }

    private static function named(string $grade, bool $cools): self
    {
        return match ($grade) {
            'scout' => $cools ? new self(0.35, 1, 1.4, 40_000, true, 0.01) : new self(0.5, 1, 1.25, 60_000, true, 0.01),
            'sign-off' => new self(1.5, 3, 1.1, 1_000_000),
            default => new self(1.0, 2, 1.15, 300_000),
        };
    }
}
