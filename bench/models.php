<?php

declare(strict_types=1);

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Numerics\SparseMatrix;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\HeatSystem;

/**
 * The models that the benchmark of the linear solver uses.
 *
 * @phpstan-type PartDocument array{id: string, at: list<float>, shape: array{kind: string, size: list<float>, base?: float, height?: float, count?: int, thickness?: float}, material: string, power?: float}
 */
final class BenchModels
{
    private const FILM = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => '10 W/m^2/K', 'temperature' => '20 degC']];

    /** @return HeatSystem|array{SparseMatrix, array<int, float>} a heat model, or a matrix and its right-hand side */
    public static function make(string $name, int $cells): HeatSystem|array
    {
        return match ($name) {
            'cube' => self::cube($cells),
            'board' => self::solid($cells, [0.1, 0.08, 0.03], 'air', self::board()),
            'stack' => self::solid($cells, [0.04, 0.03, 0.0066], 'air', self::stack()),
            'thin board' => self::solid($cells, [0.12, 0.1, 0.001], null, self::thinBoard()),
            'net' => self::net($cells),
            default => throw new InvalidArgumentException("There is no model \"$name\"."),
        };
    }

    private static function cube(int $cells): HeatSystem
    {
        $n = (int) round($cells ** (1 / 3));

        return self::assemble(['space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.1]], 'fluid' => null, 'sides' => ['z-' => self::FILM]],
            'parts' => [self::block('c', [0, 0, 0], [0.1, 0.1, 0.1], 'aluminium-6061', 10)], 'analysis' => ['grid' => ['cells' => [$n, $n, $n]]]]);
    }

    /**
     * @param list<float> $size
     * @param list<PartDocument> $parts
     */
    private static function solid(int $cells, array $size, ?string $fluid, array $parts): HeatSystem
    {
        // The finest grid of the product's own grading that fits; the spacing is searched for, so that the size is near the wish.
        return self::assemble(['space' => ['box' => ['min' => [0, 0, 0], 'max' => $size], 'fluid' => $fluid, 'sides' => ['z-' => self::FILM, 'z+' => self::FILM]],
            'parts' => $parts, 'analysis' => ['grid' => ['lines' => self::lines($cells, $size, $parts)]]]);
    }

    /**
     * @param list<float> $size
     * @param list<PartDocument> $parts
     * @return array<string, array<int, float>>
     */
    private static function lines(int $cells, array $size, array $parts): array
    {
        $planes = [[0.0, $size[0]], [0.0, $size[1]], [0.0, $size[2]]];
        foreach ($parts as $part) {
            foreach ([0, 1, 2] as $axis) {
                $at = $part['at'][$axis];
                $planes[$axis][] = $at;
                $extent = $part['shape']['size'][$axis] ?? ($part['shape']['base'] ?? 0.0) + ($part['shape']['height'] ?? 0.0);
                $planes[$axis][] = $at + $extent;
                if ($part['shape']['kind'] === 'plateFins' && $axis === 1) {
                    [$count, $thickness] = [$part['shape']['count'] ?? 2, $part['shape']['thickness'] ?? 0.0];
                    for ($fin = 0; $fin < $count; $fin++) {
                        $start = $at + $fin * ($extent - $thickness) / ($count - 1);
                        array_push($planes[1], $start, $start + $thickness);
                    }
                }
            }
        }
        $lines = [];
        for ($largest = 0.01; $largest > 1e-5; $largest *= 0.96) {
            $next = [];
            foreach ($planes as $axis => $list) {
                sort($list);
                $clean = [$list[0], ...array_filter(array_slice($list, 1), fn (float $p, int $i) => $p - $list[$i] > 1e-9, ARRAY_FILTER_USE_BOTH)];
                $next['xyz'[$axis]] = Foehn\Grid\LineSpacing::lines($clean, $largest, array_fill(0, count($clean) - 1, 2), 1.4);
            }
            if (array_product(array_map(fn (array $l) => count($l) - 1, $next)) > $cells && $lines !== []) {
                break;
            }
            $lines = $next;
        }

        return $lines;
    }

    /** @return list<PartDocument> */
    private static function board(): array
    {
        $parts = [['id' => 'board', 'at' => [0.005, 0.005, 0.005], 'shape' => ['kind' => 'block', 'size' => [0.09, 0.07, 0.0016]], 'material' => 'graphite-sheet']];
        foreach ([[0.015, 0.015], [0.06, 0.015], [0.015, 0.05], [0.06, 0.05]] as $i => [$x, $y]) {
            $parts[] = self::block("chip$i", [$x, $y, 0.0066], [0.012, 0.012, 0.0015], 'mould-compound', 1);
        }
        $parts[] = self::block('processor', [0.035, 0.025, 0.0066], [0.02, 0.02, 0.002], 'mould-compound', 8);
        $parts[] = self::block('paste', [0.035, 0.025, 0.0086], [0.02, 0.02, 0.0001], 'thermal-grease', 0);
        $parts[] = ['id' => 'sink', 'at' => [0.03, 0.02, 0.0087], 'shape' => ['kind' => 'plateFins', 'size' => [0.03, 0.03], 'base' => 0.003, 'height' => 0.014, 'count' => 8, 'thickness' => 0.001], 'material' => 'aluminium-6063'];

        return $parts;
    }

    /** @return list<PartDocument> */
    private static function stack(): array
    {
        $parts = [];
        $z = 0.0;
        foreach ([['base', 0.003, 'copper', 0.0], ['solder', 0.0002, 'solder-sac305', 0.002], ['copper1', 0.0003, 'copper', 0.002], ['ceramic', 0.0006, 'alumina', 0.002], ['copper2', 0.0003, 'copper', 0.003], ['joint', 0.0001, 'solder-sac305', 0.012], ['die', 0.0003, 'silicon', 0.012]] as [$id, $t, $material, $inset]) {
            $parts[] = self::block($id, [$inset, $inset * 0.75, $z], [0.04 - 2 * $inset, 0.03 - 1.5 * $inset, $t], $material, $id === 'die' ? 100 : 0);
            $z += $t;
        }

        return $parts;
    }

    /** @return list<PartDocument> */
    private static function thinBoard(): array
    {
        $parts = [];
        $z = 0.0;
        foreach (range(0, 4) as $i) {
            $parts[] = self::block("d$i", [0, 0, $z], [0.12, 0.1, 0.00018], 'glass-epoxy', 1);
            $parts[] = self::block("c$i", [0, 0, $z + 0.00018], [0.12, 0.1, 0.00002], 'copper-foil', 0);
            $z += 0.0002;
        }

        return $parts;
    }

    /**
     * Copper only: a serpentine of four cells' width on two layers, joined by vias.
     *
     * @return array{SparseMatrix, array<int, float>}
     */
    private static function net(int $cells): array
    {
        $rows = 41;
        $length = intdiv($cells, 2 * $rows);
        $number = [];
        [$from, $to, $g] = [[], [], []];
        foreach ([0, 1] as $layer) {
            for ($j = 0; $j < $rows * 5; $j++) {
                for ($i = 0; $i < intdiv($length, 4); $i++) {
                    $turn = $j % 5 === 4 && $i !== (intdiv($j, 5) % 2 === 0 ? intdiv($length, 4) - 1 : 0);
                    if (! $turn) {
                        $number["$layer $j $i"] = count($number);
                    }
                }
            }
        }
        foreach ($number as $key => $n) {
            [$layer, $j, $i] = array_map(intval(...), explode(' ', $key));
            foreach ([["$layer $j " . ($i + 1), 1.0], ["$layer " . ($j + 1) . " $i", 1.0]] as [$other, $value]) {
                if (isset($number[$other])) {
                    array_push($from, $n);
                    array_push($to, $number[$other]);
                    array_push($g, $value);
                }
            }
            if ($layer === 0 && $i % 60 === 0 && $j % 25 === 0 && isset($number["1 $j $i"])) {
                array_push($from, $n);
                array_push($to, $number["1 $j $i"]);
                array_push($g, 20.0);
            }
        }
        $extra = array_fill(0, count($number), 0.0);
        $extra[0] = 1.0;
        $b = array_fill(0, count($number), 0.0);
        $b[count($number) - 1] = 1.0;

        return [SparseMatrix::fromLinks($from, $to, $g, $extra), $b];
    }

    /**
     * @param list<float> $at
     * @param list<float> $size
     * @return PartDocument
     */
    private static function block(string $id, array $at, array $size, string $material, float $watts): array
    {
        return ['id' => $id, 'at' => $at, 'shape' => ['kind' => 'block', 'size' => $size], 'material' => $material, 'power' => $watts];
    }

    /**
     * @param array<string, mixed> $document
     */
    private static function assemble(array $document): HeatSystem
    {
        $model = ModelCodec::fromDocument(['format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], ...$document]);
        $grid = GridBuilder::build($model);

        return (new HeatEquation($model, Voxels::of($model, $grid)))->at(null);
    }
}
