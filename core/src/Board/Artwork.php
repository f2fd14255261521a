<?php

declare(strict_types=1);

namespace Foehn\Board;

/** What a file of artwork draws. */
final readonly class Artwork
{
    /**
     * @param list<Paint> $paints in their order
     * @param ?float $narrowest width of the thinnest line that is drawn, m; null where none is
     * @param ?string $function what the file says that it is, such as "Copper,L1,Top"
     * @param list<string> $notes what of the file was not understood
     */
    public function __construct(public array $paints, public ?float $narrowest, public ?string $function, public array $notes)
    {
    }

    /** @return ?array{float, float, float, float} least and greatest x, least and greatest y, m; null where nothing is drawn */
    public function bounds(): ?array
    {
        $bounds = array_map(fn (Paint $paint): array => $paint->bounds(), array_values(array_filter($this->paints, fn (Paint $paint): bool => $paint->dark)));

        return $bounds === [] ? null : [min(array_column($bounds, 0)), max(array_column($bounds, 1)), min(array_column($bounds, 2)), max(array_column($bounds, 3))];
    }
}
