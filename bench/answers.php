<?php

declare(strict_types=1);

// The answers of the examples, one value a line with twelve digits, for a comparison of two versions: `php bench/answers.php > before`, change, `php bench/answers.php before`.
// With a file it prints the largest relative difference per example and kind of value. "--grade G" takes another grade than that of the document.

require __DIR__ . '/../vendor/autoload.php';

use Foehn\Codec\ModelCodec;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;

ini_set('memory_limit', '-1');
$grade = ($n = array_search('--grade', $argv, true)) !== false ? $argv[$n + 1] : 'scout';
$reference = isset($argv[1]) && $argv[1] !== '--grade' ? (array) file($argv[1], FILE_IGNORE_NEW_LINES) : null;

/** @return iterable<string, float> value by name */
function answers(string $file, string $grade): iterable
{
    $solution = (new SteadySolver(ModelCodec::fromJson((string) file_get_contents($file))->withGrade($grade)))->solve();
    $result = ResultBuilder::build($solution, '');
    foreach ([...$result['limits'], ...$result['watches']] as $value) {
        yield "value $value[id]" => (float) $value['value'];
    }
    foreach ($result['parts'] as $part) {
        foreach (['min', 'mean', 'max'] as $of) {
            if (isset($part['temperature'])) {
                yield "part $part[id] $of" => $part['temperature'][$of];
            }
        }
        foreach ((array) $part['routes'] as $to => $route) {
            yield "route $part[id] $to" => is_array($route) ? (float) array_sum(array_filter($route, is_float(...))) : (is_numeric($route) ? (float) $route : NAN);
        }
    }
    yield 'balance out' => $result['balance']['out'];
    yield 'steps' => (float) $solution->outcome->iterations;
}

$worst = [];
$known = [];
foreach ($reference ?? [] as $line) {
    [$example, $name, $value] = explode("\t", (string) $line);
    $known["$example\t$name"] = (float) $value;
}
foreach ((array) glob(__DIR__ . '/../examples/*.json') as $file) {
    $example = basename((string) $file, '.json');
    foreach (answers((string) $file, $grade) as $name => $value) {
        if ($reference === null) {
            printf("%s\t%s\t%.12g\n", $example, $name, $value);

            continue;
        }
        $before = $known["$example\t$name"] ?? NAN;
        $difference = is_nan($before) && is_nan($value) ? 0.0 : abs($value - $before) / max(abs($before), 1e-9);
        $kind = explode(' ', $name)[0];
        $worst[$example][$kind] = max($worst[$example][$kind] ?? 0.0, is_nan($difference) ? INF : $difference);
    }
}
foreach ($worst as $example => $kinds) {
    printf("%-24s %s\n", $example, implode('  ', array_map(fn (string $kind, float $d) => sprintf('%s %.1e', $kind, $d), array_keys($kinds), $kinds)));
}
