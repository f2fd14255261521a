<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P04: centred square source on a square plate that is cooled on the back, isotropic and like a board; one quarter is computed. */
final class SpreadingResistance extends VerificationCase
{
    private const HALF = 0.025;

    private const HALF_SOURCE = 0.00625;

    public function id(): string
    {
        return 'P04';
    }

    public function title(): string
    {
        return 'Spreading resistance of a plate';
    }

    public function source(): string
    {
        return 'Double Fourier series; Yovanovich, Muzychka & Culham, J. Thermophys. Heat Transfer 13 (1999) 495';
    }

    public function run(bool $full = false): array
    {
        return [
            ...$this->plate('A', 0.005, [180, 180, 180], 40.0, 400.0, ['centre' => [50.6466, 0.2550538], 'mean' => [48.61213, 0.204192], 'tolerance' => [0.005, 0.008]]),
            ...$this->plate('B', 0.0016, [20, 20, 0.4], 1.0, 15.0, ['centre' => [40.33884, 12.07217], 'mean' => [37.80983, 9.543161], 'tolerance' => [0.008, 0.01]]),
        ];
    }

    /**
     * @param list<float> $conductivity
     * @param array{centre: array{float, float}, mean: array{float, float}, tolerance: array{float, float}} $expected rise in K and spreading resistance in K/W, by the centre and by the mean of the source
     * @return list<Check>
     */
    private function plate(string $case, float $thickness, array $conductivity, float $watts, float $film, array $expected): array
    {
        ['centre' => [$centre, $byCentre], 'mean' => [$mean, $byMean], 'tolerance' => [$tolerance, $spreadTolerance]] = $expected;
        $side = 2 * self::HALF;
        $sourceArea = (2 * self::HALF_SOURCE) ** 2;
        $result = $this->result([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::HALF, self::HALF, $thickness]], 'fluid' => null, 'sides' => [
                'x-' => ['kind' => 'symmetry'], 'y-' => ['kind' => 'symmetry'], 'z-' => self::film($film, '300 K'),
                'z+' => ['kind' => 'wall', 'patches' => [['min' => [0, 0], 'max' => [self::HALF_SOURCE, self::HALF_SOURCE], 'heat' => ['kind' => 'flux', 'flux' => $watts / $sourceArea]]]]]],
            'materials' => ['m' => ['conductivity' => $conductivity]],
            'parts' => [['id' => 'plate', 'shape' => ['kind' => 'block', 'size' => [self::HALF, self::HALF, $thickness]], 'material' => 'm']],
            'watches' => [self::watch('centre', ['point' => [0, 0, $thickness]]), self::watch('mean', ['side' => 'z+', 'patch' => 0])],
            'analysis' => ['grid' => ['cells' => [64, 64, 20]]],
        ]);
        $atCentre = $result->watched['centre'] - 300.0;
        $atMean = $result->watched['mean'] - 300.0;
        $oneDimensional = ($thickness / $conductivity[2] + 1 / $film) / $side ** 2;

        return [
            Check::relative('P04', "$case: rise at the centre", $centre, $atCentre, $tolerance, 'K'),
            Check::relative('P04', "$case: mean rise of the source", $mean, $atMean, $tolerance, 'K'),
            Check::relative('P04', "$case: spreading resistance by the mean", $byMean, $atMean / $watts - $oneDimensional, $spreadTolerance, 'K/W'),
            Check::relative('P04', "$case: spreading resistance by the centre", $byCentre, $atCentre / $watts - $oneDimensional, $spreadTolerance, 'K/W'),
        ];
    }
}
