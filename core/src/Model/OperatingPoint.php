<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Other loads of the same design, such as idle or a fault, that are computed and judged in the same run. */
final readonly class OperatingPoint
{
    /** @param non-empty-array<string, string> $values as they are written into the document, by the name of a parameter or a field (see DocumentField) */
    public function __construct(public string $name, public array $values)
    {
    }
}
