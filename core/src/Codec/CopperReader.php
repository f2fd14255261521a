<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Model\BoardArtwork;
use Foehn\Model\BoardCopper;
use Foehn\Model\BoardHoles;
use Foehn\Model\BoardLayer;
use Foehn\Model\BoardTerminal;
use Foehn\Model\DrawnCopper;
use Foehn\Model\DrillFile;
use Foehn\Model\ViaGroup;
use Foehn\Units\Dimension;

/** Reads the copper of a board from its layers and from what is stated of holes and terminals. What the files say is up to whoever draws them. */
final class CopperReader
{
    private const MOST = 500;

    /** Vias of one group. */
    private const MOST_VIAS = 200;

    /** Of a text that is unpacked, bytes. */
    private const LONGEST = 60_000_000;

    /** @var list<BoardLayer> of copper */
    private array $copper = [];

    private function __construct(private readonly Library $materials)
    {
    }

    /**
     * @param Reader $part with the shape of a board
     * @param Box $box of the board in the space
     */
    public static function read(Reader $part, Box $box, Library $materials): ?BoardCopper
    {
        $shape = $part->object('shape');
        $reader = new self($materials);
        $layers = $reader->layers($shape);
        if ($reader->copper === []) {
            if ($part->has('copper')) {
                $part->problem('copper', 'the board has no layer with artwork; give its layers artwork, or draw copper on them');
            }

            return null;
        }
        if ($part->has('material')) {
            $part->problem('material', 'a board with artwork conducts as its layers do; leave its material out');
        }
        $normal = Axes::named($shape->oneOf('normal', ['x', 'y', 'z'], 'z'));
        [$a, $b] = Axes::across($normal);
        $copper = $part->object('copper');
        $artwork = new BoardArtwork($normal, $box->min, [$box->size($a), $box->size($b)], self::pair($copper, 'origin', [0.0, 0.0]), $layers, $reader->holes($copper), $copper->has('pixel') ? $copper->quantity('pixel', Dimension::length(), null, 0.0, true) : null, $copper->has('netList') ? self::text($copper, 'netList') : null);
        $read = new BoardCopper($artwork, $reader->material($copper), $reader->terminals($copper, $part->string('id')));
        $copper->close();

        return $read;
    }

    /** @return list<BoardLayer> */
    private function layers(Reader $shape): array
    {
        $layers = [];
        $height = 0.0;
        foreach ($shape->objects('layers', 100, 'layers') as $n => $layer) {
            $to = $height + $layer->quantity('thickness', Dimension::length(), null, 0.0, true);
            $name = $layer->string('name', 'Layer ' . ($n + 1));
            $layers[] = $read = new BoardLayer(
                $name, $height, $to, $layer->string('material', LaminateReader::DIELECTRIC), $layer->quantity('copper', Dimension::none(), 0.0, 0.0),
                $layer->has('artwork') ? self::text($layer, 'artwork') : null,
                array_map(self::drawn(...), $layer->objects('drawn', self::MOST, 'pieces of copper')),
            );
            if ($read->isCopper()) {
                if (in_array($name, array_column($this->copper, 'name'), true)) {
                    $layer->problem('name', sprintf('two layers of copper are called "%s"; every one needs a name of its own', $name));
                }
                $this->copper[] = $read;
            }
            $height = $to;
        }

        return $layers;
    }

    private static function drawn(Reader $reader): DrawnCopper
    {
        $kind = $reader->oneOf('kind', DrawnCopper::KINDS);
        $size = match (true) {
            $kind === 'pour' => [0.0, 0.0],
            $kind === 'pad' && ! $reader->has('diameter') => self::size($reader),
            default => array_fill(0, 2, $reader->quantity($kind === 'pad' ? 'diameter' : 'width', Dimension::length(), null, 0.0, true)),
        };
        $points = $kind === 'pad' ? [self::pair($reader, 'at')] : self::points($reader, $kind === 'pour' ? 3 : 2);
        $drawn = new DrawnCopper($kind, $points, [$size[0], $size[1]], $kind === 'pad' && $reader->has('diameter'), $reader->bool('clear', false), $reader->has('net') ? $reader->string('net') : null);
        $reader->close();

        return $drawn;
    }

    /** @return non-empty-list<array{float, float}> */
    private static function points(Reader $reader, int $least): array
    {
        $points = [];
        $given = $reader->raw('points');
        foreach (is_array($given) ? array_values($given) : [] as $n => $point) {
            if (! is_array($point) || count($point) !== 2) {
                $reader->problem("points/$n", 'a point is a pair of lengths');

                continue;
            }
            [$x, $y] = array_values($point);
            $points[] = [$reader->element("points/$n/0", $x, Dimension::length()), $reader->element("points/$n/1", $y, Dimension::length())];
        }
        if (count($points) < $least) {
            $reader->problem('points', sprintf('%d points are needed, %d are given', $least, count($points)));
        }

        return $points === [] ? [[0.0, 0.0]] : $points;
    }

    private function holes(Reader $copper): BoardHoles
    {
        $files = array_map($this->drillFile(...), $copper->objects('drills', self::MOST, 'drill files'));
        $vias = array_map($this->vias(...), $copper->objects('vias', self::MOST, 'groups of vias'));

        return new BoardHoles($files, $vias, $copper->quantity('plating', Dimension::length(), 25e-6, 0.0, true));
    }

