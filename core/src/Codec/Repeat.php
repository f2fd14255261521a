<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Part;
use Foehn\Units\Dimension;

/** A part that stands several times, in a row or a field: the copies are the part itself at other places, with everything on it. */
final class Repeat
{
    private const MOST = 1000;

    /** @return list<Reader> of the part and of its copies, whose ids and names are numbered from 2 */
    public static function each(Reader $part): array
    {
        $id = $part->string('id');
        if (str_contains($id, Part::COPY)) {
            $part->problem('id', sprintf('"%s" has a "%s", which numbers the copies of a repeated part; leave it out', $id, Part::COPY));
        }
        $offsets = self::offsets($part);
        if (count($offsets) === 1) {
            return [$part];
        }
        $at = $part->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
        $name = $part->string('name', $id);
        $copies = [$part];
        foreach (array_slice($offsets, 1) as $n => $offset) {
            $number = $n + 2;
            $copies[] = $part->with([...self::numbered($id, $name, $number), 'at' => [$at[0] + $offset[0], $at[1] + $offset[1], $at[2] + $offset[2]]]);
        }

        return $copies;
    }

    /** How often a part or assembly stands, without making any copy; what is wrong with it each() and offsets() tell. */
    public static function count(Reader $part): int
    {
        $count = 1;
        foreach ($part->objects('repeat', 3, 'directions of repetition') as $direction) {
            $count *= max(1, min(self::MOST, $direction->int('count', 1, self::MOST)));
        }

        return min(self::MOST, $count);
    }

    /** @return array{id: string, name: string} of a copy; the part itself is number 1 */
    public static function numbered(string $id, string $name, int $number): array
    {
        return ['id' => $id . Part::COPY . $number, 'name' => "$name $number"];
    }

    /** @return list<array{float, float, float}> m, of the part or assembly itself first; the first direction runs fastest */
    public static function offsets(Reader $part): array
    {
        $offsets = [[0.0, 0.0, 0.0]];
        foreach ($part->objects('repeat', 3, 'directions of repetition') as $direction) {
            $count = $direction->int('count', 1, self::MOST);
            $step = $direction->vector('step', Dimension::length(), 3);
            $direction->close();
            if ($count > 1 && array_filter($step) === []) {
                $direction->problem('step', 'the copies would all stand in one place; give a distance along x, y or z');
            }
            if ($count * count($offsets) > self::MOST) {
                $direction->problem('count', sprintf('%d copies are asked for; at most %d are made', $count * count($offsets), self::MOST));

                return [[0.0, 0.0, 0.0]];
            }
            $first = $offsets;
            for ($n = 1; $n < $count; $n++) {
                foreach ($first as $offset) {
                    $offsets[] = [$offset[0] + $n * $step[0], $offset[1] + $n * $step[1], $offset[2] + $n * $step[2]];
                }
            }
        }

        return $offsets;
    }
}
