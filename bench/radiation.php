<?php

declare(strict_types=1);

// Radiation between surfaces: how long what patches see of each other takes on boxes with more and more boards and tiles, with the memory of
// the links, and a sealed box of 100 000 cells with radiation against the same without. The yardstick is 1e8 additions in the same process.

require __DIR__ . '/../vendor/autoload.php';

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\SurfaceFinder;
use Foehn\Grid\Voxels;
use Foehn\Physics\Radiation\CavityFaces;
use Foehn\Physics\Radiation\Enclosure;
use Foehn\Physics\Radiation\Links;
use Foehn\Physics\Radiation\SurfaceFinishes;
use Foehn\Solve\SteadySolver;

/**
 * A sealed box with boards standing in it, each with a block on it.
 *
 * @return array<string, mixed> document
 */
function box(int $boards, string $radiation, int $cells): array
{
    $parts = [];
    for ($n = 0; $n < $boards; $n++) {
        $y = 0.01 + 0.18 * ($n + 0.5) / $boards;
        $parts[] = ['id' => "board-$n", 'shape' => ['kind' => 'block', 'size' => [0.16, 0.002, 0.1]], 'at' => [0.02, $y, 0.01], 'material' => 'glass-epoxy'];
        $parts[] = ['id' => "block-$n", 'shape' => ['kind' => 'block', 'size' => [0.02, 0.004, 0.02]], 'at' => [0.09, $y + 0.002, 0.05], 'material' => 'alumina', 'power' => '1 W'];
    }
    $wall = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 5]];

    return [
        'format' => 'foehn-model', 'version' => 1, 'name' => 'Box', 'physics' => ['flow' => 'laminar', 'radiation' => $radiation],
        'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.2, 0.12]], 'fluid' => 'air', 'sides' => array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], $wall)],
        'parts' => $parts, 'analysis' => ['grid' => ['maxCells' => $cells, 'grade' => 'sign-off']],
    ];
}

function yardstick(): float
{
    $began = hrtime(true);
    for ($n = 0, $sum = 0.0; $n < 100_000_000; $n++) {
        $sum += 1e-8;
    }

    return (hrtime(true) - $began) / 1e9;
}

$second = yardstick();
printf("%8s %8s %8s %8s %8s %10s %8s\n", 'cells', 'faces', 'patches', 'links', 's', '/yardstick', 'links MB');
foreach ([[2, null], [6, null], [6, 8], [6, 14]] as [$boards, $tiles]) {
    $model = ModelCodec::fromDocument(box($boards, 'surfaces', 100_000));
    $grid = GridBuilder::build($model);
    $voxels = Voxels::of($model, $grid);
    $elements = SurfaceFinder::find($model, $voxels);
    $finishes = new SurfaceFinishes($model, $elements, $voxels);
    $faces = new CavityFaces($model, $voxels, $elements, $finishes, $tiles);
    $began = hrtime(true);
    $links = Links::of($grid, $faces);
    (new Enclosure($faces, $links, $elements, $finishes->emissivity, 420.0))->irradiation(array_fill_keys(array_keys($elements->part), 320.0));
    $spent = (hrtime(true) - $began) / 1e9;
    printf("%8d %8d %8d %8d %8.2f %10.2f %8.1f\n", $grid->count(), count($faces->cell), count($faces->areas), array_sum(array_map(count(...), $links->seen)), $spent, $spent / $second, strlen($links->toBytes()) / 1e6);
}
echo "\n";
$times = [];
foreach (['none', 'surfaces'] as $radiation) {
    $began = hrtime(true);
    $solution = (new SteadySolver(ModelCodec::fromDocument(box(2, $radiation, 100_000))))->solve();
    $times[$radiation] = (hrtime(true) - $began) / 1e9;
    printf("%-9s %7d cells %3d iterations %7.1f s, balance %.1e\n", $radiation, $solution->state->grid->count(), $solution->outcome->iterations, $times[$radiation], $solution->state->balance()->error());
}
printf("with radiation %.2f times as long as without (aim: 1.6)\n", $times['surfaces'] / $times['none']);
