<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\ModelException;
use Foehn\Units\Parameters;
use stdClass;

/** What a document gives parameters and fields, as it is written. */
final class GivenValues
{
    private ?stdClass $objects = null;

    /** @param array<mixed> $document */
    public function __construct(private readonly array $document, private readonly Parameters $parameters)
    {
    }

    /**
     * @param string $of name of a parameter, or a place (see DocumentField)
     * @return string|float|int|null null where nothing stands at a place, or no single value
     * @throws ModelException where there is no such parameter or part
     */
    public function at(string $of): string|float|int|null
    {
        if (! DocumentField::is($of)) {
            $entry = is_array($this->document['parameters'] ?? null) ? $this->document['parameters'][$of] ?? null : null;
            $entry = is_array($entry) ? $entry['value'] ?? null : $entry;

            return $this->parameters->get($of) === null ? throw ModelException::at('', sprintf('"%s" is given, but the model has no parameter of this name', $of)) : $this->single($entry) ?? $of;
        }
        if ($this->objects === null) {
            $objects = json_decode(json_encode($this->document, JSON_THROW_ON_ERROR));
            $this->objects = $objects instanceof stdClass ? $objects : new stdClass();
        }

        return $this->single(DocumentField::read($this->objects, $of));
    }

    private function single(mixed $value): string|float|int|null
    {
        return is_string($value) || is_float($value) || is_int($value) ? $value : null;
    }
}
