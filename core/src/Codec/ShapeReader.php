<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Shapes\Block;
use Foehn\Shapes\Cylinder;
use Foehn\Shapes\Fan;
use Foehn\Shapes\Mesh;
use Foehn\Shapes\Path;
use Foehn\Shapes\PinFins;
use Foehn\Shapes\PlateFins;
use Foehn\Shapes\Profile;
use Foehn\Shapes\Screen;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Shell;
use Foehn\Shapes\Turned;
use Foehn\Shapes\TwoResistancePackage;
use Foehn\Units\Dimension;

/** Reads the shape of a part and puts it in its place. */
final class ShapeReader
{
    public const KINDS = ['block', 'cylinder', 'plateFins', 'pinFins', 'board', 'vias', 'shell', 'profile', 'path', 'package', 'fan', 'screen', 'mesh'];

    /** These stand along the axes: a fan blows along one, a package has its board on one side, the inside of a box is found by its walls. */
    private const STRAIGHT = ['shell', 'package', 'fan', 'screen'];

    private const MOST_CORNERS = 200;

    /** Triangles of one body; more belong into a simpler body. */
    private const MOST_TRIANGLES = 60_000;

    private const COPPER = 'copper-foil';

    private const DIELECTRIC = 'glass-epoxy';

    public static function read(Reader $part): Shape
    {
        $reader = $part->object('shape', true);
        $at = $part->vector('at', Dimension::length(), 3, [0.0, 0.0, 0.0]);
        $angles = self::angles($part);
        $shape = match ($reader->oneOf('kind', self::KINDS)) {
            'cylinder' => self::cylinder($reader, $at),
            'plateFins' => self::plateFins($reader, $at),
            'pinFins' => self::pinFins($reader, $at),
            'board' => self::board($reader, $at),
            'vias' => self::vias($reader, $at),
            'profile' => self::profile($reader, $at),
            'path' => self::path($reader, $at),
            'shell' => self::shell($reader, $at),
            'package' => self::package($reader, $at),
            'fan' => self::fan($reader, $at),
            'screen' => self::screen($reader, $at),
            'mesh' => self::mesh($reader, $at),
            default => new Block(self::box($at, self::size($reader, 'size', 3))),
        };
        $reader->close();
        if (array_filter($angles) !== [] && in_array($shape->kind(), self::STRAIGHT, true)) {
            $part->problem('turn', sprintf('a %s cannot be turned; %s', $shape->kind(), match ($shape->kind()) {
                'shell' => 'turn what is in the box, or gravity',
                'package' => 'exchange its sizes for a quarter turn and choose the side of its board, or turn its assembly by right angles',
                'fan' => 'it blows in one of the directions x-, x+, y-, y+, z-, z+',
                default => 'its "normal" is one of x, y, z',
            }));

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

    /**
     * Effective material of a layer stack: in the plane the layers conduct side by side, through it one after the other;
     * a partly covered copper layer conducts as copper and dielectric side by side.
     */
    public static function laminate(Reader $entry, Library $materials, string $id): ?Material
    {
        $reader = $entry->object('shape');
        if ($reader->raw('kind') !== 'board') {
            return null;
        }
        $thickness = 0.0;
        $along = 0.0;
        $through = 0.0;
        $mass = 0.0;
        $capacity = 0.0;
        foreach ($reader->objects('layers', 100, 'layers') as $layer) {
            $t = $layer->quantity('thickness', Dimension::length(), null, 0.0, true);
            $coverage = $layer->quantity('copper', Dimension::none(), 0.0, 0.0);
            $dielectric = self::layerMaterial($layer, $materials);
            $copper = $materials->get(self::COPPER);
            if ($dielectric === null || $copper === null) {
                continue;
            }
            $k = $coverage * $copper->conductivity[0]->at(300.0) + (1 - $coverage) * $dielectric->conductivity[0]->at(300.0);
            $thickness += $t;
            $along += $t * $k;
            $through += $t / $k;
            foreach ([[$copper, $coverage], [$dielectric, 1 - $coverage]] as [$material, $share]) {
                $mass += $t * $share * $material->density;
                $capacity += $t * $share * $material->density * $material->specificHeat;
            }
        }
        if ($thickness <= 0.0) {
            return null;
        }
        $k = array_fill(0, 3, $along / $thickness);
        $k[self::axis($reader, 'normal', 'z')] = $thickness / $through;

        return Material::withConductivity("laminate:$id", 'Layer stack', $k[0], $k[1], $k[2], $mass / $thickness, self::perMass($capacity, $mass), 'computed from the layers of the board');
    }

    /**
     * Effective material of plated through holes in a board: through it, the copper of the barrels and what fills them stand beside
     * the board; in its plane it stays the board, of which the holes take little.
     */
    public static function viaField(Reader $entry, Library $materials, string $id): ?Material
    {
        $reader = $entry->object('shape');
        if ($reader->raw('kind') !== 'vias') {
            return null;
        }
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
        $copper = $materials->get(self::COPPER);
        $fill = $reader->has('fill') ? $materials->get($reader->string('fill')) : $materials->get('air');
        if ($fill === null || $copper === null) {
            $reader->problem('fill', sprintf('unknown material "%s"; did you mean %s?', $reader->string('fill'), implode(', ', $materials->similar($reader->string('fill')))));

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
        $normal = self::axis($reader, 'normal', 'z');
        $k = array_map(fn ($law) => $law->at(300.0), $board->conductivity);
        $k[$normal] = $barrel * $copper->conductivity[0]->at(300.0) + $hole * $fill->conductivity[0]->at(300.0) + (1 - $barrel - $hole) * $k[$normal];
        $mass = $barrel * (float) $copper->density + $hole * (float) $fill->density + (1 - $barrel - $hole) * (float) $board->density;
        $capacity = $barrel * $copper->density * $copper->specificHeat + $hole * $fill->density * $fill->specificHeat + (1 - $barrel - $hole) * $board->density * $board->specificHeat;

        return Material::withConductivity("vias:$id", 'Board with vias', $k[0], $k[1], $k[2], $mass, self::perMass($capacity, $mass), 'computed from the board and its vias');
    }

    /** J/kg/K; null where no layer states its density, so that there is no mass to relate to. */
    private static function perMass(float $capacity, float $mass): ?float
    {
        return $mass > 0.0 ? $capacity / $mass : null;
    }

    private static function layerMaterial(Reader $layer, Library $materials): ?Material
    {
        $id = $layer->string('material', self::DIELECTRIC);
        $material = $materials->get($id);
        if ($material === null) {
            $layer->problem('material', sprintf('unknown material "%s"; did you mean %s?', $id, implode(', ', $materials->similar($id))));
        }

        return $material;
    }

    /** @param list<float> $at */
    private static function board(Reader $reader, array $at): Block
    {
        $normal = self::axis($reader, 'normal', 'z');
        $outline = self::size($reader, 'size', 2);
        $thickness = 0.0;
        $layers = $reader->objects('layers', 100, 'layers');
        foreach ($layers as $layer) {
            $thickness += $layer->quantity('thickness', Dimension::length(), null, 0.0, true);
            if ($layer->quantity('copper', Dimension::none(), 0.0, 0.0) > 1.0) {
                $layer->problem('copper', 'the share of copper in a layer is at most 1 (100 %)');
            }
            $layer->raw('material');
            $layer->close();
        }
        if ($layers === []) {
            $reader->problem('layers', 'a board needs at least one layer, each with thickness and share of copper');
        }
        $size = [0.0, 0.0, 0.0];
        [$a, $b] = Axes::across($normal);
        [$size[$a], $size[$b], $size[$normal]] = [$outline[0], $outline[1], $thickness ?: 1e-3];

        return new Block(self::box($at, $size), 'board');
    }

    /**
     * A field of plated through holes: a piece of the board with another conductivity through it.
     *
     * @param list<float> $at
     */
    private static function vias(Reader $reader, array $at): Block
    {
        $normal = self::axis($reader, 'normal', 'z');
        $outline = self::size($reader, 'size', 2);
        $size = [0.0, 0.0, 0.0];
        [$a, $b] = Axes::across($normal);
        [$size[$a], $size[$b], $size[$normal]] = [$outline[0], $outline[1], $reader->quantity('thickness', Dimension::length(), null, 0.0, true)];
        foreach (['board', 'drill', 'plating', 'count', 'fill'] as $key) {
            $reader->raw($key);
        }

        return new Block(self::box($at, $size), 'vias');
    }

    /** @param list<float> $at added to the corners */
    private static function profile(Reader $reader, array $at): Shape
    {
        $axis = self::axis($reader, 'axis', 'z');
        $length = $reader->quantity('length', Dimension::length(), null, 0.0, true);
        [$a, $b] = Axes::across($axis);
        $rows = $reader->raw('points');
        $points = [];
        foreach (is_array($rows) ? array_values($rows) : [] as $n => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("points/$n", sprintf('a corner is a pair of lengths along %s and %s, not %s', 'xyz'[$a], 'xyz'[$b], Reader::show($row)));

                continue;
            }
            $points[] = [$at[$a] + $reader->element("points/$n/0", $row[0] ?? null, Dimension::length()), $at[$b] + $reader->element("points/$n/1", $row[1] ?? null, Dimension::length())];
        }
        $problem = match (true) {
            count($points) < 3 => sprintf('a profile needs at least three corners, %d are given', count($points)),
            count($points) > self::MOST_CORNERS => sprintf('a profile of %d corners is given; at most %d are taken', count($points), self::MOST_CORNERS),
            abs(self::enclosed($points)) <= 1e-15 => 'the corners enclose no area',
            default => null,
        };
        if ($problem !== null) {
            $reader->problem('points', $problem);

            return new Block(self::box($at, [1e-3, 1e-3, 1e-3]));
        }

        return new Profile($axis, $points, $at[$axis], $at[$axis] + $length);
    }

    /** @param list<float> $at added to the points */
    private static function path(Reader $reader, array $at): Shape
    {
        $rows = $reader->raw('points');
        $points = [];
        foreach (is_array($rows) ? array_values($rows) : [] as $n => $row) {
            if (! is_array($row) || count($row) !== 3) {
                $reader->problem("points/$n", sprintf('a point is three lengths along x, y and z, not %s', Reader::show($row)));

                continue;
            }
            $point = array_map(fn (int $axis) => $at[$axis] + $reader->element("points/$n/$axis", $row[$axis] ?? null, Dimension::length()), [0, 1, 2]);
            $points[] = [$point[0], $point[1], $point[2]];
        }
        $round = $reader->has('diameter');
        $half = 0.5 * $reader->quantity($round ? 'diameter' : 'width', Dimension::length(), null, 0.0, true);
        $normal = $round ? null : self::axis($reader, 'normal', 'z');
        $thickness = $round ? 0.0 : $reader->quantity('thickness', Dimension::length(), null, 0.0, true);
        $problem = match (true) {
            count($points) < 2 => sprintf('a path needs at least two points, %d are given', count($points)),
            count($points) > self::MOST_CORNERS => sprintf('a path of %d points is given; at most %d are taken', count($points), self::MOST_CORNERS),
            self::repeats($points) !== null => sprintf('the points %d and %d are the same', self::repeats($points), self::repeats($points) + 1),
            $normal !== null && max(array_column($points, $normal)) - min(array_column($points, $normal)) > 1e-9 => sprintf('a strip lies in one plane: its points must have the same %s, its "normal"', 'xyz'[$normal]),
            default => null,
        };
        if ($problem !== null) {
            $reader->problem('points', $problem);

            return new Block(self::box($at, [1e-3, 1e-3, 1e-3]));
        }

        return new Path($points, $half, $normal, $thickness);
    }

    /**
     * @param list<array{float, float, float}> $points
     * @return ?int number, from 1, of the first point that the next one repeats
     */
    private static function repeats(array $points): ?int
    {
        for ($n = 1; $n < count($points); $n++) {
            if (max(array_map(fn (int $axis) => abs($points[$n][$axis] - $points[$n - 1][$axis]), [0, 1, 2])) < 1e-9) {
                return $n;
            }
        }

        return null;
    }

    /**
     * @param list<array{float, float}> $points
     * @return float m2, negative when they run clockwise
     */
    private static function enclosed(array $points): float
    {
        $twice = 0.0;
        foreach ($points as $i => [$p, $q]) {
            [$p2, $q2] = $points[($i + 1) % count($points)];
            $twice += $p * $q2 - $p2 * $q;
        }

        return 0.5 * $twice;
    }

    /** @param list<float> $at */
    private static function cylinder(Reader $reader, array $at): Cylinder
    {
        $axis = self::axis($reader, 'axis', 'z');
        $length = $reader->quantity('length', Dimension::length(), null, 0.0, true);
        $radius = $reader->quantity('radius', Dimension::length(), null, 0.0, true);
        [$a, $b] = Axes::across($axis);

        return new Cylinder($axis, [$at[$a], $at[$b]], $radius, $at[$axis], $at[$axis] + $length);
    }

    /** @param list<float> $at */
    private static function shell(Reader $reader, array $at): Shell
    {
        $size = self::size($reader, 'size', 3);
        $wall = $reader->quantity('wall', Dimension::length(), null, 0.0, true);
        if (2 * $wall >= min($size)) {
            $reader->problem('wall', sprintf('two walls of %g mm leave no room inside %g mm', 1e3 * $wall, 1e3 * min($size)));
            $wall = 0.1 * min($size);
        }

        return new Shell(self::box($at, $size), $wall);
    }

    /** @param list<float> $at */
    private static function package(Reader $reader, array $at): TwoResistancePackage
    {
        $face = $reader->oneOf('boardFace', ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], 'z-');

        return new TwoResistancePackage(
            self::box($at, self::size($reader, 'size', 3)),
            $reader->quantity('junctionToCase', Dimension::thermalResistance(), null, 0.0, true),
            $reader->quantity('junctionToBoard', Dimension::thermalResistance(), null, 0.0, true),
            (int) strpos('xyz', $face[0]),
            $face[1] === '+' ? 1 : -1,
        );
    }

    /**
     * A closed surface: vertices as little-endian float32 triples in metres, triangles as uint32 triples, both in base64.
     *
     * @param list<float> $at moves the body
     */
    private static function mesh(Reader $reader, array $at): Shape
    {
        $vertices = self::numbers($reader, 'vertices', 'g');
        $triangles = self::numbers($reader, 'triangles', 'V');
        $problem = match (true) {
            count($triangles) < 12 => sprintf('a body needs at least four triangles, %d are given', intdiv(count($triangles), 3)),
            count($triangles) > 3 * self::MOST_TRIANGLES => sprintf('a body of %d triangles is given; at most %d are taken, simplify it', intdiv(count($triangles), 3), self::MOST_TRIANGLES),
            count($triangles) % 3 !== 0 || max($triangles) * 3 + 3 > count($vertices) => 'the triangles name vertices that are not there',
            array_filter($vertices, fn (float $v) => ! is_finite($v)) !== [] => 'a vertex is not a number',
            default => null,
        };
        if ($problem === null) {
            foreach ($vertices as $n => $value) {
                $vertices[$n] = $value + $at[$n % 3];
            }
            $mesh = new Mesh($vertices, $triangles);
            $flat = array_filter([0, 1, 2], fn (int $axis) => $mesh->bounds()->size($axis) <= 0.0);
            if ($flat === []) {
                return $mesh;
            }
            $problem = 'the body is flat';
        }
        $reader->problem('triangles', $problem);

        return new Block(self::box($at, [1e-3, 1e-3, 1e-3]));
    }

    /** @return ($code is 'g' ? list<float> : list<int>) */
    private static function numbers(Reader $reader, string $key, string $code): array
    {
        $text = $reader->raw($key);
        $bytes = is_string($text) ? base64_decode($text, true) : false;
        if ($bytes === false || $bytes === '' || strlen($bytes) % 4 !== 0) {
            $reader->problem($key, 'four-byte numbers in base64 are expected');

            return [];
        }

        return array_values((array) unpack("$code*", $bytes));
    }

    /** @param list<float> $at */
    private static function plateFins(Reader $reader, array $at): PlateFins
    {
        [$upAxis, $upSign, $base, $size] = self::sink($reader);
        $along = self::axis($reader, 'along', $upAxis === 0 ? 'y' : 'x');
        $count = $reader->int('count', 1, 500);
        $thickness = $reader->quantity('thickness', Dimension::length(), null, 0.0, true);
        if ($along === $upAxis) {
            $reader->problem('along', sprintf('the fins stand along %s, so they cannot run along it; choose another axis', 'xyz'[$upAxis]));
            $along = ($upAxis + 1) % 3;
        }
        $across = 3 - $upAxis - $along;
        if ($count * $thickness > $size[$across] * (1 - 1e-9) && $count > 1) {
            $reader->problem('count', sprintf('%d fins of %g mm do not fit into %g mm with gaps between them', $count, 1e3 * $thickness, 1e3 * $size[$across]));
            $count = 1;
        }

        return new PlateFins(self::box($at, $size), $upAxis, $upSign, $along, $base, $count, $thickness);
    }

    /** @param list<float> $at */
    private static function pinFins(Reader $reader, array $at): PinFins
    {
        [$upAxis, $upSign, $base, $size] = self::sink($reader);
        $counts = [];
        $width = $reader->quantity('width', Dimension::length(), null, 0.0, true);
        foreach (Axes::across($upAxis) as $n => $axis) {
            $key = ['columns', 'rows'][$n];
            $counts[] = $reader->int($key, 1, 200);
            if ($counts[$n] * $width > $size[$axis] * (1 - 1e-9) && $counts[$n] > 1) {
                $reader->problem($key, sprintf('%d pins of %g mm do not fit into %g mm with gaps between them', $counts[$n], 1e3 * $width, 1e3 * $size[$axis]));
                $counts[$n] = 1;
            }
        }

        return new PinFins(self::box($at, $size), $upAxis, $upSign, $base, $counts, $width, $reader->bool('round', true));
    }

    /**
     * What heat sinks share.
     *
     * @return array{int, int, float, list<float>} axis the fins stand along, its sign, thickness of the base and size of the whole, m
     */
    private static function sink(Reader $reader): array
    {
        $up = $reader->oneOf('up', ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], 'z+');
        $axis = (int) strpos('xyz', $up[0]);
        $footprint = self::size($reader, 'size', 2);
        $base = $reader->quantity('base', Dimension::length(), null, 0.0, true);
        $size = [0.0, 0.0, 0.0];
        [$a, $b] = Axes::across($axis);
        [$size[$a], $size[$b], $size[$axis]] = [$footprint[0], $footprint[1], $base + $reader->quantity('height', Dimension::length(), null, 0.0, true)];

        return [$axis, $up[1] === '+' ? 1 : -1, $base, $size];
    }

