<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** What a material is called, and where its values come from. */
final readonly class Name
{
    /** @param string $source of the values */
    public function __construct(public string $id, public string $title, public string $category, public string $source)
    {
    }
}
