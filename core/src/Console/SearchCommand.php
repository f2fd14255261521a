<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Model\ModelException;
use Foehn\Observe\Masses;
use Foehn\Study\Search\Search;
use Foehn\Study\Search\Trial;

/**
 * `search MODEL.json NAME=RANGE ... --aim "least mass" --runs N --out DIR [--margin K] [--seed N] [--grade G]`: looks for the best values of
 * parameters (see Search). An aim is "least" or "most" with "margin", "mass", the id of a limit or watch, or a formula of the parameters;
 * two are separated by a semicolon. Each point has a folder (see PointFolders), DIR/sweep.csv lists all, and what is printed are the best
 * ones. Exit 0, or 1 when none keeps the margin.
 */
final class SearchCommand
{
    private const RUNS = 30;

    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'grade', 'aim', 'runs', 'margin', 'seed'], []);
        $asked = StudyWords::of($options);
        $margin = $options->value('margin');
        if ($margin !== null && ! is_numeric($margin)) {
            throw ModelException::at('', sprintf('--margin is a number of kelvin, not "%s"', $margin));
        }
        $runs = (int) ($options->value('runs') ?? self::RUNS);
        $aims = self::aims($options->value('aim') ?? 'most margin', $asked->document);
        $search = Search::read($asked->document, $asked->variations, $aims, $margin === null ? null : (float) $margin, $runs, (int) ($options->value('seed') ?? 1));
        $points = new PointFolders($asked->json, $asked->out, $options->grade(), $search->names());
        $trials = [];
        while (($next = $search->next($trials)) !== []) {
            foreach ($next as [$texts, $numbers]) {
                $trials[] = Trial::of($texts, $numbers, $points->solve($texts, $numbers, $runs));
            }
        }
        $best = $search->best($trials);
        $lines = array_filter(explode("\n", trim($points->table())), fn (int $n): bool => $n === 0 || in_array($n - 1, $best, true), ARRAY_FILTER_USE_KEY);
        echo implode("\n", $lines), "\n";
        fprintf(STDERR, "%s after %d runs\n", $best === [] ? 'no point keeps the margin and has all that is aimed at' : (count($best) === 1 ? 'the best point' : sprintf('%d points that no other one beats', count($best))), count($trials));

        return $best === [] ? 1 : 0;
    }

    /**
     * @param array<mixed> $document
     * @return list<array{kind: string, of: string, most: bool}>
     */
    private static function aims(string $text, array $document): array
    {
        $rows = fn (string $key): array => is_array($document[$key] ?? null) ? array_column($document[$key], 'id') : [];
        $readings = [...$rows('limits'), ...$rows('watches')];

        return array_map(function (string $aim) use ($readings): array {
            if (preg_match('/^\s*(least|most)\s+(.+?)\s*$/', $aim, $found) !== 1) {
                throw ModelException::at('', sprintf('"%s" is no aim; write it as "least mass" or "most margin"', trim($aim)));
            }
            $of = $found[2] === 'mass' ? Masses::READING : $found[2];
            $kind = $of === 'margin' ? 'margin' : ($of === Masses::READING || in_array($of, $readings, true) ? 'reading' : 'formula');

            return ['kind' => $kind, 'of' => $of, 'most' => $found[1] === 'most'];
        }, explode(';', $text));
    }
}
