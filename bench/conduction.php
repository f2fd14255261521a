<?php

declare(strict_types=1);

// Time and iterations of the linear solver to a relative residual of 1e-8, one line of JSON per model; writes the matrix for the yardstick.

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Tests\Nested;

require __DIR__ . '/../vendor/autoload.php';
require __DIR__ . '/models.php';

[, $name, $cells, $file] = $argv + ['', 'cube', '200000', ''];
$model = BenchModels::make($name, (int) $cells);
$best = INF;
// The first round also warms up the compiler; the better of two counts.
foreach ([1, 2] as $round) {
    $start = hrtime(true);
    if ($model instanceof HeatSystem) {
        $solution = (new StencilSolver($model->stencil, $model->ties))->solve($model->source, Stencil::zeros($model->stencil->cells), new Accuracy(1e-8));
    } else {
        [$matrix, $b] = $model;
        $solution = ConjugateGradient::solve($matrix, Multigrid::sparse($matrix), $b, array_fill(0, $matrix->size, 0.0), new Accuracy(1e-8));
    }
    $best = min($best, (hrtime(true) - $start) / 1e9);
    // Of the whole process, model and first solution; given in kB.
    $megabytes ??= Nested::number(getrusage(), 'ru_maxrss') / 1e3;
}
if ($model instanceof HeatSystem) {
    [$matrix, $unknown] = $model->stencil->toSparse();
    $b = Stencil::pack($model->source, $unknown, $matrix->size);
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
echo json_encode(['model' => $name, 'unknowns' => $matrix->size, 'iterations' => $solution->iterations, 'seconds' => $best,
    'megabytes' => $megabytes, 'converged' => $solution->converged]), "\n";
