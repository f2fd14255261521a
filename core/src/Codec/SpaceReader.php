<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Model\Coating;
use Foehn\Model\Cover;
use Foehn\Model\FlowCondition;
use Foehn\Model\HeatCondition;
use Foehn\Model\Patch;
use Foehn\Model\Physics;
use Foehn\Model\Side;
use Foehn\Model\Space;
use Foehn\Model\Surroundings;
use Foehn\Units\Dimension;
use Foehn\Units\ScalarField;

/** Reads the space: its box, its fluid and its sides. */
final class SpaceReader
{
    public static function read(Reader $reader, Library $materials, Surroundings $surroundings, Physics $physics): Space
    {
        $box = self::box($reader->object('box', true));
        $fluid = $reader->has('fluid') ? $reader->string('fluid') : null;
        if ($fluid !== null && ! ($materials->get($fluid)->fluid ?? false)) {
            $reader->problem('fluid', sprintf('"%s" is not a fluid of the library or of this model; did you mean %s?', $fluid, implode(', ', $materials->similar($fluid, fluids: true))));
        }
        if ($physics->hasFlow()) {
            self::checkMovingFluid($reader, $fluid === null ? null : $materials->get($fluid), $physics);
        }
        $force = $reader->has('force') ? self::force($reader->object('force')) : null;
        $source = $reader->has('source') ? $reader->field('source', Dimension::heatSource()) : null;
        $sidesReader = $reader->object('sides');
        $sides = [];
        foreach (Space::SIDES as $name) {
            $sides[$name] = self::side($sidesReader->object($name), $surroundings, $physics);
        }
        $sidesReader->close();
        $reader->close();

        return new Space($box, $fluid, $sides, $force, $source);
    }

    private static function box(Reader $reader): Box
    {
        $min = $reader->vector('min', Dimension::length(), 3);
        $max = $reader->vector('max', Dimension::length(), 3, [2.0, 2.0, 2.0]);
        $reader->close();
        foreach ([0, 1, 2] as $axis) {
            if ($max[$axis] <= $min[$axis]) {
                $reader->problem('max', sprintf('the space has no extent along %s: from %g m to %g m', 'xyz'[$axis], $min[$axis], $max[$axis]));
            } elseif ($max[$axis] - $min[$axis] < Space::SMALLEST || max(abs($min[$axis]), abs($max[$axis])) > Space::FARTHEST) {
                $reader->problem('max', sprintf('along %s the space goes from %g m to %g m; it must be at least %g m long and lie within %g m of the origin', 'xyz'[$axis], $min[$axis], $max[$axis], Space::SMALLEST, Space::FARTHEST));
            }
        }

        return new Box([$min[0], $min[1], $min[2]], [$max[0], $max[1], $max[2]]);
    }

    /** @return array{ScalarField, ScalarField, ScalarField} N/m3 */
    private static function force(Reader $reader): array
    {
        $along = fn (string $axis): ScalarField => $reader->has($axis) ? $reader->field($axis, Dimension::forceDensity()) : ScalarField::constant(0.0);
        $force = [$along('x'), $along('y'), $along('z')];
        $reader->close();

        return $force;
    }

    private static function checkMovingFluid(Reader $reader, ?Material $fluid, Physics $physics): void
    {
        if ($fluid === null) {
            $reader->problem('fluid', 'flow is to be computed, but the space has no fluid; name one, for example "air"');

            return;
        }
        if ($fluid->powerLaw !== null && $physics->flow === 'turbulent') {
            $reader->problem('fluid', sprintf('"%s" follows the power law, which is computed laminar only; choose the flow "laminar" or "auto"', $fluid->id));
        }
        foreach (['density' => $fluid->gasConstant === null, 'viscosity' => $fluid->powerLaw === null, 'specificHeat' => $physics->heat] as $property => $needed) {
            if ($needed && $fluid->$property === null) {
                $reader->problem('fluid', sprintf('"%s" has no %s, which the flow needs', $fluid->id, $property));
            }
        }
    }

    /**
     * What a side or patch is to the flow, to the heat and to radiation.
     *
     * @return array{FlowCondition, HeatCondition, Cover}
     */
    private static function conditions(Reader $reader, Surroundings $surroundings, Physics $physics): array
    {
        $flow = FlowConditionReader::read($reader, $surroundings, $physics);
        $heat = HeatConditionReader::read($reader->object('heat'), $surroundings);
        if ($flow->kind !== 'wall' && $heat->kind !== 'adiabatic') {
            $reader->problem('heat', sprintf('a side or patch of kind "%s" takes no heat condition; leave "heat" out or write "wall"', $flow->kind));
        }
        // Fluid that stands at its temperature beyond an inlet also takes heat up against the stream.
        $conducts = $flow->kind === 'inlet' && $reader->bool('conducts', false);

        return [$flow, $conducts ? new HeatCondition('temperature', $flow->temperature, $flow->temperature) : $heat, self::cover($reader, $flow)];
    }

    private static function cover(Reader $reader, FlowCondition $flow): Cover
    {
        $isWall = $flow->kind === 'wall';
        $transmittance = $flow->kind === 'symmetry' ? null : $reader->optionalQuantity('transmittance', Dimension::none());
        if ($transmittance !== null && ($transmittance < 0.0 || $transmittance > 1.0)) {
            $reader->problem('transmittance', sprintf('%g is given; a transmittance lies between 0 and 1', $transmittance));
        }

        return new Cover($isWall ? CoatingReader::read($reader->object('surface')) : new Coating(), $transmittance);
    }

    private static function side(Reader $reader, Surroundings $surroundings, Physics $physics): Side
    {
        [$flow, $heat, $cover] = self::conditions($reader, $surroundings, $physics);
        $patches = [];
        foreach ($reader->objects('patches', 1000, 'patches') as $patchReader) {
            $min = $patchReader->vector('min', Dimension::length(), 2);
            $max = $patchReader->vector('max', Dimension::length(), 2, [2.0, 2.0]);
            if ($max[0] <= $min[0] || $max[1] <= $min[1]) {
                $patchReader->problem('max', 'the patch has no area');
            }
            [$patchFlow, $patchHeat, $patchCover] = self::conditions($patchReader, $surroundings, $physics);
            $patches[] = new Patch(
                [$min[0], $min[1]], [$max[0], $max[1]], $patchHeat, $patchFlow, $patchCover,
                $patchReader->bool('round', false),
                $patchReader->has('heat'),
            );
            $patchReader->close();
        }
        $statesHeat = $reader->has('heat');
        $reader->close();

        return new Side($heat, $flow, $patches, $cover, $statesHeat);
    }
}
