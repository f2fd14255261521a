<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Model\BoardCopper;
use Foehn\Model\Coating;
use Foehn\Model\Coatings;
use Foehn\Model\Control;
use Foehn\Model\ElectricCondition;
use Foehn\Model\FosterNetwork;
use Foehn\Model\HeatCondition;
use Foehn\Model\Loads;
use Foehn\Model\Part;
use Foehn\Model\PartName;
use Foehn\Model\Surroundings;
use Foehn\Model\Thermostat;
use Foehn\Shapes\Fan;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Turned;
use Foehn\Units\Dimension;

/** Reads a part: its shape and material, what heats it, and what its faces are. */
final class PartReader
{
    /** @return array{Library, Part} the materials, extended by the laminate of a board, and the part */
    public static function read(Reader $reader, Library $materials, Surroundings $surroundings): array
    {
        $id = $reader->string('id');
        $reader->raw('repeat');
        // Kept for the screen: such a part is not to be moved or changed by accident.
        $reader->bool('locked', false);
        $shape = ShapeReader::read($reader);
        $material = $reader->has('material') ? $reader->string('material') : null;
        $laminate = LaminateReader::read($materials, $reader, $id);
        if ($laminate !== null) {
            $materials = $materials->with($laminate);
            $material ??= $laminate->id;
        }
        self::checkMaterial($reader, $shape->kind(), $material, $materials);
        self::checkTurn($reader, $shape, $material === null ? null : $materials->get($material));

        $coating = CoatingReader::read($reader->object('surface'));
        [$faces, $terminals, $contacts, $coatings] = self::faces($reader->object('faces'), $shape, $surroundings);
        if (($terminals !== [] || $contacts !== []) && ($material === null || $materials->get($material)?->resistivity === null)) {
            $reader->problem('faces', 'current is to pass a face, but the material has no resistivity; choose a metal, or give the material one');
        }
        $isControlled = ControlReader::isControl($reader->raw('power'));
        $copper = $shape->kind() === 'board' || $reader->has('copper') ? self::copper($reader, $shape, $materials) : null;
        $speedControl = self::speedControl($reader->object('shape'));
        if ($shape instanceof Fan && $speedControl !== null && ! $speedControl instanceof Thermostat) {
            // Until a sensor is read, it may run as fast as it ever does.
            $shape = $shape->at($speedControl->bounds()[1]);
        }
        $part = new Part(
            new PartName($id, $reader->string('name', $id), $reader->has('group') ? $reader->string('group') : null, $reader->pointer, self::colour($reader), $reader->has('touchedAs') ? $reader->oneOf('touchedAs', ['metal', 'glass', 'plastic']) : null),
            $shape,
            $material,
            new Coatings($coating, $coatings),
            new Loads(
                $isControlled ? 0.0 : $reader->load('power', Dimension::power(), 0.0),
                $reader->has('source') ? $reader->field('source', Dimension::heatSource()) : null,
                $faces,
                $terminals,
                $contacts,
                $reader->has('losses') ? LossReader::read($reader->object('losses')) : null,
                $isControlled ? ControlReader::read($reader->object('power')) : null,
                $speedControl,
                self::junction($reader, $shape),
            ),
            $copper,
        );
        $reader->close();

        return [$materials, $part];
    }

    /** Of what is modelled as a body alone; packages have a junction of their own. */
    private static function junction(Reader $reader, Shape $shape): ?FosterNetwork
    {
        if (! $reader->has('junction')) {
            return null;
        }
        if (in_array($shape->kind(), ['package', 'fan', 'screen'], true)) {
            $reader->problem('junction', sprintf('a %s has no junction over a body; a network is for a body that stands for a module or a package', $shape->kind()));
        }
        $given = $reader->object('junction');
        $pairs = PairsReader::read($given, Dimension::temperature()->times(Dimension::power(), -1), Dimension::time(), 'resistance, time constant', '', 'network');
        foreach ($pairs as $n => [$resistance, $tau]) {
            if ($resistance < 0.0 || $tau <= 0.0) {
                $given->problem("network/$n", sprintf('%g K/W with a time constant of %g s is given; a resistance is 0 or more, and a time constant more than 0', $resistance, $tau));
            }
        }
        if ($pairs === []) {
            $given->problem('network', 'a table of pairs [resistance, time constant] is expected');
        }
        $given->close();

        return $pairs === [] ? null : new FosterNetwork($pairs);
    }

