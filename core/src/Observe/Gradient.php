<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Limit;
use Foehn\Model\Space;
use Foehn\Model\Target;
use Foehn\Model\Watch;

/** How the temperature that a limit or watch sees changes with that of each cell. A greatest or least temperature counts where it is now. */
final readonly class Gradient
{
    /** @var array<string, int> */
    private array $indexOf;

    public function __construct(private State $state)
    {
        $this->indexOf = array_flip(array_map(fn ($part) => $part->id, $state->model->parts));
    }

    /** @return ?array<int, float> change of the value for a kelvin in each of these cells; null where what is asked is no temperature of a part, a face or a side */
    public function of(Watch|Limit $asked): ?array
    {
        [$target, $reduce] = [$asked->of, $asked->reduce];
        if ($asked->against !== null || $asked->quantity !== 'temperature' || ! $this->state->model->physics->heat || $target->point !== null) {
            return null;
        }
        if ($target->side !== null || $target->face !== null) {
            return $this->ofSurface($target, $reduce);
        }
        $part = $this->indexOf[$target->part ?? ''];
        $node = $this->state->system->packages->weights($part, $target->node ?? 'junction');

        return $node ?? $this->ofPart($part, $reduce);
    }

    /** @return ?array<int, float> */
    private function ofPart(int $part, string $reduce): ?array
    {
        $volumes = $temperatures = [];
        foreach ($this->state->voxels->owner as $cell => $owner) {
            if ($owner === $part) {
                $volumes[$cell] = $this->state->grid->volume($cell);
                $temperatures[$cell] = $this->state->temperature[$cell];
            }
        }

        return $temperatures === [] ? null : match ($reduce) {
            'min', 'max' => [self::place($temperatures, $reduce) => 1.0],
            default => array_map(fn (float $volume): float => $volume / array_sum($volumes), $volumes),
        };
    }

    /**
     * T_surface = T_cell - (g (T_cell - T_beyond) - landed) h / A, by area over the elements of a face (see SurfaceNodes).
     *
     * @return ?array<int, float>
     */
    private function ofSurface(Target $target, string $reduce): ?array
    {
        $surfaces = $this->state->system->surfaces;
        $areas = $temperatures = [];
        foreach ($this->elementsOf($target) as $e) {
            $areas[$e] = $surfaces->elements->area[$e];
            $temperatures[$e] = $surfaces->surfaceTemperature($e, $this->state->temperature);
        }
        if ($temperatures === []) {
            return null;
        }
        $area = array_sum($areas);
        $shares = in_array($reduce, ['min', 'max'], true) ? [self::place($temperatures, $reduce) => 1.0] : array_map(fn (float $own): float => $own / $area, $areas);
        $weights = [];
        foreach ($shares as $e => $share) {
            $beyond = $surfaces->shareOfBeyond($e);
            [$cell, $other] = [$surfaces->elements->cell[$e], $surfaces->elements->other[$e]];
            $weights[$cell] = ($weights[$cell] ?? 0.0) + $share * $surfaces->shareOfCell($e);
            if ($other >= 0) {
                $weights[$other] = ($weights[$other] ?? 0.0) + $share * $beyond;
            }
        }

        return $weights;
    }

    /** @return iterable<int> */
    private function elementsOf(Target $target): iterable
    {
        $elements = $this->state->system->surfaces->elements;
        $part = $target->part === null ? -1 : $this->indexOf[$target->part];
        $side = $target->side === null ? -1 : (int) array_search($target->side, Space::SIDES, true);
        foreach ($elements->part as $e => $owner) {
            $direction = $elements->direction[$e];
            if ($side >= 0
                ? $elements->side[$e] === $side && ($target->patch === null || $elements->patch[$e] === $target->patch)
                : $owner === $part && $this->state->model->parts[$part]->face($direction, fn () => $this->state->grid->faceCentre($elements->cell[$e], $direction)) === $target->face) {
                yield $e;
            }
        }
    }

    /** @param non-empty-array<int, float> $values */
    private static function place(array $values, string $reduce): int
    {
        return (int) array_search($reduce === 'max' ? max($values) : min($values), $values, true);
    }
}
