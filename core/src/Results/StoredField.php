<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\Grid;
use Foehn\Observe\FaceTemperatures;
use Foehn\Observe\Probe;

/** Reads single values of a stored field without loading it. */
final class StoredField
{
    /**
     * @param resource $temperature stream of temperature.f32
     * @param resource $parts stream of parts.u16
     */
    public function __construct(private readonly Grid $grid, private $temperature, private $parts)
    {
    }

    /**
     * @param array{float, float, float} $point metres
     * @return array{temperature: ?float, part: ?int} K, and the index of the part at the point
     */
    public function probe(array $point): array
    {
        $cell = $this->grid->cellAt($point);
        $part = $this->part($cell);

        return ['temperature' => Probe::at($this->grid, $point, $this->cell(...), $this->face(...)), 'part' => $part > 0 ? $part - 1 : null];
    }

    private function cell(int $cell): ?float
    {
        fseek($this->temperature, 4 * $cell);
        $value = unpack('g', (string) fread($this->temperature, 4))[1] ?? NAN;

        return is_float($value) && ! is_nan($value) ? $value : null;
    }

    private function part(int $cell): int
    {
        fseek($this->parts, 2 * $cell);

        $value = unpack('v', (string) fread($this->parts, 2))[1] ?? 0;

        return is_int($value) ? $value : 0;
    }

    /** Between two cells of one part; unknown where the part ends, since the stored field holds cell values only. */
    private function face(int $cell, int $direction): ?float
    {
        $neighbour = $this->grid->neighbour($cell, $direction);
        if ($neighbour === null || $this->part($neighbour) !== $this->part($cell)) {
            return null;
        }

        return FaceTemperatures::between($this->grid, $cell, $direction, $this->cell($cell), $this->cell($neighbour));
    }
}
