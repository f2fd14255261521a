<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Numerics\Vectors;

/**
 * Heat in every cell: M T, and the latent heat of what melts, which rises in proportion from the beginning of melting to its end
 * (enthalpy method, Voller & Prakash, Int. J. Heat Mass Transfer 30 (1987) 1709).
 */
final readonly class StoredHeat
{
    /**
     * @param array<int, float> $capacities M, J/K by padded cell
     * @param array<int, array{latent: float, from: float, to: float}> $melting J and K, of padded cells that may melt
     */
    public function __construct(public array $capacities, private array $melting = [])
    {
    }

    /**
     * What a cell must take up from one temperature to another.
     *
     * @param array<int, float> $from rises, K by padded cell
     * @param array<int, float> $to rises, K by padded cell
     * @param float $reference K, which rises are counted from
     * @return array<int, float> J by padded cell
     */
    public function between(array $from, array $to, float $reference): array
    {
        $heat = Vectors::times($this->capacities, Vectors::combine(1.0, $to, -1.0, $from));
        foreach ($this->melting as $cell => $melting) {
            $heat[$cell] += self::latent($melting, $to[$cell] + $reference) - self::latent($melting, $from[$cell] + $reference);
        }

        return $heat;
    }

    /**
     * How far melting cells are: 0 solid, 1 melting, 2 molten.
     *
     * @param array<int, float> $x rises, K by padded cell
     * @param float $reference K
     * @return array<int, int> by padded cell
     */
    public function phases(array $x, float $reference): array
    {
        $phases = [];
        foreach ($this->melting as $cell => $melting) {
            $temperature = $x[$cell] + $reference;
            $phases[$cell] = $temperature <= $melting['from'] ? 0 : ($temperature < $melting['to'] ? 1 : 2);
        }

        return $phases;
    }

    /**
     * The phases that the next iteration is made with: those of the temperatures found, one at a time, so that none is jumped over to and fro.
     *
     * @param array<int, int> $phases that they were found with
     * @param array<int, float> $x rises, K by padded cell
     * @param float $reference K
     * @return array<int, int> by padded cell
     */
    public function next(array $phases, array $x, float $reference): array
    {
        foreach ($this->phases($x, $reference) as $cell => $found) {
            $phases[$cell] += $found <=> $phases[$cell];
        }

        return $phases;
    }

    /**
     * A straight line for what cells take up from a temperature on while they are in these phases, H = slope (T - T_from) + beside.
     *
     * @param array<int, float> $from rises, K by padded cell
     * @param array<int, int> $phases by padded cell
     * @param float $reference K
     * @return array{array<int, float>, array<int, float>} slope in J/K and what is beside in J, by padded cell
     */
    public function line(array $from, array $phases, float $reference): array
    {
        $slope = $this->capacities;
        $beside = array_fill(0, count($slope), 0.0);
        foreach ($this->melting as $cell => $melting) {
            $before = $from[$cell] + $reference;
            $more = $phases[$cell] === 1 ? $melting['latent'] / ($melting['to'] - $melting['from']) : 0.0;
            $slope[$cell] += $more;
            $beside[$cell] = ($phases[$cell] === 2 ? $melting['latent'] : $more * ($before - $melting['from'])) - self::latent($melting, $before);
        }

        return [$slope, $beside];
    }

    /** Whether anything may melt. */
    public function melts(): bool
    {
        return $this->melting !== [];
    }

    /** @param array{latent: float, from: float, to: float} $melting */
    private static function latent(array $melting, float $temperature): float
    {
        return $melting['latent'] * max(0.0, min(1.0, ($temperature - $melting['from']) / ($melting['to'] - $melting['from'])));
    }
}