    /** What sets the speed of a fan. */
    private static function speedControl(Reader $shape): ?Control
    {
        return ControlReader::isControl($shape->raw('speedFactor')) ? ControlReader::read($shape->object('speedFactor'), true) : null;
    }

    /** @return array{array<string, HeatCondition>, list<ElectricCondition>, array<string, float>, array<string, Coating>} what is stated of heat by face, terminals, electrical contacts by face in ohm m2, and finishes by face */
    private static function faces(Reader $reader, Shape $shape, Surroundings $surroundings): array
    {
        $faces = $terminals = $contacts = $coatings = [];
        foreach ([...$shape->faces(), 'bare'] as $face) {
            if ($reader->has($face)) {
                $faceReader = $reader->object($face);
                $isElectric = $face !== 'bare' && $faceReader->has('electric');
                if ($isElectric) {
                    [$own, $contact] = ElectricConditionReader::all($faceReader, $face, $shape);
                    array_push($terminals, ...$own);
                    $contacts += $contact > 0.0 ? [$face => $contact] : [];
                }
                if ($face !== 'bare' && $faceReader->has('surface')) {
                    $coatings[$face] = CoatingReader::read($faceReader->object('surface'));
                }
                if ($faceReader->has('heat') || (! $isElectric && ! isset($coatings[$face]))) {
                    $faces[$face] = HeatConditionReader::read($faceReader->object('heat', true), $surroundings);
                }
                $faceReader->close();
            }
        }
        $reader->close();

        return [$faces, $terminals, $contacts, $coatings];
    }

    private static function copper(Reader $reader, Shape $shape, Library $materials): ?BoardCopper
    {
        if ($shape->kind() !== 'board') {
            $reader->problem('copper', sprintf('a board has copper of its own, not a %s; leave it out', $shape->kind()));

            return null;
        }
        $copper = CopperReader::read($reader, $shape->bounds(), $materials);
        if ($copper !== null && $shape instanceof Turned) {
            $reader->problem('turn', 'a board with artwork lies along the axes; leave the turn out, or choose another "normal"');
        }

        return $copper;
    }

    private static function colour(Reader $reader): ?string
    {
        $colour = $reader->has('colour') ? $reader->string('colour') : null;
        if ($colour !== null && preg_match('/^#[0-9a-f]{6}$/i', $colour) !== 1) {
            $reader->problem('colour', sprintf('"%s" is no colour; write it as "#3b7c96"', $colour));
        }

        return $colour;
    }

    private static function checkMaterial(Reader $reader, string $kind, ?string $material, Library $materials): void
    {
        if (in_array($kind, ['package', 'fan', 'screen'], true)) {
            if ($material !== null) {
                $reader->problem('material', $kind === 'package' ? 'a package is described by its two resistances and has no material; leave it out' : "a $kind has no material; leave it out");
            }
        } elseif ($material === null) {
            $reader->problem('material', 'a material is missing here');
        } elseif ($material !== Part::FLUID) {
            MaterialReader::known($reader, 'material', $material, $materials);
        }
    }

    /** A material that conducts along its axes cannot be askew to the grid, whose cells conduct along theirs. */
    private static function checkTurn(Reader $reader, Shape $shape, ?Material $material): void
    {
        if (! $shape instanceof Turned || $material === null) {
            return;
        }
        [$kx, $ky, $kz] = $material->conductivity;
        $conductivity = [$kx->at(300.0), $ky->at(300.0), $kz->at(300.0)];
        if (! Turned::keeps(ShapeReader::angles($reader), $conductivity)) {
            $reader->problem('turn', sprintf(
                '"%s" conducts %s W/m/K along x, y, z and would not after this turn; turn it about the axis across which it conducts alike, or change its axes',
                $material->title, implode(', ', array_map(fn (float $k) => (string) round($k, 3), $conductivity)),
            ));
        }
    }
}
