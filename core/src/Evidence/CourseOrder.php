<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** T01: a half space whose surface is suddenly held warm, and a chosen field in time whose error must fall with the square of the step. */
final class CourseOrder extends VerificationCase
{
    /** m2/s: 2 W/m/K over 2e6 J/m3/K */
    private const DIFFUSIVITY = 1e-6;

    private const DEPTH = 0.2;

    /** Of the chosen field, 1/s and m. */
    private const FREQUENCY = 0.2;

    private const LENGTH = 0.1;

    /** @var ?array<int, float> K of the cells by very small steps */
    private ?array $exact = null;

    public function id(): string
    {
        return 'T01';
    }

    public function title(): string
    {
        return 'Half space suddenly warmed, and the order of steps in time';
    }

    public function source(): string
    {
        return 'Error function (Carslaw & Jaeger, 2nd ed. 1959, sec. 2.5), and a chosen field T = 300 K + 20 K sin(w t) cos(pi x / L)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        $course = $this->course(self::halfSpace());
        foreach ([100.0, 1000.0] as $moment) {
            foreach ([0.005, 0.02, 0.05] as $depth) {
                $checks[] = Check::absolute('T01', sprintf('half space: rise %g mm deep at %g s', 1e3 * $depth, $moment), 80.0 * (1.0 - self::erf($depth / (2.0 * sqrt(self::DIFFUSIVITY * $moment)))), ($course->at("at $depth", $moment) ?? NAN) - 293.15, 0.15, 'K');
            }
        }
        $errors = array_map(fn (int $steps): float => $this->greatestError($this->solve(self::chosen(10.0 / $steps))), [10, 20, 40]);
        $checks[] = Check::absolute('T01', 'order of the error in time, steps of 1 and 0.5 s', 2.0, log($errors[0] / $errors[1], 2), 0.15, '-');
        $checks[] = Check::absolute('T01', 'the same, 0.5 and 0.25 s', 2.0, log($errors[1] / $errors[2], 2), 0.15, '-');

        return $checks;
    }

    /** By its series (Abramowitz & Stegun, 1964, eq. 7.1.5), for arguments up to 4. */
    public static function erf(float $x): float
    {
        if ($x > 4.0) {
            return 1.0;
        }
        [$sum, $term] = [$x, $x];
        for ($n = 1; $n < 100; $n++) {
            $term *= -$x * $x / $n;
            $sum += $term / (2 * $n + 1);
        }

        return 2.0 / sqrt(M_PI) * $sum;
    }

    /** At the end, against the same grid solved by steps far smaller than any of these. */
    private function greatestError(Solution $solution): float
    {
        $this->exact ??= $this->solve(self::chosen(10.0 / 640))->state->temperature;

        return max([0.0, ...array_map(fn (float $own, float $exact): float => abs($own - $exact), $solution->state->temperature, $this->exact)]);
    }

    /** @return array<string, mixed> */
    private static function halfSpace(): array
    {
        $lines = [0.0];
        // Cells of 0.5 mm at the surface, each wider by a fortieth.
        for ($width = 0.0005; $lines[count($lines) - 1] + $width < self::DEPTH; $width *= 1.025) {
            $lines[] = $lines[count($lines) - 1] + $width;
        }
        $lines[] = self::DEPTH;

        return [
            'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::DEPTH, 0.01, 0.01]], 'fluid' => null, 'sides' => ['x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '100 degC']]]],
            'materials' => ['m' => ['conductivity' => 2, 'density' => 2000, 'specificHeat' => 1000]],
            'parts' => [['id' => 'body', 'shape' => ['kind' => 'block', 'size' => [self::DEPTH, 0.01, 0.01]], 'material' => 'm']],
            'watches' => array_map(fn (float $depth): array => self::watch("at $depth", ['point' => [$depth, 0.005, 0.005]]), [0.005, 0.02, 0.05]),
            'analysis' => ['grid' => ['lines' => ['x' => $lines, 'y' => [0, 0.01], 'z' => [0, 0.01]]], 'time' => ['kind' => 'transient', 'end' => 1000, 'start' => ['uniform' => '20 degC'], 'keep' => [100, 1000]]],
        ];
    }

    /** @return array<string, mixed> rho c dT/dt = k T'' + q with T as chosen, adiabatic ends */
    private static function chosen(float $step): array
    {
        $shape = sprintf('cos(pi * x / (%g m))', self::LENGTH);
        $source = sprintf('20 K * %s * (2e6 J/m^3/K * %g / (1 s) * cos(%g * t / (1 s)) + 2 W/m/K * (pi / (%g m))^2 * sin(%g * t / (1 s)))', $shape, self::FREQUENCY, self::FREQUENCY, self::LENGTH, self::FREQUENCY);

        return [
            'surroundings' => ['temperature' => 300],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, 0.01, 0.01]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 2, 'density' => 2000, 'specificHeat' => 1000]],
            'parts' => [['id' => 'body', 'shape' => ['kind' => 'block', 'size' => [self::LENGTH, 0.01, 0.01]], 'material' => 'm', 'source' => $source]],
            'analysis' => ['grid' => ['cells' => [20, 1, 1]], 'time' => ['kind' => 'transient', 'end' => 10, 'step' => $step, 'start' => ['uniform' => 300], 'keep' => [10]]],
        ];
    }
}
