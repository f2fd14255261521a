<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\FoehnException;
use Foehn\Model\Model;
use Foehn\Solve\Analysis;
use Foehn\Solve\Solution;

/**
 * What the verification cases measured, kept as a file beside the core: each on the grids that it states, and on those that the
 * grade "working" makes, where nobody has chosen them.
 *
 * @phpstan-type Row array{quantity: string, unit: string, reference: float, computed: float, tolerance: float}
 * @phpstan-type GradedRow array{quantity: string, unit: string, reference: float, computed: float, tolerance: float, plusMinus: ?float, cells: int}
 * @phpstan-type Measurement array{id: string, title: string, source: string, covers: list<string>, stated: list<Row>, working: ?list<GradedRow>, ended: ?string}
 */
final class Measured
{
    public const FILE = __DIR__ . '/../../evidence/measured.json';

    private const GRADE = 'working';

    /** @return list<Measurement> what the file holds, in the order of the cases */
    public static function all(): array
    {
        /** @var list<Measurement> $cases */
        $cases = is_file(self::FILE) ? json_decode((string) file_get_contents(self::FILE), true, flags: JSON_THROW_ON_ERROR) : [];

        return $cases;
    }

    /** Measures a case and puts it into the file. */
    public static function keep(VerificationCase $measured): void
    {
        $known = array_column(self::all(), null, 'id');
        $known[$measured->id()] = self::of($measured);
        $kept = array_values(array_filter(array_map(fn (VerificationCase $case) => $known[$case->id()] ?? null, Cases::all())));
        file_put_contents(self::FILE, json_encode($kept, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR) . "\n");
    }

    /**
     * Computes a case anew.
     *
     * @return Measurement "covers" names the mechanisms of its models; "working" is null where the case is about its own grid, and where the computation ended without an answer, which "ended" tells
     */
    public static function of(VerificationCase $case): array
    {
        $used = [];
        $checks = $case->by(function (Model $model, array $document) use (&$used): Solution {
            array_push($used, ...array_column(Mechanism::of($model), 'value'));

            return Analysis::solve($document);
        })->run(true);
        $graded = $ended = null;
        if (! $case->isAboutItsGrid()) {
            try {
                $graded = GradeStudy::of($case, self::GRADE);
            } catch (FoehnException $e) {
                $ended = $e->getMessage();
            }
        }

        return [
            'id' => $case->id(), 'title' => $case->title(), 'source' => $case->source(),
            'covers' => array_values(array_intersect(array_column(Mechanism::cases(), 'value'), $used)),
            'stated' => array_map(self::row(...), $checks),
            'working' => $graded === null ? null : array_map(fn (GradedCheck $one) => [...self::row($one->check), 'plusMinus' => self::rounded($one->plusMinus), 'cells' => $one->cells], $graded),
            'ended' => $ended,
        ];
    }

    /** @return Row */
    private static function row(Check $check): array
    {
        return [
            'quantity' => $check->quantity, 'unit' => $check->unit, 'reference' => (float) self::rounded($check->reference),
            'computed' => (float) self::rounded($check->computed), 'tolerance' => (float) self::rounded($check->tolerance),
        ];
    }

    /** To eight digits. */
    private static function rounded(?float $value): ?float
    {
        return $value === null ? null : (float) sprintf('%.8g', $value);
    }
}
