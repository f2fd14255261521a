<?php

declare(strict_types=1);

namespace Foehn\Tests\Board;

use Foehn\Board\Barrel;
use Foehn\Board\BoardException;
use Foehn\Board\CopperLayer;
use Foehn\Board\CopperRaster;
use Foehn\Board\Excellon;
use Foehn\Board\Gerber;
use Foehn\Board\Hole;
use Foehn\Board\Nets;
use Foehn\Board\Paint;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardTerminal;
use Foehn\Model\ElectricCondition;
use Foehn\Physics\Electric\BoardCurrents;
use Foehn\Physics\Electric\BoardSystem;
use Foehn\Physics\PhysicsException;
use PHPUnit\Framework\TestCase;

/** From artwork to nets and currents, on the battery tap board and on small ones. */
final class TapBoardTest extends TestCase
{
    private const FILES = ['bottom', 'inner-2', 'inner-1', 'top'];

    private const HEIGHTS = [0.0, 0.4e-3, 1.2e-3, 1.6e-3];

    public function testTheTapBoardHasThreeNetsAndItsCurrentsBalance(): void
    {
        $raster = self::board();
        $nets = Nets::of($raster);
        self::assertSame(['GND', 'SENSE', 'VBAT'], self::sorted($nets->names));
        self::assertSame([], $nets->joined);

        $currents = self::loaded($raster, 12.0);
        self::assertLessThan(1e-6, $currents->imbalance());
        self::assertEqualsWithDelta([20.0, -20.0], [$currents->contacts[0]['current'], $currents->contacts[1]['current']], 1e-4);
        self::assertEqualsWithDelta($currents->power, array_sum($currents->heat), 1e-6 * 12.0 * 20.0, 'of 240 W that pass');
        // The vias of the winch take its 14 A down through six holes, those next to the plane the most.
        $greatest = [];
        foreach ($currents->barrels as $n => $stretches) {
            $at = $raster->barrels[$n]->hole->at;
            if (hypot($at[0] - 46e-3, $at[1] - 32e-3) < 2e-3) {
                $greatest[] = max(0.0, ...array_map(abs(...), $stretches));
            }
        }
        self::assertCount(6, $greatest);
        self::assertEqualsWithDelta(14.0, array_sum($greatest), 0.05);
        self::assertGreaterThan(14.0 / 6.0, max(0.0, ...$greatest));
    }

    public function testHotCopperDropsMore(): void
    {
        $raster = self::board();
        $drop = fn (float $temperature): float => 12.0 - self::loaded($raster, 12.0, $temperature)->contacts[2]['voltage'];
        self::assertEqualsWithDelta((1.0 + 0.00393 * 105.0) / (1.0 + 0.00393 * 5.0), $drop(398.15) / $drop(298.15), 1e-5);
    }

    public function testAGapPartsAndAHoleJoins(): void
    {
        $halves = [new Paint(true, [[true, Paint::rectangle(2.5e-3, 2e-3, 4.9e-3, 3e-3)]]), new Paint(true, [[true, Paint::rectangle(7.5e-3, 2e-3, 4.9e-3, 3e-3)]])];
        $bridge = [new Paint(true, [[true, Paint::rectangle(5e-3, 2e-3, 6e-3, 1e-3)]])];
        $layers = [new CopperLayer('bottom', $bridge, 35e-6, 0.0), new CopperLayer('top', $halves, 35e-6, 1e-3)];
        $hole = fn (float $x, int $from, int $to): Barrel => new Barrel(new Hole([$x, 2e-3], 0.4e-3, true), 25e-6, $from, $to);
        $count = fn (Barrel ...$barrels): int => count(Nets::of(CopperRaster::of([0.0, 10e-3, 0.0, 4e-3], $layers, array_values($barrels), [], 0.05e-3))->names);
        self::assertSame(3, $count());
        self::assertSame(2, $count($hole(3e-3, 0, 1)));
        self::assertSame(1, $count($hole(3e-3, 0, 1), $hole(7e-3, 0, 1)));
        self::assertSame(3, $count($hole(3e-3, 1, 1)), 'a hole of one layer joins nothing');
        self::assertSame([['A', 'B']], Nets::of(CopperRaster::of([0.0, 10e-3, 0.0, 4e-3], [new CopperLayer('top', [new Paint(true, $halves[0]->pieces, 'A'), new Paint(true, $halves[1]->pieces, 'B')], 35e-6, 0.0)], [], [], 0.3e-3))->joined, 'pixels wider than the gap join');
        self::assertCount(3, Nets::of(CopperRaster::of([0.0, 10e-3, 0.0, 4e-3], $layers, [], [new Hole([3e-3, 2e-3], 0.4e-3, false)], 0.05e-3))->names, 'without plating neither');
    }

