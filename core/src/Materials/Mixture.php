<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** Effective materials of boards: layer stacks and plated through holes. Their conductivities follow the temperature where those of their materials do. */
final class Mixture
{
    private const COPPER = 'copper-foil';

    /** A copper foil as boards have it. */
    public static function copper(Library $materials): Material
    {
        return $materials->get(self::COPPER) ?? throw new \LogicException('the library has no copper foil');
    }

    /**
     * A layer stack. In the plane the layers conduct side by side, through it one after the other. A partly covered copper layer
     * conducts as copper and dielectric side by side.
     *
     * @param non-empty-list<array{thickness: float, copper: float, dielectric: Material}> $layers thickness in m, coverage of copper 0 .. 1
     * @param int $normal axis through the stack
     */
    public static function laminate(string $id, array $layers, Material $copper, int $normal): Material
    {
        $thickness = array_sum(array_column($layers, 'thickness'));
        [$mass, $capacity] = [0.0, 0.0];
        foreach ($layers as ['thickness' => $t, 'copper' => $coverage, 'dielectric' => $dielectric]) {
            foreach ([[$copper, $coverage], [$dielectric, 1 - $coverage]] as [$material, $fraction]) {
                $mass += $t * $fraction * $material->density;
                $capacity += $t * $fraction * $material->density * $material->specificHeat;
            }
        }
        $of = fn (float $coverage, Material $dielectric, float $t): float => $coverage * $copper->conductivity[0]->at($t) + (1 - $coverage) * $dielectric->conductivity[0]->at($t);
        $laws = array_map(fn ($layer) => $layer['dielectric']->conductivity[0], $layers);
        $along = PropertyLaw::of([$copper->conductivity[0], ...$laws], fn (float $t): float => array_sum(array_map(fn ($layer) => $layer['thickness'] * $of($layer['copper'], $layer['dielectric'], $t), $layers)) / $thickness);
        $through = PropertyLaw::of([$copper->conductivity[0], ...$laws], fn (float $t): float => $thickness / array_sum(array_map(fn ($layer) => $layer['thickness'] / $of($layer['copper'], $layer['dielectric'], $t), $layers)));

        return Material::ofBoard("laminate:$id", 'Layer stack', self::with([$along, $along, $along], $through, $normal), new Bulk($mass / $thickness, self::perMass($capacity, $mass)), 'computed from the layers of the board');
    }

    /**
     * Plated through holes in a board. Through it, the copper of the barrels and what fills them stand beside the board. In its
     * plane it stays the board, of which the holes take little.
     *
     * @param float $barrel fraction of the area that is copper
     * @param float $hole fraction of the area that is filled
     * @param int $normal axis through the board
     */
    public static function vias(string $id, Material $board, Material $copper, float $barrel, Material $fill, float $hole, int $normal): Material
    {
        $parts = [[$barrel, $copper, 0], [$hole, $fill, 0], [1 - $barrel - $hole, $board, $normal]];
        [$mass, $capacity] = [0.0, 0.0];
        foreach ($parts as [$fraction, $material]) {
            $mass += $fraction * (float) $material->density;
            $capacity += $fraction * $material->density * $material->specificHeat;
        }
        $through = PropertyLaw::of(
            array_map(fn (array $part) => $part[1]->conductivity[$part[2]], $parts),
            fn (float $t): float => array_sum(array_map(fn (array $part): float => $part[0] * $part[1]->conductivity[$part[2]]->at($t), $parts)),
        );

        return Material::ofBoard("vias:$id", 'Board with vias', self::with($board->conductivity, $through, $normal), new Bulk($mass, self::perMass($capacity, $mass)), 'computed from the board and its vias');
    }

    /**
     * @param array{PropertyLaw, PropertyLaw, PropertyLaw} $laws along x, y and z
     * @return array{PropertyLaw, PropertyLaw, PropertyLaw} with another one along the normal
     */
    private static function with(array $laws, PropertyLaw $through, int $normal): array
    {
        return [$normal === 0 ? $through : $laws[0], $normal === 1 ? $through : $laws[1], $normal === 2 ? $through : $laws[2]];
    }

    /** J/kg/K; null where no layer states its density, so that there is no mass to relate to. */
    private static function perMass(float $capacity, float $mass): ?float
    {
        return $mass > 0.0 ? $capacity / $mass : null;
    }
}
