<?php

declare(strict_types=1);

namespace Foehn\Results;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** Names the code that computed a result: SHA-256 over all files of the core, so that two results can be told apart or repeated. */
final class CodeVersion
{
    private static ?string $hash = null;

    public static function hash(): string
    {
        return self::$hash ??= self::ofFolder(dirname(__DIR__));
    }

    private static function ofFolder(string $folder): string
    {
        $files = [];
        /** @var string $path */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $path => $_) {
            $files[substr($path, strlen($folder))] = hash_file('sha256', $path);
        }
        ksort($files);

        return hash('sha256', json_encode($files, JSON_THROW_ON_ERROR));
    }
}
