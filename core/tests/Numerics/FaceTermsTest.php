<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\FaceTerms;
use Foehn\Numerics\SparseMatrix;
use Foehn\Numerics\Vectors;
use PHPUnit\Framework\TestCase;

final class FaceTermsTest extends TestCase
{
    public function testAddsWhatPassesBetweenUnknowns(): void
    {
        // 0 - 1 - 2 in a row; from 1 to 2 passes 3 (x1 - x0) more, written as 0 x1 + 3 x1 - 3 x0.
        $terms = new FaceTerms(SparseMatrix::fromLinks([0, 1], [1, 2], [1.0, 2.0], [1.0, 0.0, 0.0]), [1], [2], [[1], [2], [0]], [[3.0], [0.0], [-3.0]]);

        self::assertEqualsWithDelta([-3.0, -6.0 + 12.0, 10.0 - 12.0], $terms->times([1.0, 5.0, 10.0]), 1e-12);
    }

    public function testIsTransposedWithRowsAndColumnsExchanged(): void
    {
        $terms = new FaceTerms(SparseMatrix::fromLinks([0, 1, 2], [1, 2, 3], [1.0, 2.0, 3.0], [1.0, 0.0, 0.5, 0.0], [4.0, 0.5, 1.0]), [1, 2], [2, 3], [[1, 2], [2, 3], [0, 1]], [[0.7, -0.2], [0.1, 0.4], [-0.8, 0.3]]);
        $transposed = $terms->transposed();
        [$x, $y] = [[1.0, -2.0, 0.5, 3.0], [0.3, 1.5, -1.0, 2.0]];

        self::assertEqualsWithDelta(Vectors::dot($y, $terms->times($x)), Vectors::dot($x, $transposed->times($y)), 1e-12);
        self::assertEqualsWithDelta($terms->times($x), $transposed->transposed()->times($x), 1e-12);
    }
}
