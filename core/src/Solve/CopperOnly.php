<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\PhysicsException;

/** Currents in the copper of boards at one temperature of all of it, without heat: the corner cases of a layout, in seconds. */
final class CopperOnly
{
    /**
     * @param float $temperature of the copper, K
     * @param ?string $only id of the board; null: all
     * @return array<int, BoardState> by index of the part
     * @throws PhysicsException where a current has no way back, a terminal lies on laminate, or a board is joined to parts, or no board has terminals
     */
    public static function at(Model $model, float $temperature, ?string $only = null): array
    {
        $states = [];
        $parts = $only === null ? $model->parts : array_filter($model->parts, fn (Part $part): bool => $part->id === $only);
        foreach (CopperExchange::carrying($parts) as $index => $board) {
            if ($board->isJoined()) {
                throw new PhysicsException(sprintf('"%s" is joined to parts, through which its currents pass; they are computed with the model as a whole', $model->parts[$index]->name));
            }
            $law = $model->materials->get($board->material)->resistivity ?? throw new \LogicException('the copper of a board has a resistivity');
            $states[$index] = BoardState::at($model->parts[$index]->name, $board, $law, $temperature);
        }
        if ($states === []) {
            throw new PhysicsException('no board of this model has artwork with terminals; give one a source and a ground');
        }

        return $states;
    }
}
