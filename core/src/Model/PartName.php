<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a part is called, how it is shown, and where it stands in the document. */
final readonly class PartName
{
    /**
     * @param ?string $colour #rrggbb, for the screen
     * @param string $pointer JSON pointer
     */
    public function __construct(public string $id, public string $name, public ?string $group, public string $pointer, public ?string $colour = null)
    {
    }
}
