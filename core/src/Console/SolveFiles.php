<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Model\ModelException;
use Foehn\Results\FieldFile;
use Foehn\Results\OutputException;
use Foehn\Results\StoredPicture;
use Foehn\Solve\FlowState;
use Foehn\Solve\Start;

/** The folder that a computation writes into and another one may start from. */
final class SolveFiles
{
    /** From which another computation may start. */
    public const STATE = 'flow.state';

    public static function start(string $directory, bool $frozen): Start
    {
        $flow = FlowState::fromBytes(Options::read("$directory/" . self::STATE)) ?? throw ModelException::at('', "$directory/" . self::STATE . ' is not the state of a flow that this version wrote');
        /** @var array{model?: array{hash?: mixed}}|null $result */
        $result = json_decode(Options::read("$directory/result.json"), true);

        return new Start($flow, [], $frozen, is_string($result['model']['hash'] ?? null) ? $result['model']['hash'] : null);
    }

    /** Temperatures of a computation, for a course in time to begin with. */
    public static function temperatures(string $directory): Start
    {
        return new Start(temperatures: (new StoredPicture($directory))->temperatures());
    }

    /** @param array<mixed> $document as a file is to have it */
    public static function text(array $document): string
    {
        return json_encode($document, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }

    /** @param iterable<string, string> $files bytes by name; empty ones are left out */
    public static function write(string $directory, iterable $files): void
    {
        if (! is_dir($directory) && ! @mkdir($directory, 0777, true)) {
            throw new OutputException("the folder $directory cannot be made");
        }
        foreach ($files as $name => $bytes) {
            if ($bytes !== '') {
                FieldFile::write("$directory/$name", $bytes);
            }
        }
    }
}
