<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Evidence\Cases;
use Foehn\Evidence\Check;
use Foehn\Evidence\GradedCheck;
use Foehn\Evidence\GradeStudy;
use Foehn\Evidence\Measured;
use Foehn\Evidence\VerificationCase;
use Foehn\Grid\GridException;
use Foehn\Physics\PhysicsException;

/** `evidence [CASE]`: computes the verification cases and prints errors against tolerances. Exit 1 when one fails. With `--grade` on the grids of the product; `--keep` measures on both and keeps what the application shows. */
final class EvidenceCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['grade'], ['full', 'keep']);
        $grade = $options->grade();
        $wanted = $options->rest();
        $cases = array_values(array_filter(Cases::all(), fn (VerificationCase $case) => $wanted === [] || in_array($case->id(), $wanted, true)));
        if ($options->has('keep')) {
            return self::keep($cases);
        }

        return $grade === null ? self::stated($cases, $options->has('full')) : self::graded($cases, $grade);
    }

    /** @param list<VerificationCase> $cases */
    private static function keep(array $cases): int
    {
        foreach ($cases as $case) {
            Measured::keep($case);
            echo "{$case->id()} {$case->title()}\n";
        }

        return 0;
    }

    /**
     * On the grids that the cases state.
     *
     * @param list<VerificationCase> $cases
     */
    private static function stated(array $cases, bool $full): int
    {
        $rows = [];
        $failed = 0;
        foreach ($cases as $case) {
            foreach ($case->run($full) as $check) {
                $failed += $check->passes() ? 0 : 1;
                $rows[] = [...self::row($check), $check->passes() ? 'pass' : 'FAIL'];
            }
        }
        echo TextTable::render(['Case', 'Quantity', 'Reference', 'Computed', 'Error', 'Tolerance', 'Unit', 'Verdict'], $rows, [2, 3, 4, 5]);
        printf("\n%d quantities, %d outside their tolerance.\n", count($rows), $failed);

        return $failed === 0 ? 0 : 1;
    }

    /**
     * On the grids that a grade makes. What is outside its tolerance there is no failure, as long as the ± says so.
     *
     * @param list<VerificationCase> $cases
     */
    private static function graded(array $cases, string $grade): int
    {
        $rows = [];
        $all = [];
        $endless = [];
        foreach ($cases as $case) {
            if ($case->isAboutItsGrid()) {
                continue;
            }
            $began = hrtime(true);
            try {
                $checks = GradeStudy::of($case, $grade);
            } catch (PhysicsException|GridException $e) {
                $endless[] = "{$case->id()}: {$e->getMessage()}";

                continue;
            }
            fprintf(STDERR, "%s %.1f s\n", $case->id(), (hrtime(true) - $began) / 1e9);
            array_push($all, ...$checks);
            foreach ($checks as $graded) {
                $rows[] = [
                    ...self::row($graded->check), $graded->plusMinus === null ? '' : sprintf('%.1e', $graded->plusMinus), (string) $graded->cells,
                    ($graded->check->passes() ? 'within' : 'outside') . match ($graded->isCovered()) {
                        true => '', false => ', not in its ±', null => ', no ±',
                    },
                ];
            }
        }
        echo TextTable::render(['Case', 'Quantity', 'Reference', 'Computed', 'Error', 'Tolerance', 'Unit', '±', 'Cells', 'Verdict'], $rows, [2, 3, 4, 5, 7, 8]);
        echo "\n", implode("\n", $endless), $endless === [] ? '' : "\n";
        foreach (['flow' => true, 'conduction' => false] as $name => $flow) {
            self::summary($name, array_values(array_filter($all, fn (GradedCheck $graded) => $graded->flow === $flow)));
        }

        return $endless === [] ? 0 : 1;
    }

    /** @param list<GradedCheck> $checks */
    private static function summary(string $name, array $checks): void
    {
        if ($checks === []) {
            return;
        }
        $widths = array_values(array_filter(array_map(fn (GradedCheck $graded) => $graded->width(), $checks), fn (?float $width) => $width !== null));
        sort($widths);
        $given = count(array_filter($checks, fn (GradedCheck $graded) => $graded->plusMinus !== null));
        printf(
            "%s: %d of %d quantities within tolerance; ± given for %d, the reference lies in it for %d; median of ± over true error %s.\n",
            ucfirst($name), count(array_filter($checks, fn (GradedCheck $graded) => $graded->check->passes())), count($checks), $given,
            count(array_filter($checks, fn (GradedCheck $graded) => $graded->isCovered() === true)),
            $widths === [] ? 'unknown' : sprintf('%.1f', $widths[intdiv(count($widths), 2)]),
        );
    }

    /** @return list<string> */
    private static function row(Check $check): array
    {
        return [
            $check->case, $check->quantity, sprintf('%.7g', $check->reference), sprintf('%.7g', $check->computed),
            sprintf('%.1e', $check->error()), sprintf('%.1e', $check->tolerance), $check->unit,
        ];
    }
}
