<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Board\Nets;
use Foehn\Geometry\Axes;
use Foehn\Model\Limit;
use Foehn\Model\Target;
use Foehn\Physics\Electric\BoardState;

/** Where in the space a limit is nearest to being missed, or missed by most: the hottest cell, the place of the greatest current density, the via. */
final readonly class LimitPlaces
{
    public function __construct(private State $state, private Readings $readings)
    {
    }

    /** @return ?array{float, float, float} m; null where a limit is on a mean, a sum, a side or what is not computed */
    public function of(Limit $limit): ?array
    {
        $target = $limit->of;
        if ($target->point !== null) {
            return $target->end === null ? $target->point : null;
        }
        $part = $this->indexOf($target);
        if ($part === null || $target->face !== null) {
            return null;
        }
        $board = $this->state->boards[$part] ?? null;

        return match ($limit->quantity) {
            'temperature' => match (true) {
                $limit->reduce === 'mean' => null,
                $target->node !== null || $this->state->system->packages->state($part, $this->state->temperature) !== null => $this->middle($part),
                default => $this->hottest($part, $limit->atMost === null),
            },
            'currentDensity' => match (true) {
                $board === null => $this->densestCell($part),
                $target->copper === 'barrels' => $this->ofVia($board, $this->readings->board($target)?->densestVia()),
                default => $this->ofPixel($board, $this->readings->board($target)?->densestPixel((string) $target->copper)),
            },
            'viaCurrent' => $board === null || $limit->vias === null ? null : $this->ofVia($board, $this->readings->board($target)?->worstVia($limit->vias)),
            'voltageDrop' => $board === null ? null : $this->onNet($board, (string) $target->net),
            default => null,
        };
    }

    private function indexOf(Target $target): ?int
    {
        foreach ($this->state->model->parts as $index => $part) {
            if ($part->id === $target->part) {
                return $index;
            }
        }

        return null;
    }

    /** @return array{float, float, float} */
    private function middle(int $part): array
    {
        $box = $this->state->model->parts[$part]->shape->bounds();

        return [0.5 * ($box->min[0] + $box->max[0]), 0.5 * ($box->min[1] + $box->max[1]), 0.5 * ($box->min[2] + $box->max[2])];
    }

    /** @return array{float, float, float} of the hottest cell of a part, or the coldest */
    private function hottest(int $part, bool $coldest): array
    {
        return $this->greatest($part, $this->state->temperature, $coldest ? -1.0 : 1.0) ?? $this->middle($part);
    }

    /** @return ?array{float, float, float} */
    private function densestCell(int $part): ?array
    {
        if ($this->state->currents === null) {
            return null;
        }
        $squares = [];
        foreach ($this->state->currents->density as $along) {
            foreach ($along as $cell => $density) {
                $squares[$cell] = ($squares[$cell] ?? 0.0) + $density ** 2;
            }
        }

        return $this->greatest($part, $squares, 1.0);
    }

    /**
     * @param array<int, float> $values by cell
     * @return ?array{float, float, float} centre of the cell of a part with the greatest value, or with the least for a sign of -1
     */
    private function greatest(int $part, array $values, float $sign): ?array
    {
        [$best, $most] = [null, -INF];
        foreach ($this->state->voxels->owner as $cell => $owner) {
            if ($owner === $part && isset($values[$cell]) && $sign * $values[$cell] > $most) {
                [$best, $most] = [$cell, $sign * $values[$cell]];
            }
        }

        return $best === null ? null : $this->state->grid->centre($best);
    }

    /** @return ?array{float, float, float} of the via of this number */
    private function ofVia(BoardState $board, ?int $via): ?array
    {
        if ($via === null) {
            return null;
        }
        $barrel = $board->drawn->raster->barrels[$via];

        return self::inSpace($board, $barrel->hole->at, $board->drawn->raster->layers[$barrel->to]->height);
    }

    /** @return ?array{float, float, float} where a net is at its highest potential */
    private function onNet(BoardState $board, string $name): ?array
    {
        $nets = $board->drawn->nets();
        [$best, $most] = [null, -INF];
        foreach ($nets->net as $at => $net) {
            if ($net !== Nets::NONE && ($nets->names[$net] ?? '') === $name && $board->currents->potential[$at] > $most) {
                [$best, $most] = [$at, $board->currents->potential[$at]];
            }
        }

        return $this->ofPixel($board, $best);
    }

    /** @return ?array{float, float, float} of the pixel of this number */
    private function ofPixel(BoardState $board, ?int $pixel): ?array
    {
        if ($pixel === null) {
            return null;
        }
        $raster = $board->drawn->raster;
        [$nx, $ny] = $raster->pixels;
        [$i, $j, $layer] = [$pixel % $nx, intdiv($pixel, $nx) % $ny, intdiv($pixel, $nx * $ny)];

        return self::inSpace($board, [$raster->origin[0] + ($i + 0.5) * $raster->size[0], $raster->origin[1] + ($j + 0.5) * $raster->size[1]], $raster->layers[$layer]->height);
    }

    /**
     * @param array{float, float} $at as the artwork counts, m
     * @param float $height over the lower face of the board, m
     * @return array{float, float, float}
     */
    private static function inSpace(BoardState $board, array $at, float $height): array
    {
        $artwork = $board->copper->artwork;
        [$a, $b] = Axes::across($artwork->normal);
        $place = $artwork->lower;
        $place[$a] += $at[0] - $artwork->origin[0];
        $place[$b] += $at[1] - $artwork->origin[1];
        $place[$artwork->normal] += $height;

        return $place;
    }
}
