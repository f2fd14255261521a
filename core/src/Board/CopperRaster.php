<?php

declare(strict_types=1);

namespace Foehn\Board;

use Foehn\Model\BoardTerminal;

/**
 * The copper of a board on pixels: of each layer the share of every pixel and of every face between two that is copper, and the pixels that the
 * barrels stand on. Pixel (i, j) of layer l has the number i + nx (j + ny l).
 */
final readonly class CopperRaster
{
    /** Pixels of all layers together. */
    public const MOST = 2_000_000;

    /** Along the longer side, however wide all lines are. */
    private const FEWEST = 100;

    /** Of the narrowest line. */
    private const ACROSS = 3.0;

    /**
     * @param array{int, int} $pixels
     * @param array{float, float} $origin lower corner of the first pixel on the board, m
     * @param array{float, float} $size of a pixel, m
     * @param non-empty-list<CopperLayer> $layers from the lower face of the board up
     * @param list<Barrel> $barrels
     * @param array<int, float> $covered share of each pixel
     * @param array<int, float> $alongX share of its face towards i + 1
     * @param array<int, float> $alongY share of its face towards j + 1
     * @param list<non-empty-list<int>> $feet of each barrel, numbers of pixels within a layer
     */
    private function __construct(
        public array $pixels,
        public array $origin,
        public array $size,
        public array $layers,
        public array $barrels,
        public array $covered,
        public array $alongX,
        public array $alongY,
        public array $feet,
    ) {
    }

    /**
     * @param array{float, float, float, float} $outline of the board: least and greatest x, least and greatest y, m
     * @param non-empty-list<CopperLayer> $layers
     * @param list<Barrel> $barrels
     * @param list<Hole> $voids holes without plating
     * @param ?float $pixel wanted size, m; null: a third of the narrowest line, and a hundredth of the board at most
     * @throws BoardException where nothing is copper
     */
    public static function of(array $outline, array $layers, array $barrels, array $voids, ?float $pixel): self
    {
        [$width, $height] = [$outline[1] - $outline[0], $outline[3] - $outline[2]];
        $pixel = self::pixel($width, $height, $layers, $pixel);
        $pixels = [max(1, (int) round($width / $pixel)), max(1, (int) round($height / $pixel))];
        $size = [$width / $pixels[0], $height / $pixels[1]];
        $origin = [$outline[0], $outline[2]];
        $covered = $alongX = $alongY = [];
        foreach ($layers as $number => $layer) {
            $image = new LayerImage($pixels, $origin, $size);
            foreach ($layer->paints as $paint) {
                $image->paint($paint);
            }
            foreach ($voids as $hole) {
                $image->paint(new Paint(false, self::drilled($hole)));
            }
            foreach ($barrels as $barrel) {
                if ($number >= $barrel->from && $number <= $barrel->to) {
                    $image->paint(new Paint(true, self::drilled($barrel->hole)));
                }
            }
            [$own, $x, $y] = $image->shares();
            array_push($covered, ...$own);
            array_push($alongX, ...$x);
            array_push($alongY, ...$y);
        }
        if (array_sum($covered) <= 0.0) {
            throw new BoardException('nothing of the artwork lies on the board; check its place, and the unit of the files');
        }
        $feet = array_map(fn (Barrel $barrel): array => self::feet($barrel->hole, $pixels, $origin, $size), $barrels);

        return new self($pixels, $origin, $size, $layers, $barrels, $covered, $alongX, $alongY, $feet);
    }

    /** Number of pixels of a layer. */
    public function area(): int
    {
        return $this->pixels[0] * $this->pixels[1];
    }

    /** Number of the pixel at a place of a layer, m; null beyond the board. */
    public function pixelAt(float $x, float $y, int $layer): ?int
    {
        [$i, $j] = [(int) floor(($x - $this->origin[0]) / $this->size[0]), (int) floor(($y - $this->origin[1]) / $this->size[1])];

        return $i >= 0 && $i < $this->pixels[0] && $j >= 0 && $j < $this->pixels[1] ? $i + $this->pixels[0] * ($j + $this->pixels[1] * $layer) : null;
    }

    /**
     * Where a terminal lies on copper.
     *
     * @param float $around what counts as within beyond its edge, m
     * @return array<int, float> share of copper of the pixels whose middle it holds, by number
     */
    public function under(BoardTerminal $terminal, float $around): array
    {
        $copper = [];
        foreach (array_keys($terminal->pads) as $pad) {
            $copper += $this->underPad($terminal, $pad, $around);
        }

        return $copper;
    }

    /** @return array<int, float> the same of one of its pads */
    public function underPad(BoardTerminal $terminal, int $pad, float $around): array
    {
        [$x, $y] = $terminal->pads[$pad];
        [$nx, $ny] = $this->pixels;
        [[$ox, $oy], [$dx, $dy]] = [$this->origin, $this->size];
        [$width, $height] = [0.5 * $terminal->size[0] + $around, 0.5 * $terminal->size[1] + $around];
        [$i0, $i1] = [max(0, (int) floor(($x - $width - $ox) / $dx)), min($nx - 1, (int) ceil(($x + $width - $ox) / $dx))];
        [$j0, $j1] = [max(0, (int) floor(($y - $height - $oy) / $dy)), min($ny - 1, (int) ceil(($y + $height - $oy) / $dy))];
        $copper = [];
        for ($j = $j0; $j <= $j1; $j++) {
            for ($i = $i0; $i <= $i1; $i++) {
                $at = $i + $nx * ($j + $ny * $terminal->layer);
                if ($this->covered[$at] > 0.0 && $terminal->holds($pad, $ox + ($i + 0.5) * $dx, $oy + ($j + 0.5) * $dy, $around)) {
                    $copper[$at] = $this->covered[$at];
                }
            }
        }

        return $copper;
    }

    /** @param non-empty-list<CopperLayer> $layers */
    private static function pixel(float $width, float $height, array $layers, ?float $wanted): float
    {
        $least = sqrt($width * $height * count($layers) / self::MOST);
        $widths = [];
        foreach ($layers as $layer) {
            foreach ($layer->paints as $paint) {
                $widths[] = $paint->narrowest();
            }
        }
        $wanted ??= min([max($width, $height) / self::FEWEST, ...array_map(fn (float $narrowest): float => $narrowest / self::ACROSS, $widths)]);

        return max($wanted, $least);
    }

    /** @return non-empty-list<array{bool, list<array{float, float}>}> */
    private static function drilled(Hole $hole): array
    {
        return [[true, $hole->to === null
            ? Paint::circle($hole->at[0], $hole->at[1], $hole->diameter)
            : Paint::drawn(Paint::circle(0.0, 0.0, $hole->diameter), $hole->at, $hole->to)]];
    }

    /**
     * The pixels whose middle lies in a hole; at least the one that its middle lies in.
     *
     * @param array{int, int} $pixels
     * @param array{float, float} $origin
     * @param array{float, float} $size
     * @return non-empty-list<int>
     */
    private static function feet(Hole $hole, array $pixels, array $origin, array $size): array
    {
        [$nx, $ny] = $pixels;
        $to = $hole->to ?? $hole->at;
        $radius = 0.5 * $hole->diameter;
        $range = fn (int $axis, int $count): array => [
            max(0, (int) floor((min($hole->at[$axis], $to[$axis]) - $radius - $origin[$axis]) / $size[$axis])),
            min($count - 1, (int) floor((max($hole->at[$axis], $to[$axis]) + $radius - $origin[$axis]) / $size[$axis])),
        ];
        [$i0, $i1] = $range(0, $nx);
        [$j0, $j1] = $range(1, $ny);
        $feet = [];
        for ($j = $j0; $j <= $j1; $j++) {
            for ($i = $i0; $i <= $i1; $i++) {
                if (self::distance($hole->at, $to, $origin[0] + ($i + 0.5) * $size[0], $origin[1] + ($j + 0.5) * $size[1]) <= $radius) {
                    $feet[] = $i + $nx * $j;
                }
            }
        }
        $own = min($nx - 1, max(0, (int) floor(($hole->at[0] - $origin[0]) / $size[0]))) + $nx * min($ny - 1, max(0, (int) floor(($hole->at[1] - $origin[1]) / $size[1])));

        return $feet === [] ? [$own] : $feet;
    }

    /**
     * Of a point from the line between two others, m.
     *
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    private static function distance(array $a, array $b, float $x, float $y): float
    {
        [$dx, $dy] = [$b[0] - $a[0], $b[1] - $a[1]];
        $length = $dx ** 2 + $dy ** 2;
        $share = $length > 0.0 ? min(1.0, max(0.0, (($x - $a[0]) * $dx + ($y - $a[1]) * $dy) / $length)) : 0.0;

        return hypot($x - $a[0] - $share * $dx, $y - $a[1] - $share * $dy);
    }
}
