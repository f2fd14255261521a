<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Least squares |A x - b| with x not negative, by active sets (Lawson & Hanson, Solving Least Squares Problems, 1974, ch. 23). */
final class NonNegative
{
    /** Of the largest gradient at the start, below which no unknown is let in any more. */
    private const ENOUGH = 1e-10;

    /** On the diagonal of the normal equations, relative, so that nearly equal columns do not break them. */
    private const REGULAR = 1e-12;

    /**
     * @param non-empty-list<non-empty-list<float>> $columns of A
     * @param non-empty-list<float> $b
     * @return list<float> x
     */
    public static function solve(array $columns, array $b): array
    {
        $products = array_map(fn (array $one): array => array_map(fn (array $other): float => Vectors::dot($one, $other), $columns), $columns);
        $against = array_map(fn (array $column): float => Vectors::dot($column, $b), $columns);
        $x = array_fill(0, count($columns), 0.0);
        $in = [];
        $enough = self::ENOUGH * max(1e-300, ...array_map(abs(...), $against));
        for ($round = 0; $round < 3 * count($columns); $round++) {
            $gradient = array_map(fn (array $row, float $right): float => $right - Vectors::dot($row, $x), $products, $against);
            $open = array_diff_key($gradient, $in);
            if ($open === [] || max($open) <= $enough) {
                break;
            }
            $in[(int) array_search(max($open), $open, true)] = true;
            ksort($in);
            while ($in !== []) {
                $trial = self::free($products, $against, array_keys($in));
                $below = array_filter($trial, fn (float $value): bool => $value <= 0.0);
                if ($below === []) {
                    $x = array_replace(array_fill(0, count($x), 0.0), $trial);
                    break;
                }
                // As far as the first that would become negative, which leaves the set.
                $share = min(array_map(fn (int $n, float $value): float => $x[$n] / max($x[$n] - $value, 1e-300), array_keys($below), $below));
                foreach ($trial as $n => $value) {
                    $x[$n] += $share * ($value - $x[$n]);
                    if ($value <= 0.0 && $x[$n] <= 1e-14 * max(abs($value), 1e-300)) {
                        $x[$n] = 0.0;
                        unset($in[$n]);
                    }
                }
            }
        }

        return array_values($x);
    }

    /**
     * Without bounds, of some unknowns.
     *
     * @param list<list<float>> $products
     * @param list<float> $against
     * @param list<int> $unknowns
     * @return array<int, float>
     */
    private static function free(array $products, array $against, array $unknowns): array
    {
        $rows = [];
        foreach ($unknowns as $i => $n) {
            $row = array_map(fn (int $m): float => $products[$n][$m], array_slice($unknowns, 0, $i + 1));
            $row[$i] *= 1.0 + self::REGULAR;
            $rows[] = array_values($row);
        }
        $factor = Cholesky::of($rows);
        $right = array_map(fn (int $n): float => $against[$n], $unknowns);

        return array_combine($unknowns, $factor === null ? array_fill(0, count($unknowns), 0.0) : $factor->solve($right));
    }
}
