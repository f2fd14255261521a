<?php

declare(strict_types=1);

namespace Foehn\Board;

use Foehn\Model\BoardArtwork;
use Foehn\Model\BoardLayer;
use Foehn\Model\BoardTerminal;
use Foehn\Model\DrawnCopper;
use Foehn\Model\DrillFile;
use Foehn\Model\ViaGroup;
use WeakMap;

/** The copper of a board as it lies on its pixels, and its nets. It depends on the artwork and the holes alone, and is drawn once for each. */
final class Drawn
{
    /** @var ?WeakMap<BoardArtwork, self> */
    private static ?WeakMap $known = null;

    private ?Nets $nets = null;

    /** @param list<array{name: string, at: array{float, float}}> $points whose nets are named */
    private function __construct(public readonly CopperRaster $raster, private readonly array $points)
    {
    }

    /** @throws BoardException where a file cannot be read, or nothing of it lies on the board */
    public static function of(BoardArtwork $artwork): self
    {
        self::$known ??= new WeakMap();
        foreach (isset(self::$known[$artwork]) ? [] : self::$known as $like => $drawn) {
            if ($like == $artwork) {
                self::$known[$artwork] = $drawn;
            }
        }

        return self::$known[$artwork] ??= new self(self::raster($artwork), $artwork->netList === null ? [] : self::inFile('list of nets', fn (): array => NetNames::read($artwork->netList)));
    }

    public function nets(): Nets
    {
        return $this->nets ??= Nets::of($this->raster, $this->points);
    }

    /**
     * @param list<BoardTerminal> $terminals
     * @return array<int, non-empty-array<int, BoardTerminal>> by the number of the net that they lie on, NONE of Nets for no copper, and by their own
     */
    public function byNet(array $terminals): array
    {
        $found = [];
        foreach ($terminals as $n => $terminal) {
            $found[$this->nets()->under($this->raster, $terminal)][$n] = $terminal;
        }
        ksort($found);

        return $found;
    }

    private static function raster(BoardArtwork $artwork): CopperRaster
    {
        $layers = [];
        foreach ($artwork->copper() as $number => $layer) {
            $paints = [...self::paints($layer), ...self::clearances($artwork->holes->vias, $number)];
            $layers[] = new CopperLayer($layer->name, $paints, $layer->thickness(), 0.5 * ($layer->from + $layer->to));
        }
        if ($layers === []) {
            throw new BoardException('the board has no layer of copper');
        }
        [$barrels, $voids] = self::holes($artwork);
        [$x, $y] = $artwork->origin;

        return CopperRaster::of([$x, $x + $artwork->size[0], $y, $y + $artwork->size[1]], $layers, $barrels, $voids, $artwork->pixel);
    }

    /** @return list<Paint> */
    private static function paints(BoardLayer $layer): array
    {
        $paints = $layer->artwork === null ? [] : self::inFile($layer->name, fn (): array => Gerber::read($layer->artwork)->paints);

        return [...$paints, ...array_map(self::byHand(...), $layer->drawn)];
    }

    private static function byHand(DrawnCopper $drawn): Paint
    {
        [$width, $height] = $drawn->size;
        $points = $drawn->points;
        $pieces = match ($drawn->kind) {
            'pour' => [[true, $points]],
            'pad' => [[true, $drawn->isRound ? Paint::circle($points[0][0], $points[0][1], $width) : Paint::rectangle($points[0][0], $points[0][1], $width, $height)]],
            default => array_map(
                fn (int $n): array => [true, Paint::drawn(Paint::circle(0.0, 0.0, $width), $points[$n], $points[$n + 1] ?? $points[$n])],
                range(0, max(0, count($points) - 2)),
            ),
        };

        return new Paint(! $drawn->isClear, $pieces, $drawn->net);
    }

    /**
     * Where vias pass a layer that they do not join.
     *
     * @param list<ViaGroup> $groups
     * @return list<Paint>
     */
    private static function clearances(array $groups, int $layer): array
    {
        $paints = [];
        foreach ($groups as $group) {
            if (! in_array($layer, $group->joins, true)) {
                foreach ($group->places() as [$x, $y]) {
                    $paints[] = new Paint(false, [[true, Paint::circle($x, $y, $group->drill + 2.0 * $group->clearance)]]);
                }
            }
        }

        return $paints;
    }

    /** @return array{list<Barrel>, list<Hole>} plated holes that join layers, and others */
    private static function holes(BoardArtwork $artwork): array
    {
        $barrels = $voids = [];
        foreach ($artwork->holes->files as $file) {
            foreach (self::inFile($file->name, fn (): array => Excellon::read($file->text, $file->isPlated)) as $hole) {
                self::requireOnBoard($artwork, $file, $hole);
                if ($hole->plated && $file->to > $file->from) {
                    $barrels[] = new Barrel($hole, $artwork->holes->plating, $file->from, $file->to);
                } else {
                    $voids[] = $hole;
                }
            }
        }
        foreach ($artwork->holes->vias as $group) {
            foreach ($group->places() as $place) {
                $barrels[] = new Barrel(new Hole($place, $group->drill, true), $artwork->holes->plating, min($group->joins), max($group->joins));
            }
        }

        return [$barrels, $voids];
    }

    /** @throws BoardException */
    private static function requireOnBoard(BoardArtwork $artwork, DrillFile $file, Hole $hole): void
    {
        [[$x, $y], [$width, $height], [$u, $v]] = [$artwork->origin, $artwork->size, $hole->at];
        if ($u < $x || $u > $x + $width || $v < $y || $v > $y + $height) {
            throw new BoardException(sprintf(
                '"%s": a hole lies at (%.4g, %.4g) mm, beyond the board, which goes from (%.4g, %.4g) to (%.4g, %.4g) mm as the artwork counts; check the unit of the file, and the origin of the board',
                $file->name, 1e3 * $u, 1e3 * $v, 1e3 * $x, 1e3 * $y, 1e3 * ($x + $width), 1e3 * ($y + $height),
            ));
        }
    }

    /**
     * @template T
     * @param callable(): T $read
     * @return T
     * @throws BoardException that says in which file
     */
    private static function inFile(string $name, callable $read): mixed
    {
        try {
            return $read();
        } catch (BoardException $e) {
            throw new BoardException(sprintf('"%s": %s', $name, $e->getMessage()), 0, $e);
        }
    }
}
