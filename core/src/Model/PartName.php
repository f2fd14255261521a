<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a part is called, how it is shown, and where it stands in the document. */
final readonly class PartName
{
    /**
     * @param ?string $colour #rrggbb, for the screen
     * @param string $pointer JSON pointer
     * @param ?string $touchedAs "metal", "glass" or "plastic", whose touch limits hold; null: those of the material
     */
    public function __construct(public string $id, public string $name, public ?string $group, public string $pointer, public ?string $colour = null, public ?string $touchedAs = null)
    {
    }
}
