<?php

declare(strict_types=1);

namespace Foehn\Tests\Board;

use Foehn\Board\Barrel;
use Foehn\Board\BoardException;
use Foehn\Board\Excellon;
use Foehn\Board\Hole;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Drill files in the open Excellon format. */
final class ExcellonTest extends TestCase
{
    /** @return iterable<string, array{string}> files with one hole of 0.3 mm at (12.6, 1.5) mm */
    public static function files(): iterable
    {
        yield 'points' => ["M48\nMETRIC\nT1C0.3\n%\nT1\nX12.6Y1.5\nM30\n"];
        yield 'trailing zeros kept' => ["M48\nMETRIC,TZ\nT01C0.300\n%\nG05\nG90\nT01\nX12600Y1500\nM30\n"];
        yield 'leading zeros kept' => ["M48\nMETRIC,LZ,000.000\nT1C0.3\n%\nT1\nX0126Y0015\nM30\n"];
        yield 'inches' => ["M48\nINCH,TZ\nT1C0.011811\n%\nT1\nX4961Y591\nM30\n"];
        yield 'a coordinate that stays' => ["M48\nMETRIC\nT1C0.3F200S65\n%\nT1\nX12.6\nY1.5\nM30\n"];
    }

    #[DataProvider('files')]
    public function testReadsHoles(string $file): void
    {
        $holes = Excellon::read($file);
        $hole = end($holes);
        self::assertInstanceOf(Hole::class, $hole);
        self::assertEqualsWithDelta([12.6e-3, 1.5e-3], $hole->at, 2e-6);
        self::assertEqualsWithDelta(0.3e-3, $hole->diameter, 1e-6);
        self::assertTrue($hole->plated);
    }

    public function testSlotsAndWhatIsNotPlated(): void
    {
        $holes = Excellon::read("M48\nMETRIC\n;TYPE=PLATED\nT1C1.0\n;TYPE=NON_PLATED\nT2C3.2\n%\nT1\nX1.0Y2.0G85X4.0Y2.0\nT2\nX5.0Y5.0\nG00X8.0Y8.0\nM15\nG01X9.0Y8.0\nM16\nM30\n");
        self::assertSame([true, false, false], array_column(array_map(get_object_vars(...), $holes), 'plated'));
        self::assertEqualsWithDelta([4e-3, 2e-3], $holes[0]->to, 1e-9);
        self::assertEqualsWithDelta([[8e-3, 8e-3], [9e-3, 8e-3]], [$holes[2]->at, $holes[2]->to], 1e-9);
        $inner = 0.95e-3;
        self::assertEqualsWithDelta(M_PI / 4 * (1e-6 - $inner ** 2) + 3e-3 * 0.05e-3, (new Barrel($holes[0], 25e-6, 0, 1))->section(), 1e-15);
    }

    /** @return iterable<string, array{string, string}> */
    public static function mistakes(): iterable
    {
        yield 'no drill file' => ['%FSLAX34Y34*%', 'this is no drill file in Excellon format'];
        yield 'no tool' => ["M48\nMETRIC\nT1C0.3\n%\nX1Y1\n", 'line 5 drills before a tool is chosen'];
        yield 'unknown tool' => ["M48\nMETRIC\nT1C0.3\n%\nT2\nX1Y1\n", 'line 6 drills with tool T2, which the table of tools does not have'];
        yield 'a wrong unit' => ["M48\nINCH\nT1C0.3\n%\nT1\nX0.0Y0.0\nX1200.0Y0.0\n", 'the holes are spread over 30.5 m; check the unit'];
    }

    #[DataProvider('mistakes')]
    public function testRefuses(string $file, string $message): void
    {
        $this->expectException(BoardException::class);
        $this->expectExceptionMessage($message);
        Excellon::read($file);
    }
}
