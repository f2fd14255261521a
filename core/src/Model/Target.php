<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a watch or limit looks at: a part, a face or node of it, a side of the space or a patch of it, a point, a line between two, or a section. */
final readonly class Target
{
    public const NODES = ['junction', 'case', 'board'];

    /** Classes of the copper of a board. */
    public const COPPER = ['outer', 'inner', 'barrels'];

    /** Places along a line at which it is read. */
    private const ALONG_LINE = 201;

    /**
     * @param ?array{float, float, float} $point metres; of a line where it begins
     * @param ?array{float, float, float} $end metres, of a line
     * @param ?string $copper one of COPPER of a board
     * @param ?string $net of a board
     */
    public function __construct(
        public ?string $part,
        public ?string $face,
        public ?string $node,
        public ?string $side,
        public ?array $point,
        public ?int $patch = null,
        public ?array $end = null,
        public ?Section $section = null,
        public ?string $copper = null,
        public ?string $net = null,
    ) {
    }

    public function isLine(): bool
    {
        return $this->end !== null;
    }

    /** Of a line, m. */
    public function length(): float
    {
        return $this->point === null || $this->end === null ? 0.0 : sqrt(array_sum(array_map(fn (float $a, float $b): float => ($b - $a) ** 2, $this->point, $this->end)));
    }

    /** @return list<array{float, float, float}> the point, or evenly along the line, m */
    public function places(): array
    {
        if ($this->point === null || $this->end === null) {
            return $this->point === null ? [] : [$this->point];
        }
        $places = [];
        for ($n = 0; $n < self::ALONG_LINE; $n++) {
            $along = $n / (self::ALONG_LINE - 1);
            $places[] = [
                $this->point[0] + $along * ($this->end[0] - $this->point[0]),
                $this->point[1] + $along * ($this->end[1] - $this->point[1]),
                $this->point[2] + $along * ($this->end[2] - $this->point[2]),
            ];
        }

        return $places;
    }

    public function withPart(string $part): self
    {
        return new self($part, $this->face, $this->node, $this->side, $this->point, $this->patch, $this->end, $this->section, $this->copper, $this->net);
    }

    public function describe(): string
    {
        return match (true) {
            $this->section !== null => $this->section->describe(),
            $this->point !== null && $this->end !== null => sprintf('line (%g, %g, %g) to (%g, %g, %g) m', ...$this->point, ...$this->end),
            $this->point !== null => sprintf('point (%g, %g, %g) m', ...$this->point),
            $this->patch !== null => "patch $this->patch of side $this->side",
            $this->side !== null => "side $this->side",
            $this->node !== null => "$this->part $this->node",
            $this->face !== null => "$this->part face $this->face",
            $this->copper !== null => $this->copper === 'barrels' ? "$this->part barrels" : "$this->part $this->copper layers",
            $this->net !== null => "$this->part net $this->net",
            default => (string) $this->part,
        };
    }
}
