<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Observe\FinBypass;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Domains;
use PHPUnit\Framework\TestCase;

/** What goes through a heat sink and past it is together what the inlet brings. */
final class FinBypassTest extends TestCase
{
    public function testWhatPassesAHeatSinkIsCounted(): void
    {
        // 0.3 m/s into 40 x 40 mm.
        $all = 0.3 * 0.04 * 0.04;
        $narrow = $this->past([0.03, 0.02]);
        self::assertSame(0, $narrow['axis']);
        self::assertEqualsWithDelta($all, $narrow['through'] + $narrow['beside'], 0.02 * $all, 'what turns back beside it is not counted');
        self::assertGreaterThan(0.01, $narrow['through'] / $all);
        self::assertGreaterThan($narrow['through'], $narrow['beside'], 'of a viscous fluid most goes past');

        self::assertEqualsWithDelta(300.0, $narrow['before'], 1e-3, 'it comes as the inlet brings it');

        $whole = $this->past([0.04, 0.04]);
        self::assertEqualsWithDelta($all, $whole['through'], 1e-3 * $all, 'nothing can go past');
        self::assertEqualsWithDelta(0.0, $whole['beside'], 1e-3 * $all);
    }

    /**
     * @param array{float, float} $size m across the stream
     * @return array{part: string, name: string, axis: int, through: float, beside: float, before: ?float}
     */
    private function past(array $size): array
    {
        $sides = ['x-' => ['kind' => 'inlet', 'speed' => 0.3], 'x+' => ['kind' => 'outlet'], 'y-' => ['kind' => 'symmetry'], 'y+' => ['kind' => 'symmetry'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']];
        $sink = ['id' => 's', 'name' => 'Sink', 'material' => 'aluminium', 'at' => [0.03, 0.0, 0.0],
            'shape' => ['kind' => 'plateFins', 'size' => [0.03, $size[0]], 'height' => $size[1] - 0.005, 'base' => 0.005, 'count' => 3, 'thickness' => 0.003, 'along' => 'x']];
        $passes = FinBypass::of((new SteadySolver(Domains::model([0.1, 0.04, 0.04], [20, 16, 16], $sides, [$sink])))->solve()->state);
        self::assertCount(1, $passes);

        return $passes[0];
    }
}
