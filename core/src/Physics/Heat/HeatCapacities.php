<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Materials\Material;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\TwoResistancePackage;

/** What each cell stores of heat for a kelvin. */
final class HeatCapacities
{
    /**
     * Of the body of a package, of which only two resistances are known, J/m3/K: moulding compound of 1900 kg/m3 and 1000 J/kg/K,
     * of which most of the body is.
     */
    private const OF_PACKAGES = 1.9e6;

    /**
     * @param bool $withFluid whether what flows stores heat too
     * @throws PhysicsException where a material has no density or no specific heat
     */
    public static function of(Model $model, Voxels $voxels, bool $withFluid = true): StoredHeat
    {
        $perVolume = array_map(fn (Part $part, float $fill): float => self::ofPart($model, $part) * $fill, $model->parts, $voxels->fill);
        $fluid = $model->space->fluid === null || ! $withFluid ? 0.0 : self::ofFluid($model, $model->space->fluid);
        $grid = $voxels->grid;
        [$nx, $ny, $nz] = $grid->cells;
        [$wx, $wy, $wz] = $grid->widths;
        $capacities = array_fill(0, $nx * $ny * ($nz + 2), 0.0);
        $materials = array_map(fn (Part $part): ?Material => $model->materials->get($part->material ?? ''), $model->parts);
        $latent = array_map(fn (?Material $material, float $fill): float => ($material->phaseChange->latentHeat ?? 0.0) * ($material->density ?? 0.0) * $fill, $materials, $voxels->fill);
        $melting = [];
        $c = 0;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                for ($i = 0; $i < $nx; $i++) {
                    $owner = $voxels->owner[$c];
                    $value = $owner >= 0 ? $perVolume[$owner] : ($voxels->region[$c] >= 0 ? $fluid : 0.0);
                    $volume = $wx[$i] * $wy[$j] * $wz[$k];
                    $capacities[$nx * $ny + $c] = $value * $volume;
                    $phase = $owner >= 0 ? $materials[$owner]?->phaseChange : null;
                    if ($phase !== null) {
                        $melting[$nx * $ny + $c] = ['latent' => $latent[$owner] * $volume, 'from' => $phase->from, 'to' => $phase->to];
                    }
                    $c++;
                }
            }
        }

        return new StoredHeat($capacities, $melting);
    }

    /** J/m3/K */
    private static function ofPart(Model $model, Part $part): float
    {
        if ($part->material === null) {
            return $part->shape instanceof TwoResistancePackage ? self::OF_PACKAGES : 0.0;
        }
        $material = $model->materials->get($part->material);

        return $material === null ? 0.0 : self::product($material, $part->name, $material->density, $material->specificHeat);
    }

    private static function ofFluid(Model $model, string $id): float
    {
        $material = $model->materials->get($id);
        if ($material === null) {
            return 0.0;
        }
        $fluid = Fluid::of($material, $model->surroundings);

        return self::product($material, 'the space', $fluid->density, $fluid->specificHeat);
    }

    /** @throws PhysicsException */
    private static function product(Material $material, string $of, ?float $density, ?float $specificHeat): float
    {
        $lacking = array_keys(array_filter(['density' => $density, 'specific heat' => $specificHeat], fn (?float $value): bool => ($value ?? 0.0) <= 0.0));
        if ($lacking !== []) {
            throw new PhysicsException(sprintf('"%s" of %s has no %s, so that it stores no heat and has no course in time; give the material one', $material->title, $of === 'the space' ? $of : "\"$of\"", implode(' and no ', $lacking)));
        }

        return $density * $specificHeat;
    }
}
