<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P07 and P08: a block of nearly one temperature, heated in a step, in pulses, and by a control in three ways. */
final class LumpedBlock extends VerificationCase
{
    /** J/K and W/K */
    private const CAPACITY = 20.0;

    private const CONDUCTANCE = 0.24;

    private const AMBIENT = 20.0;

    /** s, of the reference solutions by Runge-Kutta steps */
    private const REFERENCE_STEP = 0.01;

    public function id(): string
    {
        return 'P07';
    }

    public function title(): string
    {
        return 'Block heated in steps, in pulses and by a thermostat';
    }

    public function source(): string
    {
        return 'Exponentials of a lump; its differential equation with a sensor that lags, and one with a dead time (P08)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        return [...$this->step(), ...$this->pulses(), ...$this->controlled()];
    }

    /** @return list<Check> */
    private function step(): array
    {
        $course = $this->course(self::block('12 W', 500.0, [20, 83.3333333, 250]));
        $tau = self::CAPACITY / self::CONDUCTANCE;

        return array_map(fn (float $t): Check => Check::absolute('P07', sprintf('step of 12 W: mean at %.4g s', $t), self::AMBIENT + 12.0 / self::CONDUCTANCE * (1.0 - exp(-$t / $tau)), self::celsius($course->at('mean', $t)), 0.1, 'degC'), [20.0, 83.3333333, 250.0]);
    }

    /** @return list<Check> */
    private function pulses(): array
    {
        $course = $this->course(self::block(['pulse' => ['high' => '12 W', 'period' => '60 s', 'duty' => 0.4]], 1800.0, [24, 1764, 1800]));
        $tau = self::CAPACITY / self::CONDUCTANCE;
        $most = self::AMBIENT + 12.0 / self::CONDUCTANCE * (1.0 - exp(-24.0 / $tau)) / (1.0 - exp(-60.0 / $tau));

        $direct = $this->result(self::block(['pulse' => ['high' => '12 W', 'period' => '60 s', 'duty' => 0.4]], 60.0, [24, 60], 'periodic'))->result['watches'][0]['overTime'];

        return [
            Check::absolute('P07', 'pulses, brought to their periodic state: greatest', $most, self::celsius($direct['max'] ?? null), 0.1, 'degC'),
            Check::absolute('P07', 'the same: least', self::AMBIENT + ($most - self::AMBIENT) * exp(-36.0 / $tau), self::celsius($direct['min'] ?? null), 0.1, 'degC'),
            Check::absolute('P07', 'the same: mean over a period', 40.0, self::celsius($direct['mean'] ?? null), 0.1, 'degC'),
            Check::absolute('P07', 'pulses: end of the first', self::AMBIENT + 12.0 / self::CONDUCTANCE * (1.0 - exp(-24.0 / $tau)), self::celsius($course->at('mean', 24.0)), 0.1, 'degC'),
            Check::absolute('P07', 'pulses: greatest in the end', $most, self::celsius($course->at('mean', 1764.0)), 0.1, 'degC'),
            Check::absolute('P07', 'pulses: least in the end', self::AMBIENT + ($most - self::AMBIENT) * exp(-36.0 / $tau), self::celsius($course->at('mean', 1800.0)), 0.1, 'degC'),
        ];
    }

    /** @return list<Check> */
    private function controlled(): array
    {
        $checks = [];
        foreach (['direct' => [], 'lag of 10 s' => ['lag' => '10 s'], 'dead time of 10 s' => ['deadTime' => '10 s']] as $name => $sensor) {
            $power = ['curve' => [['50 degC', '30 W'], ['70 degC', '0 W']], 'sensor' => ['part' => 'block', ...$sensor]];
            $course = $this->course(self::block($power, 600.0, [60, 600]));
            $reference = self::reference($name);
            $checks[] = Check::absolute('P08', "$name: mean at 60 s", $reference[6000], self::celsius($course->at('mean', 60.0)), 0.1, 'degC');
            $checks[] = Check::absolute('P08', "$name: mean in the end", self::AMBIENT + 43.10345, self::celsius($course->at('mean', 600.0)), 0.05, 'degC');
            $checks[] = Check::relative('P08', "$name: watts in the end", 10.34483, $course->controls[0][count($course->times) - 1]['watts'], 0.002, 'W');
            $checks[] = Check::absolute('P08', "$name: greatest mean", max($reference), self::celsius(self::greatest(array_filter($course->values['mean'], is_float(...)))), $name === 'direct' ? 0.05 : 0.1, 'degC');
        }

        return $checks;
    }

    /**
     * The lump by Runge-Kutta steps of fourth order, with its curve of watts.
     *
     * @return non-empty-list<float> degC after every REFERENCE_STEP
     */
    private static function reference(string $sensor): array
    {
        $watts = fn (float $seen): float => max(0.0, min(30.0, 30.0 * (70.0 - $seen) / 20.0));
        [$t, $s, $h] = [self::AMBIENT, self::AMBIENT, self::REFERENCE_STEP];
        $late = (int) round(10.0 / $h);
        $past = [$t];
        for ($n = 0; $n < 60000; $n++) {
            $seen = match ($sensor) {
                'direct' => null,
                'lag of 10 s' => null,
                default => 0.5 * ($past[max(0, $n - $late)] + $past[max(0, $n + 1 - $late)]),
            };
            $rate = function (float $t, float $s) use ($seen, $watts, $sensor): array {
                $own = $seen ?? ($sensor === 'direct' ? $t : $s);

                return [($watts($own) - self::CONDUCTANCE * ($t - self::AMBIENT)) / self::CAPACITY, ($t - $s) / 10.0];
            };
            $k1 = $rate($t, $s);
            $k2 = $rate($t + 0.5 * $h * $k1[0], $s + 0.5 * $h * $k1[1]);
            $k3 = $rate($t + 0.5 * $h * $k2[0], $s + 0.5 * $h * $k2[1]);
            $k4 = $rate($t + $h * $k3[0], $s + $h * $k3[1]);
            $t += $h / 6.0 * ($k1[0] + 2.0 * $k2[0] + 2.0 * $k3[0] + $k4[0]);
            $s += $h / 6.0 * ($k1[1] + 2.0 * $k2[1] + 2.0 * $k3[1] + $k4[1]);
            $past[] = $t;
        }

        return $past;
    }

    private static function celsius(?float $kelvin): float
    {
        return ($kelvin ?? NAN) - self::ZERO_CELSIUS;
    }

    /**
     * @param string|array<string, mixed> $power
     * @param list<int|float> $keep
     * @return array<string, mixed>
     */
    private static function block(string|array $power, float $end, array $keep, ?string $start = null): array
    {
        return [
            'surroundings' => ['temperature' => self::AMBIENT . ' degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 400, 'density' => 2500, 'specificHeat' => 1000]],
            'parts' => [['id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'material' => 'm', 'power' => $power, 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 100, 'temperature' => self::AMBIENT . ' degC']]]]],
            'watches' => [self::watch('mean', ['part' => 'block'], 'temperature', 'mean')],
            'analysis' => ['grid' => ['cells' => [4, 4, 4]], 'time' => ['kind' => 'transient', 'end' => $end, 'start' => $start ?? ['uniform' => self::AMBIENT . ' degC'], 'keep' => $keep]],
        ];
    }
}
