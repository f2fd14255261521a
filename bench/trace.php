<?php

declare(strict_types=1);

// Seconds that streamlines and isosurfaces of a stored result take, and as a ratio to the yardstick, a product with a 7-point matrix
// over the same cells. `php bench/trace.php DIR`, where DIR is what `./foehn solve MODEL.json --out DIR` wrote for a model with a flow.

require __DIR__ . '/../vendor/autoload.php';
require __DIR__ . '/product.php';

use Foehn\Results\StoredPicture;

ini_set('memory_limit', '-1');
$folder = $argv[1] ?? exit("Usage: php bench/trace.php DIR\n");
$picture = new StoredPicture($folder);
$cells = $picture->grid->count();
$yardstick = 1e-9 * product() * $cells;

$timed = function (string $what, Closure $do) use ($yardstick): void {
    $began = hrtime(true);
    $found = $do();
    assert(is_string($found));
    $seconds = (hrtime(true) - $began) / 1e9;
    printf("%-46s %7.3f s  %6.0f products  %s\n", $what, $seconds, $seconds / $yardstick, $found);
};

printf("%d cells; a product takes %.2f ms\n", $cells, 1e3 * $yardstick);
$temperatures = array_filter($picture->values('temperature'), fn (?float $value): bool => $value !== null);
[$least, $greatest] = $temperatures === [] ? [0.0, 1.0] : [min($temperatures), max($temperatures)];
foreach ([0.25, 0.5] as $share) {
    $timed(sprintf('isosurface of the air, %.0f %% of the range', 100 * $share), fn (): string => sprintf('%d triangles', count($picture->isosurface('temperature', $least + $share * ($greatest - $least), 'fluid')) / 9));
}
$timed('200 streamlines, both ways', function () use ($picture): string {
    $lines = $picture->streamlines();
    [$x, $y, $z] = $picture->grid->lines;
    $points = 0;
    for ($n = 0; $n < 200; $n++) {
        $at = array_map(fn (array $line, float $step): float => $line[0] + fmod($n * $step, 1.0) * ($line[count($line) - 1] - $line[0]), [$x, $y, $z], [0.618034, 0.754878, 0.569840]);
        $points += count($lines->through([$at[0], $at[1], $at[2]]));
    }

    return "$points points";
});
