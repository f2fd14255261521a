<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\ViaCurrents;
use Foehn\Observe\BoardReadings;
use Foehn\Physics\Electric\BoardState;

/**
 * The copper of boards in the result document: raster, layers, nets, vias and terminals. SI units, places as the artwork counts but for the lower corner of
 * the board, which is in the space; heights of layers over the lower face of the board.
 *
 * @phpstan-import-type NetRow from BoardReadings
 * @phpstan-import-type ViaRow from BoardReadings
 * @phpstan-import-type LayerRow from BoardReadings
 * @phpstan-type LimitedVia array{net: string, at: list<float>, hole: float, from: string, to: string, current: float, density: float, heat: float, limit: ?float}
 * @phpstan-type BoardRow array{part: string, name: string, normal: 0|1|2, lower: array{float, float, float}, pixels: list<int>, origin: list<float>, size: list<float>, layers: list<LayerRow>, nets: list<NetRow>, vias: list<LimitedVia>,
 *     terminals: list<array{name: string, current: float, voltage: float, pads: list<float>}>, power: float, iterations: int}
 */
final class BoardRows
{
    /**
     * @param array<int, BoardState> $boards by index of the part
     * @return list<BoardRow>
     */
    public static function of(array $boards, Model $model): array
    {
        $rows = [];
        foreach ($boards as $index => $state) {
            $part = $model->parts[$index];
            [$raster, $artwork, $readings] = [$state->drawn->raster, $state->copper->artwork, new BoardReadings($state)];
            $rows[] = ['part' => $part->id, 'name' => $part->name, 'normal' => $artwork->normal, 'lower' => $artwork->lower, 'pixels' => $raster->pixels, 'origin' => $raster->origin, 'size' => $raster->size,
                'layers' => $readings->layers(), 'nets' => $readings->nets(), 'vias' => self::vias($readings, self::limits($model, $part), $artwork->holes->plating), 'terminals' => $state->currents->contacts,
                'power' => $state->currents->power, 'iterations' => $state->currents->iterations];
        }

        return $rows;
    }

    /**
     * @param list<ViaCurrents> $limits
     * @return list<LimitedVia>
     */
    private static function vias(BoardReadings $readings, array $limits, float $plating): array
    {
        return array_map(function (array $via) use ($limits, $plating): array {
            $own = array_map(fn (ViaCurrents $limit): float => $limit->of($via['hole'], $plating), $limits);

            return [...$via, 'limit' => $own === [] ? null : min($own)];
        }, $readings->vias());
    }

    /** @return list<ViaCurrents> what vias of a part may carry */
    private static function limits(Model $model, Part $part): array
    {
        $vias = [];
        foreach ($model->limits as $limit) {
            if ($limit->vias !== null && $limit->of->part === $part->id) {
                $vias[] = $limit->vias;
            }
        }

        return $vias;
    }
}
