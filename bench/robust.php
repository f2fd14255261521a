<?php

declare(strict_types=1);

// Channels of 2 to 128 cells along and 1 to 16 across at speeds from 1 mm/s to 20 m/s, and hot lids over fluid in layers: which of
// them do not end steady. Nothing is printed of runs that do but their number.

require __DIR__ . '/../vendor/autoload.php';

use Foehn\FoehnException;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;

/** @param array<string, mixed> $document */
function ends(string $name, array $document): bool
{
    try {
        $solution = (new SteadySolver(Models::read(['format' => 'foehn-model', 'version' => 1, 'parts' => [], ...$document])))->solve();
    } catch (FoehnException $e) {
        echo "$name: {$e->getMessage()}\n";

        return false;
    }
    if (! $solution->outcome->converged) {
        echo "$name: {$solution->shortfall()}\n";
    }

    return $solution->outcome->converged;
}

$plane = ['z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']];
$runs = $steady = 0;
foreach (['air', 'water'] as $fluid) {
    foreach ([2, 4, 8, 16, 32, 64, 128] as $along) {
        foreach ([1, 2, 4, 8, 16] as $across) {
            foreach ([1e-3, 1e-2, 0.1, 1.0, 20.0] as $speed) {
                $runs++;
                $steady += (int) ends("$fluid, $along x $across cells, $speed m/s", [
                    'surroundings' => ['temperature' => 300], 'physics' => ['flow' => 'auto'],
                    'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.01, 0.01]], 'fluid' => $fluid, 'sides' => [
                        'x-' => ['kind' => 'inlet', 'speed' => $speed, 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'y-' => ['heat' => ['kind' => 'flux', 'flux' => 100]], ...$plane]],
                    'analysis' => ['grid' => ['cells' => [$along, $across, 1]]],
                ]);
            }
        }
    }
}
foreach ([32, 64, 96] as $cells) {
    foreach ([100, 200, 400] as $reynolds) {
        foreach ([1e2, 1e3, 1e4, 1e5, 1e6] as $grashof) {
            $runs++;
            $viscosity = 1 / $reynolds;
            $steady += (int) ends("lid, $cells cells, Re $reynolds, Gr $grashof", [
                'surroundings' => ['temperature' => 300, 'gravity' => [0, -$grashof * $viscosity ** 2 / 0.01, 0]], 'physics' => ['flow' => 'laminar'],
                'materials' => ['f' => ['fluid' => true, 'density' => 1, 'viscosity' => $viscosity, 'conductivity' => $viscosity / 0.71, 'specificHeat' => 1, 'expansion' => 1e-3]],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f', 'sides' => [
                    'y+' => ['velocity' => [1, 0, 0], 'heat' => ['kind' => 'temperature', 'temperature' => 310]], 'y-' => ['heat' => ['kind' => 'temperature', 'temperature' => 300]], ...$plane]],
                'analysis' => ['grid' => ['cells' => [$cells, $cells, 1]]],
            ]);
        }
    }
}
printf("%d of %d steady.\n", $steady, $runs);
