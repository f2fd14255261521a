<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\MolecularProperties;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\Flow\WallDistance;
use Foehn\Tests\Domains;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** Eddies where nothing but the shear of the air itself makes them. */
final class TurbulenceTest extends TestCase
{
    private const GAP = 0.06;

    private const SPEED = 2.5;

    /**
     * Away from walls the eddy viscosity is l^2 |du/dz| with l = 0.8 (h/2) (0.14 - 0.08 s^2 - 0.06 s^4), where s is the distance from the
     * middle over h/2 (Nikuradse, VDI-Forschungsheft 356, 1932; decision 22 for the factor).
     */
    public function testAJetThatFillsHalfOfAGapIsMixedByItsLength(): void
    {
        $half = self::GAP / 4;
        $at = self::GAP / 2 + $half - self::GAP / 120;
        $viscosity = $this->kinematicViscosity(fn (float $z): float => self::SPEED / cosh(0.881 * ($z - self::GAP / 2) / $half) ** 2, $at);

        $fromMiddle = (2.0 * $at / self::GAP - 1.0) ** 2;
        $length = 0.8 * self::GAP / 2 * (0.14 - 0.08 * $fromMiddle - 0.06 * $fromMiddle ** 2);
        $x = 0.881 * ($at - self::GAP / 2) / $half;
        $slope = self::SPEED * 2.0 * 0.881 / $half * tanh($x) / cosh($x) ** 2;
        self::assertEqualsWithDelta($length ** 2 * $slope + 1.6e-5, $viscosity, 5e-3 * $viscosity, 'with the viscosity of the air itself');
        // A plane jet has 0.032 of the speed of its middle times its half width there (Pope, Turbulent Flows, 2000, 5.4).
        self::assertEqualsWithDelta(1.0, $viscosity / (0.032 * self::SPEED * $half), 0.3, 'less than measured, by the factor of 0.8 on the length');
    }

    /**
     * @param callable(float): float $speed along x at a height z, m/s
     * @return float with that of the air itself, m2/s, in the cell at the height
     */
    private function kinematicViscosity(callable $speed, float $at): float
    {
        $model = Models::read([
            'format' => 'foehn-model', 'version' => 1, 'physics' => ['heat' => false, 'flow' => 'turbulent'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, self::GAP]], 'fluid' => 'air',
                'sides' => array_fill_keys(['x-', 'x+', 'y-', 'y+'], ['kind' => 'symmetry'])],
        ]);
        $grid = new Grid([[0.0, 0.05, 0.1], [0.0, 0.05, 0.1], array_map(fn (int $k) => self::GAP * $k / 60, range(0, 60))]);
        $fluid = Domains::fluid($model, 'air');
        $domain = DomainBuilder::build($model, Voxels::of($model, $grid), $fluid->density);
        $velocity = self::alongX($domain, $speed);
        $turbulence = new Turbulence($domain, $fluid, new WallDistance($domain));
        $turbulence->update($velocity, new MolecularProperties($domain, $fluid), []);

        return $turbulence->viscosity[$domain->layout->index(1, 1, (int) ceil($at / self::GAP * 60))] / $fluid->density;
    }

    /**
     * @param callable(float): float $speed
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    private static function alongX(FlowDomain $domain, callable $speed): array
    {
        $zeros = $u = $domain->layout->zeros();
        foreach ($domain->layout->grid->centres[2] as $k => $z) {
            foreach ([0, 1, 2] as $i) {
                $u[$domain->layout->index($i, 1, $k + 1)] = $u[$domain->layout->index($i, 2, $k + 1)] = $speed($z);
            }
        }

        return [$u, $zeros, $zeros];
    }
}
