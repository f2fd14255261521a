<?php

declare(strict_types=1);

namespace Foehn\Tests\Grid;

use Foehn\Grid\GridBuilder;
use Foehn\Grid\GridException;
use Foehn\Grid\GridReport;
use Foehn\Grid\LineSpacing;
use Foehn\Grid\Voxels;
use Foehn\Tests\Models;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GridTest extends TestCase
{
    #[DataProvider('growths')]
    public function testWidthsGrowSmoothlyFromThinLayers(float $growth): void
    {
        $lines = LineSpacing::lines([0.0, 0.1, 0.1002, 0.5], 0.05, [1, 2, 1], $growth);
        $widths = [];
        for ($i = 1; $i < count($lines); $i++) {
            $widths[] = $lines[$i] - $lines[$i - 1];
        }

        self::assertContains(0.1, $lines);
        self::assertContains(0.1002, $lines);
        self::assertSame(0.5, end($lines));
        self::assertGreaterThan(0.0, Values::least($widths));
        self::assertLessThanOrEqual(0.0501, Values::greatest($widths));
        for ($i = 1; $i < count($widths); $i++) {
            $ratio = max($widths[$i] / $widths[$i - 1], $widths[$i - 1] / $widths[$i]);
            self::assertLessThanOrEqual($growth * 1.3, $ratio, "between cells $i and " . ($i - 1));
        }
    }

    /** @return iterable<array{float}> */
    public static function growths(): iterable
    {
        yield [1.3];
        yield [1.5];
        yield [1.8];
    }

    public function testGradesAreFinerInTurnAndFollowEveryPart(): void
    {
        $counts = [];
        foreach (['scout', 'working', 'sign-off'] as $grade) {
            $model = Models::read(Models::demo())->withGrade($grade);
            $grid = GridBuilder::build($model);
            $counts[] = $grid->count();
            foreach ($model->parts as $part) {
                for ($axis = 0; $axis < 3; $axis++) {
                    foreach ($part->shape->planes($axis) as $plane) {
                        $nearest = Values::least(array_map(fn (float $line) => abs($line - $plane), $grid->lines[$axis]));
                        self::assertLessThan(1e-7, $nearest, "$part->id at $plane along axis $axis");
                    }
                }
            }
        }

        self::assertLessThan($counts[1], $counts[0]);
        self::assertLessThan($counts[2], $counts[1]);
        self::assertLessThanOrEqual(150_000, $counts[0], 'the key planes of this model alone ask for more than the budget of Scout');
    }

    public function testReportsCellsAcrossThinFeatures(): void
    {
        $model = Models::read(Models::demo())->withGrade('sign-off');
        $report = GridReport::of($model, GridBuilder::build($model));
        $fin = array_values(array_filter($report['features'], fn ($f) => $f['part'] === 'sink' && $f['feature'] === 'fin'))[0];

        self::assertEqualsWithDelta(0.001, $fin['width'], 1e-9);
        self::assertGreaterThanOrEqual(3, $fin['cells']);
    }

    public function testSaysWhenNoGridIsCoarseEnough(): void
    {
        $this->expectException(GridException::class);
        $this->expectExceptionMessage('more than the 50 allowed');

        GridBuilder::build(Models::read([...Models::demo(), 'analysis' => ['grid' => ['grade' => 'scout', 'maxCells' => 50]]]));
    }

    public function testTheLaterPartCarvesTheEarlier(): void
    {
        $document = Models::block();
        $document['parts'][] = ['id' => 'core', 'shape' => ['kind' => 'block', 'size' => ['10 mm', '10 mm', '10 mm']], 'at' => ['5 mm', '5 mm', '5 mm'], 'material' => 'copper'];
        $document['parts'][] = ['id' => 'hole', 'shape' => ['kind' => 'block', 'size' => ['2 mm', '2 mm', '2 mm']], 'at' => ['9 mm', '9 mm', '9 mm'], 'material' => 'fluid'];
        $document['analysis'] = ['grid' => ['cells' => [20, 20, 20]]];
        $model = Models::read($document);
        $voxels = Voxels::of($model, GridBuilder::build($model));

        self::assertSame([8000 - 1000, 1000 - 8, 0], $voxels->cellsOfPart);
    }
}
