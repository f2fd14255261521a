<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/**
 * A body given by its closed surface of triangles. A point is inside when a line from it along z crosses the surface an odd
 * number of times; crossings are found once per column of the grid.
 */
final class Mesh implements Shape
{
    use BoxFaces;

    /** Grid planes follow the largest flat faces across an axis, at most so many per axis. */
    private const MOST_PLANES = 24;

    /** A flat face smaller than this share of the largest section of the body wants no plane of its own. */
    private const SMALLEST_FACE = 0.02;

    /** Lines that would run along an edge between triangles are moved by this share of the size. */
    private const ASIDE = 1.37e-7;

    private readonly Box $box;

    /** Bins along x and y, and the triangles whose outline reaches into each. */
    private readonly int $bins;

    /** @var array<int, list<int>> */
    private array $binned = [];

    private ?Surface $surface = null;

    private ?int $openEdges = null;

    /** @var array<string, list<float>> z of the crossings, rising, by column */
    private array $columns = [];

    /**
     * @param list<float> $vertices x, y, z after each other, m
     * @param non-empty-list<int> $triangles three vertices each
     */
    public function __construct(private readonly array $vertices, private readonly array $triangles)
    {
        $min = [INF, INF, INF];
        $max = [-INF, -INF, -INF];
        foreach ($vertices as $n => $value) {
            $min[$n % 3] = min($min[$n % 3], $value);
            $max[$n % 3] = max($max[$n % 3], $value);
        }
        $this->box = new Box($min, $max);
        $this->bins = max(1, min(128, (int) sqrt(count($triangles) / 6)));
        for ($t = 0; $t < count($triangles); $t += 3) {
            [$x0, $x1] = $this->span($t, 0);
            [$y0, $y1] = $this->span($t, 1);
            for ($j = $this->bin($y0, 1); $j <= $this->bin($y1, 1); $j++) {
                for ($i = $this->bin($x0, 0); $i <= $this->bin($x1, 0); $i++) {
                    $this->binned[$i + $this->bins * $j][] = $t;
                }
            }
        }
    }

    /** Edges that do not join exactly two triangles: 0 for a closed surface. */
    public function openEdges(): int
    {
        return $this->openEdges ??= $this->countOpenEdges();
    }

    private function countOpenEdges(): int
    {
        $edges = [];
        $triangles = $this->triangles;
        for ($t = 0; $t < count($triangles); $t += 3) {
            foreach ([[0, 1], [1, 2], [2, 0]] as [$a, $b]) {
                $ends = [$triangles[$t + $a], $triangles[$t + $b]];
                $key = min($ends) . ' ' . max($ends);
                $edges[$key] = ($edges[$key] ?? 0) + 1;
            }
        }

        return count(array_filter($edges, fn (int $count) => $count !== 2));
    }

