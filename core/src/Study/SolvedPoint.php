<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\OperatingPoint;
use Foehn\Solve\Solution;

/** What came of an operating point: a solution, or the reason why there is none. */
final readonly class SolvedPoint
{
    /** @param string $model the document that was computed, as text */
    public function __construct(public OperatingPoint $point, public string $model, public ?Solution $solution, public ?string $refused = null)
    {
    }
}
