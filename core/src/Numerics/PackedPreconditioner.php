<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** The multigrid of the sparse form of a stencil matrix, applied to padded vectors. */
final class PackedPreconditioner implements Preconditioner
{
    /** @param list<int> $unknown of each padded cell, -1 for none */
    private function __construct(private readonly Multigrid $multigrid, private readonly array $unknown, private readonly int $size)
    {
    }

    public static function of(Stencil $stencil): self
    {
        [$matrix, $unknown] = $stencil->toSparse();

        return new self(Multigrid::sparse($matrix), $unknown, $matrix->size);
    }

    public function apply(array $b): array
    {
        return Stencil::unpack($this->multigrid->apply(Stencil::pack($b, $this->unknown, $this->size)), $this->unknown);
    }
}
