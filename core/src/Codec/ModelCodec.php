<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Materials\Library;
use Foehn\Model\Assembly;
use Foehn\Model\Contents;
use Foehn\Model\Joints;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Model\Part;
use Foehn\Model\Questions;
use Foehn\Units\Clock;
use stdClass;

/** Reads a model document into an evaluated Model; every problem is reported with its JSON pointer. */
final class ModelCodec
{
    public const MOST_BYTES = 20_000_000;

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
     * Names what a document says, however it is laid out: SHA-256 of its shortest text. An edit that is undone has the name from before.
     * Tolerances are left out: the design that is computed is the same with any of them.
     */
    public static function hash(string $json): string
    {
        $document = json_decode($json);
        if ($document instanceof stdClass) {
            unset($document->tolerances);
        }

        return hash('sha256', json_encode($document, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
    }

    /**
     * @param array<array-key, mixed> $document
     * @param Clock $clock the moment at which loads are read
     * @throws ModelException
     */
    public static function fromDocument(array $document, Clock $clock = new Clock()): Model
    {
        $problems = new Problems();
        $parameters = ParametersReader::read($document['parameters'] ?? [], $problems);
        $root = new Reader($document, '', $problems, $parameters, $clock);
        $root->raw('parameters');
        $root->oneOf('format', [Model::FORMAT]);
        $root->int('version', Model::VERSION, Model::VERSION);

        $name = $root->string('name', 'Untitled');
        $surroundings = SurroundingsReader::read($root->object('surroundings'));
        $physics = PhysicsReader::read($root->object('physics'));
        $materials = MaterialReader::library($root->members('materials'), Library::builtIn());
        $space = SpaceReader::read($root->object('space', true), $materials, $surroundings, $physics);
        $assemblies = AssemblyReader::all($root->members('assemblies'));
        $parts = [];
        foreach (self::placed($root, $assemblies) as $reader) {
            [$materials, $parts[]] = PartReader::read($reader, $materials, $surroundings);
        }
        $joints = (new Joints($parts, $materials))->faces;
        $parts = array_map(fn (Part $part, int $n): Part => isset($joints[$n]) ? $part->joined($joints[$n]) : $part, $parts, array_keys($parts));
        $targets = new TargetReader($parts, $assemblies, $materials, $problems, $surroundings->temperature);
        $watches = array_merge(...array_map($targets->watches(...), $root->objects('watches', 2 * Model::MOST_PARTS, 'watches')));
        $limits = array_merge(...array_map($targets->limits(...), $root->objects('limits', 2 * Model::MOST_PARTS, 'limits')));
        $given = new GivenValues($document, $parameters);
        $tolerated = new ToleranceReader($given, $parameters);
        $tolerances = array_values(array_filter(array_map($tolerated->read(...), $root->objects('tolerances', ToleranceReader::MOST, 'tolerances'))));
        $varied = new OperatingPointReader($given, $parameters);
        $points = array_values(array_filter(array_map($varied->read(...), $root->objects('operatingPoints', OperatingPointReader::MOST, 'operating points'))));
        [$grid, $convergence, $time] = AnalysisReader::read($root->object('analysis'), $parts);
        if ($time !== null && $points !== []) {
            $root->problem('operatingPoints', 'operating points are steady states, but this model asks for its course in time; take one of the two out');
        }
        LossReader::check($parts, $problems);
        ControlReader::check($parts, $problems);
        $root->close();
        $problems->throwIfAny();

        $model = new Model($name, $surroundings, $physics, $space, new Contents($materials, $parts, $assemblies), new Questions($watches, $limits, $tolerances, $time, $points), $grid, $convergence);
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
}
