<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Foehn\Model\Assembly;
use Foehn\Model\GridSettings;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Model\Part;
use Foehn\Model\Patch;
use Foehn\Model\Physics;
use Foehn\Model\Side;
use Foehn\Model\Space;
use Foehn\Model\Surroundings;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Turned;
use Foehn\Units\Dimension;
use Foehn\Units\Parameters;
use Foehn\Units\ScalarField;
use Foehn\Units\UnitException;

/** Reads a model document into an evaluated Model; every problem is reported with its JSON pointer. */
final class ModelCodec
{
    public const MOST_BYTES = 20_000_000;

    private const MOST_CELLS = 5_000_000;

    private const MOST_LINES = 10_000;

    /** @throws ModelException */
    public static function fromJson(string $json): Model
    {
        return self::fromDocument(self::parse($json));
    }

    /**
     * The document as PHP arrays, not yet checked.
     *
     * @return array<array-key, mixed>
     * @throws ModelException when the text is too long or is not a JSON object
     */
    public static function parse(string $json): array
    {
        if (str_contains($json, '\u0000')) {
            throw ModelException::at('', 'the document has the character \u0000 in a name or text, which none may have; take it out');
        }
        if (strlen($json) > self::MOST_BYTES) {
            throw ModelException::at('', sprintf('the document has %.1f MB; at most %d MB can be read', strlen($json) / 1e6, self::MOST_BYTES / 1e6));
        }
        $document = json_decode($json, true, 64);
        if (! is_array($document)) {
            $reason = json_last_error() === JSON_ERROR_NONE ? 'an object { } is expected at the top' : json_last_error_msg();
            throw ModelException::at('', "this is not a JSON document ($reason)");
        }

        return $document;
    }

    /**
     * @param array<array-key, mixed> $document
     * @throws ModelException
     */
    public static function fromDocument(array $document): Model
    {
        $problems = new Problems();
        $parameters = self::parameters($document['parameters'] ?? [], $problems);
        $root = new Reader($document, '', $problems, $parameters);
        $root->raw('parameters');
        $root->oneOf('format', [Model::FORMAT]);
        $root->int('version', Model::VERSION, Model::VERSION);

        $name = $root->string('name', 'Untitled');
        $surroundings = self::surroundings($root->object('surroundings'));
        $physics = self::physics($root->object('physics'));
        $materials = MaterialReader::library($root->members('materials'), Library::builtIn());
        $space = self::space($root->object('space', true), $materials, $surroundings, $physics);
        $assemblies = AssemblyReader::all($root->members('assemblies'));
        $parts = [];
        foreach (self::placed($root, $assemblies) as $reader) {
            [$materials, $parts[]] = self::part($reader, $materials, $surroundings);
        }
        $targets = new TargetReader($parts, $assemblies, $problems);
        $watches = array_merge(...array_map($targets->watches(...), $root->objects('watches', 2 * Model::MOST_PARTS, 'watches')));
        $limits = array_merge(...array_map($targets->limits(...), $root->objects('limits', 2 * Model::MOST_PARTS, 'limits')));
        $grid = self::analysis($root->object('analysis'));
        $root->close();
        $problems->throwIfAny();

        $model = new Model($name, $surroundings, $physics, $space, $materials, $parts, $watches, $limits, $grid, $assemblies);
        ModelChecks::run($model, $problems);
        $problems->throwIfAny();

        return $model;
    }

    /**
     * The parts with their copies and those of their assemblies. They are counted before any is made: two short fields can ask for millions.
     *
     * @param array<string, Assembly> $assemblies
     * @return list<Reader>
     */
    private static function placed(Reader $root, array $assemblies): array
    {
        $given = [];
        $count = 0;
        foreach ($root->objects('parts', Model::MOST_PARTS, 'parts') as $reader) {
            $assembly = $assemblies[$reader->has('group') ? $reader->string('group') : ''] ?? null;
            $given[] = [$reader, $assembly];
            $count += Repeat::count($reader) * count($assembly->offsets ?? [0]);
        }
        if ($count > Model::MOST_PARTS) {
            $root->problem('parts', sprintf('with their copies there are %d parts; at most %d can be computed together', $count, Model::MOST_PARTS));

            return [];
        }
        $placed = [];
        foreach ($given as [$reader, $assembly]) {
            $copies = Repeat::each($reader);
            array_push($placed, ...($assembly === null ? $copies : AssemblyReader::place($assembly, $copies)));
        }

        return $placed;
    }

