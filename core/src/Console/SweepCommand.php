<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Study\SweepPlan;

/**
 * `sweep MODEL.json [NAME=VALUES ...] --out DIR [--latin COUNT [--seed N]] [--table FILE] [--builds COUNT] [--grade G]`: computes a model for many values of its
 * parameters, or COUNT builds of it within its tolerances (see PointFolders). DIR/sweep.csv has a line for each point. Exit 0, or 1 when a point has no answer.
 */
final class SweepCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'grade', 'latin', 'seed', 'table', 'builds'], []);
        $asked = StudyWords::of($options);
        $plan = self::plan($asked, $options);
        $points = new PointFolders($asked->json, $asked->out, $options->grade(), $plan->names);
        foreach ($plan->pairs() as [$texts, $numbers]) {
            $points->solve($texts, $numbers, $plan->count());
        }
        echo $points->table();

        return $points->ended === 0 ? 0 : 1;
    }

    private static function plan(StudyWords $asked, Options $options): SweepPlan
    {
        if ($options->value('table') !== null) {
            return SweepPlan::table($asked->document, Options::read($options->value('table')));
        }
        $seed = (int) ($options->value('seed') ?? 1);
        if ($options->value('builds') !== null) {
            return SweepPlan::builds($asked->document, (int) $options->value('builds'), $seed);
        }
        $latin = $options->value('latin');

        return $latin === null ? SweepPlan::grid($asked->document, $asked->variations) : SweepPlan::latin($asked->document, $asked->variations, (int) $latin, $seed);
    }
}
