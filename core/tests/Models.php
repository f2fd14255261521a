<?php

declare(strict_types=1);

namespace Foehn\Tests;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;

/**
 * Small models for tests.
 *
 * @phpstan-type PartDocument array{id: string, name?: string, shape: array<string, mixed>, at?: array<mixed>, material?: string, power?: mixed, faces?: array<string, array<string, array<string, mixed>>>, ...<string, mixed>}
 * @phpstan-type Document array{physics?: array<string, mixed>, surroundings: array<string, mixed>, materials?: array<string, array<string, mixed>>, parameters?: array<string, mixed>, assemblies?: array<string, array<string, mixed>>,
 *     space: array{box: array{min: array<mixed>, max: array<mixed>}, fluid?: ?string, sides?: array<string, array<string, mixed>>, ...<string, mixed>}, parts: list<PartDocument>,
 *     limits?: list<array<string, mixed>>, watches?: list<array<string, mixed>>, analysis: array{grid: array<string, mixed>, ...<string, mixed>}, ...<string, mixed>}
 */
final class Models
{
    /**
     * A 10 W block of 20 mm with a film on top, all else adiabatic: rise = 10 W / (100 W/m2K * 4e-4 m2) = 250 K at the top face.
     *
     * @param array<string, mixed> $changes replaces top-level fields
     * @return Document
     */
    public static function block(array $changes = []): array
    {
        /** @var Document $document */
        $document = [
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Block',
            'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['20 mm', '20 mm', '20 mm']], 'fluid' => null,
                'sides' => ['z+' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => '100 W/m^2/K']]]],
            'parts' => [['id' => 'block', 'name' => 'Block', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', '20 mm']], 'material' => 'aluminium-6061', 'power' => '10 W']],
            'limits' => [['id' => 'l1', 'of' => ['part' => 'block'], 'atMost' => '200 degC']],
            'analysis' => ['grid' => ['cells' => [6, 6, 24]]],
            ...$changes,
        ];

        return $document;
    }

    /** @param array<mixed> $document */
    public static function read(array $document): Model
    {
        return ModelCodec::fromJson(json_encode($document, JSON_THROW_ON_ERROR));
    }

    /** @return Document */
    public static function demo(): array
    {
        /** @var Document */
        return json_decode((string) file_get_contents(__DIR__ . '/../../examples/ridge-radar-processor.json'), true, 64, JSON_THROW_ON_ERROR);
    }
}
