<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Course;
use Foehn\Solve\Solution;

/** T03: flow that is followed in time: vortices that decay, a channel that starts up, and the wake of a square bar that swings. */
final class UnsteadyFlow extends FlowCase
{
    /** Of the vortices and of the channel, m2/s and m. */
    private const VISCOSITY = 0.01;

    /** Pushes the channel so gently that its ends count for nothing, N/m3 at a viscosity of 1 Pa s. */
    private const PUSH = 0.01;

    private const LENGTH = 4.0;

    private const REYNOLDS = 100;

    /** The bar stands so many of its sides behind the inlet, in a stream so wide. */
    private const BEFORE = 8.0;

    private const WIDTH = 18.0;

    /** Sides over speed until the wake swings evenly, and the end. */
    private const SWINGS = 40.0;

    private const END = 75.0;

    public function id(): string
    {
        return 'T03';
    }

    public function title(): string
    {
        return 'Decaying vortices, a channel that starts up, a wake that swings';
    }

    public function source(): string
    {
        return 'Taylor & Green, Proc. R. Soc. A 158 (1937) 499; Szymanski, J. Math. Pures Appl. 11 (1932) 67 for a plane channel; Sohankar, Norberg & Davidson, Int. J. Numer. Meth. Fluids 26 (1998) 39: Strouhal number 0.14 to 0.15';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $checks = [...$this->vortices($full ? 64 : 32), ...$this->order(), ...$this->channel()];
        if ($full) {
            $checks[] = Check::absolute('T03', sprintf('square bar, Re %d: Strouhal number', self::REYNOLDS), 0.145, $this->strouhal(16), 0.005, '-');
        }

        return $checks;
    }

    /** @return list<Check> */
    private function vortices(int $cells): array
    {
        $solution = $this->solve(self::box($cells, null));
        $decay = exp(-2.0 * M_PI ** 2 * self::VISCOSITY);

        return [
            Check::relative('T03', 'vortices: kinetic energy left after 1 s', $decay ** 2, self::energy($solution, $cells), 0.005, '-'),
            Check::relative('T03', 'vortices: speed at 0.25, 0.4 m after 1 s', $decay * sin(M_PI * 0.25) * cos(M_PI * 0.4), $solution->course?->at('u', 1.0) ?? NAN, 0.005, 'm/s'),
            Check::relative('T03', 'vortices: amplitude of the pressure after 1 s', $decay ** 2 / 4.0, self::amplitude($solution, $cells), 0.01, 'Pa'),
        ];
    }

    /** @return list<Check> */
    private function order(): array
    {
        $exact = $this->solve(self::box(16, 1.0 / 320))->state->flow->velocity[0] ?? [];
        $error = function (float $step) use ($exact): float {
            $velocity = $this->solve(self::box(16, $step))->state->flow->velocity[0] ?? [];

            return sqrt(array_sum(array_map(fn (float $own, float $other): float => ($own - $other) ** 2, $velocity, $exact)));
        };
        $errors = array_map($error, [0.1, 0.05, 0.025]);

        return [
            Check::absolute('T03', 'vortices: order of the error in time, steps of 0.1 and 0.05 s', 2.0, log($errors[0] / $errors[1], 2), 0.3, '-'),
            Check::absolute('T03', 'the same, 0.05 and 0.025 s', 2.0, log($errors[1] / $errors[2], 2), 0.3, '-'),
        ];
    }

