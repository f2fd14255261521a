<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** A surface finish near room temperature: total hemispherical emissivity, and absorptivity of sunlight. */
final class Finish
{
    /** @var ?array<string, self> */
    private static ?array $library = null;

    public function __construct(public readonly string $id, public readonly string $title, public readonly float $emissivity, public readonly float $absorptivity, public readonly string $source)
    {
    }

    /** @return array<string, self> by id */
    public static function library(): array
    {
        return self::$library ??= self::read();
    }

    /** @return array<string, self> */
    private static function read(): array
    {
        $library = [];
        /** @var list<array{string, string, float, float, string}> $rows */
        $rows = require __DIR__ . '/finishes.php';
        foreach ($rows as [$id, $title, $emissivity, $absorptivity, $source]) {
            $library[$id] = new self($id, $title, $emissivity, $absorptivity, $source);
        }

        return $library;
    }
}
