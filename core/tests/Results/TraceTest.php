<?php

declare(strict_types=1);

namespace Foehn\Tests\Results;

use Foehn\Grid\Grid;
use Foehn\Observe\Fields;
use Foehn\Results\FieldFile;
use Foehn\Results\OutputException;
use Foehn\Results\ResultBuilder;
use Foehn\Results\StoredPicture;
use Foehn\Results\Trace\Isosurface;
use Foehn\Results\Trace\Streamlines;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Domains;
use PHPUnit\Framework\TestCase;

/** Streamlines and isosurfaces against what they are exactly. */
final class TraceTest extends TestCase
{
    public function testAUniformStreamIsCrossedInTheTimeItTakes(): void
    {
        $grid = new Grid([[0.0, 0.1, 0.4, 1.0], [0.0, 0.5, 1.0], [0.0, 1.0]]);
        $lines = new Streamlines($grid, [array_fill(0, 8, 2.0), array_fill(0, 9, 0.0), array_fill(0, 12, 0.0)]);
        $line = $lines->through([0.3, 0.25, 0.5]);

        self::assertEqualsWithDelta([0.0, 0.25, 0.5, -0.15], $line[0], 1e-12);
        self::assertEqualsWithDelta([1.0, 0.25, 0.5, 0.35], $line[count($line) - 1], 1e-12);
        self::assertEqualsWithDelta([0.3, 0.25, 0.5, 0.0], $lines->through([0.3, 0.25, 0.5], back: false)[0], 1e-12);
    }

    public function testAStreamThatSpreadsFollowsItsHyperbola(): void
    {
        // u = a x, v = -a y: x y stays, and x grows as exp(a t).
        $grid = new Grid([range(0.1, 1.0, 0.1), range(0.1, 1.0, 0.1), [0.0, 1.0]]);
        $faces = [[], [], array_fill(0, 2 * 81, 0.0)];
        for ($j = 0; $j < 10; $j++) {
            for ($i = 0; $i < 10; $i++) {
                if ($j < 9) {
                    $faces[0][] = 3.0 * $grid->lines[0][$i];
                }
                if ($i < 9) {
                    $faces[1][] = -3.0 * $grid->lines[1][$j];
                }
            }
        }
        $line = (new Streamlines($grid, $faces))->through([0.2, 0.9, 0.5], back: false);
        self::assertGreaterThan(10, count($line));
        foreach ($line as [$x, $y, $z, $t]) {
            self::assertEqualsWithDelta(0.18, $x * $y, 1e-9);
            self::assertEqualsWithDelta(0.2 * exp(3.0 * $t), $x, 1e-9);
            self::assertSame(0.5, $z);
        }
    }

    public function testLinesOfATaylorGreenCellCloseAndStayInTheirPlane(): void
    {
        // Stream function sin(pi x) sin(pi y); the velocity of a face is its difference between the ends over the length, as a balance of mass has it.
        $lines = array_map(fn (int $n): float => 0.5 * (1.0 - cos(M_PI * $n / 23)), range(0, 23));
        $grid = new Grid([$lines, $lines, [0.0, 0.3, 1.0]]);
        $stream = fn (int $i, int $j): float => sin(M_PI * $lines[$i]) * sin(M_PI * $lines[$j]);
        $faces = [[], [], array_fill(0, 3 * 23 * 23, 0.0)];
        foreach ([0, 1] as $_) {
            for ($j = 0; $j < 24; $j++) {
                for ($i = 0; $i < 24; $i++) {
                    if ($j < 23) {
                        $faces[0][] = ($stream($i, $j + 1) - $stream($i, $j)) / ($lines[$j + 1] - $lines[$j]);
                    }
                    if ($i < 23) {
                        $faces[1][] = -($stream($i + 1, $j) - $stream($i, $j)) / ($lines[$i + 1] - $lines[$i]);
                    }
                }
            }
        }
        foreach ([0.2, 0.35, 0.45] as $y) {
            $line = (new Streamlines($grid, $faces))->through([0.5, $y, 0.4], back: false);
            $turns = array_values(array_filter(array_keys($line), fn (int $n): bool => $n > 0 && $line[$n - 1][0] < 0.5 && $line[$n][0] >= 0.5 && $line[$n][1] < 0.5));
            self::assertNotEmpty($turns, 'it comes round');
            foreach ($turns as $n) {
                $share = (0.5 - $line[$n - 1][0]) / ($line[$n][0] - $line[$n - 1][0]);
                self::assertEqualsWithDelta($y, $line[$n - 1][1] + $share * ($line[$n][1] - $line[$n - 1][1]), 0.01 * (0.5 - $y), 'to 1 % of its turn');
            }
            self::assertSame([0.4], array_values(array_unique(array_column($line, 2))));
        }
    }

