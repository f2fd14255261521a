<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Grid\Field;
use Foehn\Grid\Grid;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Observe\CellsAcross;
use Foehn\Observe\Fields;
use Foehn\Observe\Residuals;
use Foehn\Observe\State;
use Foehn\Observe\SurfaceFields;
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
        $fields = [...Fields::of($state)];

        self::assertSame(['temperature K', 'heatFlux W/m2', 'conductivity W/m/K', 'cellsAcross 1', 'heatResidual W'], array_map(fn (Field $field): string => "$field->name $field->unit", $fields), 'nothing moves');
        self::assertSame(Fields::namesOf($state), array_map(fn (Field $field): string => $field->name, $fields));
        self::assertNull($fields[0]->at(2), 'beyond the block is nothing');
        self::assertSame($state->temperature[1], $fields[0]->at(1));

        $files = [...FieldFile::of($state)];
        self::assertSame(['parts.u16', 'temperature.f32', 'heatFlux.f32', 'conductivity.f32', 'cellsAcross.f32', 'heatResidual.f32', 'surfaces.u32', 'surfaceTemperature.f32', 'surfaceHeatFlux.f32', 'fluidTemperature.f32', 'convectionCoefficient.f32'], array_keys($files));
        self::assertSame(4 * strlen($files['surfaceTemperature.f32']), strlen($files['surfaces.u32']), 'four numbers place an element');
        foreach (array_keys($files) as $file) {
            self::assertSame($file, FieldFile::name(explode('.', $file)[0]));
        }
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

    public function testAResidualIsWhatIsOpenInACell(): void
    {
        $sides = ['x-' => ['kind' => 'inlet', 'speed' => 0.3], 'x+' => ['kind' => 'outlet']];
        $block = ['id' => 'b', 'name' => 'Block', 'material' => 'copper', 'power' => 2, 'shape' => ['kind' => 'block', 'size' => [0.02, 0.01, 0.01]], 'at' => [0.04, 0, 0]];
        $state = (new SteadySolver(Domains::model([0.1, 0.04, 0.04], [10, 4, 4], $sides, [$block])))->solve()->state;
        [$heat, $momentum] = [Residuals::heat($state)->components[0], Residuals::momentum($state)];

        self::assertEqualsWithDelta($state->balance()->in - $state->balance()->out, array_sum($heat), 1e-6, 'what is open in all is that of the balance');
        self::assertLessThan(0.02, array_sum(array_map(fn (?float $open): float => abs((float) $open), $heat)), 'a hundredth of 2 W');
        self::assertNotNull($momentum);
        // The pressure that holds the stream against the block changes by some 0.05 Pa over 1 cm.
        self::assertLessThan(0.05, max(0.0, ...array_map(fn (int $cell): float => $momentum->at($cell) ?? 0.0, array_keys($heat))));

        // A kelvin more in one cell leaves open what that cell conducts and lets flow on, and its neighbours get it.
        $cell = 5 + 10 * (2 + 4 * 2);
        $warmer = $state->temperature;
        $warmer[$cell] += 1.0;
        $open = Residuals::heat(new State($state->model, $state->voxels, $state->system, $warmer, $state->flow))->components[0];
        $change = array_map(fn (?float $after, ?float $before): float => (float) $after - (float) $before, $open, $heat);
        $carried = Domains::DENSITY * Domains::SPECIFIC_HEAT * 0.3 * 1e-4;
        self::assertLessThan(-0.5 * $carried, $change[$cell]);
        self::assertGreaterThan(0.5 * $carried, $change[$cell + 1], 'the next cell downstream');
        self::assertEqualsWithDelta(0.0, array_sum($change), 1e-9, 'what one misses the others have');
        self::assertSame([], array_diff(array_keys(array_filter($change, fn (float $value): bool => abs($value) > 1e-12)), array_map(fn (int $step): int => $cell + $step, [0, -1, 1, -2, 2, -10, 10, -20, 20, -40, 40, -80, 80])));
    }

    public function testHeatAndSurfacesOfAPlateAreExact(): void
    {
        // 10 W from a face held at 400 K through 20 mm of 4 W/m/K and a convection coefficient of 50 W/m2/K into 300 K, on 0.01 m2.
        $resistance = 0.02 / 4.0 + 1.0 / 50.0;
        $flux = 100.0 / $resistance;
        $document = [
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Plate', 'surroundings' => ['temperature' => 300],
            'materials' => ['m' => ['conductivity' => 4, 'density' => 1000, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.1, 0.1]], 'fluid' => null, 'sides' => [
                'x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 400]],
                'x+' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 50, 'temperature' => 300]],
            ]],
            'parts' => [['id' => 'p', 'name' => 'Plate', 'material' => 'm', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.1, 0.1]]]],
            'analysis' => ['grid' => ['cells' => [7, 2, 3]]],
        ];
        $state = $this->state($document);
        $fields = [];
        foreach (Fields::of($state) as $field) {
            $fields[$field->name] = $field;
        }
        foreach ([0, 3, 6, 41] as $cell) {
            self::assertEqualsWithDelta($flux, $fields['heatFlux']->components[0][$cell], 1e-6 * $flux);
            self::assertEqualsWithDelta(0.0, $fields['heatFlux']->components[1][$cell], 1e-6 * $flux);
            self::assertEqualsWithDelta(4.0, $fields['conductivity']->components[2][$cell], 1e-9);
            self::assertSame(2.0, $fields['cellsAcross']->at($cell), 'two cells along y');
        }
        $surfaces = new SurfaceFields($state);
        $cooled = array_keys($surfaces->elements->direction, 1, true);
        self::assertCount(6, $cooled);
        foreach ($cooled as $e) {
            self::assertEqualsWithDelta(300.0 + $flux / 50.0, $surfaces->temperature[$e], 1e-4);
            self::assertEqualsWithDelta($flux, $surfaces->heatFlux[$e], 1e-6 * $flux);
            self::assertSame(300.0, $surfaces->fluidTemperature[$e]);
            self::assertEqualsWithDelta(50.0, (float) $surfaces->coefficient[$e], 1e-4);
        }
        foreach (array_keys($surfaces->elements->direction, 0, true) as $e) {
            self::assertNull($surfaces->coefficient[$e], 'a held face has no fluid beside it');
        }
    }

    public function testCurrentOfABarIsItsDensity(): void
    {
        $document = [
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Bar', 'physics' => ['electric' => true], 'surroundings' => ['temperature' => 300],
            'materials' => ['m' => ['conductivity' => 400, 'density' => 1000, 'specificHeat' => 1000, 'resistivity' => 2e-8]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.01, 0.01]], 'fluid' => null, 'sides' => ['x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 300]]]],
            'parts' => [['id' => 'b', 'name' => 'Bar', 'material' => 'm', 'shape' => ['kind' => 'block', 'size' => [0.1, 0.01, 0.01]],
                'faces' => ['x-' => ['electric' => ['kind' => 'current', 'current' => 50]], 'x+' => ['electric' => ['kind' => 'ground']]]]],
            'analysis' => ['grid' => ['cells' => [5, 2, 2]]],
        ];
        foreach (Fields::of($this->state($document)) as $field) {
            match ($field->name) {
                'currentDensity' => self::assertEqualsWithDelta(5e5, $field->components[0][7], 1e-3),
                'jouleHeat' => self::assertEqualsWithDelta(2e-8 * 5e5 ** 2, $field->at(7), 1e-6),
                'potential' => self::assertEqualsWithDelta(2e-8 * 5e5 * 0.05, $field->at(7), 1e-9, 'in the middle of the bar'),
                default => self::assertContains($field->name, ['temperature', 'heatFlux', 'conductivity', 'cellsAcross', 'heatResidual']),
            };
        }
    }

    public function testAGapCountsItsCellsAndAnOpenSpaceDoesNot(): void
    {
        $plate = fn (string $id, float $from): array => ['id' => $id, 'name' => $id, 'material' => 'm', 'shape' => ['kind' => 'block', 'size' => [0.04, 0.04, 0.01]], 'at' => [0, 0, $from]];
        $model = Models::read([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Gap', 'surroundings' => ['temperature' => 300],
            'materials' => ['m' => ['conductivity' => 4, 'density' => 1000, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04, 0.04, 0.06]], 'fluid' => 'air'],
            'parts' => [$plate('low', 0.0), $plate('high', 0.03)],
            'analysis' => ['grid' => ['cells' => [8, 8, 12]]],
        ]);
        $across = CellsAcross::of(Voxels::of($model, GridBuilder::build($model)));

        self::assertSame(2.0, $across->at(64 * 0));
        self::assertSame(4.0, $across->at(64 * 3), 'between the plates');
        self::assertNull($across->at(64 * 11), 'above them the space is open');
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
