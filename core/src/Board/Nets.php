<?php

declare(strict_types=1);

namespace Foehn\Board;

use Foehn\Model\BoardTerminal;

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

    /** @param list<array{name: string, at: array{float, float}}> $points places in m whose net is named, where the artwork does not */
    public static function of(CopperRaster $raster, array $points = []): self
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
        $names += self::atPoints($raster, $net, $points);

        return new self($net, array_map(fn (int $n): string => $names[$n] ?? 'Net ' . ($n + 1), array_keys($pixels)), array_values($pixels), $joined);
    }

    /** Number of the net that a terminal lies on, that of its middle before others; NONE where it lies on no copper. */
    public function under(CopperRaster $raster, BoardTerminal $terminal): int
    {
        $middle = $raster->pixelAt($terminal->pads[0][0], $terminal->pads[0][1], $terminal->layer);
        if ($middle !== null && $this->net[$middle] !== self::NONE) {
            return $this->net[$middle];
        }
        foreach ($raster->under($terminal, 0.0) as $at => $_) {
            return $this->net[$at];
        }

        return self::NONE;
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
     * @param array<int, int> $net
     * @param list<array{name: string, at: array{float, float}}> $points
     * @return array<int, string> by number of the net: the name of the first point on it, on whatever layer
     */
    private static function atPoints(CopperRaster $raster, array $net, array $points): array
    {
        $names = [];
        foreach ($points as ['name' => $name, 'at' => [$x, $y]]) {
            $found = [];
            foreach (array_keys($raster->layers) as $layer) {
                $at = $raster->pixelAt($x, $y, $layer);
                $found[] = $at === null ? self::NONE : $net[$at];
            }
            $found = array_unique(array_diff($found, [self::NONE]));
            // Where other nets lie above or below a pad, the place says nothing.
            if (count($found) === 1) {
                $names[reset($found)] ??= $name;
            }
        }

        return $names;
    }

    /**
     * @param array<int, int> $net
     * @return int number of the net that most places in a paint lie on; NONE where none does
     */
    private static function beneath(CopperRaster $raster, array $net, Paint $paint, int $layer): int
    {
        $hits = [];
        foreach ($paint->places() as [$x, $y]) {
            $at = $raster->pixelAt($x, $y, $layer);
            if ($at !== null && $net[$at] !== self::NONE) {
                $hits[$net[$at]] = 1 + ($hits[$net[$at]] ?? 0);
            }
        }

        return $hits === [] ? self::NONE : (int) array_search(max($hits), $hits, true);
    }

    /**
     * Names that the artwork gives, by what most of each stroke, flash or region lies on: holes of other nets may stand in it.
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
                    $found = self::beneath($raster, $net, $paint, $number);
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