    private static function parameters(mixed $given, Problems $problems): Parameters
    {
        $formulas = [];
        if (! is_array($given) || ($given !== [] && array_is_list($given))) {
            $problems->add('/parameters', sprintf('an object { } of named values is expected, not %s', Reader::show($given)));
            $given = [];
        }
        if (count($given) > Parameters::MOST) {
            $problems->add('/parameters', sprintf('%d parameters are given; at most %d can be read', count($given), Parameters::MOST));
            $given = [];
        }
        foreach ($given as $name => $entry) {
            $pointer = '/parameters/' . Reader::escaped((string) $name);
            $problem = Parameters::nameProblem((string) $name);
            if ($problem !== null) {
                $problems->add($pointer, $problem);
            }
            $value = is_array($entry) ? ($entry['value'] ?? null) : $entry;
            foreach (is_array($entry) ? array_diff(array_keys($entry), ['value', 'note']) : [] as $unknown) {
                $problems->add("$pointer/" . Reader::escaped((string) $unknown), sprintf('unknown field "%s"; known here: value, note', $unknown));
            }
            if (! is_string($value) && ! is_int($value) && ! (is_float($value) && is_finite($value))) {
                $problems->add($pointer, sprintf('a value such as "30 mm" is expected, not %s', Reader::show($value)));
                $value = 1.0;
            }
            $formulas[(string) $name] = $value;
        }
        $parameters = new Parameters($formulas);
        foreach (array_keys($formulas) as $name) {
            try {
                $parameters->get((string) $name);
            } catch (UnitException $e) {
                $problems->add('/parameters/' . Reader::escaped((string) $name), $e->getMessage());
            }
        }

        return $parameters;
    }

    /** In metres; the pressure of the standard atmosphere is a formula for its lowest layer only. */
    private static function altitude(Reader $reader): float
    {
        $altitude = $reader->quantity('altitude', Dimension::length(), 0.0);
        if ($altitude < Surroundings::LOWEST || $altitude > Surroundings::HIGHEST) {
            $reader->problem('altitude', sprintf('%g m is given; the standard atmosphere of ISO 2533 holds here from %g m to %g m', $altitude, Surroundings::LOWEST, Surroundings::HIGHEST));
        }

        return $altitude;
    }

    private static function surroundings(Reader $reader): Surroundings
    {
        $surroundings = new Surroundings(
            $reader->temperature('temperature', 293.15),
            self::altitude($reader),
            $reader->vector('gravity', Dimension::acceleration(), 3, [0.0, 0.0, -9.81]),
            $reader->optionalQuantity('radiantTemperature', Dimension::temperature()),
        );
        $reader->close();

        return $surroundings;
    }

    private static function physics(Reader $reader): Physics
    {
        $physics = new Physics($reader->bool('heat', true), $reader->oneOf('flow', Physics::FLOWS, 'none'), $reader->bool('buoyancy', true), $reader->bool('electric', false));
        if ($physics->electric && ! $physics->heat) {
            $reader->problem('heat', 'currents are computed together with the heat they make; write true');
        }
        if (! $physics->heat && ! $physics->hasFlow()) {
            $reader->problem('heat', 'neither heat nor flow is to be computed; set one of them');
        }
        if ($reader->oneOf('radiation', ['none', 'surroundings', 'surfaces'], 'none') !== 'none') {
            $reader->problem('radiation', 'radiation is not computed by this version; write "none"');
        }
        foreach (['thermoelectric', 'stress'] as $key) {
            if ($reader->bool($key, false)) {
                $reader->problem($key, sprintf('%s is not computed by this version; write false', $key));
            }
        }
        $reader->close();

        return $physics;
    }

    private static function space(Reader $reader, Library $materials, Surroundings $surroundings, Physics $physics): Space
    {
        $boxReader = $reader->object('box', true);
        $min = $boxReader->vector('min', Dimension::length(), 3);
        $max = $boxReader->vector('max', Dimension::length(), 3, [2.0, 2.0, 2.0]);
        $boxReader->close();
        foreach ([0, 1, 2] as $axis) {
            if ($max[$axis] <= $min[$axis]) {
                $boxReader->problem('max', sprintf('the space has no extent along %s: from %g m to %g m', 'xyz'[$axis], $min[$axis], $max[$axis]));
            } elseif ($max[$axis] - $min[$axis] < Space::SMALLEST || max(abs($min[$axis]), abs($max[$axis])) > Space::FARTHEST) {
                $boxReader->problem('max', sprintf('along %s the space goes from %g m to %g m; it must be at least %g m long and lie within %g m of the origin', 'xyz'[$axis], $min[$axis], $max[$axis], Space::SMALLEST, Space::FARTHEST));
            }
        }
        $fluid = $reader->has('fluid') ? $reader->string('fluid') : null;
        if ($fluid !== null && ! ($materials->get($fluid)->fluid ?? false)) {
            $reader->problem('fluid', sprintf('"%s" is not a fluid of the library or of this model', $fluid));
        }
        if ($physics->hasFlow()) {
            self::checkMovingFluid($reader, $fluid === null ? null : $materials->get($fluid), $physics);
        }
        $force = null;
        if ($reader->has('force')) {
            $forceReader = $reader->object('force');
            $force = [];
            foreach (['x', 'y', 'z'] as $axis) {
                $force[] = $forceReader->has($axis) ? $forceReader->field($axis, Dimension::forceDensity()) : ScalarField::constant(0.0);
            }
            $forceReader->close();
        }
        $source = $reader->has('source') ? $reader->field('source', Dimension::heatSource()) : null;
        $sidesReader = $reader->object('sides');
        $sides = [];
        foreach (Space::SIDES as $name) {
            $sides[$name] = self::side($sidesReader->object($name), $surroundings, $physics);
        }
        $sidesReader->close();
        $reader->close();

        return new Space(new Box([$min[0], $min[1], $min[2]], [$max[0], $max[1], $max[2]]), $fluid, $sides, $force, $source);
    }

