<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\FosterNetwork;
use Foehn\Model\Model;

/** Junctions over their parts in the course of time, by Foster networks. */
final class Junctions
{
    /** @var array<int, list<float>> K, of the pairs of each network by index of the part */
    private array $rises;

    /** @var array<int, float> W by index of the part, since the last step or jump */
    private array $watts;

    /**
     * @param array<int, FosterNetwork> $networks by index of the part
     * @param array<int, float> $before W that parts had before the start
     */
    private function __construct(private readonly array $networks, array $before)
    {
        $this->rises = [];
        foreach ($networks as $index => $network) {
            $this->rises[$index] = $network->atRest($before[$index]);
        }
        $this->watts = $before;
    }

    /** @param bool $isAtRest whether they begin at rest with the watts of a model; else no warmer than their parts */
    public static function begin(Model $model, bool $isAtRest): self
    {
        $networks = [];
        $before = [];
        foreach ($model->parts as $index => $part) {
            if ($part->junction !== null) {
                [$networks[$index], $before[$index]] = [$part->junction, $isAtRest ? $part->power : 0.0];
            }
        }

        return new self($networks, $before);
    }

    /** @return list<int> indices of the parts */
    public function parts(): array
    {
        return array_keys($this->networks);
    }

    /**
     * Loads have jumped.
     *
     * @param array<int, float> $watts by index of the part
     */
    public function jump(array $watts): void
    {
        $this->watts = $watts;
    }

    /**
     * @param float $time s that have passed
     * @param array<int, float> $watts W by index of the part, at the end
     */
    public function pass(float $time, array $watts): void
    {
        foreach ($this->networks as $index => $network) {
            $this->rises[$index] = $network->after($this->rises[$index], $time, $this->watts[$index], $watts[$index]);
        }
        $this->watts = $watts;
    }

    /** @return array<int, float> K over their parts, by index of the part */
    public function over(): array
    {
        return array_map(array_sum(...), $this->rises);
    }
}
