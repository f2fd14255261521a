<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Materials\Bulk;
use Foehn\Materials\FluidProperties;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Materials\Name;
use Foehn\Materials\PhaseChange;
use Foehn\Materials\PropertyLaw;
use Foehn\Units\Dimension;

/** Reads the materials that a model brings along. */
final class MaterialReader
{
    /** @param array<string, Reader> $entries */
    public static function library(array $entries, Library $base): Library
    {
        foreach ($entries as $id => $reader) {
            $base = $base->with(self::read((string) $id, $reader));
        }

        return $base;
    }

    private static function read(string $id, Reader $reader): Material
    {
        if ($id === 'fluid') {
            $reader->problem('', 'the name "fluid" is reserved for carve-outs');
        }
        $emissivity = CoatingReader::emissivity($reader);
        $optional = fn (string $key, Dimension $dimension): ?float => $reader->optionalQuantity($key, $dimension);
        $isFluid = $reader->bool('fluid', false);
        $properties = new FluidProperties(self::law($reader, 'viscosity', Dimension::viscosity(), 'Pa s'), self::powerLaw($reader), self::gasConstant($reader));
        $material = new Material(
            new Name($id, $reader->string('title', $id), 'model', $reader->string('source', 'given in the model')),
            self::conductivity($reader),
            new Bulk($optional('density', Dimension::density()), $optional('specificHeat', Dimension::specificHeat()), $optional('expansion', Dimension::expansion()), $reader->has('melting') ? $reader->temperature('melting') : null, $reader->has('phaseChange') ? self::phaseChange($reader->object('phaseChange')) : null),
            $emissivity,
            self::resistivity($reader),
            $isFluid ? $properties : null,
        );
        $reader->close();

        return $material;
    }

    private static function phaseChange(Reader $reader): PhaseChange
    {
        [$from, $to] = [$reader->temperature('from'), $reader->temperature('to')];
        if ($to <= $from) {
            $reader->problem('to', sprintf('%g K is given; melting ends above the %g K at which it begins, also of a pure material: give it some tenths of a kelvin', $to, $from));
            $to = $from + 1.0;
        }
        $latent = $reader->quantity('latentHeat', Dimension::specificHeat()->times(Dimension::temperature()), null, 0.0, true);
        $reader->close();

        return new PhaseChange($from, $to, $latent);
    }

    private static function gasConstant(Reader $reader): ?float
    {
        if (! $reader->has('gasConstant')) {
            return null;
        }
        foreach (['density', 'expansion', 'consistency'] as $key) {
            if ($reader->has($key)) {
                $reader->problem($key, sprintf('an ideal gas has its density and expansion from its "gasConstant" and no power law; take the %s out', $key));
            }
        }

        return $reader->quantity('gasConstant', Dimension::specificHeat(), null, 0.0, true);
    }

    /** @return array{PropertyLaw, PropertyLaw, PropertyLaw} */
    private static function conductivity(Reader $reader): array
    {
        $raw = $reader->raw('conductivity');
        if (is_array($raw) && array_is_list($raw)) {
            $k = $reader->vector('conductivity', Dimension::conductivity(), 3);
            self::checkPositive($reader, $k, 'conductivity', 'W/m/K');

            return [PropertyLaw::constant($k[0]), PropertyLaw::constant($k[1]), PropertyLaw::constant($k[2])];
        }
        if (! is_array($raw)) {
            $law = PropertyLaw::constant($reader->quantity('conductivity', Dimension::conductivity(), null, 0.0, true));

            return [$law, $law, $law];
        }
        $law = self::table($reader->object('conductivity'), Dimension::conductivity(), 'conductivity', 'W/m/K');

        return [$law, $law, $law];
    }

    private static function resistivity(Reader $reader): ?PropertyLaw
    {
        $raw = $reader->raw('resistivity');
        if (! is_array($raw) || isset($raw['table'])) {
            return self::law($reader, 'resistivity', Dimension::resistivity(), 'ohm m');
        }
        $given = $reader->object('resistivity');
        $law = PropertyLaw::linear($given->quantity('value', Dimension::resistivity(), null, 0.0, true), $given->temperature('at', 293.15), $given->quantity('coefficient', Dimension::expansion(), null, 0.0));
        $given->close();

        return $law;
    }

    /** A value or a table over temperature; null where nothing is given. */
    private static function law(Reader $reader, string $key, Dimension $dimension, string $unit): ?PropertyLaw
    {
        if (! $reader->has($key)) {
            return null;
        }
        if (is_array($reader->raw($key))) {
            return self::table($reader->object($key), $dimension, $key, $unit);
        }

        return PropertyLaw::constant($reader->quantity($key, $dimension, null, 0.0, true));
    }

    /** @return ?array{float, float} consistency in Pa s^n, index */
    private static function powerLaw(Reader $reader): ?array
    {
        if (! $reader->has('consistency') && ! $reader->has('index')) {
            return null;
        }
        if ($reader->has('viscosity')) {
            $reader->problem('viscosity', 'a fluid has either a viscosity or the consistency and index of the power law; take one of them out');
        }
        $index = $reader->quantity('index', Dimension::none(), null, 0.0, true);
        if ($index < 0.2 || $index > 2.0) {
            $reader->problem('index', sprintf('the index of the power law is %g; from 0.2 to 2 can be computed', $index));
        }

        // Its unit depends on the index, so it is a plain number.
        return [$reader->quantity('consistency', Dimension::none(), null, 0.0, true), $index];
    }

    private static function table(Reader $reader, Dimension $dimension, string $property, string $unit): PropertyLaw
    {
        $points = PairsReader::read($reader, Dimension::temperature(), $dimension, 'temperature, value', 'temperatures');
        $reader->close();
        self::checkPositive($reader, array_column($points, 1), $property, $unit);
        if ($points === []) {
            $reader->problem('table', 'a table of pairs [temperature, value] is expected');

            return PropertyLaw::constant(1.0);
        }

        return new PropertyLaw($points);
    }

    /** @param list<float> $values */
    private static function checkPositive(Reader $reader, array $values, string $property, string $unit): void
    {
        foreach ($values as $i => $value) {
            if ($value <= 0.0) {
                $reader->problem('', sprintf('value %d of the %s is %g %s; it must be above 0', $i + 1, $property, $value, $unit));
            }
        }
    }

    /** The material of a field; null with a problem where there is none of the name. */
    public static function known(Reader $reader, string $key, string $id, Library $materials): ?Material
    {
        $material = $materials->get($id);
        if ($material === null) {
            $reader->problem($key, sprintf('unknown material "%s"; did you mean %s?', $id, implode(', ', $materials->similar($id))));
        }

        return $material;
    }
}
