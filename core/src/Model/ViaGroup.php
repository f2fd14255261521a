<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Vias in columns and rows, drilled through the board, that join some of its layers and pass the others within a clearance. */
final readonly class ViaGroup
{
    /**
     * @param array{float, float} $at middle of the group as the artwork counts, m
     * @param array{int, int} $count columns and rows
     * @param float $pitch between two, m
     * @param float $drill diameter, m
     * @param non-empty-list<int> $joins numbers of layers of copper
     * @param float $clearance about the holes where a layer is not joined, m
     */
    public function __construct(public string $name, public array $at, public array $count, public float $pitch, public float $drill, public array $joins, public float $clearance)
    {
    }

    /** @return list<array{float, float}> middles of the holes, m */
    public function places(): array
    {
        $places = [];
        for ($row = 0; $row < $this->count[1]; $row++) {
            for ($column = 0; $column < $this->count[0]; $column++) {
                $places[] = [
                    $this->at[0] + $this->pitch * ($column - 0.5 * ($this->count[0] - 1)),
                    $this->at[1] + $this->pitch * ($row - 0.5 * ($this->count[1] - 1)),
                ];
            }
        }

        return $places;
    }
}
