<?php

declare(strict_types=1);

// Whether it matters what a run starts from: every demo with a flow at Scout from rest, from the flow of the other variant, from its own, and from its own taken half way. What counts is the largest difference
// of a limit's or watch's temperature from the run from rest, beside the tolerance of the convergence criterion (0.5 % of the largest rise; see Steadiness).

require __DIR__ . '/../vendor/autoload.php';

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Values;

ini_set('memory_limit', '-1');

function model(string $name): Model
{
    return ModelCodec::fromJson((string) file_get_contents(__DIR__ . "/../examples/$name.json"))->withGrade('scout');
}

function listener(int $steps): ProgressListener
{
    return new class ($steps) implements ProgressListener {
        public function __construct(private int $left)
        {
        }

        public function report(Progress $progress): void
        {
        }

        public function publish(Solution $solution): void
        {
        }

        public function offer(Closure $picture, Closure $checkpoint): void
        {
        }

        public function shouldStop(): bool
        {
            return $this->left-- <= 0;
        }
    };
}

/** @return array<string, float> K by id */
function temperatures(Solution $solution): array
{
    $result = ResultBuilder::build($solution, '');
    $of = array_filter([...$result['limits'], ...$result['watches']], fn (array $v) => $v['quantity'] === 'temperature' && $v['value'] !== null);

    return array_column($of, 'value', 'id');
}

printf("%-22s %-12s %6s %10s %10s %12s\n", 'demo', 'start', 'steps', 'largest K', 'rise K', 'share');
foreach (['ridge-radar-fan' => 'ridge-radar-baffle', 'ridge-radar-baffle' => 'ridge-radar-fan', 'mast-gateway' => 'mast-gateway-pillars', 'mast-gateway-pillars' => 'mast-gateway'] as $name => $other) {
    $model = model($name);
    $rest = (new SteadySolver($model))->solve();
    $reference = temperatures($rest);
    $rise = Values::greatest($reference) - $model->surroundings->temperature;
    $starts = [
        'rest' => fn (): Solution => $rest,
        'other' => fn (): Solution => (new SteadySolver($model, start: new Start((new SteadySolver(model($other)))->solve()->checkpoint)))->solve(),
        'own' => fn (): Solution => (new SteadySolver($model, start: new Start($rest->checkpoint)))->solve(),
        'stopped' => function () use ($model): Solution {
            $stopped = (new SteadySolver($model, listener(12)))->solve();

            return (new SteadySolver($model, start: new Start($stopped->checkpoint, $stopped->levels, resumes: true)))->solve();
        },
    ];
    foreach ($starts as $start => $solve) {
        $solution = $solve();
        $differences = array_map(fn (string $id, float $value) => abs($value - (temperatures($solution)[$id] ?? NAN)), array_keys($reference), $reference);
        printf("%-22s %-12s %6d %10.2f %10.1f %11.2f%%%s\n", $name, $start, $solution->outcome->iterations, Values::greatest($differences), $rise, 100 * Values::greatest($differences) / $rise, $solution->outcome->converged ? '' : '  not steady');
    }
}
