<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Materials\Finish;
use Foehn\Materials\Spelling;
use Foehn\Model\Coating;
use Foehn\Units\Dimension;

/** Reads what a surface is for radiation: a finish of the library, or an emissivity and an absorptivity of sunlight of its own. */
final class CoatingReader
{
    public static function read(Reader $surface): Coating
    {
        $finish = $surface->has('finish') ? self::finish($surface) : null;
        $emissivity = self::emissivity($surface);
        $absorptivity = $surface->optionalQuantity('absorptivity', Dimension::none());
        if ($absorptivity !== null && ($absorptivity < 0.0 || $absorptivity > 1.0)) {
            $surface->problem('absorptivity', sprintf('%g is given; an absorptivity of sunlight lies between 0 and 1', $absorptivity));
        }
        if ($finish !== null && $emissivity !== null) {
            $surface->problem('emissivity', sprintf('the finish "%s" has an emissivity of %g; take out the finish, or the emissivity of its own', $finish->id, $finish->emissivity));
        }
        $radiates = $surface->bool('radiates', true);
        $surface->close();

        return new Coating($emissivity ?? $finish?->emissivity, $absorptivity ?? $finish?->absorptivity, $absorptivity !== null, $radiates);
    }

    /** The emissivity that is given; null where none is. */
    public static function emissivity(Reader $reader): ?float
    {
        $emissivity = $reader->optionalQuantity('emissivity', Dimension::none());
        if ($emissivity !== null && ($emissivity <= 0.0 || $emissivity > 1.0)) {
            $reader->problem('emissivity', sprintf('%g is given; an emissivity is above 0 and at most 1. A face that shall not radiate has the surface {"radiates": false}', $emissivity));
        }

        return $emissivity;
    }

    private static function finish(Reader $surface): ?Finish
    {
        $id = $surface->string('finish');
        $library = Finish::library();
        if (! isset($library[$id])) {
            $surface->problem('finish', sprintf('unknown finish "%s"; did you mean %s?', $id, implode(', ', Spelling::near($id, array_keys($library), 4))));
        }

        return $library[$id] ?? null;
    }
}
