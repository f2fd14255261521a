<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Shapes\TwoResistancePackage;

/**
 * The network of each two-resistance package. The junction is eliminated: with watts P its case and board nodes are
 * joined by 1/(Rjc + Rjb) and receive P Rjb/(Rjc + Rjb) and P Rjc/(Rjc + Rjb). Case and board halves of the body are
 * isothermal; the sides pass no heat, as in the measurement the two resistances come from (JESD15-3, 2008).
 */
final class PackageNodes
{
    /** @var array<int, array{case: non-empty-list<int>, board: non-empty-list<int>, shape: TwoResistancePackage, power: float}> cells of the nodes by part index */
    private array $nodes = [];

    /**
     * @param non-empty-list<int> $case cells
     * @param non-empty-list<int> $board cells
     */
    public function add(int $part, TwoResistancePackage $shape, array $case, array $board, float $power): void
    {
        $this->nodes[$part] = ['case' => $case, 'board' => $board, 'shape' => $shape, 'power' => $power];
    }

    /** @return array<int, array{case: non-empty-list<int>, board: non-empty-list<int>, shape: TwoResistancePackage, power: float}> */
    public function all(): array
    {
        return $this->nodes;
    }

    /** @return list<non-empty-list<int>> the groups of cells with one temperature each, shifted by $pad */
    public function ties(int $pad): array
    {
        $ties = [];
        foreach ($this->nodes as $node) {
            foreach ([$node['case'], $node['board']] as $cells) {
                $ties[] = array_map(fn (int $c) => $c + $pad, $cells);
            }
        }

        return $ties;
    }

    /**
     * @param list<float> $temperature of the cells, K
     * @return array{junction: float, case: float, board: float, toCase: float, toBoard: float}|null K and W; null when the part is no package
     */
    public function state(int $part, array $temperature): ?array
    {
        if (! isset($this->nodes[$part])) {
            return null;
        }
        ['case' => $caseNode, 'board' => $boardNode, 'shape' => $shape, 'power' => $power] = $this->nodes[$part];
        $case = $temperature[$caseNode[0]];
        $board = $temperature[$boardNode[0]];
        $junction = ($power + $case / $shape->junctionToCase + $board / $shape->junctionToBoard) / (1 / $shape->junctionToCase + 1 / $shape->junctionToBoard);

        return [
            'junction' => $junction, 'case' => $case, 'board' => $board,
            'toCase' => ($junction - $case) / $shape->junctionToCase, 'toBoard' => ($junction - $board) / $shape->junctionToBoard,
        ];
    }
}
