<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

/** What enters and leaves each net of a board, and whether the power that comes with it is found as heat: each net by itself, a small one beside a large one too. */
final class NetBalances
{
    /** What a net may leave open beside its share, as a share of the greatest current and the greatest power: rounding is of this kind. */
    private const ROUNDING = 1e-12;

    /** @var array<int, float> A, what enters less what leaves, by net */
    private array $open = [];

    /** @var array<int, float> A, the mean of what enters and what leaves */
    private array $through = [];

    /** @var array<int, float> W at the terminals */
    private array $power = [];

    /** @var array<int, float> W found in the copper */
    private array $heat = [];

    /**
     * @param float $current A into the net
     * @param float $power W that it brings, counted from the level of the net
     */
    public function enter(int $net, float $current, float $power): void
    {
        $this->open[$net] = ($this->open[$net] ?? 0.0) + $current;
        $this->through[$net] = ($this->through[$net] ?? 0.0) + 0.5 * abs($current);
        $this->power[$net] = ($this->power[$net] ?? 0.0) + $power;
    }

    public function find(int $net, float $heat): void
    {
        $this->heat[$net] = ($this->heat[$net] ?? 0.0) + $heat;
    }

    /** W at all terminals. */
    public function power(): float
    {
        return array_sum($this->power);
    }

    /** @param float $share of its current and its power that every net may leave open */
    public function areClosed(float $share): bool
    {
        [$amperes, $watts] = [self::ROUNDING * max([0.0, ...$this->through]), self::ROUNDING * max([0.0, ...$this->power])];
        foreach ($this->open as $net => $open) {
            if (abs($open) > $share * $this->through[$net] + $amperes || abs($this->power[$net] - ($this->heat[$net] ?? 0.0)) > $share * abs($this->power[$net]) + $watts) {
                return false;
            }
        }

        return true;
    }
}
