<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Observe\GridValues;

/** What a computation starts from, and the seconds it has taken. A result says it, since the answer must not depend on it by more than its tolerance. */
final readonly class Start
{
    private int|float $began;

    /**
     * @param ?FlowState $flow a flow of this model or a like one; null: fluid at rest
     * @param list<GridValues> $levels grids that are done already, when an interrupted computation goes on
     * @param bool $frozen whether the flow is kept and only temperatures are computed
     * @param ?string $model hash of the model document whose flow it is
     * @param bool $resumes whether an interrupted computation of the same model and grade goes on
     * @param float $seconds spent before the interruption
     * @param ?KeptTemperatures $temperatures that a course in time begins with, where it asks for those of a run
     */
    public function __construct(
        public ?FlowState $flow = null,
        public array $levels = [],
        public bool $frozen = false,
        public ?string $model = null,
        public bool $resumes = false,
        private float $seconds = 0.0,
        public ?KeptTemperatures $temperatures = null,
    ) {
        $this->began = hrtime(true);
    }

    /** Seconds since the computation began, on all its grids, with what an interrupted one had spent before. */
    public function seconds(): float
    {
        return $this->seconds + (hrtime(true) - $this->began) / 1e9;
    }

    /** @return array{from: string, model: ?string, frozen: bool} */
    public function toArray(): array
    {
        return ['from' => $this->flow === null ? 'rest' : ($this->resumes ? 'checkpoint' : 'flow'), 'model' => $this->flow === null ? null : $this->model, 'frozen' => $this->frozen];
    }
}
