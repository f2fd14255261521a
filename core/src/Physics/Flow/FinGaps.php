<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\Fluid;

use Foehn\Model\Model;
use Foehn\Shapes\PlateFins;

/**
 * Friction and heat in the gaps of plate fins that the grid does not resolve: gaps of one or two cells, and gaps that stand for
 * several narrower ones. There the walls hold the air back, and take up its heat, as they do in a duct between parallel plates
 * (see PlateDuct), in each cell by how far the air has come between the fins: what leaves by the tips takes the best of the entrance
 * with it. Gaps of more cells are resolved; what few cells lack of the friction of a parabola is added.
 */
final class FinGaps
{
    /** Cells across from which on a gap counts as resolved. */
    private const RESOLVED = 3;

    /** @var list<array{part: string, name: string, fins: PlateFins, cells: int}> cells across: the fewest in any gap */
    private array $blocks = [];

    /** @var list<array{int, int, int, int}> cell in the layout of the flow and in the grid, block, cells across */
    private array $cells = [];

    /** @var array<0|1|2, array<int, float>> W/m2/K between cells of the grid and the fins, by axis across them */
    private array $films = [];

    /** @var array<int, array<int, float>> kg/s by axis and face */
    private array $drag = [];

    public function __construct(Model $model, private readonly FlowDomain $domain, private readonly Fluid $fluid)
    {
        foreach ($model->parts as $part) {
            if ($part->shape instanceof PlateFins && $part->shape->gap() > 0.0) {
                $this->find($part->id, $part->name, $part->shape);
            }
        }
    }

    public function isEmpty(): bool
    {
        return $this->cells === [];
    }

    /** @return array<0|1|2, array<int, float>> W/m2/K between the cells of the grid and the fins beside them, by axis across the fins */
    public function films(): array
    {
        return $this->films;
    }

    /**
     * Where several gaps stand as one: there heat must not be conducted across it, for each of the real gaps has its own walls.
     *
     * @return array<0|1|2, array<int, int>> cells of the grid by axis across the fins
     */
    public function mixed(): array
    {
        $mixed = [];
        foreach ($this->cells as [, $number, $block]) {
            $fins = $this->blocks[$block]['fins'];
            if ($fins->real() !== $fins) {
                $mixed[$fins->across][] = $number;
            }
        }

        return $mixed;
    }

