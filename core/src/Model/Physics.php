<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What is computed. */
final readonly class Physics
{
    public const FLOWS = ['none', 'laminar', 'turbulent', 'auto'];

    /** @param string $flow one of FLOWS */
    public function __construct(public bool $heat, public string $flow, public bool $buoyancy, public bool $electric = false)
    {
    }

    public function hasFlow(): bool
    {
        return $this->flow !== 'none';
    }
}
