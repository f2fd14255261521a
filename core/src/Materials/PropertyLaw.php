<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** A property against temperature: points joined by straight lines, constant outside them. */
final readonly class PropertyLaw
{
    /** The least share of its value that a linear law falls to. */
    private const LEAST = 0.05;

    /** Where a rising linear law ends, K: beyond anything real, so that what runs away is seen to. */
    private const HOTTEST = 1e6;

    /** @param non-empty-list<array{float, float}> $points [K, SI value], rising temperature */
    public function __construct(public array $points)
    {
    }

    public static function constant(float $value): self
    {
        return new self([[0.0, $value]]);
    }

    /** Rising or falling in proportion to the temperature, by a coefficient in 1/K from a value at a temperature in K on; a twentieth of the value where it would be less. */
    public static function linear(float $value, float $reference, float $coefficient): self
    {
        if ($coefficient === 0.0) {
            return self::constant($value);
        }
        $least = [$reference + (self::LEAST - 1.0) / $coefficient, self::LEAST * $value];
        $far = $coefficient > 0.0 ? self::HOTTEST : 0.0;
        $most = [$far, $value * (1.0 + $coefficient * ($far - $reference))];

        return new self($coefficient > 0.0 ? [$least, $most] : [$most, $least]);
    }

    /**
     * A law that follows from others: exact at all their points, with straight lines between.
     *
     * @param non-empty-list<self> $laws
     * @param callable(float): float $value at a temperature in K
     */
    public static function of(array $laws, callable $value): self
    {
        $temperatures = [];
        foreach ($laws as $law) {
            array_push($temperatures, ...($law->isConstant() ? [] : array_column($law->points, 0)));
        }
        sort($temperatures);

        return $temperatures === [] ? self::constant($value(300.0)) : new self(array_map(fn (float $t): array => [$t, $value($t)], array_values(array_unique($temperatures))));
    }

    public function isConstant(): bool
    {
        return count($this->points) === 1;
    }

    public function at(float $temperature): float
    {
        [$t0, $v0] = $this->points[0];
        if ($temperature <= $t0 || $this->isConstant()) {
            return $v0;
        }
        foreach ($this->points as [$t1, $v1]) {
            if ($temperature < $t1) {
                return $v0 + ($v1 - $v0) * ($temperature - $t0) / ($t1 - $t0);
            }
            [$t0, $v0] = [$t1, $v1];
        }

        return $v0;
    }

    /**
     * The same at many temperatures.
     *
     * @param list<float> $temperatures K
     * @return list<float>
     */
    public function along(array $temperatures): array
    {
        [$t, $v] = [array_column($this->points, 0), array_column($this->points, 1)];
        $last = count($t) - 1;
        $values = [];
        foreach ($temperatures as $temperature) {
            if ($temperature <= $t[0] || $temperature >= $t[$last]) {
                $values[] = $temperature <= $t[0] ? $v[0] : $v[$last];

                continue;
            }
            for ($n = 1; $temperature >= $t[$n]; $n++);
            $values[] = $v[$n - 1] + ($v[$n] - $v[$n - 1]) * ($temperature - $t[$n - 1]) / ($t[$n] - $t[$n - 1]);
        }

        return $values;
    }
}
