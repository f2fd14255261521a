<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\TwoResistancePackage;

/**
 * The network of each two-resistance package. The junction is eliminated: with watts P its case and board nodes are
 * joined by 1/(Rjc + Rjb) and receive P Rjb/(Rjc + Rjb) and P Rjc/(Rjc + Rjb). Case and board halves of the body are
 * isothermal; the sides pass no heat, as in the measurement the two resistances come from (JESD15-3, 2008).
 */
final class Packages implements Contribution
{
    /** Conductivity inside an isothermal node, W/m/K. It has no part in the answer, since the cells are tied. It helps the multigrid. */
    private const NODE_CONDUCTIVITY = 2000.0;

    /** @var array<int, array{case: non-empty-array<int, int>, board: non-empty-array<int, int>, shape: TwoResistancePackage, power: float}> cells of the nodes by part index */
    private array $nodes = [];

    /** @var list<array{0|1|2, int, float}> axis, cell and the link to the next one along it, W/K */
    private array $links = [];

    /** @throws PhysicsException where later parts cover half of a package */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, private readonly Losses $losses)
    {
        foreach ($model->parts as $index => $part) {
            if ($part->shape instanceof TwoResistancePackage && $voxels->cellsOfPart[$index] > 0) {
                $this->build($index, $part->shape, $part->power);
            }
        }
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->links as [$axis, $cell, $conductance]) {
            $equation->coupling[$axis][$equation->pad + $cell] = $conductance;
        }
        foreach ($this->nodes as $index => ['case' => $case, 'board' => $board, 'shape' => $shape, 'power' => $power]) {
            $power += $this->losses->watts[$index] ?? 0.0;
            $sum = $shape->junctionToCase + $shape->junctionToBoard;
            $equation->give($case[0], $power * $shape->junctionToBoard / $sum);
            $equation->give($board[0], $power * $shape->junctionToCase / $sum);
            $equation->tie($case);
            $equation->tie($board);
        }
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @return array{junction: float, case: float, board: float, toCase: float, toBoard: float}|null K and W; null when the part is no package
     */
    public function state(int $part, array $temperature): ?array
    {
        if (! isset($this->nodes[$part])) {
            return null;
        }
        ['case' => $caseNode, 'board' => $boardNode, 'shape' => $shape, 'power' => $power] = $this->nodes[$part];
        $power += $this->losses->watts[$part] ?? 0.0;
        $case = $temperature[$caseNode[0]];
        $board = $temperature[$boardNode[0]];
        $junction = ($power + $case / $shape->junctionToCase + $board / $shape->junctionToBoard) / (1 / $shape->junctionToCase + 1 / $shape->junctionToBoard);

        return [
            'junction' => $junction, 'case' => $case, 'board' => $board,
            'toCase' => ($junction - $case) / $shape->junctionToCase, 'toBoard' => ($junction - $board) / $shape->junctionToBoard,
        ];
    }

    /**
     * How the temperature of a node changes with those of the cells.
     *
     * @return ?array<int, float> by cell; null when the part is no package
     */
    public function weights(int $part, string $node): ?array
    {
        if (! isset($this->nodes[$part])) {
            return null;
        }
        ['case' => $case, 'board' => $board, 'shape' => $shape] = $this->nodes[$part];
        $sum = $shape->junctionToCase + $shape->junctionToBoard;

        return match ($node) {
            'case' => [$case[0] => 1.0],
            'board' => [$board[0] => 1.0],
            default => [$case[0] => $shape->junctionToBoard / $sum, $board[0] => $shape->junctionToCase / $sum],
        };
    }

    private function build(int $index, TwoResistancePackage $shape, float $power): void
    {
        $grid = $this->voxels->grid;
        $axis = $shape->boardAxis;
        $case = $board = [];
        foreach ($this->voxels->owner as $cell => $part) {
            if ($part !== $index) {
                continue;
            }
            if (($grid->centres[$axis][$grid->position($cell, $axis)] > $shape->middle()) === ($shape->boardSign > 0)) {
                $board[$cell] = true;
            } else {
                $case[$cell] = true;
            }
        }
        $joints = [];
        foreach ($case + $board as $cell => $_) {
            foreach ($grid->strides() as $direction => $stride) {
                $next = $cell + $stride;
                if ($grid->position($cell, $direction) + 1 === $grid->cells[$direction] || ($this->voxels->owner[$next] ?? -1) !== $index) {
                    continue;
                }
                if (isset($case[$cell]) === isset($case[$next])) {
                    $distance = $grid->centres[$direction][$grid->position($next, $direction)] - $grid->centres[$direction][$grid->position($cell, $direction)];
                    $this->links[] = [$direction, $cell, self::NODE_CONDUCTIVITY * $grid->faceArea($cell, $direction) / $distance];
                } else {
                    $joints[$cell] = $grid->faceArea($cell, $direction);
                }
            }
        }
        if ($joints === [] || $case === [] || $board === []) {
            throw new PhysicsException(sprintf('package "%s" has lost its upper or lower half to parts after it in the ledger; a two-resistance package needs both', $this->model->parts[$index]->name));
        }
        foreach ($joints as $cell => $area) {
            $this->links[] = [$axis, $cell, $area / array_sum($joints) / ($shape->junctionToCase + $shape->junctionToBoard)];
        }
        $this->nodes[$index] = ['case' => array_keys($case), 'board' => array_keys($board), 'shape' => $shape, 'power' => $power];
    }
}
