<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\Dimension;

/** Where current enters or leaves at a face of a part: a current spread evenly over the face, or a voltage of all of it. */
final readonly class ElectricCondition
{
    public const KINDS = ['current', 'voltage', 'ground'];

    /**
     * @param string $kind one of KINDS
     * @param float $value A into the part for a current, V for a voltage, 0 for ground
     */
    public function __construct(public string $kind, public float $value)
    {
    }

    public function fixesVoltage(): bool
    {
        return $this->kind !== 'current';
    }

    public static function read(Reader $reader): self
    {
        $kind = $reader->oneOf('kind', self::KINDS);
        $value = match ($kind) {
            'current' => $reader->quantity('current', Dimension::current()),
            'voltage' => $reader->quantity('voltage', Dimension::voltage()),
            default => 0.0,
        };
        $reader->close();

        return new self($kind, $value);
    }
}
