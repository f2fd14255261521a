<?php

declare(strict_types=1);

// Time and iterations of the linear solver to a relative residual of 1e-8, one line of JSON per model; writes the matrix for the yardstick.

use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\Multigrid;

require __DIR__ . '/../vendor/autoload.php';
require __DIR__ . '/models.php';

[, $name, $cells, $file] = $argv + ['', 'cube', '200000', ''];
[$matrix, $b] = BenchModels::make($name, (int) $cells);
$zero = array_fill(0, $matrix->size, 0.0);
$best = INF;
// The first round also warms up the compiler; the better of two counts.
foreach ([1, 2] as $round) {
    $start = hrtime(true);
    $multigrid = new Multigrid($matrix);
    $setUp = (hrtime(true) - $start) / 1e9;
    $solution = ConjugateGradient::solve($matrix, $multigrid, $b, $zero, 1e-8);
    $best = min($best, (hrtime(true) - $start) / 1e9);
    unset($multigrid);
}
if ($file !== '') {
    foreach (['start' => 'l*', 'column' => 'l*', 'coupling' => 'e*', 'diagonal' => 'e*'] as $part => $format) {
        $handle = fopen("$file.$part", 'wb') ?: exit(1);
        foreach (array_chunk($matrix->$part, 65536) as $chunk) {
            fwrite($handle, pack($format, ...$chunk));
        }
    }
    file_put_contents("$file.b", pack('e*', ...$b));
}
echo json_encode(['model' => $name, 'unknowns' => $matrix->size, 'iterations' => $solution->iterations, 'seconds' => $best, 'setUp' => $setUp,
    'megabytes' => memory_get_peak_usage() / 1e6, 'converged' => $solution->converged]), "\n";
