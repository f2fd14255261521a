<?php

declare(strict_types=1);

namespace Foehn\Tests;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowLayout;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\Friction;
use LogicException;

/** Domains of flow for tests of single kernels. */
final class Domains
{
    public const DENSITY = 1.2;

    public const VISCOSITY = 2e-3;

    public const CONDUCTIVITY = 0.05;

    public const SPECIFIC_HEAT = 1000.0;

    /**
     * A box of a fluid of round properties.
     *
     * @param list<float> $size m
     * @param ?list<int> $cells null: the grid of a grade
     * @param array<string, array<string, mixed>> $sides
     * @param list<array<string, mixed>> $parts
     * @param array<string, mixed> $physics beside laminar flow and heat
     */
    public static function model(array $size, ?array $cells, array $sides = [], array $parts = [], array $physics = []): Model
    {
        return ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Domain', 'physics' => ['heat' => true, 'flow' => 'laminar', ...$physics], 'surroundings' => ['temperature' => 300],
            'materials' => ['f' => ['fluid' => true, 'density' => self::DENSITY, 'viscosity' => self::VISCOSITY, 'conductivity' => self::CONDUCTIVITY, 'specificHeat' => self::SPECIFIC_HEAT, 'expansion' => 1 / 300]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => $size], 'fluid' => 'f', 'sides' => $sides],
            'parts' => $parts, 'analysis' => ['grid' => $cells === null ? ['grade' => 'working'] : ['cells' => $cells]],
        ]);
    }

    public static function fluid(Model $model, string $name = 'f'): Fluid
    {
        $material = $model->materials->get($name) ?? throw new LogicException("There is no material \"$name\".");

        return Fluid::of($material, $model->surroundings);
    }

    public static function domain(Model $model, float $density = self::DENSITY): FlowDomain
    {
        return DomainBuilder::build($model, Voxels::of($model, GridBuilder::build($model)), $density);
    }

    /** The finest level with the friction of the fluid as it is. */
    public static function level(FlowDomain $domain): FlowLevel
    {
        $level = FlowLevel::finest($domain, self::DENSITY);
        $viscosity = array_fill(0, $domain->layout->length, self::VISCOSITY);
        $zeros = $domain->layout->zeros();
        $level->friction = Friction::of($domain, $viscosity, $viscosity, [$zeros, $zeros, $zeros]);

        return $level;
    }

    /**
     * Values at the places of the faces across an axis, or of the centres of the cells, in the layout of the flow with its ghosts.
     *
     * @param ?int $across axis across whose upper faces the values lie; null: in the centres
     * @param callable(float, float, float): float $value
     * @return list<float>
     */
    public static function sample(FlowLayout $layout, ?int $across, callable $value): array
    {
        $values = $layout->zeros();
        foreach (array_keys($values) as $c) {
            if ($c < $layout->pad || $c >= $layout->length - $layout->pad) {
                continue;
            }
            $at = [];
            foreach ($layout->place($c) as $axis => $i) {
                $lines = $layout->grid->lines[$axis];
                $n = count($lines) - 1;
                $centre = $i === 0 ? $lines[0] : ($i > $n ? $lines[$n] : $layout->grid->centres[$axis][$i - 1]);
                $at[] = $axis === $across ? $lines[min($i, $n)] : $centre;
            }
            $values[$c] = $value($at[0], $at[1], $at[2]);
        }

        return array_values($values);
    }

    /**
     * Indices of the faces whose velocity is computed and whose neighbours along all axes are computed too: there boundaries play no part.
     *
     * @return list<int>
     */
    public static function inner(FlowDomain $domain, int $axis, int $rings = 1): array
    {
        $inner = [];
        foreach ($domain->face[$axis] as $c => $kind) {
            if ($kind !== FlowDomain::INNER) {
                continue;
            }
            $free = true;
            foreach ($domain->layout->stride as $stride) {
                for ($n = 1; $n <= $rings; $n++) {
                    $free = $free && ($domain->face[$axis][$c + $n * $stride] ?? 0) === FlowDomain::INNER && ($domain->face[$axis][$c - $n * $stride] ?? 0) === FlowDomain::INNER;
                }
            }
            if ($free) {
                $inner[] = $c;
            }
        }

        return $inner;
    }
}
