<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;
use Foehn\Results\Trace\Isosurface;
use Foehn\Results\Trace\Streamlines;
use Foehn\Solve\KeptTemperatures;

/** A result with its fields as they lie in a folder (see FieldFile). */
final class StoredPicture
{
    /** Where an isosurface may be asked for. */
    public const BODIES = ['solid', 'fluid', 'all'];

    public readonly Grid $grid;

    /** @var list<string> ids of the parts, as the owners of cells number them from 1 */
    public readonly array $parts;

    /** @throws OutputException when the folder has no result */
    public function __construct(private readonly string $folder)
    {
        /** @var array{grid: array{lines: array{list<float>, list<float>, list<float>}}, parts: list<array{id: string}>} $result */
        $result = json_decode($this->bytes('result.json'), true);
        $this->grid = new Grid($result['grid']['lines']);
        $this->parts = array_column($result['parts'], 'id');
    }

    /**
     * The result document.
     *
     * @return array<string, mixed>
     * @throws OutputException
     */
    public function result(): array
    {
        /** @var array<string, mixed> $result */
        $result = json_decode($this->bytes('result.json'), true);

        return $result;
    }

    /**
     * Where the pixels of a board are.
     *
     * @param int $number of the board, from 0
     * @return array{name: string, normal: 0|1|2, lower: array{float, float, float}, pixels: array{int, int}, size: array{float, float}, layers: list<array{height: float}>} m
     * @throws OutputException where there is no such board, or the result does not tell
     */
    public function board(int $number): array
    {
        /** @var array{electric?: ?array{boards: list<array{name: string, normal?: 0|1|2, lower: array{float, float, float}, pixels: array{int, int}, size: array{float, float}, layers: list<array{height: float}>}>}} $result */
        $result = $this->result();
        $board = $result['electric']['boards'][$number] ?? throw new OutputException("the result has no board $number with currents; they are counted from 0");
        if (! isset($board['normal'])) {
            throw new OutputException('this result was written before places of boards were kept; run the model again');
        }

        return $board;
    }

    /** Whether the picture has a field. */
    public function has(string $field): bool
    {
        return is_file("$this->folder/$field.f32");
    }

    /**
     * A file of the picture as it lies there (see FieldFile).
     *
     * @throws OutputException when there is no such file
     */
    public function bytes(string $file): string
    {
        $bytes = @file_get_contents("$this->folder/$file");

        return $bytes === false ? throw new OutputException("there is no $file: the model has nothing of the kind") : $bytes;
    }

    /**
     * Temperature at a point.
     *
     * @param array{float, float, float} $point m
     * @return array{temperature: ?float, part: ?string} K, and the id of the part at the point
     * @throws OutputException
     */
    public function probe(array $point): array
    {
        $temperature = @fopen("$this->folder/temperature.f32", 'rb');
        $parts = @fopen("$this->folder/parts.u16", 'rb');
        if ($temperature === false || $parts === false) {
            throw new OutputException('the field of this run cannot be read');
        }
        $found = (new StoredField($this->grid, $temperature, $parts))->probe($point);

        return ['temperature' => $found['temperature'], 'part' => $found['part'] === null ? null : $this->parts[$found['part']]];
    }

    /**
     * Values of a field in the cells; of a vector its length.
     *
     * @return array<int, ?float> null where there is none
     * @throws OutputException
     */
    public function values(string $field): array
    {
        $values = $this->floats("$field.f32");
        $cells = $this->grid->count();
        $vector = count($values) === 3 * $cells;
        $all = [];
        for ($c = 0; $c < $cells; $c++) {
            $value = $vector ? sqrt($values[$c] ** 2 + $values[$c + $cells] ** 2 + $values[$c + 2 * $cells] ** 2) : $values[$c];
            $all[] = is_nan($value) ? null : $value;
        }

        return $all;
    }

    /**
     * The temperatures, for a course in time to begin with.
     *
     * @throws OutputException when there are none
     */
    public function temperatures(): KeptTemperatures
    {
        return new KeptTemperatures($this->grid, $this->owners(), $this->values('temperature'));
    }

    /**
     * What the cells belong to.
     *
     * @return list<int> number of the part from 1; 0 for fluid
     * @throws OutputException
     */
    public function owners(): array
    {
        /** @var array<int, int> $owners */
        $owners = unpack('v*', $this->bytes('parts.u16'));

        return array_values($owners);
    }

    /**
     * Triangles of the surface on which a field has a value (see Isosurface).
     *
     * @param 'solid'|'fluid'|'all' $in which cells count
     * @return list<float> m
     * @throws OutputException
     */
    public function isosurface(string $field, float $level, string $in): array
    {
        $owners = $this->owners();
        $values = $this->values($field);
        foreach ($owners as $cell => $owner) {
            if (($in === 'solid' && $owner === 0) || ($in === 'fluid' && $owner > 0)) {
                $values[$cell] = null;
            }
        }

        return Isosurface::of($this->grid, $values, $owners, $level);
    }

    /** @throws OutputException where nothing flows */
    public function streamlines(): Streamlines
    {
        $all = $this->floats('faceVelocity.f32');
        $faces = [];
        $from = 0;
        foreach ([0, 1, 2] as $axis) {
            [$a, $b] = Axes::across($axis);
            $count = ($this->grid->cells[$axis] + 1) * $this->grid->cells[$a] * $this->grid->cells[$b];
            $faces[] = array_slice($all, $from, $count);
            $from += $count;
        }

        return new Streamlines($this->grid, $faces);
    }

    /**
     * @return list<float>
     * @throws OutputException
     */
    private function floats(string $file): array
    {
        /** @var array<int, float> $values */
        $values = unpack('g*', $this->bytes($file));

        return array_values($values);
    }
}
