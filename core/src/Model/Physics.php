<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What is computed. */
final readonly class Physics
{
    public const FLOWS = ['none', 'laminar', 'turbulent', 'auto'];

    public const RADIATION = ['none', 'surroundings', 'surfaces'];

    /**
     * @param string $flow one of FLOWS
     * @param string $radiation one of RADIATION
     */
    public function __construct(public bool $heat, public string $flow, public bool $buoyancy, public bool $electric = false, public string $radiation = 'none')
    {
    }

    public function radiates(): bool
    {
        return $this->radiation !== 'none';
    }

    public function hasFlow(): bool
    {
        return $this->flow !== 'none';
    }
}
