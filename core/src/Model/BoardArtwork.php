<?php

declare(strict_types=1);

namespace Foehn\Model;

/**
 * The layers and holes of a board. The artwork counts along the two axes of its plane, in the order x, y, z, from a point of its own.
 */
final readonly class BoardArtwork
{
    /**
     * @param 0|1|2 $normal axis through the board
     * @param array{float, float, float} $lower corner of the board in the space, m
     * @param array{float, float} $size of the board along the axes of its plane, m
     * @param array{float, float} $origin where the lower corner of the board is as the artwork counts, m
     * @param list<BoardLayer> $layers all, from the lower face up
     * @param ?float $pixel wanted, m; null: by the narrowest line
     * @param ?string $netList text of a file that names nets at places
     */
    public function __construct(
        public int $normal,
        public array $lower,
        public array $size,
        public array $origin,
        public array $layers,
        public BoardHoles $holes,
        public ?float $pixel,
        public ?string $netList = null,
    ) {
    }

    /** @return list<BoardLayer> those of copper, as layers are numbered */
    public function copper(): array
    {
        return array_values(array_filter($this->layers, fn (BoardLayer $layer): bool => $layer->isCopper()));
    }
}
