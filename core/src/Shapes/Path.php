<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/**
 * A wire of round section around a line of straight pieces, or a strip of metal that stands with its lower face on such a line
 * in a plane. Its corners are rounded, its ends are cut straight.
 */
final readonly class Path implements LocatedFaces, Shape
{
    /** Directions nearer to an axis than this run along it. */
    private const AXIAL = 1e-9;

    /** A face within this share of the half width before an end, and looking out of it by more than that, belongs to it. */
    private const AT_END = 0.5;

    /** @var non-empty-list<array{from: array{float, float, float}, to: array{float, float, float}, along: array{float, float, float}, length: float}> */
    private array $pieces;

    private Box $box;

    /**
     * @param non-empty-list<array{float, float, float}> $points m, two or more, neighbours apart
     * @param float $half radius of a wire, or half the width of a strip, m
     * @param ?int $normal axis that a strip stands up along; null: a wire
     * @param float $thickness of a strip, m
     */
    public function __construct(private array $points, private float $half, private ?int $normal = null, private float $thickness = 0.0)
    {
        $pieces = [];
        for ($n = 1; $n < count($points); $n++) {
            [$from, $to] = [$points[$n - 1], $points[$n]];
            $step = [$to[0] - $from[0], $to[1] - $from[1], $to[2] - $from[2]];
            $length = sqrt($step[0] ** 2 + $step[1] ** 2 + $step[2] ** 2);
            $pieces[] = ['from' => $from, 'to' => $to, 'along' => [$step[0] / $length, $step[1] / $length, $step[2] / $length], 'length' => $length];
        }
        if ($pieces === []) {
            throw new \LogicException('a path has two points or more');
        }
        $this->pieces = $pieces;
        $this->box = Box::around(array_map($this->boxOf(...), array_keys($pieces)));
    }

    public function kind(): string
    {
        return 'path';
    }

    public function bounds(): Box
    {
        return $this->box;
    }

    public function planes(int $axis): array
    {
        $planes = [$this->box->min[$axis], $this->box->max[$axis]];
        foreach ($this->pieces as $n => $piece) {
            // The grid follows pieces along the axes; slanted ones become steps.
            if ($this->axisOf($piece['along']) !== null) {
                $box = $this->boxOf($n);
                array_push($planes, $box->min[$axis], $box->max[$axis]);
            }
        }

        return $planes;
    }

    public function contains(float $x, float $y, float $z): bool
    {
        $place = [$x, $y, $z];
        if ($this->normal !== null) {
            $height = $place[$this->normal] - $this->points[0][$this->normal];
            if ($height < 0.0 || $height > $this->thickness) {
                return false;
            }
            $place = Axes::replaced($place, $this->normal, $this->points[0][$this->normal]);
        }
        $last = count($this->pieces) - 1;
        foreach ($this->pieces as $n => $piece) {
            [$reached, $distance] = self::beside($piece, $place);
            if ($distance <= $this->half && ($n > 0 || $reached >= 0.0) && ($n < $last || $reached <= $piece['length'])) {
                return true;
            }
        }

        return false;
    }

    public function volume(): float
    {
        return $this->section() * array_sum(array_column($this->pieces, 'length'));
    }

    /** m2 */
    private function section(): float
    {
        return $this->normal === null ? M_PI * $this->half ** 2 : 2 * $this->half * $this->thickness;
    }

    public function faces(): array
    {
        return ['side', 'start', 'end'];
    }

    public function faceTowards(int $axis, int $sign): string
    {
        return 'side';
    }

    public function faceAt(int $axis, int $sign, array $place): string
    {
        $last = $this->pieces[count($this->pieces) - 1];
        foreach (['start' => [$this->pieces[0], 0.0, -1.0], 'end' => [$last, $last['length'], 1.0]] as $face => [$piece, $end, $outward]) {
            $reached = 0.0;
            foreach ([0, 1, 2] as $n) {
                $reached += ($place[$n] - $piece['from'][$n]) * $piece['along'][$n];
            }
            if ($outward * $sign * $piece['along'][$axis] > self::AT_END && abs($reached - $end) < self::AT_END * $this->half) {
                return $face;
            }
        }

        return 'side';
    }

    public function surface(string $face): Surface
    {
        if ($face !== 'side') {
            $along = $face === 'end' ? $this->pieces[count($this->pieces) - 1]['along'] : array_map(fn (float $d) => -$d, $this->pieces[0]['along']);

            return Surface::flat($this->section(), [$along[0], $along[1], $along[2]]);
        }
        $surface = Surface::none();
        foreach ($this->pieces as ['along' => $along, 'length' => $length]) {
            $across = $this->across($along);
            $up = self::cross($along, $across);
            $surface = $surface->with($this->normal === null
                ? Surface::round(2 * M_PI * $this->half * $length, $across, $up)
                : Surface::flat(4 * $this->half * $length, $up)->with(Surface::flat(2 * $this->thickness * $length, $across)));
        }

        return $surface;
    }

    public function features(): array
    {
        $features = [];
        foreach ($this->pieces as $n => $piece) {
            $along = $this->axisOf($piece['along']);
            foreach ($along === null ? [] : Axes::across($along) as $axis) {
                $box = $this->boxOf($n);
                $name = $this->normal === null ? 'diameter' : ($axis === $this->normal ? 'thickness' : 'width');
                $features[$axis] ??= new Feature($name, $axis, $box->min[$axis], $box->max[$axis]);
            }
        }

        return array_values($features);
    }

    public function drawing(): array
    {
        return array_map($this->body(...), array_keys($this->pieces));
    }

    /** @return array<string, mixed> a piece as a box or cylinder along x, turned into its direction; at corners it reaches into its neighbour */
    private function body(int $n): array
    {
        $piece = $this->pieces[$n];
        $before = $n > 0 ? $this->half : 0.0;
        $half = 0.5 * ($piece['length'] + $before + ($n < count($this->pieces) - 1 ? $this->half : 0.0));
        $middle = [];
        foreach ([0, 1, 2] as $axis) {
            $middle[] = $piece['from'][$axis] + ($half - $before) * $piece['along'][$axis] + ($axis === $this->normal ? 0.5 * $this->thickness : 0.0);
        }
        [$x, $y, $z] = $middle;
        $across = $this->across($piece['along']);
        $up = self::cross($piece['along'], $across);
        $turn = ['matrix' => [$piece['along'][0], $across[0], $up[0], $piece['along'][1], $across[1], $up[1], $piece['along'][2], $across[2], $up[2]], 'about' => $middle];
        if ($this->normal === null) {
            return ['kind' => 'cylinder', 'axis' => 0, 'centre' => [$y, $z], 'radius' => $this->half, 'from' => $x - $half, 'to' => $x + $half, 'turn' => $turn];
        }

        return ['kind' => 'box', 'min' => [$x - $half, $y - $this->half, $z - 0.5 * $this->thickness], 'max' => [$x + $half, $y + $this->half, $z + 0.5 * $this->thickness], 'turn' => $turn];
    }

    /**
     * @param array{float, float, float} $along
     * @return array{float, float, float} a direction across it, in the plane of a strip
     */
    private function across(array $along): array
    {
        // Of a wire any direction that is not its own.
        $up = Axes::unit($this->normal ?? (abs($along[2]) < 0.9 ? 2 : 0));
        $across = self::cross($up, $along);
        $length = sqrt($across[0] ** 2 + $across[1] ** 2 + $across[2] ** 2);

        return [$across[0] / $length, $across[1] / $length, $across[2] / $length];
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @return array{float, float, float}
     */
    private static function cross(array $a, array $b): array
    {
        return [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
    }

    /** What a piece takes up, with the round corners at its inner ends. */
    private function boxOf(int $n): Box
    {
        ['from' => $from, 'to' => $to, 'along' => $along] = $this->pieces[$n];
        $low = $high = [];
        foreach ([0, 1, 2] as $axis) {
            $wide = $this->half * sqrt(max(0.0, 1.0 - $along[$axis] ** 2));
            [$first, $last] = [$n > 0 ? $this->half : $wide, $n < count($this->pieces) - 1 ? $this->half : $wide];
            $low[] = min($from[$axis] - $first, $to[$axis] - $last);
            $high[] = max($from[$axis] + $first, $to[$axis] + $last);
        }
        if ($this->normal !== null) {
            [$low[$this->normal], $high[$this->normal]] = [$from[$this->normal], $from[$this->normal] + $this->thickness];
        }

        return new Box([$low[0], $low[1], $low[2]], [$high[0], $high[1], $high[2]]);
    }

    /** @param array{float, float, float} $along */
    private function axisOf(array $along): ?int
    {
        foreach ($along as $axis => $cosine) {
            if (abs($cosine) > 1.0 - self::AXIAL) {
                return $axis;
            }
        }

        return null;
    }

    /**
     * @param array{from: array{float, float, float}, along: array{float, float, float}, length: float} $piece
     * @param array{float, float, float} $place
     * @return array{float, float} how far along the piece a place lies, and its distance from the piece, m
     */
    private static function beside(array $piece, array $place): array
    {
        [$dx, $dy, $dz] = [$place[0] - $piece['from'][0], $place[1] - $piece['from'][1], $place[2] - $piece['from'][2]];
        [$ax, $ay, $az] = $piece['along'];
        $reached = $dx * $ax + $dy * $ay + $dz * $az;
        $nearest = max(0.0, min($reached, $piece['length']));

        return [$reached, sqrt(($dx - $nearest * $ax) ** 2 + ($dy - $nearest * $ay) ** 2 + ($dz - $nearest * $az) ** 2)];
    }
}
