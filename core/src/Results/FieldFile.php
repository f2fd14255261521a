<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\FoehnException;
use Foehn\Grid\Field;
use Foehn\Grid\Voxels;
use Foehn\Observe\Fields;
use Foehn\Observe\State;

/** Fields as plain binary files: one little-endian value per cell, in the order i + nx*(j + ny*k). */
final class FieldFile
{
    /** @return iterable<string, string> the bytes of everything that a state has in its cells, by the name of the file */
    public static function of(State $state): iterable
    {
        yield 'parts.u16' => self::parts($state->voxels);
        foreach (Fields::of($state) as $field) {
            yield "$field->name.f32" => self::bytes($field);
        }
    }

    /** Float32, NaN where there is no value; the components of a vector one after the other. */
    public static function bytes(Field $field): string
    {
        $bytes = '';
        foreach ($field->components as $values) {
            foreach (array_chunk($values, 4096) as $chunk) {
                $bytes .= pack('g*', ...array_map(fn (?float $value): float => $value ?? NAN, $chunk));
            }
        }

        return $bytes;
    }

    /** Part index + 1 per cell as uint16, 0 where no part is. */
    public static function parts(Voxels $voxels): string
    {
        $bytes = '';
        foreach (array_chunk($voxels->owner, 4096) as $chunk) {
            $bytes .= pack('v*', ...array_map(fn (int $owner) => $owner + 1, $chunk));
        }

        return $bytes;
    }

    /**
     * Writes a file whole or not at all.
     *
     * @throws FoehnException when the disk refuses
     */
    public static function write(string $path, string $bytes): void
    {
        $partial = "$path.partial";
        if (@file_put_contents($partial, $bytes) !== strlen($bytes) || ! @rename($partial, $path)) {
            @unlink($partial);
            throw new OutputException(sprintf('%s could not be written (%d bytes): is the disk full or the folder not writable?', basename($path), strlen($bytes)));
        }
    }
}
