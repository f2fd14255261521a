<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** G04: developed flow through the upper half of the end of a channel; where it comes back to the walls. Only on the full grid: coarser ones bring it back too early. */
final class BackwardStep extends FlowCase
{
    private const REYNOLDS = 800;

    public function id(): string
    {
        return 'G04';
    }

    public function title(): string
    {
        return 'Flow over a step that opens downwards';
    }

    public function source(): string
    {
        return 'Gartling, Int. J. Numer. Meth. Fluids 11 (1990) 953, Reynolds number 800';
    }

    public function run(bool $full = false): array
    {
        if (! $full) {
            return [];
        }
        [$below, $above] = $this->turns(64);

        return [
            Check::relative('G04', 'below, back to the wall at', 6.10, self::greatest($below), 0.03, 'H'),
            Check::relative('G04', 'above, off the wall at', 4.85, $above[0] ?? 0.0, 0.03, 'H'),
            Check::relative('G04', 'above, back to the wall at', 10.48, $above[1] ?? 0.0, 0.03, 'H'),
        ];
    }

    /** @return array{list<float>, list<float>} where the flow along the lower and the upper wall turns */
    private function turns(int $cells): array
    {
        $x = [0.0];
        $step = 1.6 / $cells;
        while (end($x) < 20.0) {
            $x[] = end($x) + $step;
            $step = end($x) < 10.0 ? $step : min(1.05 * $step, 0.4);
        }
        $solution = $this->solve([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.0, 1.0 / self::REYNOLDS)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [end($x), 1, 0.1]], 'fluid' => 'f', 'sides' => [
                'x-' => ['patches' => [['min' => [0.5, 0], 'max' => [1, 0.1], 'kind' => 'inlet', 'speed' => 1, 'profile' => 'developed']]],
                'x+' => ['kind' => 'outlet'], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['lines' => ['x' => $x, 'y' => self::uniform($cells, 1.0), 'z' => [0, 0.1]]]],
        ]);

        $heights = $solution->state->grid->centres[1];

        return [self::zeros(...self::profile($solution, 0, 0, $heights[0])), self::zeros(...self::profile($solution, 0, 0, $heights[count($heights) - 1]))];
    }
}
