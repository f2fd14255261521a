<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\SurfaceFinder;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\Heat\SurfaceContribution;
use Foehn\Physics\Heat\SurfaceNodes;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two slabs on each other, one-dimensional, so that every temperature is known exactly on any number of cells. */
final class SurfaceNodesTest extends TestCase
{
    private const AREA = 1e-4;

    private const THICK = 0.01;

    /** W/m/K of the lower and the upper slab. */
    private const LOWER = 2.0;

    private const UPPER = 5.0;

    /** W/m2/K at the top; the bottom is held at 300 K. */
    private const FILM = 50.0;

    /** @return iterable<string, array{int}> */
    public static function cells(): iterable
    {
        foreach ([2, 4, 10] as $cells) {
            yield "$cells cells" => [$cells];
        }
    }

    #[DataProvider('cells')]
    public function testHeatGivenBetweenTwoSlabsLandsOnTheSurface(int $cells): void
    {
        // 3 W between: down through the lower slab, up through the upper one and the film, by their resistances.
        [$system, $temperature] = self::solve(self::slabs($cells, ['z+' => ['heat' => ['kind' => 'power', 'power' => 3]]], []));
        [$down, $up] = [self::THICK / self::LOWER, self::THICK / self::UPPER + 1 / self::FILM];
        $rise = 3.0 / self::AREA / (1 / $down + 1 / $up);

        $element = self::element($system, 0, 5);
        self::assertEqualsWithDelta(300.0 + $rise, $system->surfaces->surfaceTemperature($element, $temperature), 1e-7);
        self::assertEqualsWithDelta(-$rise / $down * self::AREA, $system->surfaces->heatOut($element, $temperature), 1e-7, 'what the lower slab takes comes into it through its top');
        self::assertEqualsWithDelta(3.0, $system->watts, 1e-12);
    }

    #[DataProvider('cells')]
    public function testBothSurfacesOfAContactHaveTheirOwnTemperature(int $cells): void
    {
        [$system, $temperature] = self::solve(self::slabs($cells, ['z+' => ['heat' => ['kind' => 'contact', 'resistance' => 1e-3]]], [], 2.0));
        // All 2 W of the upper slab come down through the contact or leave by the film; the bottom of the upper one is the hotter side.
        $lower = $system->surfaces->surfaceTemperature(self::element($system, 0, 5), $temperature);
        $upper = $system->surfaces->surfaceTemperature(self::element($system, 1, 4), $temperature);
        $through = $system->surfaces->heatOut(self::element($system, 1, 4), $temperature);

        self::assertGreaterThan(0.1, $through);
        self::assertEqualsWithDelta($through / self::AREA * 1e-3, $upper - $lower, 1e-7);
        self::assertEqualsWithDelta(-$through, $system->surfaces->heatOut(self::element($system, 0, 5), $temperature), 1e-9);
        self::assertEqualsWithDelta(300.0 + $through / self::AREA * self::THICK / self::LOWER, $lower, 1e-7);
    }

    #[DataProvider('cells')]
    public function testMechanismsAtOneSurfaceJoinIntoOne(int $cells): void
    {
        // A second film to another temperature beside the first, and heat from outside: as a sunlit wall that radiates and is washed.
        $more = new class () implements SurfaceContribution {
            public function addToSurfaces(SurfaceNodes $nodes): void
            {
                foreach ($nodes->elements->direction as $e => $direction) {
                    if ($direction === 5 && $nodes->elements->other[$e] < 0 && $nodes->elements->part[$e] === 1) {
                        $nodes->join($e, 30.0, 400.0);
                        $nodes->given[$e] += 800.0 * $nodes->elements->area[$e];
                    }
                }
            }
        };
        [$system, $temperature] = self::solve(self::slabs($cells, [], []), $more);
        $resistance = self::THICK / self::LOWER + self::THICK / self::UPPER;
        // Balance of the top surface: (T - 300) / R + 50 (T - 300) + 30 (T - 400) = 800.
        $top = (300.0 / $resistance + 50 * 300.0 + 30 * 400.0 + 800.0) / (1 / $resistance + 80.0);
        $element = self::element($system, 1, 5);

        self::assertEqualsWithDelta($top, $system->surfaces->surfaceTemperature($element, $temperature), 1e-7);
        self::assertEqualsWithDelta(-self::AREA * ($top - 300.0) / $resistance, $system->surfaces->heatOut($element, $temperature), 1e-7);
        self::assertFalse($system->surfaces->isHeld($element));
        self::assertTrue($system->surfaces->isHeld(self::element($system, 0, 4)));
    }

