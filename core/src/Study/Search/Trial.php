<?php

declare(strict_types=1);

namespace Foehn\Study\Search;

/** A point that a search has asked for, and what its run reads. */
final readonly class Trial
{
    /**
     * @param list<string> $texts of the varied parameters as they are written into the model
     * @param list<float> $numbers the same in SI units
     * @param ?array<string, float> $margins K, by limit; null where the run gave no answer
     * @param array<string, float> $values SI units, by limit and watch
     */
    private function __construct(public array $texts, public array $numbers, public ?array $margins, public array $values)
    {
    }

    /**
     * @param list<string> $texts
     * @param list<float> $numbers
     * @param ?list<array<string, mixed>> $readings rows with id, value and margin; null where the run gave no answer
     */
    public static function of(array $texts, array $numbers, ?array $readings): self
    {
        $margins = $values = [];
        foreach ($readings ?? [] as ['id' => $id, 'value' => $value, 'margin' => $margin]) {
            assert(is_string($id));
            if (is_float($value) || is_int($value)) {
                $values[$id] = (float) $value;
            }
            if (is_float($margin) || is_int($margin)) {
                $margins[$id] = (float) $margin;
            }
        }

        return new self($texts, $numbers, $readings === null ? null : $margins, $values);
    }
}
