<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\OuterSpace;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Part;

/**
 * The surface elements that radiate, and how strongly: the emissivity of each, over the steps that a slanted surface has on the grid.
 * Faces in contact do not, nor the sides of a package, which pass no heat, nor a part whose emissivity is not known.
 */
final class Emitters
{
    /** Emissivity of the walls of a space, which are no parts: painted, or of plastic. */
    public const WALLS = 0.9;

    /**
     * Those that see nothing but the surroundings, where these alone are counted: what faces the outer space (see OuterSpace), and faces
     * at sides of the space with a convection coefficient; not what is held, insulated or heated from outside.
     *
     * @return array<int, float>
     */
    public static function outside(Model $model, SurfaceElements $elements, Voxels $voxels): array
    {
        $outer = OuterSpace::of($model, $voxels);

        return self::where($model, $elements, $voxels, fn (int $e, string $kind): bool => $elements->side[$e] >= 0
            ? $kind === 'film'
            : ! in_array($kind, ['temperature', 'flux', 'power'], true) && isset($outer[OuterSpace::beyond($voxels->grid, $elements->cell[$e], $elements->direction[$e])]));
    }

    /**
     * Those that see each other, with the walls of the space where a fluid is in it, and faces at its sides with a convection coefficient,
     * whose outside sees the surroundings.
     *
     * @return array<int, float>
     */
    public static function all(Model $model, SurfaceElements $elements, Voxels $voxels, CavityFaces $faces): array
    {
        $inside = array_flip(array_filter($faces->element, fn (int $e): bool => $e >= 0));

        return self::where($model, $elements, $voxels, fn (int $e, string $kind): bool => isset($inside[$e]) || ($elements->side[$e] >= 0 && $elements->part[$e] >= 0 && $kind === 'film'));
    }

    /**
     * @param callable(int, string): bool $radiates by element and the kind of its condition
     * @return array<int, float>
     */
    private static function where(Model $model, SurfaceElements $elements, Voxels $voxels, callable $radiates): array
    {
        $own = array_map(fn (Part $part): float => $model->emissivity($part) ?? 0.0, $model->parts);
        $steps = $found = [];
        foreach ($elements->part as $e => $part) {
            $emissivity = $own[$part] ?? self::WALLS;
            if ($emissivity <= 0.0 || ! $elements->passes[$e] || $elements->otherPart[$e] >= 0 || ! $radiates($e, $elements->condition[$e]->kind)) {
                continue;
            }
            if ($part >= 0) {
                $face = $model->parts[$part]->face($elements->direction[$e], fn () => $voxels->grid->faceCentre($elements->cell[$e], $elements->direction[$e]));
                $emissivity /= $steps["$part $face"] ??= $model->parts[$part]->stepsOf($face);
            }
            $found[$e] = $emissivity;
        }

        return $found;
    }
}