    public function kind(): string
    {
        return 'mesh';
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    public function planes(int $axis): array
    {
        $areas = [];
        for ($t = 0; $t < count($this->triangles); $t += 3) {
            [$low, $high] = $this->span($t, $axis);
            if ($high - $low <= 1e-6 * $this->box->size($axis)) {
                $key = (string) round($low, 9);
                $areas[$key] = ($areas[$key] ?? 0.0) + abs($this->areaAcross($t, $axis));
            }
        }
        arsort($areas);
        $section = $this->box->size(($axis + 1) % 3) * $this->box->size(($axis + 2) % 3);
        $large = array_filter($areas, fn (float $area) => $area > self::SMALLEST_FACE * $section);

        return [$this->box->min[$axis], $this->box->max[$axis], ...array_map(floatval(...), array_slice(array_keys($large), 0, self::MOST_PLANES))];
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $inside = false;
        foreach ($this->columns["$x $y"] ??= $this->crossings($x + self::ASIDE * $this->box->size(0), $y + 0.73 * self::ASIDE * $this->box->size(1)) as $crossing) {
            if ($crossing > $z) {
                break;
            }
            $inside = ! $inside;
        }

        return $inside;
    }

    /** Of the tetrahedra between the triangles and the origin; not known of an open surface. */
    public function volume(): ?float
    {
        if ($this->openEdges() > 0) {
            return null;
        }
        $six = 0.0;
        for ($t = 0; $t < count($this->triangles); $t += 3) {
            [$p, $q, $r] = [$this->vertex($t), $this->vertex($t + 1), $this->vertex($t + 2)];
            $six += $p[0] * ($q[1] * $r[2] - $q[2] * $r[1]) + $p[1] * ($q[2] * $r[0] - $q[0] * $r[2]) + $p[2] * ($q[0] * $r[1] - $q[1] * $r[0]);
        }

        return abs($six) / 6.0;
    }

    public function surface(string $face): Surface
    {
        $surface = $this->surface ??= Surface::ofAreas($this->areas());

        return $surface->towards(...self::direction($face));
    }

    /** @return iterable<array{float, float, float}> of the triangles, m2 across x, y and z */
    private function areas(): iterable
    {
        for ($t = 0; $t < count($this->triangles); $t += 3) {
            yield [$this->areaAcross($t, 0), $this->areaAcross($t, 1), $this->areaAcross($t, 2)];
        }
    }

    public function features(): array
    {
        return [];
    }

    public function drawing(): array
    {
        return [['kind' => 'mesh', 'vertices' => base64_encode(self::packed('g', $this->vertices)), 'triangles' => base64_encode(self::packed('V', $this->triangles))]];
    }

    /** @param list<float>|list<int> $values */
    private static function packed(string $code, array $values): string
    {
        return implode('', array_map(fn (array $chunk) => pack("$code*", ...$chunk), array_chunk($values, 4096)));
    }

    /** @return list<float> rising */
    private function crossings(float $x, float $y): array
    {
        $found = [];
        foreach ($this->binned[$this->bin($x, 0) + $this->bins * $this->bin($y, 1)] ?? [] as $t) {
            [$x0, $y0, $z0] = $this->vertex($t);
            [$x1, $y1, $z1] = $this->vertex($t + 1);
            [$x2, $y2, $z2] = $this->vertex($t + 2);
            $twice = ($x1 - $x0) * ($y2 - $y0) - ($x2 - $x0) * ($y1 - $y0);
            if ($twice === 0.0) {
                continue;
            }
            $a = (($x - $x0) * ($y2 - $y0) - ($x2 - $x0) * ($y - $y0)) / $twice;
            $b = (($x1 - $x0) * ($y - $y0) - ($x - $x0) * ($y1 - $y0)) / $twice;
            if ($a >= 0.0 && $b >= 0.0 && $a + $b <= 1.0) {
                $found[] = $z0 + $a * ($z1 - $z0) + $b * ($z2 - $z0);
            }
        }
        sort($found);

        return $found;
    }

    /** @return array{float, float, float} */
    private function vertex(int $corner): array
    {
        $n = 3 * $this->triangles[$corner];

        return [$this->vertices[$n], $this->vertices[$n + 1], $this->vertices[$n + 2]];
    }

    /** @return array{float, float} least and greatest coordinate of a triangle */
    private function span(int $triangle, int $axis): array
    {
        $values = [$this->vertex($triangle)[$axis], $this->vertex($triangle + 1)[$axis], $this->vertex($triangle + 2)[$axis]];

        return [min($values), max($values)];
    }

    /** Positive where the triangle looks towards rising coordinates. */
    private function areaAcross(int $t, int $axis): float
    {
        [$a, $b] = [($axis + 1) % 3, ($axis + 2) % 3];
        [$p, $q, $r] = [$this->vertex($t), $this->vertex($t + 1), $this->vertex($t + 2)];

        return 0.5 * (($q[$a] - $p[$a]) * ($r[$b] - $p[$b]) - ($r[$a] - $p[$a]) * ($q[$b] - $p[$b]));
    }

    private function bin(float $value, int $axis): int
    {
        return max(0, min($this->bins - 1, (int) ($this->bins * ($value - $this->box->min[$axis]) / max($this->box->size($axis), 1e-300))));
    }
}
