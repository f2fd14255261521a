<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\LimitedConvection;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LimitedConvectionTest extends TestCase
{
    private const CELL = 0.01;

    private FlowDomain $domain;

    protected function setUp(): void
    {
        $this->domain = Domains::domain(Domains::model([0.08, 0.08, 0.08], [8, 8, 8]));
    }

    /** @return iterable<string, array{int, float}> */
    public static function streams(): iterable
    {
        foreach ([0, 1, 2] as $axis) {
            yield "along axis $axis" => [$axis, 0.3];
            yield "against axis $axis" => [$axis, -0.3];
        }
    }

    #[DataProvider('streams')]
    public function testALinearProfileIsCarriedExactly(int $stream, float $speed): void
    {
        $slope = 2.0;
        $u = Domains::sample($this->domain->layout, 0, fn (float ...$at): float => $slope * $at[$stream]);
        $force = LimitedConvection::force($this->domain, 0, $this->flux($stream, $speed), $u);
        // Upwind alone takes values half a cell too far upstream on both faces: in a linear profile the two corrections cancel.
        foreach (Domains::inner($this->domain, 0, 2) as $c) {
            self::assertEqualsWithDelta(0.0, $force[$c], 1e-14);
        }
    }

    #[DataProvider('streams')]
    public function testOnAParabolaItAddsTheHalfDifferenceOfTheSlopes(int $stream, float $speed): void
    {
        $u = Domains::sample($this->domain->layout, 0, fn (float ...$at): float => ($at[$stream] + 0.2) ** 2);
        $flux = $this->flux($stream, $speed);
        $force = LimitedConvection::force($this->domain, 0, $flux, $u);
        $mass = Domains::DENSITY * $speed * self::CELL ** 2;
        foreach (Domains::inner($this->domain, 0, 2) as $c) {
            // Of (u_e - u_w) central less upwind: half the second difference, against the stream.
            self::assertEqualsWithDelta(-abs($mass) * 0.5 * 2 * self::CELL ** 2, $force[$c], 1e-3 * abs($mass) * self::CELL ** 2);
        }
    }

    public function testWhereTheProfileBendsStronglyItIsLimited(): void
    {
        // Four times as much from cell to cell: r = (1 - 1/4) / (4 - 1) = 1/4 and psi = 2 r = 1/2.
        $u = Domains::sample($this->domain->layout, 0, fn (float $x, float $y): float => 4.0 ** ($y / self::CELL));
        $force = LimitedConvection::force($this->domain, 0, $this->flux(1, 0.3), $u);
        $mass = Domains::DENSITY * 0.3 * self::CELL ** 2;
        foreach (Domains::inner($this->domain, 0, 2) as $c) {
            // 1/2 psi m (4 u - u) goes out beyond, the same of the cell before comes in: 3/4 - 3/16.
            self::assertEqualsWithDelta(-9 / 16 * $mass * $u[$c], $force[$c], 1e-9 * $mass * $u[$c]);
        }
    }

    public function testAtAnExtremeItAddsNothing(): void
    {
        // A zigzag from cell to cell.
        $u = Domains::sample($this->domain->layout, 0, fn (float $x, float $y): float => (int) round($y / self::CELL - 0.5) % 2 === 0 ? 1.0 : -1.0);
        $force = LimitedConvection::force($this->domain, 0, $this->flux(1, 0.3), $u);

        self::assertSame(0.0, Values::greatest(array_map(abs(...), array_intersect_key($force, array_flip(Domains::inner($this->domain, 0, 2))))));
    }

    public function testItOnlyMovesMomentumFromFaceToFace(): void
    {
        $u = Domains::sample($this->domain->layout, 0, fn (float $x, float $y, float $z): float => sin(90 * $x) + cos(70 * $y) * sin(50 * $z));
        foreach ([0, 1, 2] as $stream) {
            $force = LimitedConvection::force($this->domain, 0, $this->flux($stream, 0.4), $u);
            self::assertGreaterThan(1e-9, Values::greatest($force));
            self::assertEqualsWithDelta(0.0, array_sum($force), 1e-15 * count($force), "stream along axis $stream");
        }
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} of a uniform stream, kg/s */
    private function flux(int $stream, float $speed): array
    {
        $zeros = $this->domain->layout->zeros();
        $flux = [$zeros, $zeros, $zeros];
        foreach ($this->domain->layout->faceAreas($stream) as $c => $area) {
            $flux[$stream][$c] = Domains::DENSITY * $area * $speed;
        }

        return [$flux[0], $flux[1], $flux[2]];
    }
}