    public function testAHoleThroughAClearanceStaysApartFromThePlane(): void
    {
        $plane = [new Paint(true, [[true, Paint::rectangle(5e-3, 5e-3, 9e-3, 9e-3)]]), new Paint(false, [[true, Paint::circle(5e-3, 5e-3, 1.2e-3)]])];
        $pad = [new Paint(true, [[true, Paint::circle(5e-3, 5e-3, 1e-3)]])];
        $raster = CopperRaster::of([0.0, 10e-3, 0.0, 10e-3], [new CopperLayer('plane', $plane, 35e-6, 0.0), new CopperLayer('top', $pad, 35e-6, 1e-3)], [new Barrel(new Hole([5e-3, 5e-3], 0.5e-3, true), 25e-6, 0, 1)], [], 0.1e-3);
        self::assertCount(2, Nets::of($raster)->names);
    }

    public function testASmallNetBesideALargeOneIsBalancedByItself(): void
    {
        // A wide track, and one that goes to and fro.
        $copper = [[true, Paint::rectangle(5e-3, 1e-3, 10e-3, 1e-3)]];
        for ($n = 0; $n < 20; $n++) {
            $copper[] = [true, Paint::rectangle(0.25e-3 + 0.5e-3 * $n, 5e-3, 0.2e-3, 6e-3)];
            $copper[] = [true, Paint::rectangle(0.5e-3 + 0.5e-3 * $n, $n % 2 === 0 ? 7.9e-3 : 2.1e-3, $n < 19 ? 0.7e-3 : 0.2e-3, 0.2e-3)];
        }
        $raster = CopperRaster::of([0.0, 10e-3, 0.0, 9e-3], [new CopperLayer('top', [new Paint(true, $copper)], 35e-6, 0.0)], [], [], 0.05e-3);
        $end = fn (string $name, float $x, float $y, string $kind, float $value): BoardTerminal => new BoardTerminal($name, 0, [[$x, $y]], [0.2e-3, 0.1e-3], false, new ElectricCondition('', $kind, $value));
        $currents = (new BoardSystem($raster, [
            $end('in', 9.8e-3, 1e-3, 'current', 100.0), $end('out', 0.2e-3, 1e-3, 'ground', 0.0),
            $end('little in', 9.75e-3, 2.2e-3, 'current', 1e-4), $end('little out', 0.25e-3, 2.2e-3, 'ground', 0.0),
        ], PropertyLaw::constant(1.7e-8), 300.0))->solve();

        self::assertEqualsWithDelta(-1e-4, $currents->contacts[3]['current'], 1e-10);
    }

    public function testPinsShareACurrentAsTheirWaysHaveResistance(): void
    {
        // Two tracks of 1 mm, fed 9 mm and 4.5 mm from where both are grounded.
        $tracks = [new Paint(true, [[true, Paint::rectangle(5e-3, 1e-3, 10e-3, 1e-3)], [true, Paint::rectangle(5e-3, 3e-3, 10e-3, 1e-3)]])];
        $raster = CopperRaster::of([0.0, 10e-3, 0.0, 4e-3], [new CopperLayer('top', $tracks, 35e-6, 0.0)], [], [], 0.1e-3);
        $ground = new BoardTerminal('ground', 0, [[0.05e-3, 1e-3], [0.05e-3, 3e-3]], [0.05e-3, 1e-3], false, new ElectricCondition('', 'ground', 0.0));
        $pins = new BoardTerminal('pins', 0, [[9.05e-3, 1e-3], [4.55e-3, 3e-3]], [0.05e-3, 1e-3], false, new ElectricCondition('', 'current', 3.0));
        $currents = (new BoardSystem($raster, [$ground, $pins], PropertyLaw::constant(1.7e-8), 300.0))->solve();

        // And through half the thickness of the sheet to the ground.
        $ohms = array_map(fn (float $long): float => 1.7e-8 * ($long / (35e-6 * 1e-3) + 17.5e-6 / (0.1e-3 * 1e-3)), [9e-3, 4.5e-3]);
        $shares = [3.0 * $ohms[1] / array_sum($ohms), 3.0 * $ohms[0] / array_sum($ohms)];
        self::assertEqualsWithDelta($shares, $currents->contacts[1]['pads'], 1e-6);
        self::assertEqualsWithDelta([-$shares[0], -$shares[1]], $currents->contacts[0]['pads'], 1e-6);
        $volts = $shares[0] * $ohms[0];
        self::assertEqualsWithDelta($volts, $currents->contacts[1]['voltage'], 1e-6 * $volts);
        self::assertEqualsWithDelta(3.0 * $volts, array_sum($currents->heat), 1e-5 * $volts);

        $source = fn (float $y, string $kind): BoardTerminal => new BoardTerminal($kind, 0, [[0.05e-3, $y]], [0.05e-3, 1e-3], false, new ElectricCondition('', $kind, 5.0));
        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('the pads of "pins" lie on nets with different voltages');
        new BoardSystem($raster, [$source(1e-3, 'voltage'), $source(3e-3, 'ground'), $pins], PropertyLaw::constant(1.7e-8), 300.0);
    }

