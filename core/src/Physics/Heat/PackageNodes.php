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
    /** @var array<int, array{case: int, board: int, shape: TwoResistancePackage, power: float}> by part index */
    private array $nodes = [];

    public function add(int $part, TwoResistancePackage $shape, int $case, int $board, float $power): void
    {
        $this->nodes[$part] = ['case' => $case, 'board' => $board, 'shape' => $shape, 'power' => $power];
    }

    /** @return array<int, array{case: int, board: int, shape: TwoResistancePackage, power: float}> */
    public function all(): array
    {
        return $this->nodes;
    }

    /**
     * @param list<float> $temperature of the unknowns, K
     * @return array{junction: float, case: float, board: float, toCase: float, toBoard: float}|null K and W; null when the part is no package
     */
    public function state(int $part, array $temperature): ?array
    {
        if (! isset($this->nodes[$part])) {
            return null;
        }
        ['case' => $caseNode, 'board' => $boardNode, 'shape' => $shape, 'power' => $power] = $this->nodes[$part];
        $case = $temperature[$caseNode];
        $board = $temperature[$boardNode];
        $junction = ($power + $case / $shape->junctionToCase + $board / $shape->junctionToBoard) / (1 / $shape->junctionToCase + 1 / $shape->junctionToBoard);

        return [
            'junction' => $junction, 'case' => $case, 'board' => $board,
            'toCase' => ($junction - $case) / $shape->junctionToCase, 'toBoard' => ($junction - $board) / $shape->junctionToBoard,
        ];
    }
}
