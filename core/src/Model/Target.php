<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a watch or limit looks at: a part, a face or node of it, a side of the space or a patch of it, or a point. */
final readonly class Target
{
    public const NODES = ['junction', 'case', 'board'];

    /** @param ?array{float, float, float} $point metres */
    public function __construct(public ?string $part, public ?string $face, public ?string $node, public ?string $side, public ?array $point, public ?int $patch = null)
    {
    }

    public function describe(): string
    {
        return match (true) {
            $this->point !== null => sprintf('point (%g, %g, %g) m', ...$this->point),
            $this->patch !== null => "patch $this->patch of side $this->side",
            $this->side !== null => "side $this->side",
            $this->node !== null => "$this->part $this->node",
            $this->face !== null => "$this->part face $this->face",
            default => (string) $this->part,
        };
    }
}
