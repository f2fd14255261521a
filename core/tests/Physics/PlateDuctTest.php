<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Physics\Flow\PlateDuct;
use PHPUnit\Framework\TestCase;

/** Between parallel plates: what holds far inside, what holds at the very entrance, and that stretches add up. */
final class PlateDuctTest extends TestCase
{
    public function testFarInsideItIsDevelopedFlow(): void
    {
        self::assertEqualsWithDelta(24.0, PlateDuct::friction(500.0, 300.0, 301.0), 0.1);
        self::assertEqualsWithDelta(7.55, PlateDuct::nusselt(500.0, 0.71, 300.0, 301.0), 0.05);
    }

    public function testAtTheEntranceEachWallHasTheLayerOfAFlatPlate(): void
    {
        [$reynolds, $prandtl, $length] = [1000.0, 0.71, 0.05];
        // Pohlhausen's mean over the length, in terms of the hydraulic diameter.
        $plate = 0.664 * sqrt($reynolds / $length) * $prandtl ** (1 / 3);
        self::assertEqualsWithDelta($plate, PlateDuct::nusselt($reynolds, $prandtl, 0.0, $length), 0.1 * $plate);
        // The layers narrow what is left for the core: 3.44 instead of Blasius' 1.328 (Shah & London 1978).
        self::assertEqualsWithDelta(3.44 * sqrt($reynolds / $length), PlateDuct::friction($reynolds, 0.0, $length), 1.0);
    }

    public function testStretchesAddUpToTheWhole(): void
    {
        $ends = [0.0, 0.2, 1.0, 3.0, 9.0];
        $friction = $heat = 0.0;
        for ($n = 1; $n < 5; $n++) {
            $friction += ($ends[$n] - $ends[$n - 1]) * PlateDuct::friction(400.0, $ends[$n - 1], $ends[$n]);
            $heat += ($ends[$n] - $ends[$n - 1]) * PlateDuct::nusselt(400.0, 0.71, $ends[$n - 1], $ends[$n]);
        }
        self::assertEqualsWithDelta(9.0 * PlateDuct::friction(400.0, 0.0, 9.0), $friction, 1e-9);
        self::assertEqualsWithDelta(9.0 * PlateDuct::nusselt(400.0, 0.71, 0.0, 9.0), $heat, 1e-9);
    }

    public function testNarrowGapsAreLaminarAndWideOnesAreNot(): void
    {
        self::assertSame([0.0, 1.0], [PlateDuct::turbulence(1500.0), PlateDuct::turbulence(6000.0)]);
        // Gnielinski and Blasius at 10 000.
        self::assertEqualsWithDelta(30.0, PlateDuct::nusselt(1e4, 0.71, 20.0, 21.0), 1.5);
        self::assertEqualsWithDelta(79.0, PlateDuct::friction(1e4, 100.0, 101.0), 1e-6);
    }
}
