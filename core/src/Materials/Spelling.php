<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** Names that somebody may have meant. */
final class Spelling
{
    /** Of what was written, so many characters are looked at. */
    private const LONGEST = 80;

    /**
     * @param list<string> $known
     * @return list<string> those most like what was written, the nearest first: contained in it or holding it, then by the letters to be changed
     */
    public static function near(string $written, array $known, int $most): array
    {
        $distance = array_map(fn (string $one): int => str_contains($one, $written) || str_contains($written, $one) ? 0 : levenshtein(substr($written, 0, self::LONGEST), $one), $known);
        asort($distance);

        return array_map(fn (int $n): string => $known[$n], array_slice(array_keys($distance), 0, $most));
    }
}
