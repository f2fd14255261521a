<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\Reader;
use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Shapes\Block;
use Foehn\Shapes\Outline;
use Foehn\Units\Dimension;

/** The fields of a shape and the place of its part, and what several kinds of shapes read alike. */
final readonly class ShapeFields
{
    private const DIRECTIONS = ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'];

    /** @param array{float, float, float} $at place of the part, m */
    public function __construct(public Reader $reader, public array $at)
    {
    }

    /** @return 0|1|2 number of the axis that a field names */
    public function axis(string $key, string $default): int
    {
        return Axes::named($this->reader->oneOf($key, ['x', 'y', 'z'], $default));
    }

    /** @return array{0|1|2, int} axis and sign of a direction such as "z-" */
    public function direction(string $key, ?string $default = null): array
    {
        $direction = $this->reader->oneOf($key, self::DIRECTIONS, $default);

        return [Axes::named($direction), $direction[1] === '+' ? 1 : -1];
    }

    /** A length above 0, m. */
    public function length(string $key): float
    {
        return $this->reader->quantity($key, Dimension::length(), null, 0.0, true);
    }

    /** @return ($length is 3 ? array{float, float, float} : array{float, float}) lengths above 0, m */
    public function size(string $key, int $length): array
    {
        $size = $this->reader->vector($key, Dimension::length(), $length);
        foreach ($size as $i => $extent) {
            if ($extent <= 0.0) {
                $this->reader->problem("$key/$i", sprintf('a size of %g mm is given; every size must be above 0', 1e3 * $extent));
            }
        }
        $above = fn (float $extent): float => $extent > 0.0 ? $extent : 1e-3;

        return isset($size[2]) ? [$above($size[0]), $above($size[1]), $above($size[2])] : [$above($size[0]), $above($size[1])];
    }

    /**
     * Sizes along the three axes of a shape that is given by its outline across one of them.
     *
     * @param array{float, float} $outline along the two other axes, m
     * @return array{float, float, float} m
     */
    public static function across(int $axis, array $outline, float $along): array
    {
        return Axes::place($axis, $along, $outline[0], $outline[1]);
    }

    /** @param array<int, float> $size m */
    public function box(array $size): Box
    {
        $at = $this->at;

        return new Box([$at[0], $at[1], $at[2]], [$at[0] + $size[0], $at[1] + $size[1], $at[2] + $size[2]]);
    }

    /** Stands for a shape that cannot be read, after its problem has been noted. */
    public function placeholder(): Block
    {
        return new Block($this->box([1e-3, 1e-3, 1e-3]));
    }

    /**
     * The outline of a flat shape in its plane: a circle by its diameter, or a rectangle by its size.
     *
     * @param 0|1|2 $axis
     */
    public function outline(int $axis, float $hub = 0.0): Outline
    {
        [$a, $b] = Axes::across($axis);
        $round = $this->reader->has('diameter');
        if ($round) {
            $diameter = $this->length('diameter') ?: 1e-3;
            $size = [$diameter, $diameter];
        } else {
            $size = $this->size('size', 2);
        }

        return new Outline($axis, $this->at[$axis], [$this->at[$a], $this->at[$b]], [$this->at[$a] + $size[0], $this->at[$b] + $size[1]], $round, $hub);
    }

    /** @return list<mixed> the rows of a list such as points, corners or a curve */
    public function rows(string $key): array
    {
        $rows = $this->reader->raw($key);

        return is_array($rows) ? array_values($rows) : [];
    }
}
