<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Rotation;
use Foehn\Model\Assembly;
use Foehn\Units\Dimension;

/** Reads assemblies, and puts their parts into the space. */
final readonly class AssemblyReader
{
    private function __construct(private Assembly $assembly)
    {
    }

    /**
     * @param array<string, Reader> $readers by name
     * @return array<string, Assembly>
     */
    public static function all(array $readers): array
    {
        $assemblies = [];
        foreach ($readers as $name => $reader) {
            [$x, $y, $z] = $reader->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
            $assemblies[$name] = new Assembly([$x, $y, $z], Rotation::about(ShapeReader::angles($reader)), Repeat::offsets($reader));
            $reader->close();
        }

        return $assemblies;
    }

    /**
     * @param list<Reader> $parts a part and its copies, in the axes of the assembly
     * @return list<Reader> in the space, once more for each copy of the assembly
     */
    public static function place(Assembly $assembly, array $parts): array
    {
        $reader = new self($assembly);
        $placed = [];
        $id = $parts[0]->string('id');
        $name = $parts[0]->string('name', $id);
        foreach ($assembly->offsets as $offset) {
            foreach ($parts as $part) {
                $number = count($placed) + 1;
                $placed[] = $part->with([
                    ...($number > 1 ? Repeat::numbered($id, $name, $number) : []),
                    ...$reader->stand($part, $offset),
                ]);
            }
        }

        return $placed;
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
        $to = $this->assembly->rotation->apply($middle);
        foreach ([0, 1, 2] as $axis) {
            $to[$axis] += $this->assembly->at[$axis] + $offset[$axis];
        }
        $at = $part->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
        $moved = array_map(fn (int $axis) => $at[$axis] + $to[$axis] - $middle[$axis], [0, 1, 2]);
        if ($this->assembly->rotation->isNone()) {
            return ['at' => $moved];
        }
        if ($part->has('copper')) {
            $part->problem('copper', 'a board with artwork lies along the axes of the space; leave the turn of its assembly out');
        }
        $shape = $part->raw('shape');
        $kind = is_array($shape) ? $shape['kind'] ?? '' : '';
        if (is_array($shape) && in_array($kind, Assembly::ALONG_AN_AXIS, true) && $this->assembly->rotation->isRight() && ! $part->has('turn')) {
            $faces = $part->raw('faces');

            return [
                'at' => array_map(fn (int $axis) => $to[$axis] - $half[$this->assembly->rotation->before($axis)], [0, 1, 2]),
                'shape' => $this->exchanged($shape, $kind),
                ...(is_array($faces) ? ['faces' => $this->renamed($faces)] : []),
            ];
        }

        return ['at' => $moved, 'turn' => $this->assembly->rotation->after(Rotation::about(ShapeReader::angles($part)))->angles()];
    }

    /**
     * The fields of a shape after a turn by right angles.
     *
     * @param array<array-key, mixed> $shape
     * @return array<array-key, mixed>
     */
    private function exchanged(array $shape, string $kind): array
    {
        $size = $shape['size'] ?? null;
        if ($kind === 'package' || $kind === 'shell') {
            return [
                ...$shape,
                ...($kind === 'package' ? ['boardFace' => $this->assembly->direction(is_string($shape['boardFace'] ?? null) ? $shape['boardFace'] : 'z-')] : []),
                ...(is_array($size) && count($size) === 3 ? ['size' => array_map(fn (int $axis) => array_values($size)[$this->assembly->rotation->before($axis)], [0, 1, 2])] : []),
            ];
        }
        $key = $kind === 'fan' ? 'direction' : 'normal';
        $given = is_string($shape[$key] ?? null) ? $shape[$key] : ($kind === 'fan' ? 'x+' : 'z');
        $normal = (int) strpos('xyz', $given[0] ?? 'z');
        $to = $this->assembly->direction($given);
        [$a] = Axes::across($this->assembly->rotation->axis($normal)[0]);
        $swapped = $this->assembly->rotation->before($a) !== Axes::across($normal)[0];

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
            $renamed[preg_match('/^[xyz][+-]$/', (string) $name) === 1 ? $this->assembly->direction((string) $name) : $name] = $face;
        }

        return $renamed;
    }
}
