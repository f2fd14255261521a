<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Codec\ModelCodec;
use Foehn\FoehnException;
use Foehn\Model\ModelException;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;

/**
 * The operating points of a model, computed one after the other once it is solved itself. A flow begins at that of the point before and stays
 * on the grid of the model; where heat is only conducted each point goes over its own grids.
 */
final class OperatingPoints
{
    /**
     * @param string $json the model document
     * @param Solution $base of the document as it stands
     * @return iterable<SolvedPoint> those that were reached before the listener asked to stop
     */
    public static function solve(string $json, Solution $base, ProgressListener $listener, LinkStore $links = new LinkStore()): iterable
    {
        $flow = $base->checkpoint;
        foreach ($base->state->model->operatingPoints as $point) {
            $own = $json;
            try {
                $own = SweepPlan::modelAt($json, $point->values);
                $model = ModelCodec::fromJson($own)->withGrade($base->state->model->grid->grade);
                $solver = new SteadySolver($model, new OnPoint($listener, $point->name), new Start($flow, frozen: $base->start->frozen, model: ModelCodec::hash($json)), $links);
                if (! $solver->hasPartsOf($base)) {
                    throw ModelException::at('', sprintf('the values of operating point "%s" change the shape or place of parts; operating points are other loads of one design, a change of it is a variant or a sweep', $point->name));
                }
                $solution = $flow === null ? $solver->solve() : $solver->onGridOf($base);
                if ($solution->outcome->stopped) {
                    return;
                }
                $flow = $solution->checkpoint ?? $flow;
                yield new SolvedPoint($point, $own, $solution);
            } catch (FoehnException $e) {
                yield new SolvedPoint($point, $own, null, $e->getMessage());
            }
        }
    }
}
