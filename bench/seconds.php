<?php

declare(strict_types=1);

// Seconds as one feels them: until the first picture, and until every limit of an example is within 10 % (of its rise over the
// surroundings) of the answer on the finest grid, and stays there. `php bench/seconds.php [name ...] [--grade scout]`. The finest answers
// are those of Sign-off in bench/finest.json; `--finest` computes them anew. Seconds are those of a quiet machine, on which the
// yardstick, a product with a 7-point matrix in the same process before and after, takes 32 ns per cell.

require __DIR__ . '/../vendor/autoload.php';
require __DIR__ . '/product.php';

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Solve\SilentListener;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;

ini_set('memory_limit', '-1');
const NEAR = 0.1;
const FINEST = __DIR__ . '/finest.json';
const EXAMPLES = ['fan' => 'ridge-radar-fan', 'baffle' => 'ridge-radar-baffle', 'gateway' => 'mast-gateway'];

/** The answers on the finest grids were found without radiation, with coefficients that hold it. */
const FILMS = [
    'fan' => ['parameters' => ['outside_film' => ['value' => '8 W/m^2/K']]],
    'baffle' => ['parameters' => ['outside_film' => ['value' => '8 W/m^2/K']]],
    'gateway' => ['parameters' => ['outside_film' => ['value' => '9 W/m^2/K']]],
];

/** Takes a picture as often as the product does, and keeps what the limits see. */
final class Stopwatch extends SilentListener
{
    private const PAUSE = 0.5;

    private readonly int|float $began;

    /** When the last picture was taken, s. */
    private float $last = 0.0;

    /** @var list<array{float, array<string, ?float>}> seconds and values */
    public array $seen = [];

    public function __construct()
    {
        $this->began = hrtime(true);
    }

    public function seconds(): float
    {
        return (hrtime(true) - $this->began) / 1e9;
    }

    public function publish(Solution $solution): void
    {
        $this->see($solution);
    }

    public function offer(Closure $picture, Closure $checkpoint): void
    {
        if ($this->seconds() - $this->last > self::PAUSE) {
            $this->see($picture());
        }
    }

    public function see(Solution $solution): void
    {
        $this->seen[] = [$this->seconds(), $solution->onGrid()->values];
        $this->last = $this->seconds();
    }
}

function model(string $name): Model
{
    $example = EXAMPLES[$name] ?? null;
    $document = ModelCodec::parse($example === null ? (string) shell_exec('node ' . __DIR__ . '/start.mjs ' . escapeshellarg($name)) : (string) file_get_contents(__DIR__ . "/../examples/$example.json"));

    return ModelCodec::fromDocument(array_replace_recursive($document, FILMS[$name] ?? [], ['physics' => ['radiation' => 'none']]));
}

/**
 * @param array<string, ?float> $values
 * @return array<string, float> rises over the surroundings of everything with a limit on its temperature, K
 */
function rises(Model $model, array $values): array
{
    $rises = [];
    foreach ($model->limits as $limit) {
        if ($limit->quantity === 'temperature' && isset($values[$limit->id])) {
            $rises[$limit->id] = $values[$limit->id] - $model->surroundings->temperature;
        }
    }

    return $rises;
}

/**
 * Largest deviation of a rise from the true one, as a share of it.
 *
 * @param array<string, ?float> $values
 * @param array<string, float> $true K
 */
function deviation(Model $model, array $values, array $true): float
{
    $deviations = [];
    foreach (rises($model, $values) as $id => $rise) {
        $deviations[] = abs($rise - ($true[$id] ?? NAN)) / abs($true[$id] ?? NAN);
    }

    return $deviations === [] ? NAN : max($deviations);
}

$grade = ($n = array_search('--grade', $argv, true)) !== false ? $argv[$n + 1] : 'scout';
$names = array_values(array_intersect([...array_keys(EXAMPLES), 'sink', 'ventilated'], $argv)) ?: [...array_keys(EXAMPLES), 'sink', 'ventilated'];
/** @var array<string, array{cells: int, steady: bool, rises: array<string, float>}> $finest */
$finest = is_file(FINEST) ? json_decode((string) file_get_contents(FINEST), true, 8, JSON_THROW_ON_ERROR) : [];
if (in_array('--finest', $argv, true)) {
    foreach ($names as $name) {
        $model = model($name)->withGrade('sign-off');
        $solution = (new SteadySolver($model))->solve();
        $finest[$name] = ['cells' => $solution->state->grid->count(), 'steady' => $solution->outcome->converged, 'rises' => rises($model, $solution->onGrid()->values)];
        file_put_contents(FINEST, json_encode($finest, JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR) . "\n");
    }
}
printf("%-12s %-9s %8s %10s %10s %8s %8s %s\n", 'example', 'grade', 'cells', 'picture s', 'to 10 % s', 'all s', 'clock', 'largest deviation at the end');
foreach ($names as $name) {
    $model = model($name)->withGrade($grade);
    $before = product();
    $watch = new Stopwatch();
    $solution = (new SteadySolver($model, $watch))->solve();
    $all = $watch->seconds();
    $watch->see($solution);
    $quiet = quiet($before);
    $true = $finest[$name]['rises'] ?? [];
    $near = null;
    foreach ($watch->seen as [$seconds, $values]) {
        $near = deviation($model, $values, $true) <= NEAR ? $near ?? $seconds : null;
    }
    printf(
        "%-12s %-9s %8d %10.1f %10s %8.1f %8.1f %s\n", $name, $grade, $solution->state->grid->count(), $quiet * $watch->seen[0][0], match (true) {
            $true === [] => 'unknown',
            $near === null => 'never',
            default => sprintf('%.1f', $quiet * min($near, $all)),
        },
        $quiet * $all, $all, $true === [] ? 'no answer on the finest grid yet' : sprintf('%.1f %%', 100 * deviation($model, $solution->onGrid()->values, $true)),
    );
}