    public function testRefusesWhatCarriesNoCurrent(): void
    {
        $raster = CopperRaster::of([0.0, 10e-3, 0.0, 4e-3], [new CopperLayer('top', [new Paint(true, [[true, Paint::rectangle(3e-3, 2e-3, 4e-3, 2e-3)]])], 35e-6, 0.0)], [], [], 0.1e-3);
        $contact = fn (string $name, float $x, string $kind): BoardTerminal => new BoardTerminal($name, 0, [[$x, 2e-3]], [1e-3, 1e-3], false, new ElectricCondition('', $kind, 1.0));
        foreach ([
            [[$contact('pad', 8e-3, 'ground')], '"pad" lies on no copper of layer "top"'],
            [[$contact('in', 2e-3, 'current')], 'the current at "in" has no way back'],
        ] as [$contacts, $message]) {
            try {
                new BoardSystem($raster, $contacts, PropertyLaw::constant(1.7e-8), 300.0);
                self::fail('was taken');
            } catch (PhysicsException $e) {
                self::assertStringContainsString($message, $e->getMessage());
            }
        }
        $this->expectException(BoardException::class);
        $this->expectExceptionMessage('nothing of the artwork lies on the board');
        CopperRaster::of([0.0, 10e-3, 0.0, 4e-3], [new CopperLayer('top', [new Paint(true, [[true, Paint::rectangle(1.0, 1.0, 4e-3, 2e-3)]])], 35e-6, 0.0)], [], [], 0.1e-3);
    }

    private static function board(): CopperRaster
    {
        $read = fn (string $file): string => (string) file_get_contents(__DIR__ . "/../../../examples/tap-board/$file");
        $layers = array_map(fn (string $name, float $height): CopperLayer => new CopperLayer($name, Gerber::read($read("$name.gbr"))->paints, 70e-6, $height), self::FILES, self::HEIGHTS);
        $barrels = array_map(fn (Hole $hole): Barrel => new Barrel($hole, 25e-6, 0, 3), Excellon::read($read('holes.drl')));

        return CopperRaster::of([0.0, 60e-3, 0.0, 40e-3], $layers, $barrels, [], 0.2e-3);
    }

    private static function loaded(CopperRaster $raster, float $voltage, float $temperature = 293.15): BoardCurrents
    {
        $contact = fn (string $name, float $x, float $y, float $width, float $height, string $kind, float $value): BoardTerminal => new BoardTerminal($name, 3, [[1e-3 * $x, 1e-3 * $y]], [1e-3 * $width, 1e-3 * $height], false, new ElectricCondition('', $kind, $value));

        return (new BoardSystem($raster, [
            $contact('battery', 6, 20, 8, 8, 'voltage', $voltage), $contact('return', 6, 5.5, 8, 8, 'ground', 0.0),
            $contact('winch', 50, 32, 4, 3, 'current', -14.0), $contact('winch return', 53, 36.5, 4, 2, 'current', 14.0),
            $contact('lamp', 50, 20, 4, 3, 'current', -5.0), $contact('lamp return', 53, 24.5, 4, 2, 'current', 5.0),
            $contact('radio', 50, 8, 4, 3, 'current', -1.0), $contact('radio return', 53, 12.5, 4, 2, 'current', 1.0),
        ], PropertyLaw::linear(1.72e-8, 293.15, 0.00393), $temperature))->solve();
    }

    /**
     * @param list<string> $names
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        sort($names);

        return $names;
    }
}
