<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Grid\Field;
use Foehn\Grid\Grid;
use Foehn\Observe\Fields;
use Foehn\Observe\State;
use Foehn\Results\FieldFile;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Domains;
use Foehn\Tests\Models;
use LengthException;
use PHPUnit\Framework\TestCase;

/** Fields of a state, and what is written of them. */
final class FieldsTest extends TestCase
{
    public function testTemperaturesAreThereOnlyWhereSomethingIsComputed(): void
    {
        $document = Models::block();
        $document['space'] = ['box' => ['min' => [0, 0, 0], 'max' => ['40 mm', '20 mm', '20 mm']], 'fluid' => null, 'sides' => ['x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 300]]]];
        $document['analysis'] = ['grid' => ['cells' => [4, 1, 1]]];
        $state = $this->state($document);
        $fields = Fields::of($state);

        self::assertSame(['temperature K'], array_map(fn (Field $field): string => "$field->name $field->unit", $fields), 'nothing moves');
        self::assertNull($fields[0]->at(2), 'beyond the block is nothing');
        self::assertSame($state->temperature[1], $fields[0]->at(1));

        self::assertSame(['parts.u16', 'temperature.f32'], array_keys([...FieldFile::of($state)]));
        $read = array_values((array) unpack('g*', FieldFile::bytes($fields[0])));
        self::assertCount(4, $read);
        self::assertEqualsWithDelta($state->temperature[1], $read[1], 1e-4);
        self::assertNan($read[3]);
    }

    public function testAVelocityIsTheMeanOfTheTwoFacesOfACell(): void
    {
        $sides = ['x-' => ['kind' => 'inlet', 'speed' => 0.3], 'x+' => ['kind' => 'outlet'], 'y-' => ['kind' => 'symmetry'], 'y+' => ['kind' => 'symmetry'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']];
        $state = (new SteadySolver(Domains::model([0.1, 0.04, 0.04], [10, 4, 4], $sides)))->solve()->state;
        $velocity = Fields::velocity($state);

        self::assertNotNull($velocity);
        self::assertCount(3, $velocity->components);
        foreach ([0, 5, 159] as $cell) {
            self::assertEqualsWithDelta(0.3, $velocity->at($cell), 1e-4, 'a stream that nothing holds has one speed');
            self::assertEqualsWithDelta(0.0, $velocity->components[1][$cell], 1e-4);
        }
        self::assertSame(3 * 160 * 4, strlen(FieldFile::bytes($velocity)));
    }

    public function testAVectorHasItsLength(): void
    {
        $grid = new Grid([[0.0, 1.0, 2.0], [0.0, 1.0], [0.0, 1.0]]);
        $field = new Field('velocity', 'm/s', $grid, [[3.0, null], [-4.0, 1.0]]);

        self::assertSame(5.0, $field->at(0));
        self::assertNull($field->at(1));
    }

    public function testValuesOfAnotherGridAreRefused(): void
    {
        $this->expectException(LengthException::class);
        $this->expectExceptionMessage('temperature has 3 values for 2 cells');
        new Field('temperature', 'K', new Grid([[0.0, 1.0, 2.0], [0.0, 1.0], [0.0, 1.0]]), [[1.0, 2.0, 3.0]]);
    }

    /** @param array<string, mixed> $document */
    private function state(array $document): State
    {
        return (new SteadySolver(Models::read($document)))->solve()->state;
    }
}
