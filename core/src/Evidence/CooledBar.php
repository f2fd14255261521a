<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P06: a bar that conducts differently along its axes, cooled on two sides, from one temperature and from a steady state with a source. */
final class CooledBar extends VerificationCase
{
    /** m, half of the bar */
    private const SIZE = [0.01, 0.005];

    /** W/m/K */
    private const CONDUCTIVITY = [30.0, 5.0];

    /** J/m3/K */
    private const CAPACITY = 2e6;

    private const COEFFICIENT = 1000.0;

    private const SOURCE = 5e6;

    private const FLUID = 25.0;

    private const TERMS = 60;

    /** Shares of the size. */
    private const PLACES = ['middle' => [0.0, 0.0], 'half way along x' => [0.5, 0.0], 'half way along y' => [0.0, 0.5], 'middle of x+' => [1.0, 0.0], 'middle of y+' => [0.0, 1.0], 'corner' => [1.0, 1.0], 'quarter' => [0.5, 0.5]];

    public function id(): string
    {
        return 'P06';
    }

    public function title(): string
    {
        return 'Orthotropic bar cooled on two sides';
    }

    public function source(): string
    {
        return 'Products and double series of eigenfunctions (Carslaw & Jaeger, 2nd ed. 1959, ch. V)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        $uniform = $this->course(self::bar(0.0, ['uniform' => '250 degC']));
        $steady = $this->course(self::bar(['schedule' => [[0, self::SOURCE], [1e-9, 0]], 'between' => 'steps'], 'steady'));
        foreach (self::PLACES as $name => $place) {
            $checks[] = Check::absolute('P06', "from 250 degC, 3 s: $name", self::FLUID + 225.0 * self::share(0, 3.0, $place[0]) * self::share(1, 3.0, $place[1]), ($uniform->at($name, 3.0) ?? NAN) - self::ZERO_CELSIUS, 0.5, 'degC');
            foreach ([0.0, 3.0] as $moment) {
                $checks[] = Check::absolute('P06', "from the steady state, $moment s: $name", self::FLUID + self::afterSource($moment, $place), ($steady->at($name, $moment) ?? NAN) - self::ZERO_CELSIUS, 0.1, 'degC');
            }
        }

        return $checks;
    }

    /**
     * What is left of a uniform rise along one axis.
     *
     * @param float $at share of the half width
     */
    private static function share(int $axis, float $time, float $at): float
    {
        $sum = 0.0;
        foreach (self::roots($axis) as $z) {
            $sum += 4.0 * sin($z) / (2.0 * $z + sin(2.0 * $z)) * exp(-$z * $z * self::diffusivity($axis) * $time) * cos($z * $at);
        }

        return $sum;
    }

    /**
     * The steady rise of a uniform source, and what is left of it after the source has gone.
     *
     * @param array{float, float} $at shares of the half widths
     */
    private static function afterSource(float $time, array $at): float
    {
        $sum = 0.0;
        foreach (self::roots(0) as $z) {
            foreach (self::roots(1) as $w) {
                $decay = $z * $z * self::diffusivity(0) + $w * $w * self::diffusivity(1);
                $weight = 16.0 * sin($z) * sin($w) / ((2.0 * $z + sin(2.0 * $z)) * (2.0 * $w + sin(2.0 * $w)));
                $sum += self::SOURCE / self::CAPACITY / $decay * $weight * exp(-$decay * $time) * cos($z * $at[0]) * cos($w * $at[1]);
            }
        }

        return $sum;
    }

    /** alpha / L2, 1/s */
    private static function diffusivity(int $axis): float
    {
        return self::CONDUCTIVITY[$axis] / self::CAPACITY / self::SIZE[$axis] ** 2;
    }

    /** @return list<float> of z tan z = Bi, by halving */
    private static function roots(int $axis): array
    {
        return CooledSlab::roots(self::COEFFICIENT * self::SIZE[$axis] / self::CONDUCTIVITY[$axis], self::TERMS);
    }

    /**
     * @param float|array<string, mixed> $source
     * @param string|array<string, string> $start
     * @return array<string, mixed>
     */
    private static function bar(float|array $source, string|array $start): array
    {
        $film = ['heat' => ['kind' => 'film', 'coefficient' => self::COEFFICIENT, 'temperature' => self::FLUID . ' degC']];
        $watches = [];
        foreach (self::PLACES as $name => [$x, $y]) {
            $watches[] = self::watch($name, ['point' => [$x * self::SIZE[0], $y * self::SIZE[1], 0.0005]]);
        }

        return [
            'surroundings' => ['temperature' => self::FLUID . ' degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [...self::SIZE, 0.001]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => [...self::CONDUCTIVITY, 1], 'density' => 2000, 'specificHeat' => 1000]],
            'parts' => [['id' => 'bar', 'shape' => ['kind' => 'block', 'size' => [...self::SIZE, 0.001]], 'material' => 'm', 'source' => $source, 'faces' => ['x+' => $film, 'y+' => $film]]],
            'watches' => $watches,
            'analysis' => ['grid' => ['cells' => [40, 40, 1]], 'time' => ['kind' => 'transient', 'end' => '3 s', 'start' => $start, 'keep' => 1]],
        ];
    }
}
