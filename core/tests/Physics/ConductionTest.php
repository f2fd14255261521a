<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What conditions on faces, sides and patches mean, each against a closed form.
 *
 * @phpstan-import-type Document from Models
 */
final class ConductionTest extends TestCase
{
    private const AREA = 4e-4;

    public function testBareFacesAreTheOnesNothingTouches(): void
    {
        // A small block on a large one: its bare film acts on five faces, not on the one below.
        $document = $this->tower(['faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 50, 'temperature' => '20 degC']]]]);
        $result = $this->solve($document);
        $top = $result->parts[1];

        self::assertEqualsWithDelta(0.0, $top['faces']['z-']['heat'] + $top['routes']['surroundings'] - $top['power'], 1e-5);
        $side = $top['faces']['x-'];
        self::assertEqualsWithDelta(50 * 0.01 * 0.01 * ($side['temperature'] - 293.15), $side['heat'], 1e-6, 'film times area times rise of the surface');
    }

    public function testANamedFaceGoesBeforeTheBareOnesAndBeforeTheSide(): void
    {
        $document = $this->tower(['faces' => [
            'bare' => ['heat' => ['kind' => 'film', 'coefficient' => 50]],
            'x-' => ['heat' => ['kind' => 'adiabatic']],
        ]]);
        self::assertSame(0.0, $this->solve($document)->parts[1]['faces']['x-']['heat']);

        $document = Models::block();
        $document['parts'][0]['faces'] = ['z+' => ['heat' => ['kind' => 'temperature', 'temperature' => '50 degC']]];
        self::assertEqualsWithDelta(323.15, $this->solve($document)->side('z+')['temperature'], 1e-9);
    }

    /** The film on the side of a rod acts on its area, not on that of its steps: middle = ambient + q R / 2h + q R^2 / 4k. */
    public function testAFilmAroundARodCountsItsRoundSurface(): void
    {
        [$radius, $length, $film, $conductivity] = [0.02, 0.01, 200.0, 5.0];
        $density = 20.0 / (M_PI * $radius ** 2 * $length);
        $result = $this->solve([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'materials' => ['m' => ['conductivity' => $conductivity]],
            'space' => ['box' => ['min' => [-$radius, -$radius, 0], 'max' => [$radius, $radius, $length]], 'fluid' => null],
            'parts' => [['id' => 'rod', 'shape' => ['kind' => 'cylinder', 'axis' => 'z', 'radius' => $radius, 'length' => $length], 'material' => 'm', 'power' => 20,
                'faces' => ['side' => ['heat' => ['kind' => 'film', 'coefficient' => $film, 'temperature' => 300]]]]],
            'watches' => [['id' => 'middle', 'of' => ['point' => [1e-6, 1e-6, 0.005]], 'quantity' => 'temperature'], ['id' => 'flux', 'of' => ['part' => 'rod', 'face' => 'side'], 'quantity' => 'heatFlux']],
            'analysis' => ['grid' => ['cells' => [40, 40, 1]]],
        ]);
        $watches = $result->values();

        self::assertEqualsWithDelta($density * $radius / (2 * $film) + $density * $radius ** 2 / (4 * $conductivity), $watches['middle'] - 300.0, 0.6);
        self::assertEqualsWithDelta(20.0 / (2 * M_PI * $radius * $length), $watches['flux'], 20.0);
    }

    public function testContactsOfBothFacesAddUp(): void
    {
        $contact = fn (string $face): array => ['faces' => [$face => ['heat' => ['kind' => 'contact', 'resistance' => 1e-3]]]];
        $document = $this->stacked($contact('z+'), $contact('z-'));
        $result = $this->solve($document);
        $jump = $result->parts[0]['faces']['z+']['temperature'] - $result->parts[1]['faces']['z-']['temperature'];

        self::assertEqualsWithDelta(10.0 / self::AREA * 2e-3, $jump, 1e-4);
    }

    public function testAGivenTemperatureBetweenTwoPartsParts(): void
    {
        $document = $this->stacked(['faces' => ['z+' => ['heat' => ['kind' => 'temperature', 'temperature' => '60 degC']]]], []);
        $result = $this->solve($document);

        self::assertEqualsWithDelta(333.15, $result->parts[0]['faces']['z+']['temperature'], 1e-9);
        self::assertEqualsWithDelta(333.15, $result->parts[1]['faces']['z-']['temperature'], 1e-9);
        self::assertEqualsWithDelta(100 * self::AREA * ($result->side('z+')['temperature'] - 293.15), $result->side('z+')['heat'], 1e-6);
        self::assertEqualsWithDelta(10.0, $result->parts[0]['faces']['z+']['heat'], 1e-6);
    }

    public function testAPatchHasItsOwnConditionAndWatch(): void
    {
        $document = Models::block(['watches' => [
            ['id' => 'heat', 'of' => ['side' => 'z-', 'patch' => 0], 'quantity' => 'heat'],
            ['id' => 'flux', 'of' => ['side' => 'z-', 'patch' => 0], 'quantity' => 'heatFlux'],
        ]]);
        unset($document['parts'][0]['power']);
        $document['space']['sides']['z-'] = ['kind' => 'wall', 'patches' => [['min' => [0, 0], 'max' => ['10 mm', '10 mm'], 'heat' => ['kind' => 'power', 'power' => '3 W']]]];
        $result = $this->solve($document);

        self::assertEqualsWithDelta(3.0, $result->balance['out'], 1e-6);
        self::assertEqualsWithDelta(-3.0, $result->watches[0]['value'], 1e-9);
        self::assertEqualsWithDelta(-3.0 / 1e-4, $result->watches[1]['value'], 1e-3);
    }

    #[DataProvider('boardFaces')]
    public function testAPackageStandsOnAnyOfItsFacesAndItsSidesPassNoHeat(string $boardFace): void
    {
        // Films of 25 W/m2K on all six faces of the space: the package sends its heat only along the axis of its board.
        $film = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 25]];
        $document = Models::block(['parts' => [[
            'id' => 'chip', 'power' => 2, 'shape' => ['kind' => 'package', 'size' => ['20 mm', '20 mm', '20 mm'], 'junctionToCase' => 3, 'junctionToBoard' => 9, 'boardFace' => $boardFace],
        ]], 'limits' => []]);
        $document['space']['sides'] = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], $film);
        $result = $this->solve($document);
        $nodes = $result->parts[0]['nodes'];
        self::assertNotNull($nodes);
        $outside = 1 / (25 * self::AREA);

        $toCase = 2 * (9 + $outside) / (3 + 9 + 2 * $outside);
        self::assertEqualsWithDelta($toCase, $nodes['toCase'], 1e-6);
        self::assertEqualsWithDelta(2 - $toCase, $result->side($boardFace)['heat'], 1e-6);
        self::assertEqualsWithDelta(293.15 + $toCase * (3 + $outside), $nodes['junction'], 1e-5);
        $across = array_values(array_diff(['x', 'y', 'z'], [$boardFace[0]]))[0];
        self::assertSame(0.0, $result->side("$across+")['heat']);
    }

    /** @return iterable<array{string}> */
    public static function boardFaces(): iterable
    {
        yield ['z-'];
        yield ['z+'];
        yield ['x-'];
        yield ['y+'];
    }

    public function testRestingFluidConductsAndAVoidDoesNot(): void
    {
        $document = Models::block();
        $document['space']['box']['max'][2] = '40 mm';
        $document['parts'][0]['faces'] = ['z-' => ['heat' => ['kind' => 'film', 'coefficient' => 100]]];
        $document['analysis'] = ['grid' => ['cells' => [4, 4, 40]]];
        self::assertNull($this->solve($document)->sides['z+']);

        $document['space']['fluid'] = 'air';
        $result = $this->solve($document);
        self::assertGreaterThan(0.0, $result->side('z+')['heat']);
        self::assertEqualsWithDelta($result->side('z+')['heat'], $result->parts[0]['routes']['fluid'], 1e-6);
        self::assertLessThan(1e-6, $result->balance['error']);
    }

    public function testWarnsOfAPartThatTheGridMisses(): void
    {
        $document = Models::block();
        $document['parts'][] = ['id' => 'foil', 'name' => 'Foil', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', '10 um']], 'at' => [0, 0, '1 mm'], 'material' => 'copper'];

        self::assertSame(['part "Foil" has no cell: it is thinner than the cells of this grid, or later parts cover it'], $this->solve($document)->warnings);
    }

    public function testWarnsOfTemperaturesThatCannotBe(): void
    {
        $document = Models::block();
        $document['parts'][0]['power'] = '-20 W';

        self::assertStringContainsString('below absolute zero', $this->solve($document)->warnings[0]);
    }

    /**
     * @param array<string, mixed> $lower
     * @param array<string, mixed> $upper
     * @return Document 10 W in the lower half, a film on top of the upper half
     */
    private function stacked(array $lower, array $upper): array
    {
        $half = ['kind' => 'block', 'size' => ['20 mm', '20 mm', '10 mm']];

        return Models::block(['limits' => [], 'parts' => [
            ['id' => 'lower', 'shape' => $half, 'material' => 'copper-foil', 'power' => 10, ...$lower],
            ['id' => 'upper', 'shape' => $half, 'at' => [0, 0, '10 mm'], 'material' => 'copper-foil', ...$upper],
        ]]);
    }

    /**
     * @param array<string, mixed> $top
     * @return Document a 1 W cube of 10 mm standing on a cooled plate
     */
    private function tower(array $top): array
    {
        $document = Models::block(['limits' => [], 'analysis' => ['grid' => ['cells' => [8, 8, 8]]], 'parts' => [
            ['id' => 'plate', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', '5 mm']], 'material' => 'copper-foil'],
            ['id' => 'top', 'shape' => ['kind' => 'block', 'size' => ['10 mm', '10 mm', '10 mm']], 'at' => ['5 mm', '5 mm', '5 mm'], 'material' => 'copper-foil', 'power' => 1, ...$top],
        ]]);
        $document['space']['sides'] = ['z-' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 100]]];

        return $document;
    }

    /** @param array<string, mixed> $document */
    private function solve(array $document): Solved
    {
        return new Solved($document);
    }
}