    /** @param list<float> $at lowest corner of the square around a round fan, or of a rectangular one */
    private static function fan(Reader $reader, array $at): Fan
    {
        $direction = $reader->oneOf('direction', ['x-', 'x+', 'y-', 'y+', 'z-', 'z+']);
        $axis = (int) strpos('xyz', $direction[0]);
        [$min, $max, $round] = self::flat($reader, $at, $axis);
        $hub = $reader->quantity('hub', Dimension::none(), 0.0, 0.0);
        if ($hub >= 1.0) {
            $reader->problem('hub', 'the hub is given as a share of the diameter and must be below 1');
            $hub = 0.0;
        }
        $rows = $reader->raw('curve');
        $curve = [];
        foreach (is_array($rows) ? array_values($rows) : [] as $n => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("curve/$n", 'a pair [volume flow, pressure rise] is expected');

                continue;
            }
            $curve[] = [$reader->element("curve/$n/0", $row[0] ?? null, Dimension::volumeFlow()), $reader->element("curve/$n/1", $row[1] ?? null, Dimension::pressure())];
            if (count($curve) > 1 && $curve[count($curve) - 1][0] <= $curve[count($curve) - 2][0]) {
                $reader->problem("curve/$n/0", 'the volume flows of a fan curve must rise');
                array_pop($curve);
            }
        }
        if (count($curve) < 2) {
            $reader->problem('curve', 'a fan needs a curve of at least two pairs [volume flow, pressure rise]');
            $curve = [[0.0, 1.0], [1.0, 0.0]];
        }

