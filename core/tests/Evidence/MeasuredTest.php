<?php

declare(strict_types=1);

namespace Foehn\Tests\Evidence;

use Foehn\Evidence\Cases;
use Foehn\Evidence\Measured;
use Foehn\Evidence\Mechanism;
use Foehn\Evidence\VerificationCase;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

final class MeasuredTest extends TestCase
{
    /** Conduction cases that take a moment; the file must hold what they measure today. */
    private const QUICK = ['P03', 'P24'];

    public function testWhatIsKeptIsOfEveryCaseAndIsWhatTheCasesMeasure(): void
    {
        $kept = array_column(Measured::all(), null, 'id');
        self::assertSame(array_map(fn (VerificationCase $case) => $case->id(), Cases::all()), array_keys($kept));
        foreach (Cases::all() as $case) {
            self::assertSame([$case->title(), $case->source()], [$kept[$case->id()]['title'], $kept[$case->id()]['source']]);
            if (in_array($case->id(), self::QUICK, true)) {
                foreach (Measured::of($case)['stated'] as $n => $row) {
                    $before = $kept[$case->id()]['stated'][$n];
                    self::assertSame([$before['quantity'], $before['reference'], $before['tolerance']], [$row['quantity'], $row['reference'], $row['tolerance']]);
                    self::assertEqualsWithDelta($before['computed'], $row['computed'], 0.01 * $row['tolerance']);
                }
            }
        }
    }

    public function testTheMechanismsOfAModelAreFoundInItsDocument(): void
    {
        self::assertSame([Mechanism::Conduction, Mechanism::Film], Mechanism::of(Models::read(Models::block())));
        $demo = Mechanism::of(Models::read(Models::demo()));
        foreach ([Mechanism::Direction, Mechanism::Package, Mechanism::Fins] as $used) {
            self::assertContains($used, $demo);
        }
        self::assertNotContains(Mechanism::Current, $demo);
    }
}
