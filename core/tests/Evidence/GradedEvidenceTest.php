<?php

declare(strict_types=1);

namespace Foehn\Tests\Evidence;

use Foehn\Evidence\Cases;
use Foehn\Evidence\GradedCheck;
use Foehn\Evidence\GradeStudy;
use Foehn\Evidence\VerificationCase;
use PHPUnit\Framework\TestCase;

/** A short form of `./foehn evidence --grade scout`: what the product's own grids and their ± are worth, on the quick cases. */
final class GradedEvidenceTest extends TestCase
{
    private const QUICK = ['P02', 'P03', 'P09', 'P13', 'P17', 'P21', 'P24', 'G02', 'G05'];

    public function testTheProductsOwnGridsAreRightAndWhereNotTheirPlusMinusSaysSo(): void
    {
        $checks = array_merge(...array_map(
            fn (VerificationCase $case): array => GradeStudy::of($case, 'scout'),
            array_values(array_filter(Cases::all(), fn (VerificationCase $case): bool => in_array($case->id(), self::QUICK, true))),
        ));

        self::assertGreaterThan(60, count($checks));
        self::assertGreaterThanOrEqual(0.85, self::share($checks, fn (GradedCheck $graded): bool => $graded->check->passes()));
        self::assertGreaterThanOrEqual(0.95, self::share($checks, fn (GradedCheck $graded): bool => $graded->plusMinus !== null));
        self::assertGreaterThanOrEqual(0.95, self::share($checks, fn (GradedCheck $graded): bool => $graded->isCovered() === true));
        foreach ($checks as $graded) {
            self::assertTrue($graded->check->passes() || $graded->isCovered() === true, "{$graded->check->case}, {$graded->check->quantity}: outside its tolerance and its ±");
        }
    }

    /**
     * @param list<GradedCheck> $checks
     * @param callable(GradedCheck): bool $holds
     */
    private static function share(array $checks, callable $holds): float
    {
        return count(array_filter($checks, $holds)) / max(1, count($checks));
    }
}
