<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * Reads names of nets from a list of test points in IPC-D-356A format: records 317 (holes), 327 (surface pads) and 367, with the name in columns 4
 * to 17 and a place; longer names stand behind an alias (P NNAME).
 */
final class NetNames
{
    /** Of a count by the custom of units: a ten-thousandth of an inch, or a thousandth of a millimetre. */
    private const UNITS = ['0' => 2.54e-6, '1' => 1e-6, '2' => 2.54e-6];

    /** What stands for no net. */
    private const NONE = ['N/C', ''];

    /**
     * @return list<array{name: string, at: array{float, float}}> places in m
     * @throws BoardException where the text has no such records
     */
    public static function read(string $text): array
    {
        $unit = self::UNITS['0'];
        $points = $names = [];
        foreach (preg_split('/\r\n|\r|\n/', $text) ?: [] as $line) {
            if (preg_match('/^P\s+UNITS\s+CUST\s+([012])/', $line, $found) === 1) {
                $unit = self::UNITS[$found[1]];
            } elseif (preg_match('/^P\s+(NNAME\d+)\s+(\S+)/', $line, $found) === 1) {
                $names[$found[1]] = $found[2];
            } elseif (preg_match('/^3[0-9]7(.{14}).*?X\s*([+-]?\d+)\s*Y\s*([+-]?\d+)/', $line, $found) === 1) {
                $name = trim($found[1]);
                if (! in_array($name, self::NONE, true)) {
                    $points[] = ['name' => $names[$name] ?? $name, 'at' => [$unit * (float) $found[2], $unit * (float) $found[3]]];
                }
            }
        }

        return $points === [] ? throw new BoardException('this is no list of nets in IPC-D-356 format: it has no test points (records 317 or 327)') : $points;
    }
}
