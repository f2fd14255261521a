<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Tests\Solved;
use PHPUnit\Framework\TestCase;

/** Gas whose density follows its temperature in what it carries. */
final class GasTest extends TestCase
{
    /** Heat in a stream without friction makes it faster as it expands, and the pressure falls by what that takes: rho u (u_out - u_in). */
    public function testAHeatedStreamExpandsAndAccelerates(): void
    {
        $result = self::duct(['kind' => 'inlet', 'speed' => 1, 'temperature' => 300], '1e6 W/m^3');
        $values = $result->values();
        $density = 101325 / (287.05 * 300);
        $out = 300 + 1e6 * 0.2 / ($density * 1007);

        self::assertTrue($result->flow()['regime']['densityVaries']);
        self::assertEqualsWithDelta($out, $values['out'], 0.01);
        self::assertEqualsWithDelta(1e-4 * $out / 300, $values['volume'], 1e-8);
        self::assertEqualsWithDelta($density * ($out / 300 - 1), $values['pressure'], 0.03 * $density * ($out / 300 - 1));
    }

    /** The film between hot turbulent air and a wall is that of hot air, however cold the surroundings are. */
    public function testHotTurbulentAirHeatsAlikeWhateverTheSurroundings(): void
    {
        $wall = ['heat' => ['kind' => 'flux', 'flux' => 500]];
        $above = [];
        foreach ([300, 500] as $ambient) {
            $result = new Solved([
                'format' => 'foehn-model', 'version' => 1,
                'surroundings' => ['temperature' => $ambient, 'gravity' => [0, 0, 0]], 'physics' => ['flow' => 'turbulent'],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.4, 0.02, 0.01]], 'fluid' => 'air', 'sides' => [
                    'x-' => ['kind' => 'inlet', 'speed' => 20, 'temperature' => 500], 'x+' => ['kind' => 'outlet'], 'y-' => $wall, 'y+' => $wall, 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
                'analysis' => ['grid' => ['cells' => [20, 8, 1]]],
            ]);
            $above[] = $result->side('y-')['temperature'] - 500.0;
        }

        // The wall law has the Prandtl number of the surroundings, 3 % higher at 300 K.
        self::assertEqualsWithDelta($above[1], $above[0], 0.03 * $above[1]);
    }

    /** What flows in is said by mass or by volume: hot gas of 450 K is a third lighter than that of the surroundings. */
    public function testHotGasFlowsInByMassOrByVolume(): void
    {
        $density = 101325 / (287.05 * 300);
        foreach ([['massFlow' => 1e-4, 'mass' => 1e-4], ['volumeFlow' => 1e-4, 'mass' => 1e-4 * $density / 1.5]] as $given) {
            $mass = $given['mass'];
            unset($given['mass']);
            $result = self::duct(['kind' => 'inlet', 'temperature' => 450, ...$given], 0);
            self::assertEqualsWithDelta($mass, $result->flow()['balance']['out'], 1e-4 * $mass);
            self::assertEqualsWithDelta($mass * 1.5 / $density, $result->values()['volume'], 1e-3 * $mass);
        }
    }

    public function testLittleWarmerAirIsCarriedAtOneDensity(): void
    {
        self::assertFalse(self::duct(['kind' => 'inlet', 'speed' => 1, 'temperature' => 310], 0)->flow()['regime']['densityVaries']);
    }

    /** @param array<string, mixed> $inlet */
    private static function duct(array $inlet, string|int $source): Solved
    {
        $symmetry = ['kind' => 'symmetry'];

        return new Solved([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]], 'physics' => ['flow' => 'laminar'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.01, 0.01]], 'fluid' => 'air', 'source' => $source,
                'sides' => ['x-' => $inlet, 'x+' => ['kind' => 'outlet'], 'y-' => $symmetry, 'y+' => $symmetry, 'z-' => $symmetry, 'z+' => $symmetry]],
            'watches' => [['id' => 'out', 'of' => ['side' => 'x+'], 'quantity' => 'outflowTemperature'], ['id' => 'volume', 'of' => ['side' => 'x+'], 'quantity' => 'volumeFlow'],
                ['id' => 'pressure', 'of' => ['point' => [0, 0.005, 0.005]], 'quantity' => 'pressure']],
            'analysis' => ['grid' => ['cells' => [40, 1, 1]]],
        ]);
    }
}
