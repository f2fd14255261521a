<?php

declare(strict_types=1);

namespace Foehn\Tests;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** The examples with one to three fields spoilt, the same ones at every call. */
final class MutatedDocuments
{
    private const VALUES = [null, true, -1, 0, 1e308, -1e308, 5e-324, 1e30, '', ' ', 'x', '1/0', 'sqrt(-1)', '1e400', '1e308 * 1e308', '0 mm', '-5 mm', '3 parsec', '12 W', 'x * 1 mm', "\u{202e}", '/~', [], [[]], [1, 2, 3], [0, 0, 0], ['a' => 1], 'fluid', 'z-', 'air', PHP_INT_MAX, 0.1, '((((1))))'];

    /** @return iterable<string, string> JSON by what was done to it */
    public static function some(int $count): iterable
    {
        $random = new Randomizer(new Mt19937(20261127));
        $examples = array_map(fn (string $file) => json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR), glob(__DIR__ . '/../../examples/*.json') ?: []);
        for ($n = 0; $n < $count; $n++) {
            $document = Nested::list($examples, $n % count($examples));
            $done = [];
            for ($times = $random->getInt(1, 3); $times > 0; $times--) {
                $done[] = self::spoil($document, $random);
            }
            yield "$n: " . implode(', ', $done) => (string) json_encode($document, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
        }
    }

    /** @param array<array-key, mixed> $document */
    private static function spoil(array &$document, Randomizer $random): string
    {
        $at = &$document;
        $path = '';
        while ($at !== []) {
            $key = array_keys($at)[$random->getInt(0, count($at) - 1)];
            $path .= "/$key";
            $deeper = is_array($at[$key]) && $at[$key] !== [] && $random->getInt(0, 5) > 0;
            if (! $deeper) {
                return $path . ' ' . self::change($at, $key, $random);
            }
            $at = &$at[$key];
        }

        return $path;
    }

    /** @param array<array-key, mixed> $object */
    private static function change(array &$object, int|string $key, Randomizer $random): string
    {
        $way = $random->getInt(0, 5);
        if ($way === 0) {
            unset($object[$key]);

            return 'left out';
        }
        if ($way === 1) {
            $object[is_int($key) ? count($object) : "$key~/"] = $object[$key];

            return 'twice';
        }
        $object[$key] = self::VALUES[$random->getInt(0, count(self::VALUES) - 1)];

        return '= ' . json_encode($object[$key]);
    }
}
