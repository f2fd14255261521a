<?php

declare(strict_types=1);

namespace Foehn\Geometry;

/** What a face of a shape is made of: areas and the directions they look in. On the grid what stands askew becomes steps. */
final readonly class Surface
{
    /** Directions whose components agree within one part of so many count as one. */
    private const ALIKE = 20.0;

    /** Flat pieces that a round surface counts as. */
    private const ROUND = 48;

    /** @param list<array{float, array{float, float, float}}> $pieces m2, and the normal of length one */
    private function __construct(private array $pieces)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    /** @param array{float, float, float} $normal of length one */
    public static function flat(float $area, array $normal): self
    {
        return new self([[$area, $normal]]);
    }

    /** A side of a box. */
    public static function ofBox(Box $box, int $axis, int $sign): self
    {
        return self::flat($box->size(($axis + 1) % 3) * $box->size(($axis + 2) % 3), Axes::unit($axis, (float) $sign));
    }

    /**
     * The side of a round bar.
     *
     * @param array{float, float, float} $across a direction across it, of length one
     * @param array{float, float, float} $up across both
     */
    public static function round(float $area, array $across, array $up): self
    {
        $pieces = [];
        for ($n = 0; $n < self::ROUND; $n++) {
            [$c, $s] = [cos(2 * M_PI * ($n + 0.5) / self::ROUND), sin(2 * M_PI * ($n + 0.5) / self::ROUND)];
            $pieces[] = [$area / self::ROUND, [$c * $across[0] + $s * $up[0], $c * $across[1] + $s * $up[1], $c * $across[2] + $s * $up[2]]];
        }

        return new self($pieces);
    }

    /**
     * Many small pieces; those that look nearly the same way are kept as one.
     *
     * @param iterable<array{float, float, float}> $areas m2, across x, y and z, positive where a piece looks towards rising coordinates
     */
    public static function ofAreas(iterable $areas): self
    {
        $joined = [];
        foreach ($areas as [$x, $y, $z]) {
            $scale = self::ALIKE / max(sqrt($x ** 2 + $y ** 2 + $z ** 2), 1e-300);
            $way = round($scale * $x) . ' ' . round($scale * $y) . ' ' . round($scale * $z);
            [$sx, $sy, $sz] = $joined[$way] ?? [0.0, 0.0, 0.0];
            $joined[$way] = [$sx + $x, $sy + $y, $sz + $z];
        }
        $pieces = [];
        foreach ($joined as [$x, $y, $z]) {
            $area = sqrt($x ** 2 + $y ** 2 + $z ** 2);
            if ($area > 0.0) {
                $pieces[] = [$area, [$x / $area, $y / $area, $z / $area]];
            }
        }

        return new self($pieces);
    }

    public function with(self $other): self
    {
        return new self([...$this->pieces, ...$other->pieces]);
    }

    /** Of every piece the share whose steps look along an axis in the direction $sign. */
    public function towards(int $axis, int $sign): self
    {
        $pieces = [];
        foreach ($this->pieces as [$area, $normal]) {
            if ($sign * $normal[$axis] > 0.0) {
                $pieces[] = [$area * abs($normal[$axis]) / self::steep($normal), $normal];
            }
        }

        return new self($pieces);
    }

    public function turned(Rotation $rotation): self
    {
        return new self(array_map(fn (array $piece) => [$piece[0], $rotation->apply($piece[1])], $this->pieces));
    }

    /** m2 */
    public function area(): float
    {
        return array_sum(array_column($this->pieces, 0));
    }

    /** How many times the area of this surface its steps have: |nx| + |ny| + |nz| in the mean. 1 along the grid, 4 / pi around a cylinder. */
    public function steps(): float
    {
        [$area, $steps] = [0.0, 0.0];
        foreach ($this->pieces as [$own, $normal]) {
            $area += $own;
            $steps += $own * self::steep($normal);
        }

        return $area > 0.0 ? $steps / $area : 1.0;
    }

    /** @param array{float, float, float} $normal */
    private static function steep(array $normal): float
    {
        return abs($normal[0]) + abs($normal[1]) + abs($normal[2]);
    }
}
