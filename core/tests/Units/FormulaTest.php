<?php

declare(strict_types=1);

namespace Foehn\Tests\Units;

use Foehn\Units\Dimension;
use Foehn\Units\Parameters;
use Foehn\Units\UnitException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FormulaTest extends TestCase
{
    #[DataProvider('quantities')]
    public function testReadsQuantities(string $text, float $value, Dimension $dimension): void
    {
        $quantity = (new Parameters(['fin_gap' => '3 mm', 'count' => 4]))->evaluate($text);

        self::assertEqualsWithDelta($value, $quantity->value, 1e-9 * max(1.0, abs($value)), $text);
        self::assertTrue($quantity->dimension->equals($dimension), $quantity->dimension->describe());
    }

    /** @return iterable<array{string, float, Dimension}> */
    public static function quantities(): iterable
    {
        yield ['12 mm', 0.012, Dimension::length()];
        yield ['12mm', 0.012, Dimension::length()];
        yield ['fin_gap * 2 + 1 mm', 0.007, Dimension::length()];
        yield ['fin_gap*count', 0.012, Dimension::length()];
        yield ['45 degC', 318.15, Dimension::temperature()];
        yield ['-20 degC', 253.15, Dimension::temperature()];
        yield ['95 degF', 308.15, Dimension::temperature()];
        yield ['20 degC + 5 K', 298.15, Dimension::temperature()];
        yield ['8 W/m^2/K', 8.0, Dimension::filmCoefficient()];
        yield ['8 W/m²/K', 8.0, Dimension::filmCoefficient()];
        yield ['2e-5 m^2*K/W', 2e-5, Dimension::areaResistance()];
        yield ['0.4 K/W', 0.4, Dimension::thermalResistance()];
        yield ['1 mm / 2 mm', 0.5, Dimension::none()];
        yield ['-2^2', -4.0, Dimension::none()];
        yield ['2 * (3 mm + 1 cm)', 0.026, Dimension::length()];
        yield ['sqrt(4 cm^2)', 0.02, Dimension::length()];
        yield ['max(1 mm, 0.2 cm)', 0.002, Dimension::length()];
        yield ['30 %', 0.3, Dimension::none()];
        yield ['3 * sin(pi/2)', 3.0, Dimension::none()];
    }

    #[DataProvider('mistakes')]
    public function testSaysWhatIsWrong(string $text, string $expected): void
    {
        $this->expectException(UnitException::class);
        $this->expectExceptionMessage($expected);

        (new Parameters([]))->evaluate($text);
    }

    /** @return iterable<array{string, string}> */
    public static function mistakes(): iterable
    {
        yield ['12 parsec', '"parsec" is not a known unit'];
        yield ['gap + 1 mm', '"gap" is neither a unit nor a parameter'];
        yield ['1 mm + 2 W', 'cannot be added'];
        yield ['1 W/degC', 'a difference of temperatures is written in K'];
        yield ['(1 mm', '")" is missing'];
        yield ['1 mm mm', 'was not expected'];
        yield ['1 / 0', 'division by zero'];
        yield ['sin(1 mm)', 'sin needs a plain number'];
        yield ['exp(1e6)', 'not a finite number'];
        yield ['', 'nothing is given'];
        yield ['1 mm; rm', 'cannot be read at'];
    }

    public function testFindsACircleOfParameters(): void
    {
        $parameters = new Parameters(['a' => 'b + 1 mm', 'b' => '2 * c', 'c' => 'a / 3']);

        $this->expectExceptionMessage('in a circle: a → b → c → a');
        $parameters->get('a');
    }

    public function testAParameterMayNotHideAUnit(): void
    {
        self::assertNotNull(Parameters::nameProblem('mm'));
        self::assertNotNull(Parameters::nameProblem('2nd'));
        self::assertNull(Parameters::nameProblem('fin_height'));
    }
}
