<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

/**
 * Grey diffuse patches that light each other (Siegel & Howell, Thermal Radiation Heat Transfer, 1992, ch. 7). With S = A F the
 * radiosities J obey (A eps / (1 - eps) + sum S) J_i - sum S_ij J_j = A eps / (1 - eps) sigma T_i^4, which is symmetric and positive;
 * a black patch has J = sigma T^4, and one of emissivity 0 gives back all that it takes up.
 */
final readonly class Radiosity
{
    private const RESIDUAL = 1e-12;

    /** Patches this near to black are taken as black. */
    private const BLACK = 1.0 - 1e-9;

    /**
     * @param array<int, array<int, float>> $seen m2 by patch and the patch that it sees (see Links)
     * @param array<int, float> $areas m2
     * @param array<int, float> $emissivity
     */
    public function __construct(private array $seen, private array $areas, private array $emissivity)
    {
    }

    /**
     * Irradiation of every patch, W/m2.
     *
     * @param array<int, float> $emission sigma T^4 of each patch, W/m2
     * @return list<float>
     */
    public function irradiation(array $emission): array
    {
        $radiosity = $this->radiosity($emission);
        $found = [];
        foreach ($this->seen as $i => $row) {
            $sum = 0.0;
            foreach ($row as $j => $link) {
                $sum += $link * $radiosity[$j];
            }
            $found[] = $sum / $this->areas[$i];
        }

        return $found;
    }

    /**
     * Net heat that leaves each patch, W.
     *
     * @param array<int, float> $emission sigma T^4 of each patch, W/m2
     * @return array<int, float>
     */
    public function net(array $emission): array
    {
        return array_map(fn (float $area, float $emissivity, float $own, float $taken): float => $area * $emissivity * ($own - $taken), $this->areas, $this->emissivity, $emission, $this->irradiation($emission));
    }

    /**
     * By conjugate gradients with the diagonal as preconditioner; black patches are given.
     *
     * @param array<int, float> $emission
     * @return array<int, float>
     */
    private function radiosity(array $emission): array
    {
        $x = $emission;
        $free = array_keys(array_filter($this->emissivity, fn (float $one): bool => $one < self::BLACK));
        $isFree = array_fill_keys($free, true);
        $diagonal = $own = [];
        foreach ($free as $i) {
            $own[$i] = $this->areas[$i] * $this->emissivity[$i] / (1.0 - $this->emissivity[$i]);
            $diagonal[$i] = $own[$i] + array_sum($this->seen[$i]) - ($this->seen[$i][$i] ?? 0.0);
        }
        $right = [];
        foreach ($free as $i) {
            $right[$i] = $own[$i] * $emission[$i];
            foreach ($this->seen[$i] as $j => $link) {
                $right[$i] += isset($isFree[$j]) ? 0.0 : $link * $emission[$j];
            }
        }
        $v = array_intersect_key($x, $isFree);
        $residual = [];
        foreach ($this->image($v, $diagonal) as $i => $value) {
            $residual[$i] = $right[$i] - $value;
        }
        $direction = [];
        $before = 0.0;
        $enough = self::RESIDUAL ** 2 * array_sum(array_map(fn (int $i): float => $right[$i] ** 2 / $diagonal[$i], $free));
        for ($n = 0; $n < 10 * count($free) + 10; $n++) {
            $now = 0.0;
            foreach ($free as $i) {
                $now += $residual[$i] ** 2 / $diagonal[$i];
            }
            if ($now <= $enough) {
                break;
            }
            foreach ($free as $i) {
                $direction[$i] = $residual[$i] / $diagonal[$i] + ($before > 0.0 ? $now / $before * $direction[$i] : 0.0);
            }
            $image = $this->image($direction, $diagonal);
            $along = 0.0;
            foreach ($free as $i) {
                $along += $direction[$i] * $image[$i];
            }
            foreach ($free as $i) {
                $v[$i] += $now / $along * $direction[$i];
                $residual[$i] -= $now / $along * $image[$i];
            }
            $before = $now;
        }

        return array_replace($x, $v);
    }

    /**
     * What the equations of the patches that are not black make of radiosities.
     *
     * @param array<int, float> $v by patch
     * @param array<int, float> $diagonal
     * @return array<int, float>
     */
    private function image(array $v, array $diagonal): array
    {
        $out = [];
        foreach ($diagonal as $i => $own) {
            $sum = $own * $v[$i];
            foreach ($this->seen[$i] as $j => $link) {
                if ($j !== $i && isset($diagonal[$j])) {
                    $sum -= $link * $v[$j];
                }
            }
            $out[$i] = $sum;
        }

        return $out;
    }
}
