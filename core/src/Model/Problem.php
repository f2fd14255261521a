<?php

declare(strict_types=1);

namespace Foehn\Model;

/** One thing wrong with a model document: where (JSON pointer) and a plain sentence with what was given and what would be right. */
final readonly class Problem
{
    public function __construct(public string $pointer, public string $message)
    {
    }

    /** @return array{pointer: string, message: string} */
    public function toArray(): array
    {
        return ['pointer' => $this->pointer, 'message' => $this->message];
    }
}
