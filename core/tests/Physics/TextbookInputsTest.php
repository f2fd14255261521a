<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\FoehnException;
use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Flows as textbooks state them: profiles as formulas, given outflow, inlets that conduct, and what is read at walls and in sections. */
final class TextbookInputsTest extends TestCase
{
    private const SLIP = ['kind' => 'symmetry'];

    /** Between plates H apart u = 6 U y/H (1 - y/H): the flow that enters is the flow that stays, its shear 6 mu U / H, its pressure falls by 12 mu U / H^2. */
    public function testAParabolaThatEntersStays(): void
    {
        $result = self::channel([
            'x-' => ['kind' => 'inlet', 'speed' => '6 * 2 cm/s * (y/(10 mm)) * (1 - y/(10 mm))'],
            'x+' => ['kind' => 'outlet'],
        ], [
            ['id' => 'flow', 'of' => ['section' => ['axis' => 'x', 'at' => '33 mm']], 'quantity' => 'volumeFlow'],
            ['id' => 'half', 'of' => ['section' => ['axis' => 'x', 'at' => '33 mm', 'min' => [0, 0], 'max' => ['5 mm', '1 mm']]], 'quantity' => 'massFlow'],
            ['id' => 'shear', 'of' => ['side' => 'y-'], 'quantity' => 'wallShear'],
            ['id' => 'middle', 'of' => ['line' => ['from' => ['30 mm', 0, '0.5 mm'], 'to' => ['30 mm', '10 mm', '0.5 mm']]], 'quantity' => 'velocityX', 'reduce' => 'maxAt'],
            ['id' => 'before', 'of' => ['point' => ['10 mm', '5 mm', '0.5 mm']], 'quantity' => 'pressure'],
            ['id' => 'after', 'of' => ['point' => ['30 mm', '5 mm', '0.5 mm']], 'quantity' => 'pressure'],
        ]);
        $values = $result->values();
        $viscosity = 0.1;
        self::assertEqualsWithDelta(0.02 * 0.01 * 0.001, $values['flow'], 0.002 * 2e-7, 'the middles of 24 cells make the mean');
        self::assertEqualsWithDelta(0.5 * $values['flow'] * 1000.0, $values['half'], 1e-6 * $values['flow'] * 1000.0);
        self::assertEqualsWithDelta(6 * $viscosity * 0.02 / 0.01, $values['shear'], 0.005 * 1.2);
        self::assertEqualsWithDelta(0.005, $values['middle'], 0.0003);
        self::assertEqualsWithDelta(12 * $viscosity * 0.02 / 0.01 ** 2 * 0.02, $values['before'] - $values['after'], 0.005 * 4.8);
        self::assertSame(201, count($result->watches[3]['profile']['values'] ?? []));
        self::assertEqualsWithDelta(0.01, ($result->watches[3]['profile']['positions'] ?? [])[200] ?? NAN, 1e-12);
        self::assertSame(['m³/s', 'kg/s', 'Pa', 'm', 'Pa', 'Pa'], array_column($result->watches, 'unit'));
    }

    public function testALidMovesAsItsFormulaSays(): void
    {
        // u = U y / H between a wall at rest and one that moves: the shear is the same everywhere.
        $result = self::channel(
            ['x-' => ['kind' => 'inlet', 'velocity' => ['2 m/s * y/(10 mm)', 0, 0]], 'x+' => ['kind' => 'outlet'], 'y+' => ['velocity' => ['2 m/s * (1 + 0 * x/(1 m))', 0, 0]]],
            [['id' => 'lid', 'of' => ['side' => 'y+'], 'quantity' => 'wallShear'], ['id' => 'floor', 'of' => ['side' => 'y-'], 'quantity' => 'wallShear', 'reduce' => 'max']],
        );
        self::assertEqualsWithDelta(['lid' => 20.0, 'floor' => 20.0], $result->values(), 0.02);
    }