    /**
     * What a result says of its fins.
     *
     * @return list<array{part: string, name: string, fins: int, gap: float, drawn: int, cells: int, resolved: bool, drawing: list<array<string, mixed>>}> gap in m;
     *     fins that the grid has, cells across a gap of it, and how to draw them (see Shape)
     */
    public function summary(): array
    {
        return array_map(fn (array $block) => [
            'part' => $block['part'], 'name' => $block['name'], 'fins' => $block['fins']->real()->count, 'gap' => $block['fins']->real()->gap(),
            'drawn' => $block['fins']->count, 'cells' => $block['cells'], 'resolved' => self::isResolved($block['fins'], $block['cells']), 'drawing' => $block['fins']->drawing(),
        ], $this->blocks);
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @param array<int, float> $wallViscosity Pa s towards walls, in the layout of the flow
     */
    public function update(array $velocity, MolecularProperties $molecular, array $wallViscosity): void
    {
        $this->films = $this->drag = [];
        $layout = $this->domain->layout;
        $volumes = $this->isEmpty() ? [] : $layout->volumes();
        $prandtl = $this->fluid->prandtl();
        foreach ($this->cells as [$cell, $number, $block, $across]) {
            $fins = $this->blocks[$block]['fins'];
            $gap = $fins->real()->gap();
            [$along, $up] = $this->speeds($fins, $cell, $velocity);
            $reynolds = $this->reynolds($gap, $along, $up, $cell, $molecular);
            [$from, $to] = array_map(fn (float $way) => $way / (2.0 * $gap), $fins->way($layout->grid->centre($number), $layout->grid->size($number), $along, $up));
            $resolved = self::isResolved($fins, $across);
            $wanted = 0.5 * ($resolved ? PlateDuct::DEVELOPED_FRICTION : PlateDuct::friction($reynolds, $from, $to)) * $molecular->viscosity[$cell] / $gap ** 2;
            // A parabola on so many cells: each half a cell from the wall to the next velocity.
            $own = 0.5 * PlateDuct::DEVELOPED_FRICTION / (1.0 + 2.0 / $across ** 2) * $wallViscosity[$cell] / $fins->gap() ** 2;
            $drag = 0.5 * max(0.0, $wanted - $own) * $volumes[$cell];
            foreach ([$fins->along, $fins->up] as $axis) {
                foreach ([$cell, $cell - $layout->stride[$axis]] as $face) {
                    if ($this->domain->face[$axis][$face] !== FlowDomain::GIVEN) {
                        $this->drag[$axis][$face] = ($this->drag[$axis][$face] ?? 0.0) + $drag;
                    }
                }
            }
            if (! $resolved) {
                $this->films[$fins->across][$number] = PlateDuct::nusselt($reynolds, $prandtl, $from, $to) * $molecular->conductivity[$cell] / (2.0 * $gap) * $fins->areaShare();
            }
        }
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @return array<int, float> by cell of the grid, how much of the turbulence that a model gives there is in the gaps
     */
    public function turbulence(array $velocity, MolecularProperties $molecular): array
    {
        $intermittency = [];
        foreach ($this->cells as [$cell, $number, $block]) {
            $fins = $this->blocks[$block]['fins'];
            [$along, $up] = $this->speeds($fins, $cell, $velocity);
            $intermittency[$number] = PlateDuct::turbulence($this->reynolds($fins->real()->gap(), $along, $up, $cell, $molecular));
        }

        return $intermittency;
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @return array{float, float} in the middle of the cell, along the fins and along the axis they stand on, m/s
     */
    private function speeds(PlateFins $fins, int $cell, array $velocity): array
    {
        $stride = $this->domain->layout->stride;

        return [
            0.5 * ($velocity[$fins->along][$cell] + $velocity[$fins->along][$cell - $stride[$fins->along]]),
            0.5 * ($velocity[$fins->up][$cell] + $velocity[$fins->up][$cell - $stride[$fins->up]]),
        ];
    }

    private function reynolds(float $gap, float $along, float $up, int $cell, MolecularProperties $molecular): float
    {
        return $molecular->density[$cell] * sqrt($along * $along + $up * $up) * 2.0 * $gap / $molecular->viscosity[$cell];
    }

    /** The friction of the grid with that of the gaps on top. */
    public function addTo(Friction $friction): Friction
    {
        $drag = $friction->drag;
        foreach ($this->drag as $axis => $faces) {
            foreach ($faces as $face => $more) {
                $drag[$axis][$face] += $more;
            }
        }

        return new Friction($friction->along, $friction->across, $drag, $friction->pull, $friction->loss);
    }

    private static function isResolved(PlateFins $fins, int $cells): bool
    {
        return $cells >= self::RESOLVED && $fins->real() === $fins;
    }

    private function find(string $part, string $name, PlateFins $fins): void
    {
        $layout = $this->domain->layout;
        $grid = $layout->grid;
        $fewest = PHP_INT_MAX;
        foreach ($fins->clearances() as $box) {
            [[$i0, $i1], [$j0, $j1], [$k0, $k1]] = array_map(fn (int $axis) => $grid->range($axis, $box->min[$axis], $box->max[$axis]), [0, 1, 2]);
            $across = [$i1 - $i0, $j1 - $j0, $k1 - $k0][$fins->across];
            if ($across < 1) {
                continue;
            }
            $fewest = min($fewest, $across);
            for ($k = $k0; $k < $k1; $k++) {
                for ($j = $j0; $j < $j1; $j++) {
                    for ($i = $i0; $i < $i1; $i++) {
                        $cell = $layout->index($i + 1, $j + 1, $k + 1);
                        if ($this->domain->fluid[$cell] === 1) {
                            $this->cells[] = [$cell, $i + $grid->cells[0] * ($j + $grid->cells[1] * $k), count($this->blocks), $across];
                        }
                    }
                }
            }
        }
        if ($fewest < PHP_INT_MAX) {
            $this->blocks[] = ['part' => $part, 'name' => $name, 'fins' => $fins, 'cells' => $fewest];
        }
    }
}
