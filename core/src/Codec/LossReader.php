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
        $rows = $reader->raw('table');
        $points = [];
        foreach (is_array($rows) ? array_values($rows) : [] as $i => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("table/$i", sprintf('a pair [%s, watts] is expected', $against));

                continue;
            }
            $points[] = [
                $reader->element("table/$i/0", $row[0] ?? null, $against === 'current' ? Dimension::current() : Dimension::temperature()),
                $reader->element("table/$i/1", $row[1] ?? null, Dimension::power()),
            ];
        }
        if (count($points) < 2) {
            $reader->problem('table', sprintf('a table of at least two pairs [%s, watts] is expected', $against));
        }
        for ($i = 1; $i < count($points); $i++) {
            if ($points[$i][0] <= $points[$i - 1][0]) {
                $reader->problem("table/$i", $against === 'current' ? 'the currents must rise' : 'the temperatures must rise');
            }
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
