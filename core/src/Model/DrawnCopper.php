<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A track along points, a pour within corners, or a pad about a point, drawn by hand on a layer of a board. */
final readonly class DrawnCopper
{
    public const KINDS = ['track', 'pour', 'pad'];

    /**
     * @param string $kind one of KINDS
     * @param non-empty-list<array{float, float}> $points m, as the artwork counts
     * @param array{float, float} $size of a pad, m; of a track and of a round pad both are its width
     * @param bool $isClear whether copper is taken away there
     */
    public function __construct(public string $kind, public array $points, public array $size, public bool $isRound, public bool $isClear, public ?string $net)
    {
    }
}
