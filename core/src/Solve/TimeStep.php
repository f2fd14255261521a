<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** A step of TrBdf2 that was tried. */
final readonly class TimeStep
{
    /**
     * @param float $step s
     * @param array<int, float> $x rises at its end, K by padded cell
     * @param array<int, float> $rate M dT/dt at its end, W by padded cell
     * @param array<int, float> $error what its rates differ by from the third-order companion, W by padded cell
     * @param ?StageSolver $solver of its stages; null where no temperatures are computed
     * @param list<float> $watts of the controls at its end
     * @param array{float, float} $in W given at its two stages
     * @param array{float, float} $net W stored in all at its two stages
     */
    public function __construct(
        public float $step,
        public array $x,
        public array $rate,
        public array $error,
        public ?StageSolver $solver,
        public array $watts,
        public array $in,
        public array $net,
    ) {
    }
}
