<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Codec\Shapes\BlockReader;
use Foehn\Codec\Shapes\BoardReader;
use Foehn\Codec\Shapes\CylinderReader;
use Foehn\Codec\Shapes\FanReader;
use Foehn\Codec\Shapes\MeshReader;
use Foehn\Codec\Shapes\PackageReader;
use Foehn\Codec\Shapes\PathReader;
use Foehn\Codec\Shapes\PinFinsReader;
use Foehn\Codec\Shapes\PlateFinsReader;
use Foehn\Codec\Shapes\ProfileReader;
use Foehn\Codec\Shapes\ScreenReader;
use Foehn\Codec\Shapes\ShapeFields;
use Foehn\Codec\Shapes\ShellReader;
use Foehn\Codec\Shapes\ViasReader;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Turned;
use Foehn\Units\Dimension;

/** Reads the shape of a part and puts it in its place. What each kind has is up to its own reader. */
final class ShapeReader
{
    /** The reader of each kind of shape, by the word of the model document. */
    private const KINDS = [
        'block' => BlockReader::class,
        'cylinder' => CylinderReader::class,
        'plateFins' => PlateFinsReader::class,
        'pinFins' => PinFinsReader::class,
        'board' => BoardReader::class,
        'vias' => ViasReader::class,
        'shell' => ShellReader::class,
        'profile' => ProfileReader::class,
        'path' => PathReader::class,
        'package' => PackageReader::class,
        'fan' => FanReader::class,
        'screen' => ScreenReader::class,
        'mesh' => MeshReader::class,
    ];

    /** These stand along the axes: a fan blows along one, a package has its board on one side, the inside of a box is found by its walls. */
    private const STRAIGHT = [
        'shell' => 'turn what is in the box, or gravity',
        'package' => 'exchange its sizes for a quarter turn and choose the side of its board, or turn its assembly by right angles',
        'fan' => 'it blows in one of the directions x-, x+, y-, y+, z-, z+',
        'screen' => 'its "normal" is one of x, y, z',
    ];

    public static function read(Reader $part): Shape
    {
        $reader = $part->object('shape', true);
        $at = $part->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
        $angles = self::angles($part);
        $kind = self::KINDS[$reader->oneOf('kind', array_keys(self::KINDS))];
        $shape = (new $kind())->read(new ShapeFields($reader, $at));
        $reader->close();
        if (array_filter($angles) !== [] && isset(self::STRAIGHT[$shape->kind()])) {
            $part->problem('turn', sprintf('a %s cannot be turned; %s', $shape->kind(), self::STRAIGHT[$shape->kind()]));

            return $shape;
        }

        return Turned::by($shape, $angles);
    }

    /**
     * Angles about x, y and z, in this order, in rad.
     *
     * @return list<float>
     */
    public static function angles(Reader $part): array
    {
        $angles = $part->vector('turn', Dimension::none(), 3, [0.0, 0.0, 0.0]);
        foreach ($angles as $n => $angle) {
            if (abs($angle) > 2 * M_PI + 1e-9) {
                $part->problem("turn/$n", sprintf('an angle of %g rad is given, more than a whole turn; write degrees as "%g deg"', $angle, $angle));
            }
        }

        return $angles;
    }
}
