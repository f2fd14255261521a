<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * A stencil matrix in which groups of cells have one common value each: the matrix between the projections onto such
 * vectors, with the multigrid of the untied matrix, projected as well, as preconditioner.
 */
final class TiedCells implements Matrix, Preconditioner
{
    /** @param list<non-empty-array<int, int>> $groups padded cell indices */
    public function __construct(private readonly Stencil $stencil, private readonly Multigrid $multigrid, private readonly array $groups)
    {
    }

    public function times(array $x): array
    {
        return self::project($this->stencil->times($x), $this->groups);
    }

    public function apply(array $b): array
    {
        return self::project($this->multigrid->apply($b), $this->groups);
    }

    /**
     * The nearest vector that is constant on every group: its means.
     *
     * @param array<int, float> $x
     * @param list<non-empty-array<int, int>> $groups
     * @return array<int, float>
     */
    public static function project(array $x, array $groups): array
    {
        foreach ($groups as $cells) {
            $sum = 0.0;
            foreach ($cells as $c) {
                $sum += $x[$c];
            }
            $mean = $sum / count($cells);
            foreach ($cells as $c) {
                $x[$c] = $mean;
            }
        }

        return $x;
    }
}
