<?php

declare(strict_types=1);

namespace Foehn\Tests\Board;

use Foehn\Board\Artwork;
use Foehn\Board\BoardException;
use Foehn\Board\CopperLayer;
use Foehn\Board\CopperRaster;
use Foehn\Board\Gerber;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Artwork in the open Gerber format, by the copper it leaves on a fine raster. */
final class GerberTest extends TestCase
{
    private const HEAD = "%FSLAX34Y34*%\n%MOMM*%\n";

    /** @return iterable<string, array{string, float, float}> artwork on 20 x 20 mm, its copper in mm2, and how near */
    public static function drawings(): iterable
    {
        $circle = M_PI * 0.5 ** 2;
        yield 'a line with round ends' => [self::HEAD . "%ADD10C,1*%\nD10*\nX50000Y50000D02*\nX150000D01*\nM02*", 10.0 + $circle, 0.01];
        yield 'a line of a square aperture, askew' => [self::HEAD . "%ADD10R,1X1*%\nD10*\nX50000Y50000D02*\nX90000Y80000D01*\nM02*", 1.0 + 4.0 + 3.0, 0.01];
        yield 'flashes with holes' => [self::HEAD . "%ADD10C,4X2*%\n%ADD11R,3X2X1*%\n%ADD12O,4X2*%\n%ADD13P,2X6X0*%\nD10*\nX50000Y50000D03*\nD11*\nX150000D03*\nD12*\nY150000D03*\nD13*\nX50000D03*\nM02*",
            M_PI * (4.0 - 1.0) + 6.0 - M_PI / 4.0 + 4.0 + M_PI + 1.5 * sqrt(3.0), 0.02];
        yield 'overlapping copper counts once' => [self::HEAD . "%ADD10R,4X4*%\nD10*\nX50000Y50000D03*\nX70000D03*\nM02*", 24.0, 0.01];
        yield 'clear polarity, and dark again over it' => [self::HEAD . "%ADD10R,10X10*%\n%ADD11C,4*%\n%ADD12C,2*%\nD10*\nX100000Y100000D03*\n%LPC*%\nD11*\nX100000Y100000D03*\n%LPD*%\nD12*\nX100000Y100000D03*\nM02*", 100.0 - 4.0 * M_PI + M_PI, 0.01];
        yield 'a region with an arc' => [self::HEAD . "G75*\nG36*\nX50000Y50000D02*\nG01X150000D01*\nG03X150000Y150000I0J50000D01*\nG01X50000D01*\nY50000D01*\nG37*\nM02*", 100.0 + M_PI * 25.0 / 2.0, 0.1];
        yield 'a full circle drawn with a round aperture' => [self::HEAD . "%ADD10C,0.5*%\nG75*\nD10*\nX150000Y100000D02*\nG02X150000Y100000I-50000J0D01*\nM02*", 0.5 * 2.0 * M_PI * 5.0, 0.05];
        yield 'an arc of one quadrant without signs' => [self::HEAD . "%ADD10C,0.5*%\nG74*\nD10*\nX150000Y100000D02*\nG03X100000Y150000I50000J0D01*\nM02*", 0.5 * 0.5 * M_PI * 5.0 + M_PI * 0.25 ** 2, 0.05];
        yield 'steps and repeats' => [self::HEAD . "%ADD10R,1X1*%\n%SRX3Y2I4J5*%\nD10*\nX30000Y30000D03*\n%SR*%\nX180000Y180000D03*\nM02*", 7.0, 0.01];
        yield 'a macro with variables' => [self::HEAD . "%AMBOX*\$3=\$1x2*21,1,\$3,\$2,0,0,0*1,0,1,0,0*%\n%ADD10BOX,2X3*%\nD10*\nX100000Y100000D03*\nM02*", 4.0 * 3.0 - $circle, 0.01];
        yield 'a macro of an outline, turned' => [self::HEAD . "%AMTRI*4,1,3,0,0,4,0,0,4,0,0,30*%\n%ADD10TRI*%\nD10*\nX100000Y100000D03*\nM02*", 8.0, 0.02];
        yield 'a thermal' => [self::HEAD . "%AMTH*7,0,0,6,4,1,0*%\n%ADD10TH*%\nD10*\nX100000Y100000D03*\nM02*", M_PI * 5.0 - 4.0 * 1.0, 0.1];
        yield 'a block of flashes, flashed twice' => [self::HEAD . "%ADD10R,1X1*%\n%ABD20*%\nD10*\nX0Y0D03*\nX20000D03*\n%AB*%\nD20*\nX50000Y50000D03*\nY100000D03*\nM02*", 4.0, 0.01];
        yield 'turned and scaled' => [self::HEAD . "%ADD10R,4X1*%\nD10*\n%LR90*%\n%LS2*%\nX100000Y100000D03*\nM02*", 16.0, 0.01];
        yield 'inches, leading zeros' => ["%FSLAX24Y24*%\n%MOIN*%\n%ADD10R,0.1X0.1*%\nD10*\nX004000Y004000D03*\nM02*", 2.54 ** 2, 0.01];
        yield 'trailing zeros left out' => ["%FSTAX24Y24*%\n%MOMM*%\n%ADD10R,2X2*%\nD10*\nX10Y1D03*\nM02*", 4.0, 0.01];
        yield 'a coordinate that stays, an operation that stays' => [self::HEAD . "%ADD10R,1X1*%\nD10*\nX50000Y50000D03*\nX70000D03*\nY80000D03*\nM02*", 3.0, 0.01];
    }