        return new Fan(
            $axis, $at[$axis], $min, $max, $round, $hub, $direction[1] === '+' ? 1 : -1, $curve, $reader->quantity('speedFactor', Dimension::none(), 1.0, 0.0),
            $reader->quantity('swirl', Dimension::none(), 0.0), $reader->has('curveDensity') ? $reader->quantity('curveDensity', Dimension::density(), null, 0.0, true) : null,
        );
    }

    /** @param list<float> $at */
    private static function screen(Reader $reader, array $at): Screen
    {
        $axis = self::axis($reader, 'normal', 'x');
        [$min, $max, $round] = self::flat($reader, $at, $axis);
        if ($reader->has('lossCoefficient') === $reader->has('freeArea')) {
            $reader->problem('', 'a screen needs either "lossCoefficient" or "freeArea"');
        }
        if ($reader->has('lossCoefficient')) {
            return new Screen($axis, $at[$axis], $min, $max, $round, $reader->quantity('lossCoefficient', Dimension::none(), null, 0.0));
        }
        $share = $reader->quantity('freeArea', Dimension::none(), 0.5, 0.0, true);
        if ($share > 1.0) {
            $reader->problem('freeArea', sprintf('%g is given; the share of free area lies between 0 and 1', $share));
            $share = 1.0;
        }

        $holes = $reader->oneOf('holes', ['thin', 'round', 'square', 'slot', 'wire'], 'thin');
        $thick = in_array($holes, ['round', 'square', 'slot'], true);
        $size = $thick ? $reader->quantity('holeSize', Dimension::length(), null, 0.0, true) : 1.0;
        $depth = ($thick ? $reader->quantity('thickness', Dimension::length(), null, 0.0) : 0.0) / ($holes === 'slot' ? 2 * $size : $size);
        $loss = match (true) {
            $thick => Screen::ofThickPlate($share, $depth),
            $holes === 'wire' => Screen::ofWires($share),
            default => Screen::ofFreeArea($share),
        };

        return new Screen($axis, $at[$axis], $min, $max, $round, $loss);
    }

    /**
     * @param list<float> $at
     * @return array{array{float, float}, array{float, float}, bool}
     */
    private static function flat(Reader $reader, array $at, int $axis): array
    {
        [$a, $b] = Axes::across($axis);
        $round = $reader->has('diameter');
        if ($round) {
            $diameter = $reader->quantity('diameter', Dimension::length(), null, 0.0, true) ?: 1e-3;
            $size = [$diameter, $diameter];
        } else {
            $size = self::size($reader, 'size', 2);
        }

        return [[$at[$a], $at[$b]], [$at[$a] + $size[0], $at[$b] + $size[1]], $round];
    }

    private static function axis(Reader $reader, string $key, string $default): int
    {
        return (int) strpos('xyz', $reader->oneOf($key, ['x', 'y', 'z'], $default));
    }

    /** @return list<float> */
    private static function size(Reader $reader, string $key, int $length): array
    {
        $size = $reader->vector($key, Dimension::length(), $length);
        foreach ($size as $i => $extent) {
            if ($extent <= 0.0) {
                $reader->problem("$key/$i", sprintf('a size of %g mm is given; every size must be above 0', 1e3 * $extent));
                $size[$i] = 1e-3;
            }
        }

        return $size;
    }

    /**
     * @param list<float> $at
     * @param array<int, float> $size
     */
    private static function box(array $at, array $size): Box
    {
        return new Box([$at[0], $at[1], $at[2]], [$at[0] + $size[0], $at[1] + $size[1], $at[2] + $size[2]]);
    }
}
