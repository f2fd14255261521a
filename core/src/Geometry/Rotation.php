<?php

declare(strict_types=1);

namespace Foehn\Geometry;

/** A rotation, given by angles about the fixed axes x, then y, then z. Right angles are exact. */
final readonly class Rotation
{
    /** Values nearer to a whole number than this are that number. */
    private const EXACT = 1e-9;

    /** @param list<list<float>> $rows from the directions before the turn to those after it */
    private function __construct(public array $rows)
    {
    }

    /** @param list<float> $angles rad */
    public static function about(array $angles): self
    {
        [[$sx, $cx], [$sy, $cy], [$sz, $cz]] = array_map(fn (float $a) => [self::clean(sin($a)), self::clean(cos($a))], $angles);

        return new self([
            [$cz * $cy, $cz * $sy * $sx - $sz * $cx, $cz * $sy * $cx + $sz * $sx],
            [$sz * $cy, $sz * $sy * $sx + $cz * $cx, $sz * $sy * $cx - $cz * $sx],
            [-$sy, $cy * $sx, $cy * $cx],
        ]);
    }

    /** The other rotation first, then this one. */
    public function after(self $other): self
    {
        $rows = [];
        foreach ($this->rows as $row) {
            $rows[] = array_map(fn (int $n) => self::clean($row[0] * $other->rows[0][$n] + $row[1] * $other->rows[1][$n] + $row[2] * $other->rows[2][$n]), [0, 1, 2]);
        }

        return new self($rows);
    }

    /**
     * @param list<float> $v
     * @return array{float, float, float}
     */
    public function apply(array $v): array
    {
        [$x, $y, $z] = array_map(fn (array $row) => $row[0] * $v[0] + $row[1] * $v[1] + $row[2] * $v[2], $this->rows);

        return [$x, $y, $z];
    }

    /** @return array{float, float, float} rad, as about() takes them */
    public function angles(): array
    {
        $m = $this->rows;
        $y = asin(max(-1.0, min(1.0, -$m[2][0])));
        // Looking along an axis only the sum of the two other angles counts.
        if (abs($m[2][0]) > 1.0 - self::EXACT) {
            return [0.0, $y, atan2(-$m[0][1], $m[1][1])];
        }

        return [atan2($m[2][1], $m[2][2]), $y, atan2($m[1][0], $m[0][0])];
    }

    public function isNone(): bool
    {
        return $this->rows[0][0] === 1.0 && $this->rows[1][1] === 1.0 && $this->rows[2][2] === 1.0;
    }

    /** Whether every axis comes to lie on an axis. */
    public function isRight(): bool
    {
        return array_filter(array_merge(...$this->rows), fn (float $value) => $value !== round($value)) === [];
    }

    /**
     * Where an axis comes to lie after a turn by right angles.
     *
     * @return array{int, int} axis, and -1 where its direction is reversed
     */
    public function axis(int $axis): array
    {
        foreach ($this->rows as $to => $row) {
            if (abs($row[$axis]) > 0.5) {
                return [$to, $row[$axis] > 0.0 ? 1 : -1];
            }
        }

        return [$axis, 1];
    }

    /** The axis that comes to lie on this one after a turn by right angles. */
    public function before(int $axis): int
    {
        foreach ($this->rows[$axis] as $from => $value) {
            if (abs($value) > 0.5) {
                return $from;
            }
        }

        return $axis;
    }

    private static function clean(float $value): float
    {
        return abs($value - round($value)) < self::EXACT ? round($value) : $value;
    }
}
