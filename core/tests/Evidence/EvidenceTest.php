<?php

declare(strict_types=1);

namespace Foehn\Tests\Evidence;

use Foehn\Evidence\Cases;
use Foehn\Evidence\VerificationCase;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EvidenceTest extends TestCase
{
    #[DataProvider('cases')]
    public function testReachesItsReferenceValues(VerificationCase $case): void
    {
        $checks = $case->run();
        if ($checks === []) {
            self::markTestSkipped('on the full grids only');
        }
        foreach ($checks as $check) {
            self::assertTrue($check->passes(), sprintf('%s, %s: reference %.7g, computed %.7g %s, tolerance %.2g', $check->case, $check->quantity, $check->reference, $check->computed, $check->unit, $check->tolerance));
        }
    }

    /** @return iterable<string, array{VerificationCase}> */
    public static function cases(): iterable
    {
        foreach (Cases::all() as $case) {
            yield $case->id() . ' ' . $case->title() => [$case];
        }
    }
}
