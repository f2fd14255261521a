<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Materials\Mixture;
use Foehn\Units\Dimension;

/** Reads what a board or a field of vias conducts, from its layers or its holes. */
final class LaminateReader
{
    public const DIELECTRIC = 'glass-epoxy';

    /** The effective material of a part, null for parts that are neither. */
    public static function read(Library $materials, Reader $part, string $id): ?Material
    {
        $reader = $part->object('shape');

        return match ($reader->raw('kind')) {
            'board' => self::board($reader, $materials, $id),
            'vias' => self::vias($reader, $materials, $id),
            default => null,
        };
    }

    private static function board(Reader $reader, Library $materials, string $id): ?Material
    {
        $layers = [];
        foreach ($reader->objects('layers', 100, 'layers') as $layer) {
            $thickness = $layer->quantity('thickness', Dimension::length(), null, 0.0, true);
            $coverage = $layer->quantity('copper', Dimension::none(), 0.0, 0.0);
            $dielectric = MaterialReader::known($layer, 'material', $layer->string('material', self::DIELECTRIC), $materials);
            if ($dielectric !== null && $thickness > 0.0) {
                $layers[] = ['thickness' => $thickness, 'copper' => $coverage, 'dielectric' => $dielectric];
            }
        }

        return $layers === [] ? null : Mixture::laminate($id, $layers, Mixture::copper($materials), self::normal($reader));
    }

    private static function vias(Reader $reader, Library $materials, string $id): ?Material
    {
        $host = $reader->string('board');
        $board = $materials->get("laminate:$host");
        if ($board === null) {
            $reader->problem('board', sprintf('"%s" is no board that stands before these vias; name the board they go through', $host));

            return null;
        }
        $size = $reader->vector('size', Dimension::length(), 2);
        $drill = $reader->quantity('drill', Dimension::length(), null, 0.0, true);
        $plating = $reader->quantity('plating', Dimension::length(), 25e-6, 0.0, true);
        $count = $reader->int('count', 1, 100_000);
        $fill = MaterialReader::known($reader, 'fill', $reader->string('fill', 'air'), $materials);
        if ($fill === null) {
            return null;
        }
        $area = max($size[0] * $size[1], 1e-12);
        $inner = max(0.0, $drill - 2 * $plating);
        $barrel = $count * 0.25 * M_PI * ($drill ** 2 - $inner ** 2) / $area;
        $hole = $count * 0.25 * M_PI * $inner ** 2 / $area;
        if ($barrel + $hole >= 1.0) {
            $reader->problem('count', sprintf('%d holes of %g mm do not fit into %g x %g mm', $count, 1e3 * $drill, 1e3 * $size[0], 1e3 * $size[1]));

            return null;
        }

        return Mixture::vias($id, $board, Mixture::copper($materials), $barrel, $fill, $hole, self::normal($reader));
    }

    private static function normal(Reader $reader): int
    {
        return Axes::named($reader->oneOf('normal', ['x', 'y', 'z'], 'z'));
    }
}