    public function testNoLineEntersASolid(): void
    {
        $sides = ['x-' => ['kind' => 'inlet', 'speed' => 0.3], 'x+' => ['kind' => 'outlet']];
        $block = ['id' => 'b', 'name' => 'Block', 'material' => 'aluminium', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.03]], 'at' => [0.03, 0.01, 0]];
        $solution = (new SteadySolver(Domains::model([0.1, 0.04, 0.04], [20, 8, 8], $sides, [$block])))->solve();
        $folder = sys_get_temp_dir() . '/foehn-trace-' . getmypid();
        mkdir($folder);
        foreach ([...FieldFile::of($solution->state), 'result.json' => json_encode(ResultBuilder::build($solution, ''), JSON_THROW_ON_ERROR)] as $name => $bytes) {
            FieldFile::write("$folder/$name", $bytes);
        }
        $picture = new StoredPicture($folder);
        $lines = $picture->streamlines();
        $long = 0;
        for ($n = 0; $n < 60; $n++) {
            $line = $lines->through([0.001, 0.002 + 0.036 * fmod($n * 0.618, 1.0), 0.002 + 0.036 * $n / 60]);
            $long += $line[count($line) - 1][0] > 0.099 ? 1 : 0;
            foreach ($line as [$x, $y, $z]) {
                $inside = min($x - 0.03, 0.05 - $x, $y - 0.01, 0.03 - $y, 0.03 - $z);
                self::assertLessThan(1e-7, $inside);
            }
        }
        self::assertGreaterThan(50, $long, 'most reach the outlet');
        self::assertEqualsWithDelta((float) Fields::velocity($solution->state)?->at(777), (float) $picture->values('velocity')[777], 1e-6);
        self::assertSame('b', $picture->probe([0.04, 0.02, 0.01])['part']);

        $warm = $picture->isosurface('temperature', 300.0 + 1e9, 'solid');
        self::assertSame([], $warm, 'nothing is so hot');
        try {
            $picture->values('potential');
            self::fail('There are no currents.');
        } catch (OutputException $e) {
            self::assertStringContainsString('no potential.f32', $e->getMessage());
        } finally {
            array_map(unlink(...), glob("$folder/*") ?: []);
            rmdir($folder);
        }
    }

    public function testAnIsosurfaceOfAStraightFieldIsThePlane(): void
    {
        $grid = new Grid([[0.0, 0.1, 0.3, 0.6, 1.0], [0.0, 0.4, 0.7, 1.0], [0.0, 0.2, 0.5, 0.9, 1.0]]);
        $values = array_map(fn (int $c): float => $grid->centre($c)[0] + 2.0 * $grid->centre($c)[1] - $grid->centre($c)[2], range(0, $grid->count() - 1));
        $triangles = Isosurface::of($grid, $values, array_fill(0, $grid->count(), 0), 1.1);

        self::assertNotEmpty($triangles);
        foreach (array_chunk($triangles, 3) as [$x, $y, $z]) {
            // Between the last grid line and a side the field goes on as in the middle of the last cell.
            if ($x >= 0.1 && $x <= 0.6 && $y >= 0.4 && $y <= 0.7 && $z >= 0.2 && $z <= 0.9) {
                self::assertEqualsWithDelta(1.1, $x + 2.0 * $y - $z, 1e-9);
            }
        }
    }

    public function testABallIsClosedAndHasItsSurface(): void
    {
        $n = 32;
        $line = range(0.0, 1.0, 1.0 / $n);
        $grid = new Grid([$line, $line, $line]);
        $values = array_map(fn (int $c): float => -sqrt(array_sum(array_map(fn (float $x): float => ($x - 0.5) ** 2, $grid->centre($c)))), range(0, $grid->count() - 1));
        $area = 0.0;
        $edges = [];
        foreach (array_chunk(array_chunk(Isosurface::of($grid, $values, array_fill(0, $n ** 3, 0), -0.3), 3), 3) as $corners) {
            [$a, $b, $c] = $corners;
            [$u, $v] = [array_map(fn (float $p, float $q): float => $p - $q, $b, $a), array_map(fn (float $p, float $q): float => $p - $q, $c, $a)];
            $area += 0.5 * sqrt(($u[1] * $v[2] - $u[2] * $v[1]) ** 2 + ($u[2] * $v[0] - $u[0] * $v[2]) ** 2 + ($u[0] * $v[1] - $u[1] * $v[0]) ** 2);
            $keys = array_map(fn (array $p): string => implode(' ', array_map(fn (float $x): string => sprintf('%.9f', $x), $p)), $corners);
            foreach ([[0, 1], [1, 2], [2, 0]] as [$p, $q]) {
                $edge = $keys[$p] < $keys[$q] ? "$keys[$p]|$keys[$q]" : "$keys[$q]|$keys[$p]";
                $edges[$edge] = ($edges[$edge] ?? 0) + ($keys[$p] === $keys[$q] ? 0 : 1);
            }
        }

        self::assertEqualsWithDelta(4.0 * M_PI * 0.09, $area, 0.01 * 4.0 * M_PI * 0.09);
        self::assertSame([], array_filter($edges, fn (int $count): bool => $count % 2 === 1), 'every edge has a triangle on both sides');
    }

    public function testBodiesAreNotMixed(): void
    {
        $grid = new Grid([[0.0, 1.0, 2.0, 3.0, 4.0], [0.0, 1.0], [0.0, 1.0]]);

        self::assertSame([], Isosurface::of($grid, [400.0, 400.0, 300.0, 300.0], [1, 1, 0, 0], 350.0), 'neither body passes the value');
        self::assertNotSame([], Isosurface::of($grid, [400.0, 400.0, 300.0, 300.0], [1, 1, 1, 0], 350.0));
        self::assertSame([], Isosurface::of($grid, [400.0, null, 300.0, 300.0], [1, 1, 1, 1], 350.0), 'across cells without a value nothing is known');
    }
}
