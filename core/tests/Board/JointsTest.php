<?php

declare(strict_types=1);

namespace Foehn\Tests\Board;

use Foehn\Codec\ModelCodec;
use Foehn\Physics\PhysicsException;
use Foehn\Preflight\Preflight;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\CopperOnly;
use Foehn\Solve\JointNetwork;
use Foehn\Solve\SteadySolver;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Boards whose copper is joined to parts that touch them.
 *
 * @phpstan-import-type ElectricRow from ResultBuilder
 */
final class JointsTest extends TestCase
{
    public function testABarBridgesTwoTracksAndLosesNothing(): void
    {
        $electric = self::electric(self::bridged());
        [$in, $out, $first, $second] = $electric['boards'][0]['terminals'];
        [$enters, $leaves] = $electric['terminals'];

        self::assertEqualsWithDelta(20.0, $in['current'], 4e-5);
        self::assertSame(['bar', 'z-', 'joint'], [$enters['part'], $enters['face'], $enters['kind']]);
        self::assertEqualsWithDelta([-20.0, 20.0], [$first['current'], $second['current']], 4e-5);
        self::assertEqualsWithDelta([20.0, -20.0], [$enters['current'], $leaves['current']], 4e-5);
        // Both sides tell the voltage of the middle of a contact.
        self::assertEqualsWithDelta([$first['voltage'], $second['voltage']], [$enters['voltage'], $leaves['voltage']], 1e-12);
        self::assertEqualsWithDelta(20.0 * ($in['voltage'] - $out['voltage']), $electric['power'], 1e-5, 'all power is found, at 48 V too');
        // Half of either contact is on the side of the bar: 20 A through 1 nano-ohm m2 on 16 mm2.
        self::assertGreaterThan(20.0 ** 2 * 1e-9 / 16e-6, $electric['power'] - $electric['boards'][0]['power']);
    }

    public function testPadsOfAJointAreOneVoltageAndShareItsCurrent(): void
    {
        $electric = self::electric(self::bridged(first: ['pads' => [['22 mm', '4 mm']], 'size' => ['4 mm', '2 mm'], 'at' => ['22 mm', '6 mm']]));

        self::assertCount(3, $electric['terminals'], 'one at the bar for each pad');
        self::assertEqualsWithDelta(20.0, $electric['terminals'][0]['current'] + $electric['terminals'][1]['current'], 4e-5);
        self::assertSame(2, count($electric['boards'][0]['terminals'][2]['pads']));
    }

    public function testCopiesOfAPhaseAreJoinedToTheirOwnParts(): void
    {
        $repeat = ['repeat' => [['count' => 2, 'step' => [0, '12 mm', 0]]]];
        $terminals = self::electric(self::bridged(bar: $repeat, board: $repeat, width: '24 mm'))['terminals'];

        self::assertSame(['bar', 'bar', 'bar#2', 'bar#2'], array_column($terminals, 'part'));
        self::assertEqualsWithDelta([20.0, -20.0, 20.0, -20.0], array_column($terminals, 'current'), 4e-5);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, string}> what a joint, and the bar, state otherwise; and what is said */
    public static function wrong(): iterable
    {
        yield 'no such part' => [['part' => 'rod'], [], '"a" on "Board" is joined to no part: there is no part with the id "rod"'];
        yield 'not metal' => [[], ['material' => 'abs'], '"Bar" takes no current from a board'];
        yield 'a gap' => [[], ['at' => ['18 mm', '3 mm', '1.7 mm'], 'shape' => ['kind' => 'block', 'size' => ['24 mm', '4 mm', '2.8 mm']]], '"Bar" does not touch the upper or lower face of the board'];
        yield 'elsewhere' => [[], ['at' => ['30 mm', '3 mm', '1.6 mm']], 'nothing of "Bar" lies over pad 1'];
    }

    /**
     * A bar may be moved before its board is: the document holds, and is told before a run.
     *
     * @param array<string, mixed> $joint
     * @param array<string, mixed> $bar
     */
    #[DataProvider('wrong')]
    public function testWhatCannotBeJoinedIsSaidAndNotComputed(array $joint, array $bar, string $sentence): void
    {
        $document = self::bridged(joint: $joint, bar: $bar);
        $found = array_column(Preflight::of(ModelCodec::fromDocument($document)), 'message', 'severity');
        self::assertStringContainsString($sentence, $found['error'] ?? 'nothing');

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage($sentence);
        self::electric($document);
    }

