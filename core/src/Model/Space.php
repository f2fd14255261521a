<?php

declare(strict_types=1);

namespace Foehn\Model;

/** The box that is analysed, what fills it where no part is (a fluid, or null: nothing), and its sides by name. */
final readonly class Space
{
    public const SIDES = ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'];

    /** @param array<string, Side> $sides by name, all six */
    public function __construct(public Box $box, public ?string $fluid, public array $sides)
    {
    }
}
