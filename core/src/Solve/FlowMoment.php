<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Vectors;

/** The flow at a moment of a course in time. */
final readonly class FlowMoment
{
    /**
     * @param float $time s
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s on upper faces, in the layout of the flow
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through them
     * @param array<int, float> $pressure Pa
     * @param array<string, float> $rises Pa, of the fans by part
     */
    public function __construct(public float $time, public array $velocity, public array $flux, public array $pressure, public array $rises, public bool $turbulent)
    {
    }

    /**
     * The fields of several moments, each times its weight.
     *
     * @param non-empty-list<array{array<int, float>, array<int, float>, array<int, float>}> $fields velocities or fluxes
     * @param list<float> $weights, as many
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public static function mixed(array $fields, array $weights): array
    {
        $sum = [];
        foreach ([0, 1, 2] as $axis) {
            $own = Vectors::scaled($weights[0], $fields[0][$axis]);
            foreach (array_slice($fields, 1) as $n => $field) {
                $own = Vectors::plus($own, $weights[$n + 1], $field[$axis]);
            }
            $sum[] = $own;
        }

        return [$sum[0], $sum[1], $sum[2]];
    }
}
