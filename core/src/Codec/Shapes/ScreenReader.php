<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Screen;
use Foehn\Shapes\Shape;
use Foehn\Units\Dimension;

/** A screen or perforated plate by its loss coefficient or its free area. */
final class ScreenReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $reader = $fields->reader;
        $outline = $fields->outline($fields->axis('normal', 'x'));
        if ($reader->has('lossCoefficient') === $reader->has('freeArea')) {
            $reader->problem('', 'a screen needs either "lossCoefficient" or "freeArea"');
        }
        if ($reader->has('lossCoefficient')) {
            return new Screen($outline, $reader->quantity('lossCoefficient', Dimension::none(), null, 0.0));
        }
        $freeArea = $reader->quantity('freeArea', Dimension::none(), 0.5, 0.0, true);
        if ($freeArea > 1.0) {
            $reader->problem('freeArea', sprintf('%g is given; the share of free area lies between 0 and 1', $freeArea));
            $freeArea = 1.0;
        }
        $holes = $reader->oneOf('holes', ['thin', 'round', 'square', 'slot', 'wire'], 'thin');
        $thick = in_array($holes, ['round', 'square', 'slot'], true);
        $size = $thick ? $fields->length('holeSize') : 1.0;
        $depth = ($thick ? $reader->quantity('thickness', Dimension::length(), null, 0.0) : 0.0) / ($holes === 'slot' ? 2 * $size : $size);
        $loss = match (true) {
            $thick => Screen::ofThickPlate($freeArea, $depth),
            $holes === 'wire' => Screen::ofWires($freeArea),
            default => Screen::ofFreeArea($freeArea),
        };

        return new Screen($outline, $loss);
    }
}
