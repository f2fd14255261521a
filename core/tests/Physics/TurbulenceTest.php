<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\Fluid;
use Foehn\Physics\Flow\MolecularProperties;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\Flow\WallDistance;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** Eddies where nothing but the shear of the air itself makes them. */
final class TurbulenceTest extends TestCase
{
    private const GAP = 0.06;

    private const SPEED = 2.5;

    /** At half the speed of its middle a plane jet has an eddy viscosity of 0.032 of that speed and its half width (Pope, Turbulent Flows, 2000, 5.4). */
    public function testAJetThatFillsHalfOfAGapIsMixedAsMeasured(): void
    {
        $half = self::GAP / 4;
        $viscosity = $this->kinematicViscosity(fn (float $z): float => self::SPEED / cosh(0.881 * ($z - self::GAP / 2) / $half) ** 2, self::GAP / 2 + $half);

        self::assertGreaterThan(0.5, $viscosity / (0.032 * self::SPEED * $half));
        self::assertLessThan(1.2, $viscosity / (0.032 * self::SPEED * $half));
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
        $air = $model->materials->get('air');
        self::assertNotNull($air);
        $fluid = Fluid::of($air, $model->surroundings);
        $domain = DomainBuilder::build($model, Voxels::of($model, $grid), $fluid->density);
        $velocity = self::alongX($domain, $speed);
        $turbulence = new Turbulence($domain, $fluid, new WallDistance($domain));
        $turbulence->update($velocity, new MolecularProperties($domain, $fluid), []);

        return $turbulence->viscosity[$domain->layout->index(1, 1, (int) ceil($at / self::GAP * 60))] / $fluid->density;
    }

    /**
     * @param callable(float): float $speed
     * @return array{list<float>, list<float>, list<float>}
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
