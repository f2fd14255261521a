<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Block;
use Foehn\Shapes\Shape;
use Foehn\Units\Dimension;

/** A board by its outline and its layers. What it conducts is up to LaminateReader, its copper up to CopperReader. */
final class BoardReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $reader = $fields->reader;
        $normal = $fields->axis('normal', 'z');
        $outline = $fields->size('size', 2);
        $thickness = 0.0;
        $layers = $reader->objects('layers', 100, 'layers');
        foreach ($layers as $layer) {
            $thickness += $layer->quantity('thickness', Dimension::length(), null, 0.0, true);
            if ($layer->quantity('copper', Dimension::none(), 0.0, 0.0) > 1.0) {
                $layer->problem('copper', 'the share of copper in a layer is at most 1 (100 %)');
            }
            foreach (['material', 'name', 'artwork', 'drawn'] as $key) {
                $layer->raw($key);
            }
            $layer->close();
        }
        if ($layers === []) {
            $reader->problem('layers', 'a board needs at least one layer, each with thickness and share of copper');
        }

        return new Block($fields->box(ShapeFields::across($normal, $outline, $thickness ?: 1e-3)), 'board');
    }
}
