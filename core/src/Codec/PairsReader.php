<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Units\Dimension;

/** Reads a table of pairs, of which the first value rises from pair to pair. */
final class PairsReader
{
    /**
     * @param string $pair what a pair has, such as "temperature, value"
     * @param string $rising what has to rise, in the plural; empty where nothing has to
     * @return list<array{float, float}> SI
     */
    public static function read(Reader $reader, Dimension $at, Dimension $value, string $pair, string $rising, string $key = 'table'): array
    {
        $rows = $reader->raw($key);
        $points = [];
        foreach (is_array($rows) ? array_values($rows) : [] as $i => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("$key/$i", "a pair [$pair] is expected");

                continue;
            }
            $points[] = [$reader->element("$key/$i/0", $row[0] ?? null, $at), $reader->element("$key/$i/1", $row[1] ?? null, $value)];
        }
        for ($i = 1; $i < count($points); $i++) {
            if ($rising !== '' && $points[$i][0] <= $points[$i - 1][0]) {
                $reader->problem("$key/$i", "the $rising must rise");
            }
        }

        return $points;
    }
}
