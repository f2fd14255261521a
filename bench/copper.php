<?php

declare(strict_types=1);

// Currents in the copper of four layers: two planes, tracks and 3 x 3 pixel barrels with clearances, on finer and finer pixels. Seconds for a pixel of
// copper against ten microseconds on a quiet machine (see product.php), and iterations against 25.

require __DIR__ . '/../vendor/autoload.php';
require __DIR__ . '/product.php';

use Foehn\Board\Barrel;
use Foehn\Board\CopperLayer;
use Foehn\Board\CopperRaster;
use Foehn\Board\Hole;
use Foehn\Board\Nets;
use Foehn\Board\Paint;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardTerminal;
use Foehn\Model\ElectricCondition;
use Foehn\Physics\Electric\BoardSystem;

/** @return array{non-empty-list<CopperLayer>, list<Barrel>} 100 x 80 mm: tracks on the outer layers that barrels join, through clearances in the planes */
function board(): array
{
    $layers = [[], [], [], []];
    $barrels = [];
    for ($row = 0; $row < 39; $row++) {
        $y = 2e-3 + 2e-3 * $row;
        for ($piece = 0; $piece < 12; $piece++) {
            $x = 6e-3 + 8e-3 * $piece;
            $layers[$piece % 2 === 0 ? 0 : 3][] = new Paint(true, [[true, Paint::rectangle($x, $y, 8.6e-3, 0.6e-3)]]);
            $barrels[] = new Barrel(new Hole([$x - 4e-3, $y], 0.45e-3, true), 25e-6, 0, 3);
        }
        // The ends are joined from row to row, so that the track goes to and fro.
        $layers[$row % 2 === 0 ? 3 : 0][] = new Paint(true, [[true, Paint::rectangle($row % 2 === 0 ? 98e-3 : 2e-3, $y + 1e-3, 0.6e-3, 2.6e-3)]]);
    }
    foreach ([1, 2] as $plane) {
        $layers[$plane][] = new Paint(true, [[true, Paint::rectangle(50e-3, 40e-3, 99e-3, 79e-3)]]);
        foreach ($barrels as $n => $barrel) {
            if ($n % 13 !== $plane) {
                $layers[$plane][] = new Paint(false, [[true, Paint::circle($barrel->hole->at[0], $barrel->hole->at[1], 1.1e-3)]]);
            }
        }
    }
    $heights = [0.0, 0.5e-3, 1.1e-3, 1.6e-3];

    $copper = [];
    foreach ($heights as $n => $height) {
        $copper[] = new CopperLayer("L$n", $layers[$n], 35e-6, $height);
    }

    return [$copper, $barrels];
}

[$layers, $barrels] = board();
foreach ([0.3e-3, 0.15e-3, 0.1265e-3] as $pixel) {
    $began = hrtime(true);
    $raster = CopperRaster::of([0.0, 0.1, 0.0, 0.08], $layers, $barrels, [], $pixel);
    $drawn = (hrtime(true) - $began) / 1e9;
    $began = hrtime(true);
    $nets = count(Nets::of($raster)->names);
    $found = (hrtime(true) - $began) / 1e9;
    $copper = count(array_filter($raster->covered));
    $contacts = [
        new BoardTerminal('source', 1, [[5e-3, 40e-3]], [4e-3, 4e-3], false, new ElectricCondition('', 'current', 20.0)),
        new BoardTerminal('load', 2, [[95e-3, 40e-3]], [4e-3, 4e-3], false, new ElectricCondition('', 'ground', 0.0)),
    ];
    $before = product();
    $began = hrtime(true);
    $currents = (new BoardSystem($raster, $contacts, PropertyLaw::constant(1.72e-8), 300.0))->solve();
    $clock = (hrtime(true) - $began) / 1e9;
    $solved = $clock * quiet($before);
    printf(
        "%.3f mm: %d pixels of copper of %d, %d nets; drawn %.1f s, nets %.1f s, currents %.1f s (%.1f s by the clock) in %d iterations (aim 25), %.1f microseconds a pixel of copper: %.2f times the aim; balance %.0e; %.0f MB\n",
        1e3 * $pixel, $copper, count($raster->covered), $nets, $drawn, $found, $solved, $clock, $currents->iterations, 1e6 * $solved / $copper, 1e6 * $solved / $copper / 10.0, $currents->imbalance(), memory_get_peak_usage() / 1e6,
    );
}