    #[DataProvider('drawings')]
    public function testDraws(string $artwork, float $area, float $within): void
    {
        self::assertEqualsWithDelta($area, self::area(Gerber::read($artwork)), $within);
    }

    public function testNamesOfNetsTheFunctionAndTheNarrowestLine(): void
    {
        $artwork = Gerber::read(self::HEAD . "%TF.FileFunction,Copper,L2,Inr*%\n%ADD10C,0.2*%\n%ADD11C,0.5*%\nD10*\n%TO.N,VBAT*%\nX0Y0D02*\nX10000D01*\n%TD*%\nD11*\nX0Y20000D02*\nX10000D01*\nG04 #@! TO.N,GND*\nX0Y30000D02*\nX10000D01*\nM02*");
        self::assertSame('Copper,L2,Inr', $artwork->function);
        self::assertEqualsWithDelta(0.2e-3, $artwork->narrowest, 1e-12);
        self::assertSame(['VBAT', null, 'GND'], array_map(fn ($paint) => $paint->net, $artwork->paints));
    }

    public function testSaysWhatItDoesNotUnderstandAndDrawsTheRest(): void
    {
        $artwork = Gerber::read(self::HEAD . "%ADD10R,1X1*%\n%XX1*%\nD10*\nG99*\nX50000Y50000D03*\nnonsense*\nM02*");
        self::assertSame(['command XX', 'code G99', 'statement nonsense'], $artwork->notes);
        self::assertEqualsWithDelta(1.0, self::area($artwork), 0.01);
    }

    /** @return iterable<string, array{string, string}> */
    public static function mistakes(): iterable
    {
        yield 'no artwork' => ["solid body\nfacet", 'this is no artwork in Gerber format'];
        yield 'unknown aperture' => [self::HEAD . "%ADD10C,1*%\nD11*\nX0Y0D03*\nM02*", 'aperture D11 is used, but not defined; the file defines D10'];
        yield 'no aperture' => [self::HEAD . "X0Y0D03*\nM02*", 'something is drawn before an aperture is chosen'];
        yield 'unknown macro' => [self::HEAD . "%ADD10ROUND,1*%\nM02*", 'aperture D10 is of the unknown kind "ROUND"; the file defines no macros'];
        yield 'no unit' => ["%FSLAX34Y34*%\n%ADD10C,1*%\nM02*", 'millimetres or inches'];
        yield 'relative coordinates' => ["%FSLIX34Y34*%\n%MOMM*%\nM02*", 'relative to each other'];
        yield 'an unknown primitive' => [self::HEAD . "%AMA*9,1,1,0,0*%\n%ADD10A*%\nM02*", 'uses primitive 9, which is not known'];
        yield 'too long' => ['%FS' . str_repeat(' ', 60_000_000), 'the artwork has 60 MB; a layer has at most 60 MB'];
    }

    #[DataProvider('mistakes')]
    public function testRefuses(string $artwork, string $message): void
    {
        $this->expectException(BoardException::class);
        $this->expectExceptionMessage($message);
        Gerber::read($artwork);
    }

    /** Copper on 20 x 20 mm, mm2. */
    private static function area(Artwork $artwork): float
    {
        $raster = CopperRaster::of([0.0, 0.02, 0.0, 0.02], [new CopperLayer('top', $artwork->paints, 35e-6, 0.0)], [], [], 0.07e-3);

        return 1e6 * array_sum($raster->covered) * $raster->size[0] * $raster->size[1];
    }
}