    private static function checkMovingFluid(Reader $reader, ?Material $fluid, Physics $physics): void
    {
        if ($fluid === null) {
            $reader->problem('fluid', 'flow is to be computed, but the space has no fluid; name one, for example "air"');

            return;
        }
        if ($fluid->powerLaw !== null && $physics->flow === 'turbulent') {
            $reader->problem('fluid', sprintf('"%s" follows the power law, which is computed laminar only; choose the flow "laminar" or "auto"', $fluid->id));
        }
        foreach (['density' => $fluid->gasConstant === null, 'viscosity' => $fluid->powerLaw === null, 'specificHeat' => $physics->heat] as $property => $needed) {
            if ($needed && $fluid->$property === null) {
                $reader->problem('fluid', sprintf('"%s" has no %s, which the flow needs', $fluid->id, $property));
            }
        }
    }

    private static function side(Reader $reader, Surroundings $surroundings, Physics $physics): Side
    {
        $flow = FlowConditionReader::read($reader, $surroundings, $physics);
        $heat = HeatConditionReader::read($reader->object('heat'), $surroundings);
        if ($flow->kind !== 'wall' && $heat->kind !== 'adiabatic') {
            $reader->problem('heat', sprintf('a side of kind "%s" takes no heat condition; leave "heat" out or write "wall"', $flow->kind));
        }
        $patches = [];
        foreach ($reader->objects('patches', 1000, 'patches') as $patchReader) {
            $min = $patchReader->vector('min', Dimension::length(), 2);
            $max = $patchReader->vector('max', Dimension::length(), 2, [2.0, 2.0]);
            if ($max[0] <= $min[0] || $max[1] <= $min[1]) {
                $patchReader->problem('max', 'the patch has no area');
            }
            $patches[] = new Patch(
                [$min[0], $min[1]], [$max[0], $max[1]],
                HeatConditionReader::read($patchReader->object('heat'), $surroundings),
                FlowConditionReader::read($patchReader, $surroundings, $physics),
                $patchReader->bool('round', false),
                $patchReader->has('heat'),
            );
            $patchReader->close();
        }
        $statesHeat = $reader->has('heat');
        $reader->close();

        return new Side($heat, $flow, $patches, $statesHeat);
    }

