<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Materials\Library;
use Foehn\Model\Assembly;
use Foehn\Model\Convective;
use Foehn\Model\Limit;
use Foehn\Model\Part;
use Foehn\Model\Section;
use Foehn\Model\Space;
use Foehn\Model\Target;
use Foehn\Model\ViaCurrents;
use Foehn\Model\Watch;
use Foehn\Shapes\Fan;
use Foehn\Units\Dimension;

/** Reads watches and limits, whose targets must exist among the parts. */
final class TargetReader
{
    /** More is hardly meant, K: 10 degC are 283 K. */
    private const LARGEST_DERATING = 200.0;

    /** Instead of a bound: the melting temperature of the material of a part. */
    private const MELTING = 'melting';

    /** @var array<string, Part> */
    private array $parts = [];

    /** @var array<string, list<string>> ids of the linked copies of a part */
    private array $copies = [];

    /** @var array<string, true> */
    private array $ids = [];

    /**
     * @param list<Part> $parts
     * @param array<string, Assembly> $assemblies by name
     * @param float $ambient K
     */
    public function __construct(array $parts, private readonly array $assemblies, private readonly Library $materials, Problems $problems, private readonly float $ambient)
    {
        foreach ($parts as $part) {
            if (isset($this->parts[$part->id])) {
                $problems->add("$part->pointer/id", sprintf('the id "%s" is used twice; every part needs its own', $part->id));
            }
            $this->parts[$part->id] = $part;
            if ($part->origin() !== $part->id) {
                $this->copies[$part->origin()][] = $part->id;
            }
        }
    }

    /** @return list<Watch> one, and one of each linked copy of its part */
    public function watches(Reader $reader): array
    {
        $id = $this->id($reader);
        $target = $this->target($reader->object('of', true));
        $quantity = $this->quantity($reader, $target);
        $reduce = $reader->oneOf('reduce', Watch::REDUCTIONS, $quantity === 'heat' ? 'total' : 'mean');
        if ($quantity === 'temperature' && $reduce === 'total') {
            $reader->problem('reduce', 'a temperature has min, mean or max, no total');
        }
        if (in_array($reduce, Watch::PLACES, true) && ! $target->isLine()) {
            $reader->problem('reduce', sprintf('"%s" is a place along a line; give a "line" in "of"', $reduce));
        }
        $against = $this->against($reader, $quantity);
        $name = $reader->string('name', $target->describe());
        $reader->close();

        return $this->each($target, fn (Target $of, string $id, string $name) => new Watch($id, $name, $of, $quantity, $reduce, $against), $id, $name);
    }

    /** @return list<Limit> one, and one of each linked copy of its part */
    public function limits(Reader $reader): array
    {
        $id = $this->id($reader);
        $target = $this->target($reader->object('of', true));
        $quantity = $this->quantity($reader, $target);
        $dimension = Watch::dimension($quantity);
        $reduce = $reader->oneOf('reduce', ['min', 'mean', 'max'], 'max');
        $vias = $quantity === 'viaCurrent' ? self::vias($reader) : null;
        $atMost = match (true) {
            $vias !== null => $vias->first(),
            $reader->raw('atMost') === self::MELTING => $this->melting($reader, $target, $quantity),
            default => $reader->optionalQuantity('atMost', $dimension),
        };
        $atLeast = $reader->optionalQuantity('atLeast', $dimension);
        if (($atMost === null) === ($atLeast === null)) {
            $reader->problem('', 'a limit needs either "atMost" or "atLeast"');
        }
        $derating = $reader->quantity('derating', $dimension, 0.0, 0.0);
        if ($quantity === 'temperature' && $derating > self::LARGEST_DERATING) {
            $reader->problem('derating', sprintf('%g K are given as derating; a difference of temperatures is written in K, not in °C', $derating));
        }
        $timeBeyond = $reader->quantity('timeBeyond', Dimension::time(), 0.0, 0.0);
        $against = $this->against($reader, $quantity);
        $name = $reader->string('name', $target->describe());
        $reader->close();

        return $this->each($target, fn (Target $of, string $id, string $name) => new Limit(new Watch($id, $name, $of, $quantity, $reduce, $against, $vias), $atMost, $atLeast, $derating, $timeBeyond), $id, $name);
    }

