<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\PropertyLaw;

/** Watts of a part beside those given: points joined by straight lines, constant outside them, against its own temperature or a current. */
final readonly class LossTable
{
    /**
     * @param PropertyLaw $law W against K, or against A
     * @param ?array{part: string, face: string} $current the terminal whose current counts, without its sign; null: against the mean temperature of the part, of a package its junction
     */
    public function __construct(public PropertyLaw $law, public ?array $current = null)
    {
    }

    /**
     * Of a linked copy: against the current of the copy of its number, where there is one.
     *
     * @param string $copy its mark and number behind the id; empty for the original
     * @param array<string, mixed> $parts by id
     */
    public function ofCopy(string $copy, array $parts): self
    {
        $part = ($this->current['part'] ?? '') . $copy;

        return $this->current !== null && isset($parts[$part]) ? new self($this->law, ['part' => $part, 'face' => $this->current['face']]) : $this;
    }
}
