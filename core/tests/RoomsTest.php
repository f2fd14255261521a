<?php

declare(strict_types=1);

namespace Foehn\Tests;

use FilesystemIterator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** Each room of the core uses only what stands above it, so that no two can need each other (docs/core.md). */
final class RoomsTest extends TestCase
{
    private const ORDER = [
        'Units', 'Geometry', 'Numerics', 'Materials', 'Shapes', 'Model', 'Codec', 'Grid', 'Board', 'Physics', 'Observe', 'Solve', 'Results', 'Study', 'Exchange', 'Preflight', 'Evidence', 'Console',
    ];

    private const SOURCE = __DIR__ . '/../src';

    public function testEveryFolderIsARoom(): void
    {
        $folders = array_map(basename(...), glob(self::SOURCE . '/*', GLOB_ONLYDIR) ?: []);

        self::assertSame([], array_diff($folders, self::ORDER));
    }

    /** @return iterable<string, array{string, string}> */
    public static function files(): iterable
    {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(self::SOURCE, FilesystemIterator::SKIP_DOTS | FilesystemIterator::CURRENT_AS_PATHNAME)) as $file) {
            $path = substr(is_string($file) ? $file : '', strlen(self::SOURCE) + 1);
            if (str_ends_with($path, '.php') && str_contains($path, '/')) {
                yield $path => [$path, explode('/', $path)[0]];
            }
        }
    }

    #[DataProvider('files')]
    public function testImportsGoUpOnly(string $path, string $room): void
    {
        $source = (string) file_get_contents(self::SOURCE . "/$path");
        preg_match_all('/\bFoehn\\\\([A-Z]\w+)\\\\/', (string) preg_replace('/^namespace .*$/m', '', $source), $found);
        $above = array_slice(self::ORDER, 0, 1 + (int) array_search($room, self::ORDER, true));

        self::assertSame([], array_values(array_diff(array_unique($found[1]), $above)), "$path uses what stands below $room");
    }
}
