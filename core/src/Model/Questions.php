<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What is asked of a model. */
final readonly class Questions
{
    /**
     * @param list<Watch> $watches
     * @param list<Limit> $limits
     * @param list<Tolerance> $tolerances
     * @param ?Transient $time the course in time; null: the steady state
     * @param list<OperatingPoint> $operatingPoints
     */
    public function __construct(public array $watches, public array $limits, public array $tolerances = [], public ?Transient $time = null, public array $operatingPoints = [])
    {
    }
}
