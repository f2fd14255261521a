<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Grid\Axes;
use Foehn\Shapes\Rotation;
use Foehn\Shapes\ShapeReader;
use Foehn\Units\Dimension;

/**
 * Axes of its own for the parts of one group: their places are given from its origin along its axes, and it stands turned in
 * the space, once or several times.
 */
final readonly class Assembly
{
    /** What these conduct, blow or hold depends on an axis: a quarter turn exchanges their fields instead of turning them. */
    private const ALONG_AN_AXIS = ['board', 'vias', 'shell', 'package', 'fan', 'screen'];

    /**
     * @param array{float, float, float} $at origin, m
     * @param list<array{float, float, float}> $offsets of its copies along the axes of the space, m; its own first
     */
    private function __construct(public array $at, public Rotation $rotation, public array $offsets)
    {
    }

    /**
     * @param array<string, Reader> $readers by name
     * @return array<string, self>
     */
    public static function all(array $readers): array
    {
        $assemblies = [];
        foreach ($readers as $name => $reader) {
            [$x, $y, $z] = $reader->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
            $assemblies[$name] = new self([$x, $y, $z], Rotation::about(ShapeReader::angles($reader)), Repeat::offsets($reader));
            $reader->close();
        }

        return $assemblies;
    }

    /**
     * @param list<Reader> $parts a part and its copies, in the axes of the assembly
     * @return list<Reader> in the space, once more for each copy of the assembly
     */
    public function place(array $parts): array
    {
        $placed = [];
        $id = $parts[0]->string('id');
        $name = $parts[0]->string('name', $id);
        foreach ($this->offsets as $offset) {
            foreach ($parts as $part) {
                $number = count($placed) + 1;
                $placed[] = $part->with([
                    ...($number > 1 ? Repeat::numbered($id, $name, $number) : []),
                    ...$this->stand($part, $offset),
                ]);
            }
        }

        return $placed;
    }

    /** Name in the space of a face that a part of this assembly names by its own axes. */
    public function facing(string $kind, string $face): string
    {
        return in_array($kind, self::ALONG_AN_AXIS, true) && ! $this->rotation->isNone() ? $this->direction($face) : $face;
    }

    /**
     * @param array{float, float, float} $offset
     * @return array<string, mixed> the fields of the part that its place in the space changes
     */
    private function stand(Reader $part, array $offset): array
    {
        $box = ShapeReader::read($part)->bounds();
        $middle = $half = [];
        foreach ([0, 1, 2] as $axis) {
            $middle[] = 0.5 * ($box->min[$axis] + $box->max[$axis]);
            $half[] = 0.5 * $box->size($axis);
        }
        $to = $this->rotation->apply($middle);
        foreach ([0, 1, 2] as $axis) {
            $to[$axis] += $this->at[$axis] + $offset[$axis];
        }
        $at = $part->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
        $moved = array_map(fn (int $axis) => $at[$axis] + $to[$axis] - $middle[$axis], [0, 1, 2]);
        if ($this->rotation->isNone()) {
            return ['at' => $moved];
        }
        $shape = $part->raw('shape');
        $kind = is_array($shape) ? $shape['kind'] ?? '' : '';
        if (is_array($shape) && in_array($kind, self::ALONG_AN_AXIS, true) && $this->rotation->isRight() && ! $part->has('turn')) {
            $faces = $part->raw('faces');

            return [
                'at' => array_map(fn (int $axis) => $to[$axis] - $half[$this->rotation->before($axis)], [0, 1, 2]),
                'shape' => $this->exchanged($shape, $kind),
                ...(is_array($faces) ? ['faces' => $this->renamed($faces)] : []),
            ];
        }

        return ['at' => $moved, 'turn' => $this->rotation->after(Rotation::about(ShapeReader::angles($part)))->angles()];
    }

    /**
     * The fields of a shape after a turn by right angles.
     *
     * @param array<string, mixed> $shape
     * @return array<string, mixed>
     */
    private function exchanged(array $shape, string $kind): array
    {
        $size = $shape['size'] ?? null;
        if ($kind === 'package' || $kind === 'shell') {
            return [
                ...$shape,
                ...($kind === 'package' ? ['boardFace' => $this->direction(is_string($shape['boardFace'] ?? null) ? $shape['boardFace'] : 'z-')] : []),
                ...(is_array($size) && count($size) === 3 ? ['size' => array_map(fn (int $axis) => array_values($size)[$this->rotation->before($axis)], [0, 1, 2])] : []),
            ];
        }
        $key = $kind === 'fan' ? 'direction' : 'normal';
        $given = is_string($shape[$key] ?? null) ? $shape[$key] : ($kind === 'fan' ? 'x+' : 'z');
        $normal = (int) strpos('xyz', $given[0] ?? 'z');
        $to = $this->direction($given);
        [$a] = Axes::across($this->rotation->axis($normal)[0]);
        $swapped = $this->rotation->before($a) !== Axes::across($normal)[0];

        return [...$shape, $key => $kind === 'fan' ? $to : $to[0], ...($swapped && is_array($size) && count($size) === 2 ? ['size' => array_reverse(array_values($size))] : [])];
    }

    /**
     * @param array<array-key, mixed> $faces by the direction they look in
     * @return array<array-key, mixed>
     */
    private function renamed(array $faces): array
    {
        $renamed = [];
        foreach ($faces as $name => $face) {
            $renamed[preg_match('/^[xyz][+-]$/', (string) $name) === 1 ? $this->direction((string) $name) : $name] = $face;
        }

        return $renamed;
    }

    /** Where a direction such as "z-" or an axis such as "z" points after a turn by right angles. */
    private function direction(string $given): string
    {
        [$axis, $sign] = $this->rotation->axis((int) strpos('xyz', $given[0]));
        $positive = (($given[1] ?? '+') === '+') === ($sign > 0);

        return 'xyz'[$axis] . ($positive ? '+' : '-');
    }
}
