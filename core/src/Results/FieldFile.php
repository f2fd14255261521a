<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\FoehnException;
use Foehn\Solve\Solution;

/** Fields as plain binary files: one little-endian value per cell, in the order i + nx*(j + ny*k). */
final class FieldFile
{
    /** Temperatures in K as float32, NaN where nothing is computed. */
    public static function temperature(Solution $solution): string
    {
        $bytes = '';
        foreach (array_chunk($solution->state->system->live, 4096, true) as $chunk) {
            $values = [];
            foreach ($chunk as $cell => $live) {
                $values[] = $live ? $solution->state->temperature[$cell] : NAN;
            }
            $bytes .= pack('g*', ...$values);
        }

        return $bytes;
    }

    /** Velocities in m/s as float32 in the middle of the cells, the three components one after the other; empty without flow. */
    public static function velocity(Solution $solution): string
    {
        $flow = $solution->state->flow;
        if ($flow === null) {
            return '';
        }
        $layout = $flow->domain->layout;
        $bytes = '';
        foreach ([0, 1, 2] as $axis) {
            $upper = $flow->velocity[$axis];
            $middle = $upper;
            for ($c = $layout->pad, $end = $layout->length; $c < $end; $c++) {
                $middle[$c] = 0.5 * ($upper[$c] + $upper[$c - $layout->stride[$axis]]);
            }
            foreach (array_chunk($layout->gather($middle), 4096) as $chunk) {
                $bytes .= pack('g*', ...$chunk);
            }
        }

        return $bytes;
    }

    /** Part index + 1 per cell as uint16, 0 where no part is. */
    public static function parts(Solution $solution): string
    {
        $bytes = '';
        foreach (array_chunk($solution->state->voxels->owner, 4096) as $chunk) {
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
