<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Materials\PropertyLaw;
use Foehn\Model\LossTable;
use Foehn\Model\Part;
use Foehn\Units\Dimension;

/** Reads the losses of a part: a table against its temperature, or against the current at a terminal. */
final class LossReader
{
    public static function read(Reader $reader): ?LossTable
    {
        $against = $reader->oneOf('against', ['temperature', 'current'], 'temperature');
        $points = PairsReader::read($reader, $against === 'current' ? Dimension::current() : Dimension::temperature(), Dimension::power(), "$against, watts", "{$against}s");
        if (count($points) < 2) {
            $reader->problem('table', sprintf('a table of at least two pairs [%s, watts] is expected', $against));
        }
        $current = null;
        if ($against === 'current') {
            $of = $reader->object('of', true);
            $current = ['part' => $of->string('part'), 'face' => $of->string('face')];
            $of->close();
        }
        $reader->close();

        return $points === [] ? null : new LossTable(new PropertyLaw($points), $current);
    }

    /**
     * Currents that losses are stated against have to be there.
     *
     * @param list<Part> $parts
     */
    public static function check(array $parts, Problems $problems): void
    {
        $byId = array_combine(array_map(fn (Part $part): string => $part->id, $parts), $parts);
        foreach ($parts as $part) {
            $of = $part->losses?->current;
            if ($of !== null && ! in_array($of['face'], array_column($byId[$of['part']]->terminals ?? [], 'face'), true)) {
                $problems->add("$part->pointer/losses/of", sprintf(
                    isset($byId[$of['part']]) ? 'no current enters or leaves at face %2$s of "%1$s"; give it a terminal there, or name another one' : 'there is no part with the id "%s"', $of['part'], $of['face'],
                ));
            }
        }
    }
}
