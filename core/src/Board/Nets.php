<?php

declare(strict_types=1);

namespace Foehn\Board;

/** The pieces of copper that hang together, over layers and plated holes. */
final readonly class Nets
{
    public const NONE = -1;

    /**
     * @param array<int, int> $net of each pixel of all layers, by number; NONE where no copper is
     * @param list<string> $names by number
     * @param list<int> $pixels how many each has
     * @param list<array{string, string}> $joined names of the artwork that one piece of copper has both of: a short, or a gap narrower than a pixel
     */
    private function __construct(public array $net, public array $names, public array $pixels, public array $joined)
    {
    }

    public static function of(CopperRaster $raster): self
    {
        $net = self::flood($raster);
        $count = $net === [] ? 0 : 1 + max($net);
        $pixels = array_fill(0, $count, 0);
        foreach ($net as $number) {
            if ($number >= 0) {
                $pixels[$number]++;
            }
        }
        [$names, $joined] = self::named($raster, $net);

        return new self($net, array_map(fn (int $n): string => $names[$n] ?? 'Net ' . ($n + 1), array_keys($pixels)), array_values($pixels), $joined);
    }

    /** @return array<int, int> */
    private static function flood(CopperRaster $raster): array
    {
        [$nx] = $raster->pixels;
        $area = $raster->area();
        $joined = self::joined($raster);
        $net = array_fill(0, count($raster->covered), self::NONE);
        $count = 0;
        foreach ($raster->covered as $seed => $share) {
            if ($share <= 0.0 || $net[$seed] !== self::NONE) {
                continue;
            }
            $stack = [$seed];
            $net[$seed] = $count;
            while ($stack !== []) {
                $at = array_pop($stack);
                $place = $at % $area;
                $next = $joined[$at] ?? [];
                if ($raster->alongX[$at] > 0.0) {
                    $next[] = $at + 1;
                }
                if ($raster->alongY[$at] > 0.0) {
                    $next[] = $at + $nx;
                }
                if ($place % $nx > 0 && $raster->alongX[$at - 1] > 0.0) {
                    $next[] = $at - 1;
                }
                if ($place >= $nx && $raster->alongY[$at - $nx] > 0.0) {
                    $next[] = $at - $nx;
                }
                foreach ($next as $other) {
                    if ($net[$other] === self::NONE) {
                        $net[$other] = $count;
                        $stack[] = $other;
                    }
                }
            }
            $count++;
        }

        return $net;
    }

    /** @return array<int, list<int>> pixels of other layers that barrels join each to */
    private static function joined(CopperRaster $raster): array
    {
        $joined = [];
        foreach ($raster->barrels as $n => $barrel) {
            foreach ($raster->feet[$n] as $foot) {
                for ($layer = $barrel->from; $layer < $barrel->to; $layer++) {
                    $low = $foot + $layer * $raster->area();
                    $high = $low + $raster->area();
                    $joined[$low][] = $high;
                    $joined[$high][] = $low;
                }
            }
        }

        return $joined;
    }

    /**
     * Names that the artwork gives, by what the middles of its strokes and flashes lie on.
     *
     * @param array<int, int> $net
     * @return array{array<int, string>, list<array{string, string}>} by number of the net, and names that share one
     */
    private static function named(CopperRaster $raster, array $net): array
    {
        $names = $joined = [];
        foreach ($raster->layers as $number => $layer) {
            foreach ($layer->paints as $paint) {
                if ($paint->net !== null && $paint->dark) {
                    [$x0, $x1, $y0, $y1] = $paint->bounds();
                    $at = $raster->pixelAt(0.5 * ($x0 + $x1), 0.5 * ($y0 + $y1), $number);
                    $found = $at === null ? self::NONE : $net[$at];
                    if ($found !== self::NONE) {
                        $names[$found] ??= $paint->net;
                        if ($names[$found] !== $paint->net) {
                            $joined[$names[$found] . "\n" . $paint->net] = [$names[$found], $paint->net];
                        }
                    }
                }
            }
        }

        return [$names, array_values($joined)];
    }
}