    public function testACurrentThroughJointsNeedsAWayBack(): void
    {
        $document = self::bridged(source: ['kind' => 'current', 'current' => '20 A']);
        self::assertStringContainsString('no way back', json_encode(Preflight::of(ModelCodec::fromDocument($document)), JSON_THROW_ON_ERROR));

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('current through the joints of boards and parts has no way back');
        self::electric($document);
    }

    public function testCornersOfALayoutRefuseABoardThatPartsGoOn(): void
    {
        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('"Board" is joined to parts');
        CopperOnly::at(ModelCodec::fromDocument(self::bridged()), 300.0);
    }

    public function testANetworkIsExactWhereLittleLeaksFromIt(): void
    {
        // Two joints with a conductance of 1 MS between them, and 1 mS from the second to a voltage: 5 A into the first raise both by 5 kV.
        $network = JointNetwork::of(['a', 'b'], fn (array $volts): array => ['a' => 1e6 * ($volts['a'] - $volts['b']), 'b' => 1e6 * ($volts['b'] - $volts['a']) + 1e-3 * $volts['b']]);
        $rise = $network->correction(['a' => -5.0, 'b' => 0.0]);

        self::assertEqualsWithDelta(5000.0, $rise['b'], 1e-6 * 5000.0);
        self::assertEqualsWithDelta(5e-6, $rise['a'] - $rise['b'], 1e-10);

        $this->expectException(PhysicsException::class);
        JointNetwork::of(['a', 'b', 'c'], fn (array $volts): array => ['a' => $volts['a'] - $volts['b'], 'b' => $volts['b'] - $volts['a'], 'c' => $volts['c']]);
    }

    /**
     * Two tracks with a gap of 10 mm that a bar of copper on pads goes over; 20 A at 48 V.
     *
     * @param array<string, mixed> $first what its first joint is otherwise
     * @param array<string, mixed> $joint and what it is electrically
     * @param array<string, mixed> $bar
     * @param array<string, mixed> $board
     * @param array<string, mixed> $source
     * @return array<string, mixed>
     */
    private static function bridged(array $first = [], array $joint = [], array $bar = [], array $board = [], string $width = '10 mm', array $source = ['kind' => 'voltage', 'voltage' => '48 V']): array
    {
        $track = fn (string $from, string $to): array => ['kind' => 'track', 'width' => '5 mm', 'points' => [[$from, '5 mm'], [$to, '5 mm']]];
        $terminal = fn (string $name, string $x, string $length, string $across, array $electric): array => ['name' => $name, 'layer' => 'Top', 'at' => [$x, '5 mm'], 'size' => [$length, $across], 'electric' => $electric];
        $joined = ['kind' => 'joint', 'part' => 'bar', 'resistance' => '1e-9 ohm*m^2'];
        $terminals = [
            $terminal('in', '0.5 mm', '1 mm', '5 mm', $source), $terminal('out', '59.5 mm', '1 mm', '5 mm', ['kind' => 'current', 'current' => '-20 A']),
            $first + $terminal('a', '22 mm', '4 mm', '4 mm', $joint + $joined), $terminal('b', '38 mm', '4 mm', '4 mm', $joined),
        ];

        return [
            'format' => 'foehn-model', 'version' => 1, 'physics' => ['electric' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['60 mm', $width, '4.6 mm']], 'fluid' => null, 'sides' => ['z-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '25 degC']]]],
            'parts' => [
                $board + ['id' => 'board', 'name' => 'Board', 'at' => [0, 0, 0], 'shape' => ['kind' => 'board', 'size' => ['60 mm', '10 mm'], 'layers' => [
                    ['thickness' => '1.53 mm'], ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [$track('0 mm', '22.5 mm'), $track('37.5 mm', '60 mm')]],
                ]], 'copper' => ['pixel' => '0.5 mm', 'terminals' => $terminals]],
                $bar + ['id' => 'bar', 'name' => 'Bar', 'at' => ['18 mm', '3 mm', '1.6 mm'], 'shape' => ['kind' => 'block', 'size' => ['24 mm', '4 mm', '3 mm']], 'material' => 'copper'],
            ],
            'analysis' => ['grid' => ['grade' => 'scout']],
        ];
    }

    /**
     * @param array<string, mixed> $document
     * @return ElectricRow
     */
    private static function electric(array $document): array
    {
        return ResultBuilder::build((new SteadySolver(ModelCodec::fromDocument($document)))->solve(), '')['electric'] ?? throw new \LogicException('no currents were computed');
    }
}
