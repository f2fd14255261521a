<?php

declare(strict_types=1);

// Heat in the course of time on a module of about 100 000 cells: seconds of a step of a given length against those of the steady state (aim: a
// third), and of an adaptive course of warming up against 50 times that.
use Foehn\Codec\ModelCodec;
use Foehn\Codec\ModelInTime;
use Foehn\Solve\SteadySolver;
use Foehn\Solve\TransientDriver;

require __DIR__ . '/../vendor/autoload.php';

/**
 * @param array<string, mixed> $time
 * @return array<string, mixed> two dies on a ceramic substrate on a copper plate, cooled below
 */
function module(array $time): array
{
    $layer = fn (string $id, float $x, float $y, float $width, float $depth, float $from, float $to, string $material, float $watts = 0.0): array => [
        'id' => $id, 'shape' => ['kind' => 'block', 'size' => [$width, $depth, $to - $from]], 'at' => [$x, $y, $from], 'material' => $material, 'power' => $watts,
    ];

    return [
        'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300],
        'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.05, 0.0052]], 'fluid' => null, 'sides' => ['z-' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 3000]]]],
        'parts' => [
            $layer('plate', 0, 0, 0.06, 0.05, 0, 0.003, 'copper'), $layer('solder', 0.01, 0.01, 0.04, 0.03, 0.003, 0.0033, 'solder-sac305'),
            $layer('ceramic', 0.01, 0.01, 0.04, 0.03, 0.0033, 0.004, 'alumina'), $layer('metal', 0.012, 0.012, 0.036, 0.026, 0.004, 0.0043, 'copper'),
            $layer('die 1', 0.015, 0.018, 0.012, 0.012, 0.0043, 0.0046, 'silicon', 100), $layer('die 2', 0.033, 0.018, 0.012, 0.012, 0.0043, 0.0046, 'silicon', 100),
        ],
        'analysis' => ['grid' => ['cells' => [72, 60, 24]], 'time' => $time],
    ];
}

/** Seconds that it takes. */
function seconds(callable $work): float
{
    $began = hrtime(true);
    $work();

    return (hrtime(true) - $began) / 1e9;
}

/**
 * @param array<string, mixed> $time
 * @return array{float, int} seconds and steps
 */
function course(array $time): array
{
    $driver = new TransientDriver(new ModelInTime(module(['kind' => 'transient', 'start' => ['uniform' => 300], 'keep' => 1, ...$time])), 'working');
    $steps = 0;
    $spent = seconds(function () use ($driver, &$steps): void {
        $steps = count($driver->solve()->course->times ?? []) - 1;
    });

    return [$spent, $steps];
}

// The first one warms up the compiler.
$runs = array_map(fn (): float => seconds(fn () => (new SteadySolver(ModelCodec::fromDocument(module(['kind' => 'steady']))))->solve()), range(1, 4));
$steady = array_sum(array_slice($runs, 1)) / 3;
printf("%d cells: steady %.2f s\n", 72 * 60 * 24, $steady);
foreach ([1e-3, 1e-2, 0.1, 1.0] as $step) {
    [$few] = course(['end' => 2 * $step, 'step' => $step]);
    [$many] = course(['end' => 12 * $step, 'step' => $step]);
    printf("step of %g s: %.2f s, %.2f of a steady solution (aim 0.33)\n", $step, ($many - $few) / 10, ($many - $few) / 10 / $steady);
}
[$spent, $steps] = course(['end' => 60]);
printf("warming up in %d adaptive steps: %.1f s, %.1f steady solutions for 200 steps (aim 50)\n", $steps, $spent, $spent / $steps * 200 / $steady);
