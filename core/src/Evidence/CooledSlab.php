<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P05: a slab of one temperature suddenly in a stream, at a Biot number of 1 and of 10. */
final class CooledSlab extends VerificationCase
{
    private const HALF = 0.02;

    private const TERMS = 200;

    /** s: Fourier numbers of 0.05, 0.2, 0.5, 1 and 2 */
    private const MOMENTS = [20, 80, 200, 400, 800];

    public function id(): string
    {
        return 'P05';
    }

    public function title(): string
    {
        return 'Slab suddenly cooled by convection';
    }

    public function source(): string
    {
        return 'Series over z tan z = Bi (Heisler, Trans. ASME 69 (1947) 227)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach ([100.0, 1000.0] as $coefficient) {
            $biot = $coefficient * self::HALF / 2.0;
            $course = $this->course(self::slab($coefficient));
            foreach (self::MOMENTS as $moment) {
                $fourier = $moment / 400.0;
                foreach (['centre' => 0.0, 'surface' => 1.0] as $where => $at) {
                    $tolerance = $where === 'surface' && $moment === 20 ? 0.3 : 0.15;
                    $checks[] = Check::absolute('P05', "Bi $biot, $moment s: $where", 20.0 + 80.0 * self::share($biot, $fourier, $at), ($course->at($where, $moment) ?? NAN) - self::ZERO_CELSIUS, $tolerance, 'degC');
                }
            }
            $lost = 1.0 - (($course->at('mean', 200.0) ?? NAN) - self::ZERO_CELSIUS - 20.0) / 80.0;
            $checks[] = Check::relative('P05', "Bi $biot: share of the heat lost at 200 s", 1.0 - self::mean($biot, 0.5), $lost, 0.003, '-');
            $checks[] = Check::absolute('P05', "Bi $biot: heat missing over time", 0.0, $course->error(), 1e-6, '-');
        }

        return $checks;
    }

    /** (T - T_fluid) / (T_start - T_fluid) at a share of the half thickness. */
    private static function share(float $biot, float $fourier, float $at): float
    {
        return array_sum(array_map(fn (float $z): float => 4.0 * sin($z) / (2.0 * $z + sin(2.0 * $z)) * exp(-$z * $z * $fourier) * cos($z * $at), self::roots($biot, self::TERMS)));
    }

    private static function mean(float $biot, float $fourier): float
    {
        return array_sum(array_map(fn (float $z): float => 4.0 * sin($z) / (2.0 * $z + sin(2.0 * $z)) * exp(-$z * $z * $fourier) * sin($z) / $z, self::roots($biot, self::TERMS)));
    }

    /** @return list<float> of z tan z = Bi, by halving */
    public static function roots(float $biot, int $terms): array
    {
        $roots = [];
        for ($n = 0; $n < $terms; $n++) {
            [$low, $high] = [$n * M_PI, ($n + 0.5) * M_PI];
            for ($half = 0; $half < 80; $half++) {
                $middle = 0.5 * ($low + $high);
                [$low, $high] = $middle * sin($middle) < $biot * cos($middle) === ($n % 2 === 0) ? [$middle, $high] : [$low, $middle];
            }
            $roots[] = 0.5 * ($low + $high);
        }

        return $roots;
    }

    /** @return array<string, mixed> */
    private static function slab(float $coefficient): array
    {
        $film = ['kind' => 'film', 'coefficient' => $coefficient, 'temperature' => '20 degC'];

        return [
            'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::HALF, 0.01, 0.01]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 2, 'density' => 2000, 'specificHeat' => 1000]],
            'parts' => [['id' => 'slab', 'shape' => ['kind' => 'block', 'size' => [self::HALF, 0.01, 0.01]], 'material' => 'm', 'faces' => ['x+' => ['heat' => $film]]]],
            'watches' => [self::watch('centre', ['side' => 'x-'], 'temperature', 'mean'), self::watch('surface', ['part' => 'slab', 'face' => 'x+'], 'temperature', 'mean'), self::watch('mean', ['part' => 'slab'], 'temperature', 'mean')],
            'analysis' => ['grid' => ['cells' => [40, 1, 1]], 'time' => ['kind' => 'transient', 'end' => '800 s', 'start' => ['uniform' => '100 degC'], 'keep' => self::MOMENTS]],
        ];
    }
}
