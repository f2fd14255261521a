<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\OuterSpace;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;

/**
 * The surface elements that radiate. Faces in contact do not, nor the sides of a package, which pass no heat, nor a part whose emissivity
 * is not known.
 */
final class Emitters
{
    /**
     * Those that see nothing but the surroundings, where these alone are counted: what faces the outer space (see OuterSpace), and faces
     * at sides of the space with a convection coefficient; not what is held, insulated or heated from outside.
     *
     * @return list<int>
     */
    public static function outside(Model $model, SurfaceElements $elements, Voxels $voxels): array
    {
        $outer = OuterSpace::of($model, $voxels);

        return self::where($elements, fn (int $e, string $kind): bool => $elements->side[$e] >= 0
            ? $kind === 'film'
            : ! in_array($kind, ['temperature', 'flux', 'power'], true) && isset($outer[OuterSpace::beyond($voxels->grid, $elements->cell[$e], $elements->direction[$e])]));
    }

    /**
     * Those that see each other, with the walls of the space where a fluid is in it, and faces at its sides with a convection coefficient,
     * whose outside sees the surroundings.
     *
     * @return list<int>
     */
    public static function all(SurfaceElements $elements, CavityFaces $faces): array
    {
        $inside = array_flip(array_filter($faces->element, fn (int $e): bool => $e >= 0));

        return self::where($elements, fn (int $e, string $kind): bool => isset($inside[$e]) || ($elements->side[$e] >= 0 && $elements->part[$e] >= 0 && $kind === 'film'));
    }

    /**
     * @param callable(int, string): bool $radiates by element and the kind of its condition
     * @return list<int>
     */
    private static function where(SurfaceElements $elements, callable $radiates): array
    {
        return array_values(array_filter(array_keys($elements->part), fn (int $e): bool => $elements->passes[$e] && $elements->otherPart[$e] < 0 && $radiates($e, $elements->condition[$e]->kind)));
    }
}
