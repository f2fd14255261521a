<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Board\Drawn;
use Foehn\Model\Model;
use Foehn\Physics\Electric\BoardShorts;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Electric\BoardSystem;
use Foehn\Physics\PhysicsException;

/** Currents in the copper of boards at one temperature of all of it, without heat: the corner cases of a layout, in seconds. */
final class CopperOnly
{
    /**
     * @param float $temperature of the copper, K
     * @return array<int, BoardState> by index of the part
     * @throws PhysicsException where a current has no way back, a terminal lies on laminate, or no board has terminals
     */
    public static function at(Model $model, float $temperature): array
    {
        $states = [];
        foreach (CopperExchange::carrying($model->parts) as $index => $board) {
            $drawn = Drawn::of($board->artwork);
            BoardShorts::refuse($board, $drawn);
            $law = $model->materials->get($board->material)->resistivity ?? throw new \LogicException('the copper of a board has a resistivity');
            $currents = (new BoardSystem($drawn->raster, $board->terminals, $law, $temperature))->solve();
            $states[$index] = new BoardState($board, $drawn, $currents, array_fill(0, count($drawn->raster->covered), $temperature));
        }
        if ($states === []) {
            throw new PhysicsException('no board of this model has artwork with terminals; give one a source and a ground');
        }

        return $states;
    }
}
