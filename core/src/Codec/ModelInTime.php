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

    /** @var array<int, float> of fans whose speed is switched: the present one as a share of full speed, by their part */
    private array $speeds = [];

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
        [$model, $loads] = [$this->start, ''];
        if ($this->moves) {
            $clock = new Clock($time, $before);
            [$model, $loads] = [ModelCodec::fromDocument($this->document, $clock), $clock->signature()];
        }

        return $this->speeds === [] ? [$model, $loads] : [$model->withSpeeds($this->speeds), $loads . json_encode($this->speeds, JSON_THROW_ON_ERROR)];
    }

    /** From now on a fan runs at this share of its full speed. */
    public function run(int $part, float $speed): void
    {
        $this->speeds[$part] = $speed;
    }

    /** Whether any load follows the time. */
    public function moves(): bool
    {
        return $this->moves;
    }
}
