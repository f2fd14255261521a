<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Numerics\Cholesky;
use Foehn\Physics\PhysicsException;

/**
 * How the currents through joints answer their voltages: a conductance between any two joints, and one from each to what holds a voltage. The latter are
 * found with all joints at one voltage, so that they are as exact where they are a millionth of the former.
 */
final readonly class JointNetwork
{
    /** Of the conductance at a joint, what counts as none. */
    private const NONE = 1e-12;

    /** @param list<string> $joints */
    private function __construct(private array $joints, private Cholesky $conductances)
    {
    }

    /**
     * @param list<string> $joints
     * @param Closure(array<string, float>): array<string, float> $currents A that enter the conductors by joint, where nothing but V by joint drives them
     * @throws PhysicsException where no way leads from a joint to a voltage
     */
    public static function of(array $joints, Closure $currents): self
    {
        $leaks = $currents(array_fill_keys($joints, 1.0));
        $columns = array_map(fn (string $joint): array => $currents([$joint => 1.0] + array_fill_keys($joints, 0.0)), $joints);
        $rows = [];
        foreach ($joints as $i => $joint) {
            $none = self::NONE * max(abs($columns[$i][$joint]), 1e-300);
            $row = [];
            foreach ($joints as $k => $other) {
                // Both directions are the same but for what iteration has left.
                $between = $i === $k ? 0.0 : 0.5 * ($columns[$k][$joint] + $columns[$i][$other]);
                $row[] = $between < -$none ? $between : 0.0;
            }
            $leak = $leaks[$joint] > $none ? $leaks[$joint] : 0.0;
            $row[$i] = $leak - array_sum($row);
            $rows[] = $row;
        }
        $conductances = Cholesky::of(array_map(fn (array $row, int $i): array => array_slice($row, 0, $i + 1), $rows, array_keys($rows)));
        if ($conductances === null || ! self::isHeld($rows, array_map(fn (string $joint): float => $leaks[$joint], $joints))) {
            throw new PhysicsException('current through the joints of boards and parts has no way back: no copper and no part that they are joined to has a voltage or ground; give one');
        }

        return new self($joints, $conductances);
    }

    /**
     * @param array<string, float> $excess A that enter the conductors and come from nowhere, by joint
     * @return array<string, float> V that each joint has to rise by for none to do
     */
    public function correction(array $excess): array
    {
        return array_combine($this->joints, $this->conductances->solve(array_map(fn (string $joint): float => -$excess[$joint], $this->joints)));
    }

    /**
     * Whether a way leads from every joint to a voltage.
     *
     * @param list<array<int, float>> $rows conductances, negative between joints, S
     * @param list<float> $leaks conductance of each to what holds a voltage, S
     */
    private static function isHeld(array $rows, array $leaks): bool
    {
        $held = array_keys(array_filter($leaks, fn (float $leak, int $i): bool => $leak > self::NONE * $rows[$i][$i], ARRAY_FILTER_USE_BOTH));
        $open = array_diff(array_keys($rows), $held);
        while ($held !== []) {
            $from = array_pop($held);
            foreach ($open as $n => $to) {
                if ($rows[$from][$to] < 0.0) {
                    $held[] = $to;
                    unset($open[$n]);
                }
            }
        }

        return $open === [];
    }
}
