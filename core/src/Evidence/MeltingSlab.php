<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** T02: a solid at its melting temperature whose surface is suddenly held warmer: the front goes with the root of the time. */
final class MeltingSlab extends VerificationCase
{
    private const DEPTH = 0.02;

    private const CONDUCTIVITY = 0.5;

    private const DENSITY = 900.0;

    private const SPECIFIC_HEAT = 2000.0;

    private const LATENT = 2e5;

    /** K of the surface above melting */
    private const WARMER = 20.0;

    /** K over which it melts: a pure material has none. */
    private const RANGE = 0.2;

    private const AREA = 1e-4;

    public function id(): string
    {
        return 'T02';
    }

    public function title(): string
    {
        return 'Melting of a solid from its surface';
    }

    public function source(): string
    {
        return 'Neumann and Stefan: x = 2 lambda sqrt(alpha t), lambda exp(lambda^2) erf(lambda) = Ste / sqrt(pi) (Carslaw & Jaeger, 2nd ed. 1959, sec. 11.2)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $diffusivity = self::CONDUCTIVITY / (self::DENSITY * self::SPECIFIC_HEAT);
        $lambda = self::lambda(self::SPECIFIC_HEAT * self::WARMER / self::LATENT);
        $checks = [];
        foreach ([250.0, 1000.0] as $end) {
            $course = $this->course(self::slab($end));
            $taken = 2.0 * self::CONDUCTIVITY * self::WARMER * sqrt($end) / (CourseOrder::erf($lambda) * sqrt(M_PI * $diffusivity));
            $checks[] = Check::relative('T02', "heat taken up in $end s", $taken, $course->stored / self::AREA, 0.01, 'J/m2');
            $checks[] = Check::absolute('T02', "heat missing after $end s", 0.0, $course->error(), 1e-6, '-');
            $depth = 0.002;
            $rise = self::WARMER * (1.0 - CourseOrder::erf($depth / (2.0 * sqrt($diffusivity * $end))) / CourseOrder::erf($lambda));
            $checks[] = Check::absolute('T02', "2 mm deep at $end s, above melting", $rise, ($course->at('deep', $end) ?? NAN) - 323.15, 0.4, 'K');
        }

        return $checks;
    }

    private static function lambda(float $stefan): float
    {
        [$low, $high] = [0.0, 3.0];
        for ($n = 0; $n < 80; $n++) {
            $middle = 0.5 * ($low + $high);
            [$low, $high] = $middle * exp($middle ** 2) * CourseOrder::erf($middle) < $stefan / sqrt(M_PI) ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }

    /** @return array<string, mixed> */
    private static function slab(float $end): array
    {
        $side = sqrt(self::AREA);

        return [
            'surroundings' => ['temperature' => '50 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::DEPTH, $side, $side]], 'fluid' => null, 'sides' => ['x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 323.15 + self::WARMER]]]],
            'materials' => ['pad' => ['conductivity' => self::CONDUCTIVITY, 'density' => self::DENSITY, 'specificHeat' => self::SPECIFIC_HEAT, 'phaseChange' => ['from' => 323.15 - 0.5 * self::RANGE, 'to' => 323.15 + 0.5 * self::RANGE, 'latentHeat' => self::LATENT]]],
            'parts' => [['id' => 'pad', 'shape' => ['kind' => 'block', 'size' => [self::DEPTH, $side, $side]], 'material' => 'pad']],
            'watches' => [self::watch('deep', ['point' => [0.002, 0.5 * $side, 0.5 * $side]])],
            'analysis' => ['grid' => ['cells' => [100, 1, 1]], 'time' => ['kind' => 'transient', 'end' => $end, 'start' => ['uniform' => 323.15 - 0.5 * self::RANGE], 'keep' => 1]],
        ];
    }
}
