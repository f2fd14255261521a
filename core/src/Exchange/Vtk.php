<?php

declare(strict_types=1);

namespace Foehn\Exchange;

use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;
use Foehn\Observe\Fields;
use Foehn\Results\FieldFile;
use Foehn\Results\OutputException;
use Foehn\Results\StoredPicture;

/**
 * Fields of a stored picture in the XML formats of the Visualization Toolkit (VTK File Formats, version 1.0, data inline as base64): the
 * grid with all fields in its cells (.vtr), the copper of a board at the middles of its pixels (.vtr), and the surface elements with all fields at them, and
 * streamlines (.vtp). SI units, in the names of the arrays.
 */
final class Vtk
{
    private const UNITS = [
        'temperature' => 'K', 'heatFlux' => 'W/m2', 'conductivity' => 'W/m/K', 'velocity' => 'm/s', 'pressure' => 'Pa', 'potential' => 'V', 'currentDensity' => 'A/m2', 'jouleHeat' => 'W/m3', 'cellsAcross' => '', 'heatResidual' => 'W', 'momentumResidual' => 'N/m3',
        'surfaceTemperature' => 'K', 'surfaceHeatFlux' => 'W/m2', 'fluidTemperature' => 'K', 'convectionCoefficient' => 'W/m2/K', 'netRadiation' => 'W/m2', 'irradiation' => 'W/m2', 'sunlight' => 'W/m2', 'radiationPatch' => '',
    ];

    /** The rectilinear grid with every field in its cells; where a field has no value there is NaN. "part" is the number of the part from 1, 0 for fluid. */
    public static function grid(StoredPicture $picture): string
    {
        [$nx, $ny, $nz] = $picture->grid->cells;
        $extent = "0 $nx 0 $ny 0 $nz";
        $arrays = self::integers('part', $picture->owners());
        foreach (Fields::NAMES as $name) {
            if ($picture->has($name)) {
                $arrays .= self::floats(self::named($name), $picture->bytes("$name.f32"), $picture->grid->count());
            }
        }
        $coordinates = implode('', array_map(fn (int $axis): string => self::doubles('xyz'[$axis], $picture->grid->lines[$axis]), [0, 1, 2]));

        return self::file('RectilinearGrid', "<RectilinearGrid WholeExtent=\"$extent\"><Piece Extent=\"$extent\"><Coordinates>$coordinates</Coordinates><CellData>$arrays</CellData></Piece></RectilinearGrid>");
    }

    /**
     * The copper of a board: a point in the middle of each pixel of each layer, with the share that is copper, the number of the net, and what the currents
     * are there; NaN where no copper is.
     *
     * @param int $number of the board, as the result has them from 0
     * @throws OutputException where the result has no such board, or is of a version that did not tell where it is
     */
    public static function copper(StoredPicture $picture, int $number): string
    {
        $board = $picture->board($number);
        [$a, $b] = Axes::across($board['normal']);
        $lines = [[], [], []];
        foreach ([$a, $b] as $i => $axis) {
            $lines[$axis] = array_map(fn (int $n): float => $board['lower'][$axis] + ($n + 0.5) * $board['size'][$i], range(0, $board['pixels'][$i] - 1));
        }
        $lines[$board['normal']] = array_map(fn (array $layer): float => $board['lower'][$board['normal']] + $layer['height'], $board['layers']);
        $counts = [$board['pixels'][0], $board['pixels'][1], count($board['layers'])];
        $arrays = '';
        foreach (FieldFile::OF_BOARDS as $name => $unit) {
            $bytes = $picture->bytes("board$number$name.f32");
            $arrays .= self::array('Float32', lcfirst($name) . ($unit === '' ? '' : " [$unit]"), 1, $board['normal'] === 2 ? $bytes : self::turned($bytes, $counts, $board['normal']));
        }
        $extent = implode(' ', array_map(fn (array $along): string => '0 ' . (count($along) - 1), $lines));
        $coordinates = implode('', array_map(fn (int $axis): string => self::doubles('xyz'[$axis], $lines[$axis]), [0, 1, 2]));

        return self::file('RectilinearGrid', "<RectilinearGrid WholeExtent=\"$extent\"><Piece Extent=\"$extent\"><Coordinates>$coordinates</Coordinates><PointData>$arrays</PointData></Piece></RectilinearGrid>");
    }

    /**
     * Values by column, row and layer of a board in the order of x, y, z.
     *
     * @param array{int, int, int} $counts columns, rows and layers
     * @param int $normal 0: layers run fastest; 1: after the columns
     */
    private static function turned(string $bytes, array $counts, int $normal): string
    {
        [$columns, $rows, $layers] = $counts;
        $turned = '';
        for ($row = 0; $row < $rows; $row++) {
            if ($normal === 1) {
                for ($layer = 0; $layer < $layers; $layer++) {
                    $turned .= substr($bytes, 4 * $columns * ($row + $rows * $layer), 4 * $columns);
                }

                continue;
            }
            for ($column = 0; $column < $columns; $column++) {
                for ($layer = 0; $layer < $layers; $layer++) {
                    $turned .= substr($bytes, 4 * ($column + $columns * ($row + $rows * $layer)), 4);
                }
            }
        }

        return $turned;
    }