    /** @return array{Library, Part} the materials, extended by the laminate of a board, and the part */
    private static function part(Reader $reader, Library $materials, Surroundings $surroundings): array
    {
        $id = $reader->string('id');
        $reader->raw('repeat');
        // Kept for the screen: such a part is not to be moved or changed by accident.
        $reader->bool('locked', false);
        $shape = ShapeReader::read($reader);
        $material = $reader->has('material') ? $reader->string('material') : null;
        $laminate = ShapeReader::laminate($reader, $materials, $id) ?? ShapeReader::viaField($reader, $materials, $id);
        if ($laminate !== null) {
            $materials = $materials->with($laminate);
            $material ??= $laminate->id;
        }
        self::checkMaterial($reader, $shape->kind(), $material, $materials);
        self::checkTurn($reader, $shape, $material === null ? null : $materials->get($material));

        $surface = $reader->object('surface');
        $emissivity = $surface->optionalQuantity('emissivity', Dimension::none());
        if ($emissivity !== null && ($emissivity < 0.0 || $emissivity > 1.0)) {
            $surface->problem('emissivity', sprintf('%g is given; an emissivity lies between 0 and 1', $emissivity));
        }
        $surface->close();

        $facesReader = $reader->object('faces');
        $faces = $terminals = [];
        foreach ([...$shape->faces(), 'bare'] as $face) {
            if ($facesReader->has($face)) {
                $faceReader = $facesReader->object($face);
                if ($face !== 'bare' && $faceReader->has('electric')) {
                    $terminals[$face] = ElectricConditionReader::read($faceReader->object('electric'));
                }
                if ($faceReader->has('heat') || ! isset($terminals[$face])) {
                    $faces[$face] = HeatConditionReader::read($faceReader->object('heat', true), $surroundings);
                }
                $faceReader->close();
            }
        }
        if ($terminals !== [] && ($material === null || $materials->get($material)?->resistivity === null)) {
            $reader->problem('faces', 'a current or voltage is given at a face, but the material has no resistivity; choose a metal, or give the material one');
        }
        $facesReader->close();

        $part = new Part(
            $id,
            $reader->string('name', $id),
            $reader->has('group') ? $reader->string('group') : null,
            $shape,
            $material,
            $reader->quantity('power', Dimension::power(), 0.0),
            $reader->has('source') ? $reader->field('source', Dimension::heatSource()) : null,
            $emissivity,
            $faces,
            $reader->pointer,
            self::colour($reader),
            $terminals,
        );
        $reader->close();

        return [$materials, $part];
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
        } elseif ($material !== Part::FLUID && $materials->get($material) === null) {
            $reader->problem('material', sprintf('unknown material "%s"; did you mean %s?', $material, implode(', ', $materials->similar($material))));
        }
    }

    /** A material that conducts along its axes cannot be askew to the grid, whose cells conduct along theirs. */
    private static function checkTurn(Reader $reader, Shape $shape, ?Material $material): void
    {
        if (! $shape instanceof Turned || $material === null) {
            return;
        }
        $conductivity = array_map(fn ($law) => $law->at(300.0), $material->conductivity);
        if (! Turned::keeps(ShapeReader::angles($reader), $conductivity)) {
            $reader->problem('turn', sprintf(
                '"%s" conducts %s W/m/K along x, y, z and would not after this turn; turn it about the axis across which it conducts alike, or change its axes',
                $material->title, implode(', ', array_map(fn (float $k) => (string) round($k, 3), $conductivity)),
            ));
        }
    }

    private static function analysis(Reader $reader): GridSettings
    {
        $time = $reader->object('time');
        if ($time->oneOf('kind', ['steady', 'transient'], 'steady') !== 'steady') {
            $time->problem('kind', 'only "steady" is computed by this version');
        }
        $time->close();
        $grid = $reader->object('grid');
        $grade = $grid->oneOf('grade', GridSettings::GRADES, 'working');
        $maxCells = $grid->has('maxCells') ? $grid->int('maxCells', 8, self::MOST_CELLS) : null;
        $cells = null;
        if ($grid->has('cells')) {
            $counts = $grid->vector('cells', Dimension::none(), 3);
            $cells = array_map(fn (float $n) => (int) $n, $counts);
            if (min($cells) < 1 || array_product($cells) > self::MOST_CELLS || $counts != $cells) {
                $grid->problem('cells', sprintf('three whole numbers of at least 1 are expected, with at most %d cells in all', self::MOST_CELLS));
                $cells = null;
            }
        }
        $stretch = $grid->vector('stretch', Dimension::none(), 3, [1.0, 1.0, 1.0]);
        if (min($stretch) < 0.5 || max($stretch) > 2.0) {
            $grid->problem('stretch', 'ratios of neighbouring cells from 0.5 to 2 are expected; 1.1 makes cells grow by a tenth from both ends to the middle');
            $stretch = [1.0, 1.0, 1.0];
        } elseif ($cells === null && $stretch !== [1.0, 1.0, 1.0]) {
            $grid->problem('stretch', 'only a grid of given "cells" is stretched');
        }
        $lines = [];
        $linesReader = $grid->object('lines');
        foreach (['x', 'y', 'z'] as $axis => $key) {
            if (! $linesReader->has($key)) {
                continue;
            }
            $given = $linesReader->raw($key);
            $count = is_array($given) ? count($given) : 0;
            if ($count > self::MOST_LINES) {
                $linesReader->problem($key, sprintf('%d grid lines are given; at most %d can be read', $count, self::MOST_LINES));

                continue;
            }
            $values = $linesReader->vector($key, Dimension::length(), max(2, $count));
            for ($i = 1; $i < count($values); $i++) {
                if ($values[$i] <= $values[$i - 1]) {
                    $linesReader->problem("$key/$i", 'grid lines must rise');
                }
            }
            $lines[$axis] = $values;
        }
        $linesReader->close();
        if (array_product(array_map(fn (array $values) => count($values) - 1, $lines)) > self::MOST_CELLS) {
            $grid->problem('lines', sprintf('the lines make more than the %d cells that can be computed', self::MOST_CELLS));
        }
        if ($grid->raw('refine') !== null && $grid->raw('refine') !== []) {
            $grid->problem('refine', 'local refinement is not available in this version; leave the list empty');
        }
        $grid->close();
        $reader->close();

        return new GridSettings($grade, $maxCells, $cells === null ? null : [$cells[0], $cells[1], $cells[2]], $lines, [$stretch[0], $stretch[1], $stretch[2]]);
    }
}