    private function drillFile(Reader $reader): DrillFile
    {
        $last = count($this->copper) - 1;
        $from = $reader->has('from') ? $this->layer($reader, 'from') : 0;
        $to = $reader->has('to') ? $this->layer($reader, 'to') : $last;
        $file = new DrillFile($reader->string('name', 'holes'), self::text($reader, 'file'), $reader->bool('plated', true), min($from, $to), max($from, $to));
        $reader->close();

        return $file;
    }

    private function vias(Reader $reader): ViaGroup
    {
        $count = [$reader->int('columns', 1, self::MOST_VIAS, 1), $reader->int('rows', 1, self::MOST_VIAS, 1)];
        if ($count[0] * $count[1] > self::MOST_VIAS) {
            $reader->problem('rows', sprintf('%d vias are given; a group has at most %d', $count[0] * $count[1], self::MOST_VIAS));
        }
        $drill = $reader->quantity('drill', Dimension::length(), null, 0.0, true);
        $pitch = $reader->quantity('pitch', Dimension::length(), 3.0 * $drill, 0.0, true);
        if ($count !== [1, 1] && $pitch <= $drill) {
            $reader->problem('pitch', sprintf('holes of %g mm run into each other at a pitch of %g mm', 1e3 * $drill, 1e3 * $pitch));
        }
        $joins = $reader->raw('joins');
        $named = [];
        foreach (is_array($joins) ? array_values($joins) : [] as $n => $name) {
            $named[] = $this->numbered($reader, "joins/$n", $name);
        }
        if (count(array_unique($named)) < 2) {
            $reader->problem('joins', 'a via joins at least two layers of copper; name them');
        }
        $group = new ViaGroup($reader->string('name', 'Vias'), self::pair($reader, 'at'), $count, $pitch, $drill, $named === [] ? [0] : $named, $reader->quantity('clearance', Dimension::length(), 0.25e-3, 0.0));
        $reader->close();

        return $group;
    }

    /** @return list<BoardTerminal> */
    private function terminals(Reader $copper, string $board): array
    {
        $terminals = $copper->objects('terminals', self::MOST, 'terminals');

        return array_map(fn (Reader $terminal, int $n): BoardTerminal => $this->terminal($terminal, "$board/$n"), $terminals, array_keys($terminals));
    }

    private function terminal(Reader $reader, string $joint): BoardTerminal
    {
        $isRound = $reader->has('diameter');
        $size = $isRound ? array_fill(0, 2, $reader->quantity('diameter', Dimension::length(), null, 0.0, true)) : self::size($reader);
        $name = $reader->string('name');
        $terminal = new BoardTerminal($name, $this->layer($reader, 'layer'), self::pads($reader), [$size[0], $size[1]], $isRound, ElectricConditionReader::onCopper($reader->object('electric', true), $name, $joint));
        $reader->close();

        return $terminal;
    }

    /** @return non-empty-list<array{float, float}> the middle of a terminal, and those of its further pads */
    private static function pads(Reader $reader): array
    {
        $pads = [self::pair($reader, 'at')];
        $given = $reader->raw('pads') ?? [];
        if (! is_array($given) || ! array_is_list($given) || count($given) >= self::MOST) {
            $reader->problem('pads', 'a list [ ] of further places is expected, such as [["12 mm", "5 mm"], ["14 mm", "5 mm"]]');

            return $pads;
        }
        foreach ($given as $n => $point) {
            if (! is_array($point) || count($point) !== 2) {
                $reader->problem("pads/$n", 'a place is a pair of lengths');

                continue;
            }
            [$x, $y] = array_values($point);
            $pads[] = [$reader->element("pads/$n/0", $x, Dimension::length()), $reader->element("pads/$n/1", $y, Dimension::length())];
        }

        return $pads;
    }

    private function material(Reader $copper): string
    {
        $id = $copper->string('material', 'copper-foil');
        $material = MaterialReader::known($copper, 'material', $id, $this->materials);
        if ($material !== null && $material->resistivity === null) {
            $copper->problem('material', sprintf('"%s" has no resistivity; choose a metal', $material->title));
        }

        return $id;
    }

    private function layer(Reader $reader, string $key): int
    {
        return $this->numbered($reader, $key, $reader->raw($key));
    }

    private function numbered(Reader $reader, string $key, mixed $name): int
    {
        $names = array_column($this->copper, 'name');
        $number = array_search($name, $names, true);
        if ($number === false) {
            $reader->problem($key, sprintf('%s is no layer of copper of this board; they are %s', Reader::show($name), implode(', ', array_map(fn (string $own): string => "\"$own\"", $names))));
        }

        return (int) $number;
    }

    /**
     * @param ?array{float, float} $default m
     * @return array{float, float} m
     */
    private static function pair(Reader $reader, string $key, ?array $default = null): array
    {
        $pair = $reader->vector($key, Dimension::length(), 2, $default);

        return [$pair[0], $pair[1]];
    }

    /** @return array{float, float} m */
    private static function size(Reader $reader): array
    {
        $size = self::pair($reader, 'size');
        if (min($size) <= 0.0) {
            $reader->problem('size', sprintf('a size of %g x %g mm is given; both must be above 0', 1e3 * $size[0], 1e3 * $size[1]));
        }

        return $size;
    }

    /** A file, packed with gzip and written in base64. */
    private static function text(Reader $reader, string $key): string
    {
        $given = $reader->raw($key);
        $packed = is_string($given) ? base64_decode($given, true) : false;
        $text = $packed === false ? false : @gzdecode($packed, self::LONGEST);
        if ($text === false) {
            $reader->problem($key, sprintf('a file packed with gzip and written in base64 is expected, of at most %d MB', self::LONGEST / 1_000_000));

            return '';
        }

        return $text;
    }
}
