<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics\Radiation;

use Foehn\Grid\GridBuilder;
use Foehn\Grid\SurfaceFinder;
use Foehn\Grid\Voxels;
use Foehn\Numerics\Sobol;
use Foehn\Physics\Radiation\CavityFaces;
use Foehn\Physics\Radiation\Emission;
use Foehn\Physics\Radiation\Enclosure;
use Foehn\Physics\Radiation\Links;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Physics\Radiation\Radiosity;
use Foehn\Physics\Radiation\SurfaceFinishes;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** The kernels of radiation between surfaces, against analytic view factors and radiosities. */
final class BetweenSurfacesTest extends TestCase
{
    public function testTheSequenceFillsEveryDimensionEvenly(): void
    {
        $sequence = new Sobol();
        $points = array_map(fn (): array => $sequence->next(), range(1, 64));

        for ($dimension = 0; $dimension < Sobol::DIMENSIONS; $dimension++) {
            $slots = array_map(fn (array $point): int => (int) floor(64.0 * $point[$dimension]), $points);
            self::assertCount(64, array_unique($slots), "one point in each sixty-fourth of dimension $dimension");
        }
        // Any two dimensions have four of the 64 points in each of 4 x 4 squares.
        foreach ([[0, 1], [0, 2], [1, 2], [0, 3]] as [$a, $b]) {
            $squares = array_count_values(array_map(fn (array $point): string => floor(4.0 * $point[$a]) . ' ' . floor(4.0 * $point[$b]), $points));
            self::assertCount(16, $squares);
        }
        self::assertEqualsWithDelta([0.5, 0.5, 0.5, 0.5], $points[1], 1e-12);
    }

    public function testTheWallsOfACubeSeeEachOther(): void
    {
        // A shell of 10 mm around a cube of 0.5 m of nothing: the six planes inside, and the outside, which sees the surroundings.
        $faces = self::faces([['id' => 'shell', 'shape' => ['kind' => 'shell', 'size' => [0.52, 0.52, 0.52], 'wall' => 0.01], 'at' => [0.05, 0.05, 0.05]]], [0.62, 0.62, 0.62], ['x' => [0, 0.05, 0.06, 0.56, 0.57, 0.62], 'y' => [0, 0.05, 0.06, 0.56, 0.57, 0.62], 'z' => [0, 0.05, 0.06, 0.56, 0.57, 0.62]]);
        $inside = array_keys(array_filter($faces[0]->areas, fn (float $area, int $patch): bool => ! $faces[0]->isOpening[$patch] && abs($area - 0.25) < 1e-9, ARRAY_FILTER_USE_BOTH));
        $links = Links::of($faces[1], $faces[0], 16384)->seen;

        self::assertCount(6, $inside);
        foreach ($inside as $i) {
            self::assertEqualsWithDelta(0.25, array_sum($links[$i]), 1e-4, 'all that leaves a wall arrives');
            foreach ($inside as $j) {
                $isOpposite = $i !== $j && ! self::adjacent($faces[0], $i, $j);
                $expected = $i === $j ? 0.0 : ($isOpposite ? 0.1998249 : 0.2000438);
                self::assertEqualsWithDelta($expected, ($links[$i][$j] ?? 0.0) / 0.25, 0.01 * 0.2);
                self::assertEqualsWithDelta($links[$i][$j] ?? 0.0, $links[$j][$i] ?? 0.0, 1e-12, 'symmetric');
            }
        }
    }

