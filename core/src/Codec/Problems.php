<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\ModelException;
use Foehn\Model\Problem;

/** Collects problems while a document is read; after the first few hundred only counts. */
final class Problems
{
    private const KEPT = 200;

    /** @var list<Problem> */
    private array $list = [];

    /** @var array<string, true> */
    private array $seen = [];

    private int $more = 0;

    public function add(string $pointer, string $message): void
    {
        // A field that two readers look at is reported once.
        $key = "$pointer $message";
        if (isset($this->seen[$key])) {
            return;
        }
        $this->seen[$key] = true;
        if (count($this->list) < self::KEPT) {
            $this->list[] = new Problem($pointer, $message);
        } else {
            $this->more++;
        }
    }

    /** @throws ModelException when anything was noted */
    public function throwIfAny(): void
    {
        if ($this->list === []) {
            return;
        }
        throw new ModelException($this->more === 0 ? $this->list : [...$this->list, new Problem('', sprintf('and %d more problems', $this->more))]);
    }
}
