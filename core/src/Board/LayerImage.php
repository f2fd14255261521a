<?php

declare(strict_types=1);

namespace Foehn\Board;

/**
 * How much of the pixels of a layer, and of the faces between them, is copper. A gap parts what no pixel holds both sides of. Faces are exact: they lie on lines along which the copper is known as
 * intervals. So are pixels with straight edges along an axis; in others the shares of three lines are summed by Simpson's rule, both ways.
 */
final readonly class LayerImage
{
    /** Shares of lines that differ by less are one. */
    private const ALIKE = 1e-9;

    private LineFamily $alongX;

    private LineFamily $alongY;

    /**
     * @param array{int, int} $pixels
     * @param array{float, float} $origin of the first pixel, m
     * @param array{float, float} $size of a pixel, m
     */
    public function __construct(private array $pixels, array $origin, array $size)
    {
        $this->alongX = new LineFamily(0, $pixels, $origin, $size);
        $this->alongY = new LineFamily(1, $pixels, $origin, $size);
    }

    public function paint(Paint $paint): void
    {
        $this->alongX->paint($paint);
        $this->alongY->paint($paint);
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} shares of each pixel i + nx j, of its face towards i + 1 and towards j + 1 */
    public function shares(): array
    {
        [$nx, $ny] = $this->pixels;
        $covered = $facesX = $facesY = array_fill(0, $nx * $ny, 0.0);
        $isExact = array_fill(0, $nx * $ny, false);
        $below = $this->alongX->shares(0);
        for ($j = 0; $j < $ny; $j++) {
            [$middle, $above] = [$this->alongX->shares(2 * $j + 1), $this->alongX->shares(2 * $j + 2)];
            for ($i = 0, $at = $nx * $j; $i < $nx; $i++, $at++) {
                $covered[$at] = ($below[$i] + 4.0 * $middle[$i] + $above[$i]) / 6.0;
                $isExact[$at] = abs($middle[$i] - $below[$i]) < self::ALIKE && abs($middle[$i] - $above[$i]) < self::ALIKE;
                $facesY[$at] = $above[$i];
            }
            $below = $above;
        }
        $left = $this->alongY->shares(0);
        for ($i = 0; $i < $nx; $i++) {
            [$middle, $right] = [$this->alongY->shares(2 * $i + 1), $this->alongY->shares(2 * $i + 2)];
            for ($j = 0, $at = $i; $j < $ny; $j++, $at += $nx) {
                $facesX[$at] = $right[$j];
                if (! $isExact[$at]) {
                    $own = ($left[$j] + 4.0 * $middle[$j] + $right[$j]) / 6.0;
                    $isStraight = abs($middle[$j] - $left[$j]) < self::ALIKE && abs($middle[$j] - $right[$j]) < self::ALIKE;
                    $covered[$at] = $isStraight ? $own : 0.5 * ($covered[$at] + $own);
                }
            }
            $left = $right;
        }
        $this->part($covered, $facesX, $facesY);

        return [$covered, $facesX, $facesY];
    }

    /**
     * Nothing passes a face beside a pixel without copper, nor the edge of the board.
     *
     * @param array<int, float> $covered
     * @param array<int, float> $facesX
     * @param array<int, float> $facesY
     */
    private function part(array $covered, array &$facesX, array &$facesY): void
    {
        [$nx, $ny] = $this->pixels;
        foreach ($covered as $at => $share) {
            if ($share <= 0.0 || $at % $nx === $nx - 1 || $covered[$at + 1] <= 0.0) {
                $facesX[$at] = 0.0;
            }
            if ($share <= 0.0 || $at >= $nx * ($ny - 1) || $covered[$at + $nx] <= 0.0) {
                $facesY[$at] = 0.0;
            }
        }
    }
}
