<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelCodec;
use Foehn\Codec\ModelInTime;
use Foehn\Physics\Radiation\LinkStore;

/** Computes what a model document asks for: its steady state, or its course in time. */
final class Analysis
{
    /**
     * @param array<array-key, mixed> $document
     * @param ?string $grade of the grid; null: as in the document
     * @param ?CourseState $from where an interrupted course in time of the same document and grade was
     * @throws \Foehn\Model\ModelException
     * @throws \Foehn\Grid\GridException
     * @throws \Foehn\Physics\PhysicsException
     */
    public static function solve(array $document, ?string $grade = null, ProgressListener $listener = new SilentListener(), ?Start $start = null, LinkStore $links = new LinkStore(), ?CourseState $from = null): Solution
    {
        $model = ModelCodec::fromDocument($document);
        $grade ??= $model->grid->grade;

        return $model->time === null
            ? (new SteadySolver($model->withGrade($grade), $listener, $start ?? new Start(), $links))->solve()
            : (new TransientDriver(new ModelInTime($document), $grade, $listener, $links, $from, $start?->temperatures))->solve();
    }
}
