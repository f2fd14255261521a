<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\FoehnException;

/** A model document cannot be computed; carries every problem found. */
final class ModelException extends FoehnException
{
    /** @param non-empty-list<Problem> $problems */
    public function __construct(public readonly array $problems)
    {
        parent::__construct(implode("\n", array_map(
            fn (Problem $p) => ($p->pointer === '' ? '' : $p->pointer . ': ') . $p->message,
            $problems,
        )));
    }

    public static function at(string $pointer, string $message): self
    {
        return new self([new Problem($pointer, $message)]);
    }
}
