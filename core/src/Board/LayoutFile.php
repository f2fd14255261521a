<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * What a file of a layout is, told by its content and its name, before anything of it enters a model.
 *
 * @phpstan-type Row array{name: string, kind: 'copper'|'drill'|'nets'|'other', says: string, position: ?int, plated: bool, bounds: ?array{float, float, float, float}, area: float, narrowest: ?float, holes: int, notes: list<string>, problem: ?string}
 */
final class LayoutFile
{
    /** Stands for the last layer, whose number the file does not know. */
    private const LAST = 999;

    /** Of what was not understood, as many are told. */
    private const NOTES = 4;

    /** Pixels along the longer side that areas are counted on. */
    private const ACROSS = 200.0;

    /** @return Row positions count layers of copper from the top, from 1; bounds are least and greatest x, least and greatest y in m, the area of copper is in m2 */
    public static function look(string $name, string $text): array
    {
        $row = ['name' => $name, 'kind' => 'other', 'says' => '', 'position' => null, 'plated' => true, 'bounds' => null, 'area' => 0.0, 'narrowest' => null, 'holes' => 0, 'notes' => [], 'problem' => null];
        try {
            return match (true) {
                preg_match('/^3[12]7.{14}/m', $text) === 1 => self::nets($row, $text),
                preg_match('/^\s*M48|^T\d+[^*]*C[\d.]+/m', $text) === 1 => self::drill($row, $name, $text),
                preg_match('/%(FS|AD|MO)|^G04/m', $text) === 1 => self::artwork($row, $name, $text),
                default => [...$row, 'problem' => 'this is neither artwork in Gerber format nor a drill file in Excellon format nor a list of nets in IPC-D-356 format'],
            };
        } catch (BoardException $e) {
            return [...$row, 'problem' => $e->getMessage()];
        }
    }

    /**
     * @param Row $row
     * @return Row
     */
    private static function artwork(array $row, string $name, string $text): array
    {
        $artwork = Gerber::read($text);
        if ($artwork->bounds() === null) {
            return [...$row, 'problem' => 'this is no artwork: nothing is drawn in it'];
        }
        $row = [...$row, 'says' => $artwork->function ?? '', 'bounds' => $artwork->bounds(), 'area' => self::area($artwork, $artwork->bounds()), 'narrowest' => $artwork->narrowest, 'notes' => self::short($artwork->notes)];
        if ($artwork->function !== null && ! str_starts_with($artwork->function, 'Copper')) {
            return $row;
        }

        return [...$row, 'kind' => 'copper', 'position' => self::position($artwork->function ?? '', $name)];
    }

    /**
     * @param Row $row
     * @return Row
     */
    private static function drill(array $row, string $name, string $text): array
    {
        // Files without plating say so in their attribute or in their name.
        $plated = preg_match('/NonPlated|NPTH/i', "$name\n" . substr($text, 0, 2000)) !== 1;
        $holes = Excellon::read($text, $plated);
        [$xs, $ys] = [array_map(fn (Hole $hole): float => $hole->at[0], $holes), array_map(fn (Hole $hole): float => $hole->at[1], $holes)];

        return [...$row, 'kind' => 'drill', 'plated' => $plated, 'holes' => count($holes), 'bounds' => $xs === [] || $ys === [] ? null : [min($xs), max($xs), min($ys), max($ys)]];
    }

    /**
     * @param list<string> $notes
     * @return list<string> the first few, none of them longer than a line
     */
    private static function short(array $notes): array
    {
        $more = count($notes) - self::NOTES;
        $shown = array_map(fn (string $note): string => mb_strimwidth($note, 0, 80, '…'), array_slice($notes, 0, self::NOTES));

        return $more > 0 ? [...$shown, "and $more more"] : $shown;
    }

    /** @param array{float, float, float, float} $bounds m */
    private static function area(Artwork $artwork, array $bounds): float
    {
        $raster = CopperRaster::of($bounds, [new CopperLayer('', $artwork->paints, 35e-6, 0.0)], [], [], max($bounds[1] - $bounds[0], $bounds[3] - $bounds[2]) / self::ACROSS);

        return array_sum($raster->covered) * $raster->size[0] * $raster->size[1];
    }

    /**
     * @param Row $row
     * @return Row
     */
    private static function nets(array $row, string $text): array
    {
        $points = NetNames::read($text);

        return [...$row, 'kind' => 'nets', 'says' => sprintf('%d test points of %d nets', count($points), count(array_unique(array_column($points, 'name'))))];
    }

    /** Number of the layer from the top, as the attribute says it, or the name. */
    private static function position(string $function, string $name): ?int
    {
        if (preg_match('/Copper,L(\d+)/', $function, $found) === 1) {
            return (int) $found[1];
        }
        $name = strtolower($name);

        return match (true) {
            str_contains($name, 'top') => 1,
            str_contains($name, 'bot') => self::LAST,
            preg_match('/in(?:ner)?[ ._-]?(\d+)/', $name, $found) === 1 => 1 + (int) $found[1],
            preg_match('/l(?:ayer)?[ ._-]?(\d+)/', $name, $found) === 1 => (int) $found[1],
            default => null,
        };
    }
}