    /** @return list<Check> */
    private function channel(): array
    {
        $watch = fn (string $id, float $y): array => self::watch($id, ['point' => [0.5 * self::LENGTH, $y, 0.5]], 'velocityX');
        $course = $this->course([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'surroundings' => ['gravity' => [0, 0, 0]],
            'materials' => ['f' => self::fluid(1.0, 1.0)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, 1, 1]], 'fluid' => 'f', 'force' => ['x' => sprintf('%g N/m^3', self::PUSH)],
                'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open'], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'watches' => [$watch('middle', 0.5), $watch('quarter', 0.25)],
            'analysis' => ['grid' => ['cells' => [16, 32, 1]], 'time' => ['kind' => 'transient', 'end' => 0.5, 'air' => 'unsteady', 'start' => ['uniform' => 300]]],
        ]);
        $checks = [];
        foreach ([0.02, 0.1, 0.5] as $moment) {
            foreach (['middle' => 0.5, 'quarter' => 0.25] as $id => $y) {
                $checks[] = Check::relative('T03', sprintf('channel: speed at %s of its width after %g s', $id === 'middle' ? 'half' : 'a quarter', $moment), self::startUp($y, $moment), $course->at($id, $moment) ?? NAN, 0.01, 'm/s');
            }
        }

        return $checks;
    }

    /** Swings per second times the side over the speed, from when the wake swings evenly on. */
    private function strouhal(int $cells): float
    {
        $half = 0.5 * self::WIDTH;
        $beside = self::growing($half - 0.5, 1.0 / $cells, 1.12);
        $behind = [...self::uniform(3 * $cells, 3.0), ...array_map(fn (float $x) => 3.0 + $x, array_slice(self::growing(17.0, 1.0 / $cells, 1.06), 1))];
        $x = self::around(self::growing(self::BEFORE, 1.0 / $cells, 1.15), $cells, $behind);
        $y = self::around($beside, $cells, $beside);

        return self::swings($this->course([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.0, 1.0 / self::REYNOLDS)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [end($x), self::WIDTH, 1]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 1], 'x+' => ['kind' => 'outlet'], 'y-' => self::SYMMETRY, 'y+' => self::SYMMETRY, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'parts' => [['id' => 'bar', 'at' => [self::BEFORE, $half - 0.5, 0], 'shape' => ['kind' => 'block', 'size' => [1, 1, 1]], 'material' => 'copper']],
            'watches' => [self::watch('v', ['point' => [self::BEFORE + 3.0, $half, 0.5]], 'velocityY')],
            'analysis' => ['grid' => ['lines' => ['x' => $x, 'y' => $y, 'z' => [0, 1]]],
                // A push to one side, from which it begins to swing.
                'time' => ['kind' => 'transient', 'end' => self::END, 'air' => 'unsteady', 'start' => ['uniform' => 300, 'velocity' => [1, sprintf('0.3 m/s * exp(-((x - %g m)^2 + (y - %g m)^2) / (1 m^2))', self::BEFORE + 2.0, $half), 0]]]],
        ]));
    }

    /** 1/s, from passages of the speed across through zero upwards. */
    private static function swings(Course $course): float
    {
        $passages = [];
        $values = $course->values['v'];
        foreach ($course->times as $n => $time) {
            [$before, $now] = [$values[$n - 1] ?? 0.0, $values[$n] ?? 0.0];
            if ($n > 0 && $time > self::SWINGS && $before < 0.0 && $now >= 0.0) {
                $passages[] = $time - ($time - $course->times[$n - 1]) * $now / ($now - $before);
            }
        }

        return count($passages) < 3 ? NAN : (count($passages) - 1) / (end($passages) - $passages[0]);
    }

    /** Speed at a height in a channel of unit width after a time, by its series. */
    private static function startUp(float $y, float $time): float
    {
        $eta = 2.0 * $y - 1.0;
        $sum = 1.0 - $eta ** 2;
        for ($n = 0; $n < 200; $n++) {
            $k = (2 * $n + 1) * M_PI / 2.0;
            $sum -= 4.0 * (-1) ** $n / $k ** 3 * cos($k * $eta) * exp(-4.0 * $k ** 2 * $time);
        }

        return self::PUSH / 8.0 * $sum;
    }

    /** @return array<string, mixed> u = sin(pi x) cos(pi y) and v = -cos(pi x) sin(pi y) at the start, between planes of symmetry */
    private static function box(int $cells, ?float $step): array
    {
        return [
            'surroundings' => ['gravity' => [0, 0, 0]],
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.0, self::VISCOSITY)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f', 'sides' => array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], self::SYMMETRY)],
            'watches' => [self::watch('u', ['point' => [0.25, 0.4, 0.05]], 'velocityX')],
            'analysis' => ['grid' => ['cells' => [$cells, $cells, 1]], 'time' => ['kind' => 'transient', 'end' => 1, 'air' => 'unsteady',
                ...($step === null ? [] : ['step' => $step]),
                'start' => ['uniform' => 300, 'velocity' => ['1 m/s * sin(pi * x / (1 m)) * cos(pi * y / (1 m))', '-1 m/s * cos(pi * x / (1 m)) * sin(pi * y / (1 m))', 0]]]],
        ];
    }

    /** Kinetic energy at the end over that of the start, whose mean square of the speed is a half. */
    private static function energy(Solution $solution, int $cells): float
    {
        $velocity = $solution->state->flow->velocity ?? [[], [], []];
        $sum = array_sum(array_map(fn (float $u, float $v): float => $u * $u + $v * $v, $velocity[0], $velocity[1]));

        return $sum / $cells ** 2 / 0.5;
    }

    /** Amplitude of cos(2 pi x) in the pressure, Pa. */
    private static function amplitude(Solution $solution, int $cells): float
    {
        $flow = $solution->state->flow;
        $sum = 0.0;
        for ($j = 1; $j <= $cells; $j++) {
            for ($i = 1; $i <= $cells; $i++) {
                $sum += ($flow->pressure[$flow->domain->layout->index($i, $j, 1)] ?? NAN) * cos(2.0 * M_PI * ($i - 0.5) / $cells);
            }
        }

        return 2.0 * $sum / $cells ** 2;
    }
}
