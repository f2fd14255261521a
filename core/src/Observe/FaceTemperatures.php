<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;

/** Temperatures of cell faces: recorded ones where a part ends, else between two cell centres of the same part. */
final class FaceTemperatures
{
    /** @var array<int, int> 6 * cell + direction => face record */
    private array $records = [];

    public function __construct(private readonly State $state)
    {
        $faces = $state->system->surfaces;
        for ($f = 0, $count = $faces->count(); $f < $count; $f++) {
            $this->records[6 * $faces->elements->cell[$f] + $faces->elements->direction[$f]] = $f;
        }
    }

    /** K; null when there is no neighbour and no record. */
    public function at(int $cell, int $direction): ?float
    {
        $record = $this->records[6 * $cell + $direction] ?? null;
        if ($record !== null) {
            return $this->state->system->surfaces->surfaceTemperature($record, $this->state->temperature);
        }
        $neighbour = $this->state->grid->neighbour($cell, $direction);

        return $neighbour === null ? null : self::between(
            $this->state->grid, $cell, $direction, $this->state->cellTemperature($cell), $this->state->cellTemperature($neighbour),
        );
    }

    /** Temperature of the face between two cells of one material, K. */
    public static function between(Grid $grid, int $cell, int $direction, ?float $own, ?float $other): ?float
    {
        if ($own === null || $other === null) {
            return null;
        }
        $axis = $direction >> 1;
        $beyond = $grid->neighbour($cell, $direction) ?? $cell;
        [$w, $v] = [$grid->size($cell)[$axis], $grid->size($beyond)[$axis]];

        return $own + ($other - $own) * $w / ($w + $v);
    }

    /**
     * Temperatures of the surfaces across an axis, at the lower and the upper face of cells.
     *
     * @return array{array<int, float>, array<int, float>} K
     */
    public static function ofSurfaces(State $state, int $axis): array
    {
        $found = [[], []];
        $surfaces = $state->system->surfaces;
        $elements = $surfaces->elements;
        foreach ($elements->cell as $e => $cell) {
            if (Axes::of($elements->direction[$e]) !== $axis || ! $elements->passes[$e]) {
                continue;
            }
            $temperature = $surfaces->surfaceTemperature($e, $state->temperature);
            $upper = $elements->direction[$e] % 2;
            $found[$upper][$cell] = $temperature;
            if ($elements->other[$e] >= 0 && $elements->twin[$e] < 0) {
                $found[1 - $upper][$elements->other[$e]] = $temperature;
            }
        }

        return $found;
    }
}