    public function testFinitePlatesSeeEachOtherAndTheSurroundingsBetweenThem(): void
    {
        // P18: 0.2 m x 0.3 m, 0.1 m apart, the rest of the space open.
        $plate = fn (string $id, float $z): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.2, 0.3, 0.01]], 'at' => [0.1, 0.1, $z]];
        $lines = ['x' => [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4], 'y' => [0, 0.05, 0.1, 0.175, 0.25, 0.325, 0.4, 0.45, 0.5], 'z' => [0, 0.1, 0.11, 0.16, 0.21, 0.22, 0.32]];
        [$faces, $grid] = self::faces([$plate('low', 0.1), $plate('high', 0.21)], [0.4, 0.5, 0.32], $lines);
        $links = Links::of($grid, $faces, 8192)->seen;
        [$low, $high] = [self::patchAt($faces, 0.06, 5), self::patchAt($faces, 0.06, 4)];
        $facing = fn (int $a, int $b): float => ($links[$a][$b] ?? 0.0) / 0.06;
        $found = max(...array_merge(...array_map(fn (int $a): array => array_map(fn (int $b): float => $facing($a, $b), [...$low, ...$high]), [...$low, ...$high])));

        self::assertEqualsWithDelta(0.4755764, $found, 0.01 * 0.4755764);
    }

    public function testRadiositiesOfACubeAreThoseOfTheSixEquations(): void
    {
        // P19 with its exact view factors: the last wall re-radiates, as an emissivity of nothing does.
        $seen = [];
        for ($i = 0; $i < 6; $i++) {
            for ($j = 0; $j < 6; $j++) {
                $seen[$i][$j] = 0.25 * ($i === $j ? 0.0 : (intdiv($i, 2) === intdiv($j, 2) ? 0.1998249 : 0.2000438));
            }
        }
        $radiosity = new Radiosity($seen, array_fill(0, 6, 0.25), [0.9, 0.3, 0.7, 0.5, 0.8, 0.0]);
        $emission = array_map(fn (float $t): float => Emission::SIGMA * $t ** 4, [500.0, 300.0, 350.0, 320.0, 400.0, 0.0]);
        $net = $radiosity->net($emission);

        self::assertEqualsWithDelta([484.0735, -99.13247, -171.2617, -152.8365, -60.84278, 0.0], $net, 0.05);
        self::assertEqualsWithDelta(0.0, array_sum($net), 1e-3);
        self::assertEqualsWithDelta(417.0441, ($radiosity->irradiation($emission)[5] / Emission::SIGMA) ** 0.25, 0.05);
    }

    public function testBlackPatchesGiveWhatTheyHave(): void
    {
        $radiosity = new Radiosity([[1 => 0.5], [0 => 0.5]], [0.5, 0.5], [1.0, 1.0]);

        self::assertEqualsWithDelta([0.5 * 300.0, -0.5 * 300.0], $radiosity->net([700.0, 400.0]), 1e-9);
    }

    /** Two infinite plates between mirrors: q = sigma (T1^4 - T2^4) / (1 / eps1 + 1 / eps2 - 1). */
    public function testAMirrorTurnsRaysBack(): void
    {
        $plate = fn (string $id, float $z): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.1, 0.1, 0.02]], 'at' => [0, 0, $z]];
        $mirror = ['kind' => 'symmetry'];
        [$faces, $grid] = self::faces([$plate('low', 0.0), $plate('high', 0.08)], [0.1, 0.1, 0.1], ['x' => [0, 0.03, 0.1], 'y' => [0, 0.1], 'z' => [0, 0.02, 0.05, 0.08, 0.1]], ['x-' => $mirror, 'x+' => $mirror, 'y-' => $mirror, 'y+' => $mirror]);
        $links = Links::of($grid, $faces, 256)->seen;

        self::assertCount(2, $links);
        self::assertEqualsWithDelta(0.01, $links[0][1], 1e-12);
        $radiosity = new Radiosity($links, $faces->areas, [0.8, 0.5]);
        self::assertEqualsWithDelta(0.01 * 300.0 / (1.0 / 0.8 + 1.0 / 0.5 - 1.0), $radiosity->net([700.0, 400.0])[0], 1e-9);
    }

    /** A round body sees next to nothing of itself, however flat the cells are along it. */
    public function testTheStepsOfARodHardlySeeEachOther(): void
    {
        $even = fn (float $to, int $count): array => array_map(fn (int $n): float => $to * $n / $count, range(0, $count));
        $mirror = ['kind' => 'symmetry'];
        $rod = ['id' => 'rod', 'shape' => ['kind' => 'cylinder', 'axis' => 'z', 'radius' => 0.01, 'length' => 0.01], 'at' => [0.02, 0.02, 0]];
        foreach ([2, 8, 32] as $along) {
            [$faces, $grid] = self::faces([$rod], [0.04, 0.04, 0.01], ['x' => $even(0.04, 32), 'y' => $even(0.04, 32), 'z' => $even(0.01, $along)], ['z-' => $mirror, 'z+' => $mirror]);
            [$own, $all] = [0.0, 0.0];
            foreach (Links::of($grid, $faces, 256)->seen as $i => $row) {
                foreach ($faces->isOpening[$i] ? [] : $row as $j => $link) {
                    $own += $faces->isOpening[$j] ? 0.0 : $link;
                    $all += $link;
                }
            }
            self::assertEqualsWithDelta(2.0 * M_PI * 0.01 * 0.01, $all, 0.01 * $all, 'the true area');
            self::assertLessThan(0.02, $own / $all, "$along cells along it");
        }
    }

    public function testWhatSurfacesSeeIsKeptWhileNothingChangesAndNothingIsReadThatIsNotWhole(): void
    {
        $folder = sys_get_temp_dir() . '/foehn-links-' . bin2hex(random_bytes(4));
        $plate = fn (float $z): array => ['id' => "p$z", 'shape' => ['kind' => 'block', 'size' => [0.1, 0.1, 0.02]], 'at' => [0, 0, $z]];
        $lines = ['x' => [0, 0.05, 0.1], 'y' => [0, 0.1], 'z' => [0, 0.02, 0.05, 0.08, 0.1]];
        [$faces, $grid] = self::faces([$plate(0.0), $plate(0.08)], [0.1, 0.1, 0.1], $lines);
        $found = (new LinkStore($folder))->of($grid, $faces);
        [$kept] = glob("$folder/*.links") ?: [''];
        $written = (int) filemtime($kept);

        self::assertEqualsWithDelta($found->seen, (new LinkStore($folder))->of($grid, $faces)->seen, 1e-15);
        self::assertCount(1, glob("$folder/*") ?: [], 'no second file');
        self::assertGreaterThanOrEqual($written, (int) filemtime($kept));
        file_put_contents($kept, substr((string) file_get_contents($kept), 0, -3));
        self::assertEqualsWithDelta($found->seen, (new LinkStore($folder))->of($grid, $faces)->seen, 1e-15, 'a file that is cut off');
        [$other, $there] = self::faces([$plate(0.0)], [0.1, 0.1, 0.1], $lines);
        self::assertNotEquals($found->seen, (new LinkStore($folder))->of($there, $other)->seen, 'other parts');
        array_map(unlink(...), glob("$folder/*") ?: []);
        rmdir($folder);
    }

    /** A closed box whose inside does not radiate is told apart from one with a spot that does. */
    public function testACavityInWhichNothingEmitsIsFound(): void
    {
        foreach ([[0.0, 1], [0.5, 0]] as [$emissivity, $dark]) {
            $box = ['id' => 'box', 'shape' => ['kind' => 'shell', 'size' => [0.1, 0.1, 0.1], 'wall' => 0.01]];
            $model = Models::read(Models::block([
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.1]], 'fluid' => null],
                'parts' => [['material' => 'copper', ...$box, 'surface' => $emissivity > 0.0 ? ['emissivity' => $emissivity] : ['radiates' => false]]], 'limits' => [], 'analysis' => ['grid' => ['cells' => [10, 10, 10]]],
            ]));
            $voxels = Voxels::of($model, GridBuilder::build($model));
            $elements = SurfaceFinder::find($model, $voxels);
            $finishes = new SurfaceFinishes($model, $elements, $voxels);
            $faces = new CavityFaces($model, $voxels, $elements, $finishes);

            self::assertCount($dark, (new Enclosure($faces, Links::of($voxels->grid, $faces, 64), $elements, $finishes->emissivity, 400.0))->dark());
        }
    }

    /** @return list<int> patches of parts of so much area that are seen in a direction out of the cavity */
    private static function patchAt(CavityFaces $faces, float $area, int $direction): array
    {
        $found = [];
        foreach ($faces->direction as $face => $own) {
            $patch = $faces->patch[$face];
            if ($own === $direction && ! $faces->isOpening[$patch] && abs($faces->areas[$patch] - $area) < 1e-9) {
                $found[$patch] = $patch;
            }
        }

        return array_values($found);
    }

    private static function adjacent(CavityFaces $faces, int $i, int $j): bool
    {
        $direction = fn (int $patch): int => $faces->direction[(int) array_search($patch, $faces->patch, true)];

        return $direction($i) >> 1 !== $direction($j) >> 1;
    }

    /**
     * @param list<array<string, mixed>> $parts of metal
     * @param array{float, float, float} $size of the space, m, with nothing in it
     * @param array<string, list<float|int>> $lines of the grid, m
     * @param array<string, mixed> $sides
     * @return array{CavityFaces, \Foehn\Grid\Grid} with one tile to a plane
     */
    private static function faces(array $parts, array $size, array $lines, array $sides = []): array
    {
        $model = Models::read(Models::block([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => $size], 'fluid' => null, 'sides' => $sides],
            'parts' => array_map(fn (array $part): array => ['material' => 'copper', ...$part], $parts), 'limits' => [], 'analysis' => ['grid' => ['lines' => $lines]],
        ]));
        $grid = GridBuilder::build($model);
        $voxels = Voxels::of($model, $grid);

        $elements = SurfaceFinder::find($model, $voxels);

        return [new CavityFaces($model, $voxels, $elements, new SurfaceFinishes($model, $elements, $voxels), 1), $grid];
    }
}
