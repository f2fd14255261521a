<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Points that fill the unit cube of up to four dimensions evenly: the sequence of Sobol (USSR Comput. Math. 7 (1967) 86) with the
 * direction numbers of Joe & Kuo (SIAM J. Sci. Comput. 30 (2008) 2635), in the order of Antonov & Saleev.
 */
final class Sobol
{
    public const DIMENSIONS = 4;

    private const BITS = 30;

    /** Degree and coefficients of the primitive polynomials of dimensions two to four, and their first direction numbers. */
    private const POLYNOMIALS = [[1, 0, [1]], [2, 1, [1, 3]], [3, 1, [1, 3, 1]]];

    /** @var list<list<int>> by dimension */
    private readonly array $directions;

    /** @var array<int, int> by dimension */
    private array $state;

    private int $count = 0;

    public function __construct()
    {
        $directions = [array_map(fn (int $bit): int => 1 << (self::BITS - 1 - $bit), range(0, self::BITS - 1))];
        foreach (self::POLYNOMIALS as [$degree, $coefficients, $first]) {
            $own = array_map(fn (int $n, int $bit): int => $n << (self::BITS - 1 - $bit), $first, array_keys($first));
            for ($bit = $degree; $bit < self::BITS; $bit++) {
                $next = $own[$bit - $degree] ^ ($own[$bit - $degree] >> $degree);
                for ($k = 1; $k < $degree; $k++) {
                    $next ^= (($coefficients >> ($degree - 1 - $k)) & 1) * $own[$bit - $k];
                }
                $own[] = $next;
            }
            $directions[] = $own;
        }
        $this->directions = $directions;
        $this->state = array_fill(0, self::DIMENSIONS, 0);
    }

    /** @return array{float, float, float, float} the next point, each coordinate at least 0 and below 1 */
    public function next(): array
    {
        $point = array_map(fn (int $state): float => $state / (1 << self::BITS), $this->state);
        for ($bit = 0, $n = $this->count++; ($n & 1) === 1; $n >>= 1) {
            $bit++;
        }
        foreach ($this->directions as $dimension => $own) {
            $this->state[$dimension] ^= $own[$bit];
        }

        return [$point[0], $point[1], $point[2], $point[3]];
    }
}
