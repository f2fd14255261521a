<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Box;
use Foehn\Geometry\Rotation;
use Foehn\Geometry\Surface;

/**
 * A shape turned about the middle of its box, first about x, then y, then z, as the fixed axes of the space. Where it then
 * stands askew to the grid its surface becomes steps; a turn by right angles keeps its planes.
 */
final readonly class Turned implements LocatedFaces, Shape
{
    /** Directions nearer to an axis than this lie on it. */
    private const AXIAL = 1e-9;

    /** A step whose direction has less than this of a face's normal does not belong to it. */
    private const SIDEWAYS = 1e-6;

    /** Most cells that a shape askew asks for across its box at the coarsest grade. */
    /** Cells across the thinnest part of what stands askew, which the grid shows in steps, over those of what stands straight. */
    private const ASKEW = 1.5;

    private const MOST_CELLS = 40;

    /** @var array{float, float, float} */
    private array $middle;

    private Box $box;

    /** @var list<list<float>> from the directions of the shape to those of the space */
    private array $matrix;

    private function __construct(private Shape $shape, private Rotation $rotation)
    {
        $this->matrix = $matrix = $rotation->rows;
        $own = $shape->bounds();
        $middle = $half = [];
        foreach ([0, 1, 2] as $axis) {
            $middle[] = 0.5 * ($own->min[$axis] + $own->max[$axis]);
        }
        foreach ($matrix as $row) {
            $half[] = 0.5 * (abs($row[0]) * $own->size(0) + abs($row[1]) * $own->size(1) + abs($row[2]) * $own->size(2));
        }
        $this->middle = [$middle[0], $middle[1], $middle[2]];
        $this->box = new Box(
            [$middle[0] - $half[0], $middle[1] - $half[1], $middle[2] - $half[2]],
            [$middle[0] + $half[0], $middle[1] + $half[1], $middle[2] + $half[2]],
        );
    }

    /** @param list<float> $angles about x, y and z, rad */
    public static function by(Shape $shape, array $angles): Shape
    {
        return array_filter($angles) === [] ? $shape : new self($shape, Rotation::about($angles));
    }

    /**
     * Whether a conductivity per axis of the shape is the same after the turn, so that it can be used along the axes of the space.
     *
     * @param list<float> $angles rad
     * @param array{float, float, float} $conductivity W/m/K
     */
    public static function keeps(array $angles, array $conductivity): bool
    {
        $matrix = Rotation::about($angles)->rows;
        foreach ([0, 1, 2] as $a) {
            foreach ([0, 1, 2] as $b) {
                $turned = $matrix[$a][0] * $matrix[$b][0] * $conductivity[0] + $matrix[$a][1] * $matrix[$b][1] * $conductivity[1] + $matrix[$a][2] * $matrix[$b][2] * $conductivity[2];
                if (abs($turned - ($a === $b ? $conductivity[$a] : 0.0)) > 1e-6 * max($conductivity)) {
                    return false;
                }
            }
        }

        return true;
    }

    public function kind(): string
    {
        return $this->shape->kind();
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    /** The box of the shape before the turn. */
    public function ownBounds(): Box
    {
        return $this->shape->bounds();
    }

    public function planes(int $axis): array
    {
        $own = $this->ownAxis($axis);
        if ($own === null) {
            return [$this->box->min[$axis], $this->box->max[$axis]];
        }

        $planes = array_map(fn (float $plane) => $this->along($axis, $own, $plane), $this->shape->planes($own));
        sort($planes);

        return $planes;
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $m = $this->matrix;
        [$cx, $cy, $cz] = $this->middle;
        [$dx, $dy, $dz] = [$x - $cx, $y - $cy, $z - $cz];

        return $this->shape->contains(
            $cx + $m[0][0] * $dx + $m[1][0] * $dy + $m[2][0] * $dz,
            $cy + $m[0][1] * $dx + $m[1][1] * $dy + $m[2][1] * $dz,
            $cz + $m[0][2] * $dx + $m[1][2] * $dy + $m[2][2] * $dz,
        );
    }

    public function volume(): ?float
    {
        return $this->shape->volume();
    }

    public function faces(): array
    {
        return $this->shape->faces();
    }

    /** The face of the shape that looks most in this direction. */
    public function faceTowards(int $axis, int $sign): string
    {
        $own = 0;
        foreach ($this->matrix[$axis] as $other => $cosine) {
            $own = abs($cosine) > abs($this->matrix[$axis][$own]) ? $other : $own;
        }

        return $this->shape->faceTowards($own, $this->matrix[$axis][$own] > 0.0 ? $sign : -$sign);
    }

    /** Of the faces that look its way the nearest one. */
    public function faceAt(int $axis, int $sign, array $place): string
    {
        $box = $this->shape->bounds();
        $nearest = INF;
        $face = $this->faceTowards($axis, $sign);
        foreach ([0, 1, 2] as $own) {
            $looks = $sign * $this->matrix[$axis][$own];
            if (abs($looks) < self::SIDEWAYS) {
                continue;
            }
            $at = $this->middle[$own];
            foreach ([0, 1, 2] as $other) {
                $at += $this->matrix[$other][$own] * ($place[$other] - $this->middle[$other]);
            }
            $distance = $looks > 0.0 ? abs($box->max[$own] - $at) : abs($at - $box->min[$own]);
            if ($distance < $nearest) {
                [$nearest, $face] = [$distance, $this->shape->faceTowards($own, $looks > 0.0 ? 1 : -1)];
            }
        }

        return $face;
    }

    public function surface(string $face): Surface
    {
        return $this->shape->surface($face)->turned($this->rotation);
    }

    public function features(): array
    {
        $features = [];
        $thinnest = INF;
        foreach ($this->shape->features() as $feature) {
            $thinnest = min($thinnest, $feature->width());
            foreach ([0, 1, 2] as $axis) {
                if ($this->ownAxis($axis) === $feature->axis) {
                    $ends = [$this->along($axis, $feature->axis, $feature->from), $this->along($axis, $feature->axis, $feature->to)];
                    $features[] = new Feature($feature->name, $axis, min($ends), max($ends), $feature->cells, $feature->fewest);
                }
            }
        }
        foreach ([0, 1, 2] as $axis) {
            if ($this->ownAxis($axis) === null && $thinnest < INF) {
                $features[] = new Feature('turned', $axis, $this->box->min[$axis], $this->box->max[$axis], min(self::MOST_CELLS, (int) ceil(self::ASKEW * $this->box->size($axis) / $thinnest)));
            }
        }

        return $features;
    }

    public function drawing(): array
    {
        return array_map(fn (array $body) => [...$body, 'turn' => ['matrix' => array_merge(...$this->matrix), 'about' => $this->middle]], $this->shape->drawing());
    }

    /** By how much its steps along the grid have more surface than those of the shape before the turn, as a share. */
    public function surfaceExcess(): float
    {
        $own = Surface::none();
        foreach ($this->shape->faces() as $face) {
            $own = $own->with($this->shape->surface($face));
        }

        return $own->turned($this->rotation)->steps() / $own->steps() - 1.0;
    }

    /** The axis of the shape that lies along an axis of the space; null where none does. */
    private function ownAxis(int $axis): ?int
    {
        foreach ($this->matrix[$axis] as $own => $cosine) {
            if (abs($cosine) > 1.0 - self::AXIAL) {
                return $own;
            }
        }

        return null;
    }

    /** Where a plane of the shape lies along an axis of the space that its own axis is on. */
    private function along(int $axis, int $own, float $plane): float
    {
        return $this->middle[$axis] + $this->matrix[$axis][$own] * ($plane - $this->middle[$own]);
    }
}
