<?php

declare(strict_types=1);

namespace Foehn\Tests\Materials;

use Foehn\Materials\Library;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\ModelException;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

final class MaterialsTest extends TestCase
{
    public function testTheLibraryIsCompleteAndPlausible(): void
    {
        $fluids = 0;
        foreach (Library::builtIn()->materials as $id => $material) {
            $fluids += $material->fluid ? 1 : 0;
            self::assertNotSame('', $material->source, $id);
            self::assertGreaterThan(0.5, $material->density, $id);
            self::assertLessThan(23_000, $material->density, $id);
            self::assertGreaterThan(100, $material->specificHeat, $id);
            self::assertLessThan(4300, $material->specificHeat, $id);
            foreach ([250.0, 300.0, 400.0] as $temperature) {
                foreach ($material->conductivity as $law) {
                    self::assertGreaterThan(0.01, $law->at($temperature), $id);
                    self::assertLessThan(1000.0, $law->at($temperature), $id);
                }
            }
            if ($material->fluid) {
                self::assertNotNull($material->viscosity, $id);
            } else {
                self::assertNotNull($material->emissivity, $id);
            }
        }

        self::assertGreaterThanOrEqual(30, count(Library::builtIn()->materials) - $fluids);
        self::assertGreaterThanOrEqual(4, $fluids);
    }

    public function testATableIsStraightBetweenItsPointsAndConstantOutside(): void
    {
        $law = new PropertyLaw([[200.0, 264.0], [300.0, 148.0], [400.0, 98.9]]);

        self::assertSame([264.0, 264.0, 206.0, 148.0, 123.45, 98.9, 98.9], array_map($law->at(...), [100.0, 200.0, 250.0, 300.0, 350.0, 400.0, 900.0]));
        self::assertSame([264.0, 264.0, 206.0, 148.0, 123.45, 98.9, 98.9], $law->along([100.0, 200.0, 250.0, 300.0, 350.0, 400.0, 900.0]));
        self::assertSame([5.0, 5.0], PropertyLaw::constant(5.0)->along([-10.0, 300.0]));
    }

    public function testOwnMaterialsWinOverTheLibrary(): void
    {
        $model = Models::read(Models::block(['materials' => ['aluminium-6061' => ['conductivity' => ['1 W/m/K', 2, 3], 'density' => '2 g/cm^3']]]));
        $material = $model->materials->get('aluminium-6061');

        self::assertNotNull($material);
        self::assertSame([1.0, 2.0, 3.0], array_map(fn ($law) => $law->at(300.0), $material->conductivity));
        self::assertEqualsWithDelta(2000.0, $material->density, 1e-9);
    }

    public function testAnUnknownNameGetsTheNearestOnes(): void
    {
        self::assertContains('copper', Library::builtIn()->similar('coper'));
        self::assertContains('aluminium-6063', Library::builtIn()->similar('aluminium'));
    }

    public function testReadsViscosityByTemperatureAndThePowerLaw(): void
    {
        $materials = Models::read(Models::block(['materials' => [
            'oil' => ['fluid' => true, 'conductivity' => 0.14, 'viscosity' => ['table' => [['20 degC', '0.1 Pa*s'], ['60 degC', '0.02 Pa*s']]]],
            'gel' => ['fluid' => true, 'conductivity' => 0.5, 'consistency' => 0.5, 'index' => 0.6],
        ]]))->materials;

        self::assertEqualsWithDelta(0.06, $materials->get('oil')?->viscosity?->at(313.15), 1e-12);
        self::assertSame([0.5, 0.6], $materials->get('gel')?->powerLaw);
    }

    public function testAFluidHasOneViscosityLaw(): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('either a viscosity or the consistency');
        Models::read(Models::block(['materials' => ['gel' => ['fluid' => true, 'conductivity' => 0.5, 'viscosity' => 0.1, 'consistency' => 0.5, 'index' => 0.6]]]));
    }
}