    public function testWhatIsDrawnOffComesInThroughTheOpenSide(): void
    {
        foreach (['volumeFlow' => '0.02 l/s', 'massFlow' => '20 g/s', 'speed' => '2 m/s'] as $by => $amount) {
            $openings = self::channel(['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'outlet', $by => $amount]], [])->flow()['openings'];
            self::assertEqualsWithDelta([0.02, 0.02], [$openings[0]['in'], $openings[1]['out']], 1e-6, $by);
        }
    }

    /**
     * Fluid of a uniform source s that conducts against the stream: k T'' - rho c u T' + s = 0, T(0) = T0, T'(L) = 0 gives
     * k T'(0) = (s / m)(1 - e^(-m L)) with m = rho c u / k, which leaves through the inlet.
     */
    public function testHeatLeavesThroughAnInletThatConducts(): void
    {
        [$length, $conductivity, $carries, $source] = [0.04, 0.6, 0.003 * 1000 * 1000 * 2e-2, 1e5];
        $solve = fn (bool $conducts): array => self::channel(
            ['x-' => ['kind' => 'inlet', 'speed' => '0.003 * 0.02 m/s', 'temperature' => 300, 'conducts' => $conducts], 'x+' => ['kind' => 'outlet'], 'y-' => ['slip' => true], 'y+' => ['slip' => true]],
            [['id' => 'out', 'of' => ['side' => 'x-'], 'quantity' => 'heatFlux'], ['id' => 'bulk', 'of' => ['section' => ['axis' => 'x', 'at' => $length]], 'quantity' => 'bulkTemperature']],
            ['source' => $source],
        )->values();
        $m = $carries / $conductivity;
        self::assertEqualsWithDelta($source / $m * (1 - exp(-$m * $length)), $solve(true)['out'], 0.01 * $source / $m);
        self::assertEqualsWithDelta(300 + ($source * $length - $solve(true)['out']) / $carries, $solve(true)['bulk'], 0.1);
        self::assertEqualsWithDelta(0.0, $solve(false)['out'], 1e-9);
        self::assertEqualsWithDelta(300 + $source * $length / $carries, $solve(false)['bulk'], 0.1);
    }

    /** Developed flow between plates that give off the same heat all along: Nu = 140/17 with twice their distance as the length (Shah & London, 1978). */
    public function testTheNusseltNumberOfADevelopedStream(): void
    {
        $wall = ['heat' => ['kind' => 'flux', 'flux' => '100 W/m^2'], 'patches' => [['min' => ['29 mm', 0], 'max' => ['31 mm', '1 mm'], 'heat' => ['kind' => 'flux', 'flux' => '100 W/m^2']]]];
        $bulk = ['section' => ['axis' => 'x', 'at' => '30 mm']];
        $of = ['side' => 'y-', 'patch' => 0];
        $values = self::channel(
            ['x-' => ['kind' => 'inlet', 'speed' => '0.5 mm/s', 'profile' => 'developed', 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'y-' => $wall, 'y+' => $wall],
            [
                ['id' => 'nusselt', 'of' => $of, 'quantity' => 'nusselt', 'length' => '20 mm', 'reference' => $bulk['section']],
                ['id' => 'h', 'of' => $of, 'quantity' => 'convectionCoefficient', 'reference' => '300 K'],
                ['id' => 'wall', 'of' => $of, 'quantity' => 'temperature'],
                ['id' => 'bulk', 'of' => $bulk, 'quantity' => 'bulkTemperature'],
            ],
        )->values();
        self::assertEqualsWithDelta(140 / 17, $values['nusselt'], 0.02 * 140 / 17);
        self::assertEqualsWithDelta(100.0 / ($values['wall'] - 300.0), $values['h'], 1e-6);
        self::assertEqualsWithDelta(300.0 + 2 * 100.0 * 0.03 / (1000 * 1000 * 0.5e-3 * 0.01), $values['bulk'], 0.05, 'both walls have heated it so far');
    }

    /** @param array<string, array<string, mixed>> $sides */
    #[DataProvider('mistakes')]
    public function testSaysWhatIsWrongWithAnOpening(array $sides, string $message): void
    {
        try {
            self::channel($sides, []);
            self::fail('the mistake was not noticed');
        } catch (FoehnException $e) {
            self::assertStringContainsString($message, $e->getMessage());
        }
    }

    /** @return iterable<string, array{array<string, array<string, mixed>>, string}> */
    public static function mistakes(): iterable
    {
        yield 'flow and pressure' => [['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'outlet', 'speed' => 1, 'pressure' => 3]], '"pressure" and "speed" are given'];
        yield 'two flows' => [['x-' => ['kind' => 'inlet', 'speed' => 1, 'massFlow' => 1], 'x+' => ['kind' => 'outlet']], 'speed and massFlow are given'];
        yield 'negative' => [['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'outlet', 'speed' => '-1 m/s']], 'is positive'];
        yield 'wrong unit in a formula' => [['x-' => ['kind' => 'inlet', 'speed' => '3 * y'], 'x+' => ['kind' => 'outlet']], 'a speed'];
        yield 'profile of a formula' => [['x-' => ['kind' => 'inlet', 'speed' => '3 * y/(1 s)', 'profile' => 'developed'], 'x+' => ['kind' => 'outlet']], 'leave the profile'];
        yield 'no value at a place of it' => [['x-' => ['kind' => 'inlet', 'speed' => '1 m/s * sqrt(y/(1 mm) - 0.9)'], 'x+' => ['kind' => 'outlet']], 'has no value at x = 0 m, y = 0.0002'];
        yield 'more drawn off than comes in' => [['x-' => ['kind' => 'inlet', 'speed' => 1], 'x+' => ['kind' => 'outlet', 'speed' => 2]], 'are drawn off'];
    }

    /**
     * A fluid of water's density and heat between plates 10 mm apart, 40 mm long and 1 mm deep.
     *
     * @param array<string, array<string, mixed>> $sides
     * @param list<array<string, mixed>> $watches
     * @param array<string, mixed> $space
     */
    private static function channel(array $sides, array $watches, array $space = []): Solved
    {
        return new Solved([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1000, 'viscosity' => 0.1, 'conductivity' => 0.6, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['40 mm', '10 mm', '1 mm']], 'fluid' => 'f', 'sides' => ['z-' => self::SLIP, 'z+' => self::SLIP, ...$sides], ...$space],
            'parts' => [], 'watches' => $watches,
            'analysis' => ['grid' => ['cells' => [40, 24, 1]], 'convergence' => ['residual' => 1e-6]],
        ]);
    }
}
