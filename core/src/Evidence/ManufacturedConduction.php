<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** P32: a chosen temperature field of three coordinates, with the source and boundaries that make it exact; the error must fall with the square of the cell size. */
final class ManufacturedConduction extends VerificationCase
{
    private const SHAPE = 'sin(10*pi*x/(1 m)) * cos(20*pi*y/(1 m)) * exp(50*z/(1 m))';

    public function id(): string
    {
        return 'P32';
    }

    public function title(): string
    {
        return 'Manufactured solution, order of accuracy';
    }

    public function source(): string
    {
        return 'Chosen field T = 300 K + 40 K sin(pi x/0.1) cos(pi y/0.05) exp(z/0.02)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach (['given temperature' => ['kind' => 'temperature', 'temperature' => '300 K + 40 K * ' . self::SHAPE], 'given flux' => ['kind' => 'flux', 'flux' => '40 K / (0.02 m) * 1 W/m/K * ' . self::SHAPE]] as $name => $top) {
            [$meanCoarse, $maxCoarse] = $this->errors(20, $top);
            [$meanFine, $maxFine] = $this->errors(40, $top);
            $checks[] = Check::absolute('P32', "order of the mean-square error, $name on z+", 2.0, log($meanCoarse / $meanFine, 2), 0.15, '-');
            $checks[] = Check::absolute('P32', "order of the largest error, $name on z+", 2.0, log($maxCoarse / $maxFine, 2), 0.15, '-');
        }

        return $checks;
    }

    /**
     * @param array<string, mixed> $top
     * @return array{float, float} root mean square and largest error, K
     */
    private function errors(int $cells, array $top): array
    {
        $field = ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '300 K + 40 K * ' . self::SHAPE]];

        return self::compare($this->solve([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.05, 0.02]], 'fluid' => null,
                'sides' => ['x-' => $field, 'x+' => $field, 'z-' => $field, 'z+' => ['kind' => 'wall', 'heat' => $top]]],
            'materials' => ['m' => ['conductivity' => [20, 5, 1]]],
            'parts' => [['id' => 'body', 'shape' => ['kind' => 'block', 'size' => [0.1, 0.05, 0.02]], 'material' => 'm',
                'source' => '20000 W/m^3 * (8*pi^2 - 5) * ' . self::SHAPE]],
            'analysis' => ['grid' => ['cells' => [$cells, $cells, $cells]]],
        ]));
    }

    /** @return array{float, float} */
    private static function compare(Solution $solution): array
    {
        [$xs, $ys, $zs] = $solution->state->grid->centres;
        $sum = 0.0;
        $largest = 0.0;
        $cell = 0;
        foreach ($zs as $z) {
            foreach ($ys as $y) {
                foreach ($xs as $x) {
                    $exact = 300.0 + 40.0 * sin(M_PI * $x / 0.1) * cos(M_PI * $y / 0.05) * exp($z / 0.02);
                    $error = abs((float) $solution->state->cellTemperature($cell++) - $exact);
                    $sum += $error * $error;
                    $largest = max($largest, $error);
                }
            }
        }

        return [sqrt($sum / $cell), $largest];
    }
}
