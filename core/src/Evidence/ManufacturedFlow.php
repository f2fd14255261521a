<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P33: order of accuracy of flow and heat on a manufactured solution of the Navier-Stokes and energy equations. */
final class ManufacturedFlow extends FlowCase
{
    /** X and Y stand for pi x and pi y. */
    private const FORCE_X = '2*pi*sin(X)^3*sin(2*Y)^2*cos(X) - 2*pi*sin(X)^2*sin(2*X)*sin(Y)^2*cos(2*Y) + 3*pi^2*sin(X)^2*sin(2*Y)/25 - pi*sin(X)*cos(Y) - pi^2*sin(2*Y)*cos(X)^2/25';

    private const FORCE_Y = '2*pi*sin(2*X)^2*sin(Y)^3*cos(Y) - 2*pi*sin(X)^2*sin(Y)^2*sin(2*Y)*cos(2*X) - 3*pi^2*sin(2*X)*sin(Y)^2/25 + pi^2*sin(2*X)*cos(Y)^2/25 - pi*sin(Y)*cos(X)';

    private const SOURCE = 'pi*sin(X)^2*sin(2*Y)*cos(X)*cos(2*Y)/2 + pi*sin(X)*sin(2*X)*sin(Y)^2*sin(2*Y) + pi^2*sin(X)*cos(2*Y)/16';

    public function id(): string
    {
        return 'P33';
    }

    public function title(): string
    {
        return 'Manufactured solution, flow and heat';
    }

    public function source(): string
    {
        return 'Method of manufactured solutions (Roache, J. Fluids Eng. 124 (2002) 4)';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $grids = $full ? [16, 32, 64, 128] : [32, 64];
        $errors = array_map($this->errors(...), $grids);
        $checks = [];
        for ($n = 1; $n < count($grids); $n++) {
            $order = fn (int $q): float => log($errors[$n - 1][$q] / $errors[$n][$q], 2);
            $between = sprintf('%d to %d cells', $grids[$n - 1], $grids[$n]);
            $checks[] = Check::absolute('P33', "order of the velocity, $between", 2.0, $order(0), 0.2, '-');
            $checks[] = Check::absolute('P33', "order of the temperature, $between", 2.0, $order(1), 0.2, '-');
            $checks[] = Check::absolute('P33', "order of the pressure, $between", 2.0, $order(2), 0.5, '-');
        }

        return $checks;
    }

    /** @return array{float, float, float} mean square errors of velocity, temperature, pressure */
    private function errors(int $cells): array
    {
        $wall = ['heat' => ['kind' => 'temperature', 'temperature' => 1]];
        $solution = $this->solve([
            'surroundings' => ['temperature' => 1, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.0, 0.02, 0.025, 1.0)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f',
                'force' => ['x' => self::formula(self::FORCE_X, 'N/m^3'), 'y' => self::formula(self::FORCE_Y, 'N/m^3')], 'source' => self::formula(self::SOURCE, 'W/m^3'),
                'sides' => ['x-' => $wall, 'x+' => $wall, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['cells' => [$cells, $cells, 1]]],
        ]);
        $flow = $solution->state->flow;
        assert($flow !== null);
        $layout = $flow->domain->layout;
        $sums = [0.0, 0.0, 0.0];
        $differences = [];
        for ($j = 1; $j <= $cells; $j++) {
            for ($i = 1; $i <= $cells; $i++) {
                $c = $layout->index($i, $j, 1);
                [$x, $y] = [($i - 0.5) / $cells, ($j - 0.5) / $cells];
                $sums[0] += ($flow->velocity[0][$c] - sin(M_PI * $i / $cells) ** 2 * sin(2 * M_PI * $y)) ** 2
                    + ($flow->velocity[1][$c] + sin(2 * M_PI * $x) * sin(M_PI * $j / $cells) ** 2) ** 2;
                $sums[1] += ($solution->state->temperature[$i - 1 + $cells * ($j - 1)] - 1 - 0.5 * sin(M_PI * $x) * cos(2 * M_PI * $y)) ** 2;
                $differences[] = $flow->pressure[$c] - cos(M_PI * $x) * cos(M_PI * $y);
            }
        }
        $mean = array_sum($differences) / count($differences);
        foreach ($differences as $difference) {
            $sums[2] += ($difference - $mean) ** 2;
        }

        return array_map(fn (float $sum) => sqrt($sum) / $cells, $sums);
    }

    private static function formula(string $text, string $unit): string
    {
        return '(' . strtr($text, ['X' => '(pi*x/(1 m))', 'Y' => '(pi*y/(1 m))']) . ") * 1 $unit";
    }
}
