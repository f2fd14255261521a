<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Units\Clock;

/** A model whose loads follow the time: the same document read at any moment. */
final class ModelInTime
{
    /** At 0 s, where a jump at that moment has been made. */
    public readonly Model $start;

    /** @var list<float> s after 0, at which a load jumps or bends */
    public readonly array $edges;

    private readonly bool $moves;

    /**
     * @param array<array-key, mixed> $document
     * @param float $until s, up to which edges are found; 0: to the end that the document states
     * @throws ModelException
     */
    public function __construct(private readonly array $document, float $until = 0.0)
    {
        $end = $until > 0.0 ? $until : (ModelCodec::fromDocument($document)->time->end ?? 0.0);
        $clock = new Clock(until: $end);
        $this->start = ModelCodec::fromDocument($document, $clock);
        [$this->edges, $this->moves] = [$clock->edges(), $clock->moves()];
    }

    /**
     * @param float $time s
     * @param bool $before whether loads that jump at this moment are as they were before
     * @return array{Model, string} and a text that is the same at two moments with the same loads
     * @throws ModelException where a formula has no value at this moment
     */
    public function at(float $time, bool $before = false): array
    {
        if (! $this->moves) {
            return [$this->start, ''];
        }
        $clock = new Clock($time, $before);
        $model = ModelCodec::fromDocument($this->document, $clock);

        return [$model, $clock->signature()];
    }

    /** Whether any load follows the time. */
    public function moves(): bool
    {
        return $this->moves;
    }
}
