<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\Library;

/** What stands in the space: parts, the assemblies that put them there, and what they are made of. */
final readonly class Contents
{
    /**
     * @param list<Part> $parts later ones carve earlier ones
     * @param array<string, Assembly> $assemblies groups with axes of their own
     */
    public function __construct(public Library $materials, public array $parts, public array $assemblies = [])
    {
    }
}