    /** The surface elements as quads, with every field at them; "part" is the number of the part from 1. */
    public static function surfaces(StoredPicture $picture): string
    {
        /** @var array<int, int> $rows */
        $rows = unpack('V*', $picture->bytes('surfaces.u32'));
        $points = '';
        $parts = [];
        $count = intdiv(count($rows), 4);
        for ($e = 0; $e < $count; $e++) {
            $points .= self::quad($picture->grid, $rows[4 * $e + 1], $rows[4 * $e + 2]);
            $parts[] = $rows[4 * $e + 3];
        }
        $arrays = self::integers('part', $parts);
        foreach (FieldFile::AT_SURFACES as $name) {
            if ($picture->has($name)) {
                $arrays .= self::floats(self::named($name), $picture->bytes("$name.f32"), $count);
            }
        }
        $corners = range(0, max(0, 4 * $count - 1));
        $ends = $count === 0 ? [] : range(4, 4 * $count, 4);

        return self::file('PolyData', '<PolyData><Piece NumberOfPoints="' . 4 * $count . "\" NumberOfVerts=\"0\" NumberOfLines=\"0\" NumberOfStrips=\"0\" NumberOfPolys=\"$count\"><Points>"
            . self::array('Float32', 'points', 3, $points) . '</Points><Polys>' . self::integers('connectivity', $count === 0 ? [] : $corners) . self::integers('offsets', $ends) . "</Polys><CellData>$arrays</CellData></Piece></PolyData>");
    }

    /**
     * Streamlines as poly-lines; at their points the time, and what is stored in the cells that they pass.
     *
     * @param list<list<array{float, float, float, float}>> $lines m, and s (see Trace\Streamlines)
     */
    public static function streamlines(StoredPicture $picture, array $lines): string
    {
        $points = array_merge(...$lines);
        $cells = array_map(fn (array $point): int => $picture->grid->cellAt([$point[0], $point[1], $point[2]]), $points);
        $arrays = self::array('Float32', 'time [s]', 1, FieldFile::floats(array_column($points, 3)));
        foreach (['velocity' => 'speed [m/s]', 'temperature' => 'temperature [K]', 'pressure' => 'pressure [Pa]'] as $field => $name) {
            if ($picture->has($field)) {
                $values = $picture->values($field);
                $arrays .= self::array('Float32', $name, 1, FieldFile::floats(array_map(fn (int $cell): float => $values[$cell] ?? NAN, $cells)));
            }
        }
        $ends = [];
        $end = 0;
        foreach ($lines as $line) {
            $ends[] = $end += count($line);
        }
        $count = count($points);

        return self::file('PolyData', "<PolyData><Piece NumberOfPoints=\"$count\" NumberOfVerts=\"0\" NumberOfLines=\"" . count($lines) . '" NumberOfStrips="0" NumberOfPolys="0"><Points>'
            . self::array('Float32', 'points', 3, FieldFile::floats(array_merge(...array_map(fn (array $point): array => array_slice($point, 0, 3), $points)))) . '</Points><Lines>'
            . self::integers('connectivity', array_keys($points)) . self::integers('offsets', $ends) . "</Lines><PointData>$arrays</PointData></Piece></PolyData>");
    }

    /** Corners of a face of a cell, float32. */
    private static function quad(Grid $grid, int $cell, int $direction): string
    {
        [$axis, $up] = [$direction >> 1, $direction & 1];
        [$a, $b] = Axes::across($axis);
        $bytes = '';
        foreach ([[0, 0], [1, 0], [1, 1], [0, 1]] as [$i, $j]) {
            $corner = [0.0, 0.0, 0.0];
            $corner[$axis] = $grid->lines[$axis][$grid->position($cell, $axis) + $up];
            $corner[$a] = $grid->lines[$a][$grid->position($cell, $a) + $i];
            $corner[$b] = $grid->lines[$b][$grid->position($cell, $b) + $j];
            $bytes .= pack('g3', ...$corner);
        }

        return $bytes;
    }

    private static function named(string $field): string
    {
        return self::UNITS[$field] === '' ? $field : "$field [" . self::UNITS[$field] . ']';
    }

    /** A stored field: its components lie one after the other there, and beside one another here. */
    private static function floats(string $name, string $bytes, int $count): string
    {
        $components = $count === 0 ? 1 : intdiv(strlen($bytes), 4 * $count);
        if ($components === 1) {
            return self::array('Float32', $name, 1, $bytes);
        }
        $beside = '';
        for ($n = 0; $n < $count; $n++) {
            for ($k = 0; $k < $components; $k++) {
                $beside .= substr($bytes, 4 * ($k * $count + $n), 4);
            }
        }

        return self::array('Float32', $name, $components, $beside);
    }

    /** @param array<int, float> $values */
    private static function doubles(string $name, array $values): string
    {
        return self::array('Float64', $name, 1, pack('e*', ...$values));
    }

    /** @param array<int, int> $values */
    private static function integers(string $name, array $values): string
    {
        return self::array('Int32', $name, 1, implode('', array_map(fn (array $some): string => pack('V*', ...$some), array_chunk($values, 4096))));
    }

    private static function array(string $type, string $name, int $components, string $bytes): string
    {
        return "<DataArray type=\"$type\" Name=\"$name\" NumberOfComponents=\"$components\" format=\"binary\">" . base64_encode(pack('P', strlen($bytes)) . $bytes) . '</DataArray>';
    }

    private static function file(string $type, string $body): string
    {
        return "<?xml version=\"1.0\"?>\n<VTKFile type=\"$type\" version=\"1.0\" byte_order=\"LittleEndian\" header_type=\"UInt64\">$body</VTKFile>\n";
    }
}