    /** What vias may carry, for one or two sizes of their holes. */
    private static function vias(Reader $reader): ViaCurrents
    {
        $points = [];
        $given = $reader->raw('vias');
        foreach (is_array($given) ? array_values($given) : [] as $n => $pair) {
            [$hole, $current] = is_array($pair) && count($pair) === 2 ? array_values($pair) : [null, null];
            $points[] = [$reader->element("vias/$n/0", $hole, Dimension::length()), $reader->element("vias/$n/1", $current, Dimension::current())];
        }
        $isUsable = in_array(count($points), [1, 2], true) && min(array_merge(...$points)) > 0.0 && (count($points) === 1 || $points[0][0] !== $points[1][0]);
        if (! $isUsable) {
            $reader->problem('vias', 'what vias may carry is given for one or two sizes of their holes, each with its current, as [["0.3 mm", "2 A"], ["0.6 mm", "5 A"]]');
        }

        return new ViaCurrents($isUsable ? $points : [[1.0, 1.0]]);
    }

    /** Where what a part is made of melts, K. */
    private function melting(Reader $reader, Target $target, string $quantity): float
    {
        $material = $this->materials->get(($this->parts[$target->part ?? ''] ?? null)->material ?? '');
        if ($quantity !== 'temperature' || $target->part === null) {
            $reader->problem('atMost', '"melting" bounds the temperature of a part');
        } elseif ($material === null || $material->melting === null) {
            $reader->problem('atMost', $material === null
                ? '"melting" bounds a part with a material; write a temperature'
                : sprintf('"%s" has no melting temperature; give the material one ("melting": "660 degC"), or write a temperature here', $material->title));
        }

        return $material->melting ?? 0.0;
    }

    /** What a convection coefficient is counted against: a temperature given, or that of the fluid in a section. */
    private function against(Reader $reader, string $quantity): ?Convective
    {
        if ($quantity !== 'convectionCoefficient' && $quantity !== 'nusselt') {
            return null;
        }
        $given = $reader->raw('reference');
        $reference = is_array($given) ? self::section($reader->object('reference')) : $reader->temperature('reference', $this->ambient);
        $length = $quantity === 'nusselt' ? $reader->quantity('length', Dimension::length(), null, 0.0, true) : 1.0;

        return new Convective($reference, $length);
    }

    private static function section(Reader $reader): Section
    {
        $axis = (int) array_search($reader->oneOf('axis', ['x', 'y', 'z']), ['x', 'y', 'z'], true);
        $at = $reader->quantity('at', Dimension::length());
        $corner = function (string $key) use ($reader): ?array {
            $given = $reader->has($key) ? $reader->vector($key, Dimension::length(), 2) : null;

            return $given === null ? null : [$given[0], $given[1]];
        };
        [$min, $max] = [$corner('min'), $corner('max')];
        if (($min === null) !== ($max === null) || ($min !== null && $max !== null && ($max[0] <= $min[0] || $max[1] <= $min[1]))) {
            $reader->problem('max', 'a rectangle of the section has a "min" and a "max" above it, along the two axes of the plane');
        }
        $reader->close();

        return new Section(Axes::of(2 * $axis), $at, $min, $max);
    }

    /** What is asked of a target, and whether it has that. */
    private function quantity(Reader $reader, Target $target): string
    {
        $quantity = $reader->oneOf('quantity', Watch::QUANTITIES, 'temperature');
        if (in_array($quantity, ['heat', 'heatFlux', ...Watch::AT_WALLS], true) && $target->side === null && $target->face === null) {
            $reader->problem('quantity', sprintf('"%s" is watched at a side of the space, a patch of it or a face of a part', $quantity));
        }
        if (in_array($quantity, Watch::AT_POINTS, true) && $target->point === null) {
            $reader->problem('quantity', sprintf('"%s" is watched at a point or along a line', $quantity));
        }
        $this->ofCurrents($reader, $target, $quantity);
        $isFan = ($this->parts[$target->part ?? ''] ?? null)?->shape instanceof Fan;
        $through = match ($quantity) {
            'bulkTemperature' => $target->section !== null,
            'outflowTemperature' => $target->side !== null,
            'massFlow' => $target->side !== null || $target->section !== null,
            'volumeFlow' => $target->side !== null || $target->section !== null || $isFan,
            default => $target->section === null,
        };
        if (! $through) {
            $reader->problem('quantity', match ($quantity) {
                'bulkTemperature' => '"bulkTemperature" is watched through a section',
                'outflowTemperature' => '"outflowTemperature" is watched through a side of the space or a patch of it',
                'massFlow' => '"massFlow" is watched through a side of the space, a patch of it or a section',
                'volumeFlow' => '"volumeFlow" is watched through a side of the space, a patch of it or a section, or of a fan',
                default => sprintf('"%s" has no value for a section; massFlow, volumeFlow and bulkTemperature have', $quantity),
            });
        }

        return $quantity;
    }