    public function testAHeldSurfaceTakesUpWhatIsGivenThere(): void
    {
        $heats = new class () implements SurfaceContribution {
            public function addToSurfaces(SurfaceNodes $nodes): void
            {
                foreach ($nodes->elements->direction as $e => $direction) {
                    if ($direction === 4 && $nodes->elements->other[$e] < 0) {
                        $nodes->given[$e] += 0.25;
                        $nodes->join($e, 100.0, 500.0);
                    }
                }
            }
        };
        [$system, $temperature] = self::solve(self::slabs(4, [], []), $heats);

        self::assertEqualsWithDelta(300.0, $system->surfaces->surfaceTemperature(self::element($system, 0, 4), $temperature), 1e-9);
        self::assertEqualsWithDelta(300.0, Values::greatest($temperature), 1e-9);
    }

    public function testElementsOfOneFaceAreTwins(): void
    {
        $model = self::slabs(3, [], []);
        $elements = SurfaceFinder::find($model, Voxels::of($model, GridBuilder::build($model)));
        $pairs = 0;
        foreach ($elements->twin as $e => $twin) {
            if ($twin < 0) {
                continue;
            }
            $pairs++;
            self::assertSame($e, $elements->twin[$twin]);
            self::assertSame($elements->cell[$e], $elements->other[$twin]);
            self::assertSame($elements->part[$e], $elements->otherPart[$twin]);
            self::assertSame($elements->direction[$e] ^ 1, $elements->direction[$twin]);
        }

        self::assertSame(2, $pairs);
    }

    /**
     * @param array<string, mixed> $lower faces
     * @param array<string, mixed> $upper faces
     */
    private static function slabs(int $cells, array $lower, array $upper, float $watts = 0.0): Model
    {
        $block = fn (string $id, float $at, string $material, array $faces, float $power): array => ['id' => $id, 'name' => $id, 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, self::THICK]],
            'at' => [0, 0, $at], 'material' => $material, 'faces' => $faces, 'power' => $power];

        return ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Slabs', 'surroundings' => ['temperature' => 300],
            'materials' => ['low' => ['conductivity' => self::LOWER], 'high' => ['conductivity' => self::UPPER]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.01, 0.01, 2 * self::THICK]], 'fluid' => null, 'sides' => [
                'z-' => ['heat' => ['kind' => 'temperature', 'temperature' => 300]], 'z+' => ['heat' => ['kind' => 'film', 'coefficient' => self::FILM, 'temperature' => 300]]]],
            'parts' => [$block('lower', 0.0, 'low', $lower, 0.0), $block('upper', self::THICK, 'high', $upper, $watts)],
            'analysis' => ['grid' => ['cells' => [1, 1, 2 * $cells]]],
        ]);
    }

    /** @return array{HeatSystem, array<int, float>} and the temperatures, K */
    private static function solve(Model $model, ?SurfaceContribution $more = null): array
    {
        $equation = new HeatEquation($model, Voxels::of($model, GridBuilder::build($model)));
        if ($more !== null) {
            $equation->add($more);
        }
        $system = $equation->at(null);

        return [$system, $system->temperatures((new StencilSolver($system->stencil))->solve($system->source, Stencil::zeros($system->stencil->cells), new Accuracy(1e-14))->x)];
    }

    private static function element(HeatSystem $system, int $part, int $direction): int
    {
        $elements = $system->surfaces->elements;
        foreach ($elements->part as $e => $owner) {
            if ($owner === $part && $elements->direction[$e] === $direction) {
                return $e;
            }
        }
        self::fail("part $part has no surface towards direction $direction");
    }
}
