<?php

declare(strict_types=1);

namespace Foehn\Materials;

use Foehn\Model\Reader;
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
        $emissivity = $reader->has('emissivity') ? $reader->quantity('emissivity', Dimension::none(), null, 0.0) : null;
        $optional = fn (string $key, Dimension $dimension): ?float => $reader->optionalQuantity($key, $dimension);
        $material = new Material(
            $id,
            $reader->string('title', $id),
            'model',
            $reader->bool('fluid', false),
            self::conductivity($reader),
            $optional('density', Dimension::density()),
            $optional('specificHeat', Dimension::specificHeat()),
            $emissivity,
            $optional('resistivity', Dimension::resistivity()),
            $optional('expansion', Dimension::expansion()),
            $optional('viscosity', Dimension::viscosity()),
            $reader->string('source', 'given in the model'),
        );
        $reader->close();

        return $material;
    }

    /** @return array{PropertyLaw, PropertyLaw, PropertyLaw} */
    private static function conductivity(Reader $reader): array
    {
        $raw = $reader->raw('conductivity');
        if (is_array($raw) && array_is_list($raw)) {
            $k = $reader->vector('conductivity', Dimension::conductivity(), 3);
            self::checkPositive($reader, $k);

            return [PropertyLaw::constant($k[0]), PropertyLaw::constant($k[1]), PropertyLaw::constant($k[2])];
        }
        if (! is_array($raw)) {
            $law = PropertyLaw::constant($reader->quantity('conductivity', Dimension::conductivity(), null, 0.0, true));

            return [$law, $law, $law];
        }
        $law = self::table($reader->object('conductivity'));

        return [$law, $law, $law];
    }

    private static function table(Reader $reader): PropertyLaw
    {
        $rows = $reader->raw('table');
        $points = [];
        foreach (is_array($rows) ? array_values($rows) : [] as $i => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("table/$i", 'a pair [temperature, value] is expected');

                continue;
            }
            $points[] = [
                $reader->element("table/$i/0", $row[0] ?? null, Dimension::temperature()),
                $reader->element("table/$i/1", $row[1] ?? null, Dimension::conductivity()),
            ];
        }
        $reader->close();
        self::checkPositive($reader, array_column($points, 1));
        for ($i = 1; $i < count($points); $i++) {
            if ($points[$i][0] <= $points[$i - 1][0]) {
                $reader->problem("table/$i", 'the temperatures must rise');
            }
        }
        if ($points === []) {
            $reader->problem('table', 'a table of pairs [temperature, value] is expected');

            return PropertyLaw::constant(1.0);
        }

        return new PropertyLaw($points);
    }

    /** @param list<float> $values */
    private static function checkPositive(Reader $reader, array $values): void
    {
        foreach ($values as $i => $value) {
            if ($value <= 0.0) {
                $reader->problem('', sprintf('value %d of the conductivity is %g W/m/K; it must be above 0', $i + 1, $value));
            }
        }
    }
}
