<?php

declare(strict_types=1);

namespace Foehn\Physics;

/**
 * Conduction between neighbouring cells of one body. The conductance between two cell centres is the area over the sum of the two
 * half-cell resistances, the harmonic mean (Patankar, Numerical Heat Transfer and Fluid Flow, 1980, eq. 4.9). It is exact for
 * layered materials. The same law holds for heat, for currents and for the potential that wall distances follow from.
 */
final readonly class Conduction implements Contribution
{
    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $half half-cell resistance times area of each cell along each axis (for heat m2K/W); 0 where nothing is conducted
     * @param array<int, int> $body of each cell; between different ones this law says nothing
     */
    public function __construct(private array $half, private array $body)
    {
    }

    public function addTo(Equation $equation): void
    {
        foreach ([0, 1, 2] as $axis) {
            $coupling = $equation->coupling[$axis];
            $equation->coupling[$axis] = [];
            $equation->coupling[$axis] = self::links($equation->grid->cells, $equation->grid->widths, $axis, $this->half[$axis], $this->body, $coupling);
        }
    }

    /**
     * g = A / (h_c + h_d) for every pair of neighbours c and d along an axis that belong to one body.
     *
     * @param array{int, int, int} $cells
     * @param array{array<int, float>, array<int, float>, array<int, float>} $widths m
     * @param array<int, float> $half
     * @param array<int, int> $body
     * @param array<int, float> $coupling padded; what it holds between one body's cells is replaced
     * @return array<int, float>
     */
    private static function links(array $cells, array $widths, int $axis, array $half, array $body, array $coupling): array
    {
        [$nx, $ny, $nz] = $cells;
        [$wx, $wy, $wz] = $widths;
        $pad = $nx * $ny;
        $stride = [1, $nx, $pad][$axis];
        [$ni, $nj, $nk] = [$nx - ($axis === 0 ? 1 : 0), $ny - ($axis === 1 ? 1 : 0), $nz - ($axis === 2 ? 1 : 0)];
        for ($k = 0; $k < $nk; $k++) {
            for ($j = 0; $j < $nj; $j++) {
                $c = $nx * ($j + $ny * $k);
                $area = $axis === 0 ? $wy[$j] * $wz[$k] : ($axis === 1 ? $wz[$k] : $wy[$j]);
                for ($i = 0; $i < $ni; $i++, $c++) {
                    $d = $c + $stride;
                    if ($body[$c] === $body[$d] && $half[$c] > 0.0) {
                        $coupling[$pad + $c] = ($axis === 0 ? $area : $area * $wx[$i]) / ($half[$c] + $half[$d]);
                    }
                }
            }
        }

        return $coupling;
    }
}