    /** Whether a part, or a face of it, has what is asked of currents. */
    private function ofCurrents(Reader $reader, Target $target, string $quantity): void
    {
        $part = $this->parts[$target->part ?? ''] ?? null;
        if (! in_array($quantity, Watch::OF_CURRENTS, true)) {
            if (($target->copper ?? $target->net) !== null) {
                $reader->problem('quantity', 'of a class of copper "currentDensity" is asked, of a net "voltageDrop"');
            }

            return;
        }
        if (in_array($quantity, Watch::OF_BOARDS, true)) {
            if ($part?->copper === null || ($quantity === 'voltageDrop') !== ($target->net !== null)) {
                $reader->problem('quantity', $quantity === 'voltageDrop' ? '"voltageDrop" is watched along a net of a board; give "part" and "net"' : '"viaCurrent" is watched in a board with artwork as a whole');
            }

            return;
        }
        $faces = array_column($part->terminals ?? [], 'face');
        if ($quantity === 'currentDensity' ? $part === null || $target->face !== null : $target->face === null) {
            $reader->problem('quantity', $quantity === 'currentDensity' ? '"currentDensity" is watched in a part as a whole' : sprintf('"%s" is watched at a face of a part', $quantity));
        } elseif ($part !== null && $target->face !== null && ! in_array($target->face, $faces, true)) {
            $reader->problem('quantity', sprintf('no current enters or leaves at face %s of "%s"; %s', $target->face, $part->name, $faces === [] ? 'give it a current, a voltage or ground there' : 'it does at ' . implode(', ', array_unique($faces))));
        }
    }

    /**
     * @template T
     * @param callable(Target, string, string): T $make of a target, an id and a name
     * @return list<T>
     */
    private function each(Target $target, callable $make, string $id, string $name): array
    {
        $all = [$make($target, $id, $name)];
        $part = (string) $target->part;
        foreach ($this->copies[$part] ?? [] as $copy) {
            $number = substr($copy, strlen($part) + 1);
            $all[] = $make($target->withPart($copy), $id . Part::COPY . $number, "$name $number");
        }

        return $all;
    }

    private function id(Reader $reader): string
    {
        $id = $reader->string('id');
        if (isset($this->ids[$id])) {
            $reader->problem('id', sprintf('the id "%s" is used twice', $id));
        }
        $this->ids[$id] = true;

        return $id;
    }

    private function target(Reader $reader): Target
    {
        $point = null;
        $side = $reader->has('side') ? $reader->oneOf('side', Space::SIDES) : null;
        if ($reader->has('point')) {
            $p = $reader->vector('point', Dimension::length(), 3);
            $point = [$p[0], $p[1], $p[2]];
        }
        $end = null;
        if ($reader->has('line')) {
            $line = $reader->object('line');
            [$p, $q] = [$line->vector('from', Dimension::length(), 3), $line->vector('to', Dimension::length(), 3)];
            [$point, $end] = [[$p[0], $p[1], $p[2]], [$q[0], $q[1], $q[2]]];
            $line->close();
        }
        $section = $reader->has('section') ? self::section($reader->object('section')) : null;
        $patch = $reader->has('patch') ? $reader->int('patch', 0, 999) : null;
        if ($patch !== null && $side === null) {
            $reader->problem('patch', 'a patch belongs to a side; give "side" too');
        }
        $id = $reader->has('part') ? $reader->string('part') : null;
        $part = $this->parts[$id ?? ''] ?? null;
        if (count(array_filter([$point, $side, $id, $section], fn ($v) => $v !== null)) !== 1) {
            $reader->problem('', 'exactly one of "part", "side", "point", "line" and "section" is expected');
        } elseif ($id !== null && $part === null) {
            $reader->problem('part', sprintf('there is no part with the id "%s"', $id));
        }
        $face = $reader->has('face') ? $reader->oneOf('face', $part?->shape->faces() ?? Space::SIDES) : null;
        if ($face !== null && $part !== null) {
            $face = ($this->assemblies[$part->group ?? ''] ?? null)?->facing($part->shape->kind(), $face) ?? $face;
        }
        $node = $reader->has('node') ? $reader->oneOf('node', Target::NODES) : null;
        if ($node !== null && $part !== null && $part->shape->kind() !== 'package' && ($node !== 'junction' || $part->junction === null)) {
            $reader->problem('node', sprintf($node === 'junction' ? 'only a package, or a part with a network for its junction, has a %s; "%s" is a %s' : 'only a package has a %s; "%s" is a %s', $node, $part->name, $part->shape->kind()));
        }
        $copper = $reader->has('copper') ? $reader->oneOf('copper', Target::COPPER) : null;
        $net = $reader->has('net') ? $reader->string('net') : null;
        if (($copper ?? $net) !== null && $part?->copper === null) {
            $reader->problem($copper === null ? 'net' : 'copper', 'a board with artwork has nets and classes of copper; give "part" one');
        }
        $reader->close();

        return new Target($id, $face, $node, $side, $point, $patch, $end, $section, $copper, $net);
    }
}
