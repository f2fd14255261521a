<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\FoehnException;
use Foehn\Grid\Field;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Observe\Fields;
use Foehn\Observe\State;
use Foehn\Observe\SurfaceFields;
use Foehn\Solve\Solution;

/**
 * Fields as plain binary files of little-endian values. In cells: one float32 per cell and component, in the order i + nx*(j + ny*k). On
 * faces: the same with one more along the axis of the face, x, y and z one after the other. At surfaces: one float32 per surface element.
 * On copper of boards: one float32 per pixel, in the order i + nx*(j + ny*layer).
 */
final class FieldFile
{
    private const CHUNK = 4096;

    /** Fields at surfaces, by the name of the file without its ending. */
    public const AT_SURFACES = ['surfaceTemperature', 'surfaceHeatFlux', 'fluidTemperature', 'convectionCoefficient', ...self::RADIATION, self::SUNLIGHT, self::PATCHES];

    /** Of them what a state without radiation does not have, */
    private const RADIATION = ['netRadiation', 'irradiation'];

    /** ... one without a sun, */
    private const SUNLIGHT = 'sunlight';

    /** ... and one whose surfaces do not see each other. */
    private const PATCHES = 'radiationPatch';

    /** Of the copper of a board, on its pixels, with units: share that is copper, number of the net, and what currents do. A board is numbered as in the result. */
    public const OF_BOARDS = ['Copper' => '', 'Net' => '', 'Potential' => 'V', 'CurrentDensity' => 'A/m2', 'JouleHeat' => 'W', 'Temperature' => 'K'];

    /** Fields in cells at a moment that is kept of a course in time, numbered as in the result. */
    private const AT_MOMENTS = ['temperatureAt', 'velocityAt'];

    /** What places fields. */
    private const PLACES = ['parts', 'surfaces', 'faceVelocity'];

    /** @return list<string> those at surfaces that a state has */
    public static function atSurfaces(State $state): array
    {
        $radiates = $state->model->physics->radiates();

        return ! $state->model->physics->heat ? [] : array_values(array_diff(
            self::AT_SURFACES,
            $radiates ? [] : self::RADIATION,
            $radiates && $state->model->surroundings->sun !== null ? [] : [self::SUNLIGHT],
            $state->enclosure !== null ? [] : [self::PATCHES],
        ));
    }

    /** @return list<string> everything that name() knows */
    public static function names(): array
    {
        return [...Fields::NAMES, ...self::AT_SURFACES, ...self::PLACES];
    }

    /** The file of a field, or of what places it ("parts", "surfaces", "faceVelocity"); null where there is no such field. */
    public static function name(string $field): ?string
    {
        return match (true) {
            $field === 'parts' => 'parts.u16',
            $field === 'surfaces' => 'surfaces.u32',
            in_array($field, self::names(), true), self::isOfBoard($field), self::isOfMoment($field) => "$field.f32",
            default => null,
        };
    }

    /** Whether a file is one of a picture. */
    public static function isKnown(string $file): bool
    {
        return self::name(pathinfo($file, PATHINFO_FILENAME)) === $file;
    }

    private static function isOfBoard(string $field): bool
    {
        return preg_match('/^board\d{1,3}(' . implode('|', array_keys(self::OF_BOARDS)) . ')$/', $field) === 1;
    }

    private static function isOfMoment(string $field): bool
    {
        return preg_match('/^(' . implode('|', self::AT_MOMENTS) . ')\d{1,3}$/', $field) === 1;
    }

    /** @return iterable<string, string> the bytes of everything that a solution has, by the name of the file */
    public static function ofSolution(Solution $solution): iterable
    {
        yield from self::of($solution->state);
        $live = $solution->state->system->live;
        foreach ($solution->course->frames ?? [] as $n => $frame) {
            /** @var array<int, float> $values */
            $values = unpack('g*', $frame['temperatures']);
            yield "temperatureAt$n.f32" => self::floats(array_map(fn (float $value, bool $isLive): ?float => $isLive ? $value : null, $values, $live));
            if ($frame['velocities'] !== '') {
                yield "velocityAt$n.f32" => $frame['velocities'];
            }
        }
    }

    /** @return iterable<string, string> the bytes of everything that a state has, by the name of the file */
    public static function of(State $state): iterable
    {
        yield 'parts.u16' => self::parts($state->voxels);
        foreach (Fields::of($state) as $field) {
            yield "$field->name.f32" => self::bytes($field);
        }
        if ($state->flow !== null) {
            yield 'faceVelocity.f32' => implode('', array_map(self::floats(...), Fields::faceVelocities($state->flow)));
        }
        yield from self::ofBoards($state);
        if ($state->model->physics->heat) {
            $surfaces = new SurfaceFields($state);
            yield 'surfaces.u32' => self::surfaces($surfaces->elements);
            foreach (self::atSurfaces($state) as $name) {
                yield "$name.f32" => self::floats(match ($name) {
                    'surfaceTemperature' => $surfaces->temperature,
                    'surfaceHeatFlux' => $surfaces->heatFlux,
                    'fluidTemperature' => $surfaces->fluidTemperature,
                    'convectionCoefficient' => $surfaces->coefficient,
                    'netRadiation' => $surfaces->radiated,
                    'irradiation' => $surfaces->irradiation,
                    'sunlight' => $surfaces->sunlight,
                    default => $surfaces->patch,
                });
            }
        }
    }

    /** @return iterable<string, string> pixel by pixel, layer by layer; NaN where no copper is */
    private static function ofBoards(State $state): iterable
    {
        foreach (array_values($state->boards) as $number => $board) {
            $copper = $board->drawn->raster->covered;
            $values = ['Copper' => $copper, 'Net' => $board->drawn->nets()->net, 'Potential' => $board->currents->potential, 'CurrentDensity' => $board->currents->density, 'JouleHeat' => $board->currents->heat, 'Temperature' => $board->temperature];
            foreach (array_keys(self::OF_BOARDS) as $name) {
                yield "board$number$name.f32" => self::floats(array_map(fn (float|int $value, float $share): ?float => $share > 0.0 ? (float) $value : null, $values[$name], $copper));
            }
        }
    }

    /** Where the surface elements are, four uint32 each: cell, direction (2 * axis + 1 towards rising coordinates), part + 1 and part beyond + 1, 0 for none. */
    public static function surfaces(SurfaceElements $elements): string
    {
        $bytes = '';
        foreach ($elements->cell as $e => $cell) {
            $bytes .= pack('V4', $cell, $elements->direction[$e], $elements->part[$e] + 1, $elements->otherPart[$e] + 1);
        }

        return $bytes;
    }

    /** Float32, NaN where there is no value; the components of a vector one after the other. */
    public static function bytes(Field $field): string
    {
        return implode('', array_map(self::floats(...), $field->components));
    }

    /**
     * Float32, NaN for null.
     *
     * @param array<int, ?float> $values
     */
    public static function floats(array $values): string
    {
        $bytes = '';
        foreach (array_chunk($values, self::CHUNK) as $chunk) {
            $bytes .= pack('g*', ...(in_array(null, $chunk, true) ? array_map(fn (?float $value): float => $value ?? NAN, $chunk) : $chunk));
        }

        return $bytes;
    }

    /** Part index + 1 per cell as uint16, 0 where no part is. */
    public static function parts(Voxels $voxels): string
    {
        $bytes = '';
        foreach (array_chunk($voxels->owner, self::CHUNK) as $chunk) {
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
