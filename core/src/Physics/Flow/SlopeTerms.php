<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\FaceTerms;
use Foehn\Numerics\SparseMatrix;

/**
 * The second-order correction of the energy transport as a linear operator: at every face the slope that the limiter takes at a given
 * temperature, as a combination of the temperatures beside the face. At the temperature itself it gives what the scheme gives (see
 * EnergyTransport); of small changes it follows the mixed slope as the scheme does, and of a slope held back the share that is left.
 */
final readonly class SlopeTerms
{
    /** @param array<int, int> $unknown of each cell, in the layout of the flow */
    public function __construct(private FlowDomain $domain, private float $specificHeat, private array $unknown)
    {
    }

    /**
     * @param SparseMatrix $matrix of the upwind scheme
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param array<int, float> $temperature in the layout of the flow, K
     */
    public function of(SparseMatrix $matrix, array $flux, array $temperature): FaceTerms
    {
        [$from, $to, $far, $slopes, $backs] = [[], [], [], [], []];
        foreach ([0, 1, 2] as $axis) {
            foreach ($this->along($axis, $flux[$axis], $temperature) as [$c, $q, $upstream, $slope, $back]) {
                $from[] = $this->unknown[$c];
                $to[] = $this->unknown[$q];
                $far[] = $this->unknown[$upstream];
                $slopes[] = $slope;
                $backs[] = $back;
            }
        }
        $own = $other = $behind = [];
        foreach ($slopes as $t => $slope) {
            // v = slope (x[to] - x[from]) + back (x[from] - x[far]) where the fluid goes to rising coordinates, else with x[to] for x[from].
            $back = $backs[$t];
            $own[] = $back > 0.0 ? $back - $slope : -$slope;
            $other[] = $back < 0.0 ? $slope + $back : $slope;
            $behind[] = -$back;
        }

        return new FaceTerms($matrix, $from, $to, [$from, $to, $far], [$own, $other, $behind]);
    }

    /**
     * @param array<int, float> $flux kg/s
     * @param array<int, float> $t K
     * @return iterable<array{int, int, int, float, float}> of each face with a slope: the cells on both sides, the one upstream of them, and W/K on the differences across the face and behind it, the second negative where the fluid goes to falling coordinates
     */
    private function along(int $axis, array $flux, array $t): iterable
    {
        $layout = $this->domain->layout;
        [$s, $wa, $face] = [$layout->stride[$axis], $layout->width[$axis], $this->domain->face[$axis]];
        foreach ($face as $c => $kind) {
            if ($kind !== FlowDomain::INNER || $flux[$c] === 0.0) {
                continue;
            }
            $ia = $layout->place($c)[$axis];
            $q = $c + $s;
            $up = $flux[$c] > 0.0;
            [$near, $next] = $up ? [$c, $q] : [$q, $c];
            $far = $up ? $c - $s : $q + $s;
            $width = $wa[$up ? $ia : $ia + 1];
            $toNext = $width + $wa[$up ? $ia + 1 : $ia];
            $ahead = ($t[$next] - $t[$near]) / $toNext;
            $open = $face[$up ? $c - $s : $q] === FlowDomain::INNER;
            $toFar = $open ? $width + $wa[$up ? $ia - 1 : $ia + 2] : $toNext;
            $behind = $open ? ($t[$near] - $t[$far]) / $toFar : $ahead;
            if ($ahead * $behind <= 0.0) {
                continue;
            }
            $factor = $this->specificHeat * abs($flux[$c]) * $width;
            [$a, $b] = self::weights($ahead, $behind);
            if (! $open) {
                [$a, $b, $far] = [$a + $b, 0.0, $near];
            }
            yield [$c, $q, $far, $factor * $a / $toNext, ($up ? 1.0 : -1.0) * $factor * $b / $toFar];
        }
    }

    /**
     * Where the limiter holds back the slope, the share it leaves is kept, with the difference behind taking no more part than it has
     * in the mixed slope. Twice the slope behind, followed as it is, would feed ripples.
     *
     * @return array{float, float} of the slope ahead and the one behind in the slope that is taken
     */
    private static function weights(float $ahead, float $behind): array
    {
        $ratio = $behind / $ahead;
        $mixed = 1.0 + EnergyTransport::BEHIND * ($ratio - 1.0);

        return match (true) {
            $mixed < 2.0 * min(1.0, $ratio) => [1.0 - EnergyTransport::BEHIND, EnergyTransport::BEHIND],
            $ratio < 1.0 => [2.0 * $ratio, 0.0],
            default => [1.0, 1.0 / $ratio],
        };
    }
}
