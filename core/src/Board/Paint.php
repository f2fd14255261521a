<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * One stroke, flash or region of artwork: polygons that are put together and then laid onto the picture, or taken out of it.
 *
 * @phpstan-type Contour list<array{float, float}>
 */
final readonly class Paint
{
    /** Corners of a circle. */
    private const CORNERS = 48;

    /** Places along either side that a shape is looked at in. */
    private const ACROSS = 7;

    /**
     * @param bool $dark whether it adds copper; else it takes away what was there before
     * @param non-empty-list<array{bool, Contour}> $pieces closed polygons in m, each added to the shape or cut out of what came before it in the list
     * @param ?string $net as the file names it
     */
    public function __construct(public bool $dark, public array $pieces, public ?string $net = null)
    {
    }

    /** Width or height of the narrowest of its pieces, m. */
    public function narrowest(): float
    {
        $widths = [];
        foreach ($this->pieces as [, $contour]) {
            [$x0, $x1, $y0, $y1] = self::around($contour);
            $widths[] = min($x1 - $x0, $y1 - $y0);
        }

        return min($widths);
    }

    /** @return Contour a circle of the area that the true one has */
    public static function circle(float $x, float $y, float $diameter): array
    {
        // A polygon between the inner and the outer one, so that areas and widths of strokes are right on the whole.
        $radius = 0.5 * $diameter * sqrt(2.0 * M_PI / (self::CORNERS * sin(2.0 * M_PI / self::CORNERS)));
        $contour = [];
        for ($n = 0; $n < self::CORNERS; $n++) {
            $angle = 2.0 * M_PI * ($n + 0.5) / self::CORNERS;
            $contour[] = [$x + $radius * cos($angle), $y + $radius * sin($angle)];
        }

        return $contour;
    }

    /** @return Contour about a middle */
    public static function rectangle(float $x, float $y, float $width, float $height): array
    {
        [$w, $h] = [0.5 * $width, 0.5 * $height];

        return [[$x - $w, $y - $h], [$x + $w, $y - $h], [$x + $w, $y + $h], [$x - $w, $y + $h]];
    }

    /**
     * The area that a convex shape passes when it is drawn along a straight line: the hull of both ends.
     *
     * @param Contour $shape about the origin
     * @param array{float, float} $from
     * @param array{float, float} $to
     * @return Contour
     */
    public static function drawn(array $shape, array $from, array $to): array
    {
        $points = [];
        foreach ($shape as [$x, $y]) {
            $points[] = [$from[0] + $x, $from[1] + $y];
            $points[] = [$to[0] + $x, $to[1] + $y];
        }

        return self::hull($points);
    }

    /**
     * Convex hull by the monotone chain (Andrew, Inf. Process. Lett. 9 (1979) 216).
     *
     * @param Contour $points
     * @return Contour
     */
    public static function hull(array $points): array
    {
        sort($points);
        $chains = [[], []];
        foreach ([$points, array_reverse($points)] as $n => $ordered) {
            $chain = [];
            foreach ($ordered as $point) {
                while (count($chain) > 1 && self::turn($chain[count($chain) - 2], $chain[count($chain) - 1], $point) <= 0.0) {
                    array_pop($chain);
                }
                $chain[] = $point;
            }
            array_pop($chain);
            $chains[$n] = $chain;
        }

        return [...$chains[0], ...$chains[1]];
    }

    /** @return array{float, float, float, float} least and greatest x, least and greatest y, m */
    public function bounds(): array
    {
        return self::around(array_merge(...array_column($this->pieces, 1)));
    }

    /**
     * @param Contour $points
     * @return array{float, float, float, float} least and greatest x, least and greatest y, m
     */
    private static function around(array $points): array
    {
        [$xs, $ys] = [array_column($points, 0), array_column($points, 1)];

        return [min([INF, ...$xs]), max([-INF, ...$xs]), min([INF, ...$ys]), max([-INF, ...$ys])];
    }

    /** @return list<array{float, float}> places spread over the shape, m; at least its middle */
    public function places(): array
    {
        [$x0, $x1, $y0, $y1] = $this->bounds();
        $places = [];
        for ($n = 0; $n < self::ACROSS ** 2; $n++) {
            $x = $x0 + ($x1 - $x0) * ($n % self::ACROSS + 0.5) / self::ACROSS;
            $y = $y0 + ($y1 - $y0) * (intdiv($n, self::ACROSS) + 0.5) / self::ACROSS;
            if ($this->holds($x, $y)) {
                $places[] = [$x, $y];
            }
        }

        return $places === [] ? [[0.5 * ($x0 + $x1), 0.5 * ($y0 + $y1)]] : $places;
    }

    /** Whether the last piece that a place lies in adds it to the shape. */
    private function holds(float $x, float $y): bool
    {
        $holds = false;
        foreach ($this->pieces as [$adds, $contour]) {
            if (self::within($contour, $x, $y)) {
                $holds = $adds;
            }
        }

        return $holds;
    }

    /** @param Contour $contour */
    private static function within(array $contour, float $x, float $y): bool
    {
        $isWithin = false;
        [$px, $py] = $contour[count($contour) - 1] ?? [0.0, 0.0];
        foreach ($contour as [$qx, $qy]) {
            if (($qy > $y) !== ($py > $y) && $x < $qx + ($px - $qx) * ($y - $qy) / ($py - $qy)) {
                $isWithin = ! $isWithin;
            }
            [$px, $py] = [$qx, $qy];
        }

        return $isWithin;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $c
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }
}
