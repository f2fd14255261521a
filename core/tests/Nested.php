<?php

declare(strict_types=1);

namespace Foehn\Tests;

use OutOfBoundsException;

/** Reads and changes documents of any shape along a path of keys. */
final class Nested
{
    /** @throws OutOfBoundsException when nothing is there */
    public static function at(mixed $tree, string|int ...$path): mixed
    {
        foreach ($path as $key) {
            if (! is_array($tree) || ! array_key_exists($key, $tree)) {
                throw new OutOfBoundsException("There is no \"$key\" in the path " . implode('/', $path) . '.');
            }
            $tree = $tree[$key];
        }

        return $tree;
    }

    /** NAN where there is no number. */
    public static function number(mixed $tree, string|int ...$path): float
    {
        $value = self::at($tree, ...$path);

        return is_int($value) || is_float($value) ? (float) $value : NAN;
    }

    /** @return array<mixed> */
    public static function list(mixed $tree, string|int ...$path): array
    {
        $value = self::at($tree, ...$path);

        return is_array($value) ? $value : throw new OutOfBoundsException('There is no list or object at ' . implode('/', $path) . '.');
    }

    /**
     * @param array<mixed> $tree
     * @return array<mixed>
     */
    public static function with(array $tree, mixed $value, string|int $key, string|int ...$path): array
    {
        $inner = $tree[$key] ?? [];
        $tree[$key] = $path === [] ? $value : self::with(is_array($inner) ? $inner : [], $value, ...array_values($path));

        return $tree;
    }

    /**
     * @param array<mixed> $tree
     * @return array<mixed>
     */
    public static function without(array $tree, string|int $key, string|int ...$path): array
    {
        $inner = $tree[$key] ?? null;
        if ($path === []) {
            unset($tree[$key]);
        } elseif (is_array($inner)) {
            $tree[$key] = self::without($inner, ...array_values($path));
        }

        return $tree;
    }
}
