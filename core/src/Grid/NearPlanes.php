<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Geometry\Box;
use Foehn\Model\Model;
use Foehn\Shapes\FlatShape;

/**
 * Planes of parts that a coarse grid takes as one: nearer to each other than a stated distance, where nothing lies between. Cells belong
 * to the part that holds their middle, so that a part ends at the plane that stays. Two planes stay apart where they belong to the same
 * part, where they face each other across a gap, so that what does not touch does not begin to, and where they are further from each
 * other than half of what a part has beside them, so that no part is lost.
 */
final class NearPlanes
{
    /** Of the thinnest that a part has beside a plane: so far it may be moved. */
    private const MOVED = 0.5;

    /** Boxes that share less than this, m, lie beside each other. */
    private const BESIDE = 1e-9;

    /** @var array<string, list<int>> indexes of parts by the place of a plane */
    private array $parts = [];

    /** @var array<string, float> the least that a part has beside a plane, m */
    private array $least = [];

    /** @var array<string, true> planes that hold what has no thickness */
    private array $fixed = [];

    /** @param 0|1|2 $axis */
    private function __construct(private readonly Model $model, private readonly int $axis)
    {
        foreach ($model->parts as $index => $part) {
            $own = $part->shape->planes($axis);
            sort($own);
            foreach ($own as $n => $plane) {
                $key = self::key($plane);
                $this->parts[$key][] = $index;
                $this->least[$key] = min($this->least[$key] ?? INF, $plane - ($own[$n - 1] ?? -INF) ?: INF, ($own[$n + 1] ?? INF) - $plane ?: INF);
                if ($part->shape instanceof FlatShape && $part->shape->axis === $axis) {
                    $this->fixed[$key] = true;
                }
            }
        }
    }

    /**
     * @param 0|1|2 $axis
     * @param non-empty-array<int, float> $planes rising, m; the first and the last stay
     * @param float $distance m
     * @return non-empty-array<int, float> those that stay, rising, m
     */
    public static function merged(Model $model, int $axis, array $planes, float $distance): array
    {
        $near = new self($model, $axis);
        $last = count($planes) - 1;
        $near->fixed[self::key($planes[0])] = $near->fixed[self::key($planes[$last])] = true;
        [$merged, $group] = [[], []];
        foreach ($planes as $plane) {
            if ($group === [] || ! $near->join($group, $plane, $distance)) {
                $group = [$plane];
                $merged[] = $plane;
            } else {
                $group[] = $plane;
                if ($near->isFixed($plane)) {
                    $merged[count($merged) - 1] = $plane;
                }
            }
        }

        return $merged;
    }

    /** @param non-empty-list<float> $group planes that are one, rising, m */
    private function join(array $group, float $plane, float $distance): bool
    {
        if ($plane - $group[0] > $distance || ($this->isFixed($plane) && array_filter($group, $this->isFixed(...)) !== [])) {
            return false;
        }
        foreach ($group as $other) {
            if ($plane - $group[0] >= self::MOVED * min($this->least[self::key($other)] ?? INF, $this->least[self::key($plane)] ?? INF) || $this->face($other, $plane)) {
                return false;
            }
        }

        return true;
    }

    private function isFixed(float $plane): bool
    {
        return isset($this->fixed[self::key($plane)]);
    }

    /** Whether two planes are of the same part, or of two parts that face each other between them. */
    private function face(float $low, float $high): bool
    {
        foreach ($this->parts[self::key($low)] ?? [] as $a) {
            foreach ($this->parts[self::key($high)] ?? [] as $b) {
                if ($a === $b || $this->isGap($this->model->parts[$a]->shape->bounds(), $this->model->parts[$b]->shape->bounds(), $low, $high)) {
                    return true;
                }
            }
        }

        return false;
    }

    private function isGap(Box $below, Box $above, float $low, float $high): bool
    {
        if (self::key($below->max[$this->axis]) !== self::key($low) || self::key($above->min[$this->axis]) !== self::key($high)) {
            return false;
        }
        foreach (array_diff([0, 1, 2], [$this->axis]) as $across) {
            if (min($below->max[$across], $above->max[$across]) - max($below->min[$across], $above->min[$across]) < self::BESIDE) {
                return false;
            }
        }

        return true;
    }

    private static function key(float $plane): string
    {
        return sprintf('%.9f', $plane);
    }
}
