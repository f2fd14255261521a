<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\ModelException;
use stdClass;

/** A field of a part as the name of what is varied, such as "parts/fan/shape/speedFactor": the id of the part, then the way into it. */
final class PartField
{
    /** Whether a name is that of a place, and not of a parameter. */
    public static function is(string $name): bool
    {
        return str_contains($name, '/');
    }

    /**
     * What stands there; null where the field is not given, and so has the value that it has by itself.
     *
     * @throws ModelException when there is no such part, or it has nothing of the kind
     */
    public static function read(stdClass $document, string $name): mixed
    {
        [$holder, $field] = self::holder($document, $name);

        return is_array($holder) ? $holder[(int) $field] ?? null : $holder->{$field} ?? null;
    }

    /** @throws ModelException */
    public static function write(stdClass $document, string $name, string $value): void
    {
        [$holder, $field, $outer, $within] = self::holder($document, $name);
        if (is_array($holder)) {
            $holder[(int) $field] = $value;
            $outer->{$within} = $holder;
        } else {
            $holder->{$field} = $value;
        }
    }

    /**
     * What holds the field.
     *
     * @return array{stdClass|array<mixed>, string, stdClass, string} the object or list with the name of the field in it, and the object that has the list
     */
    private static function holder(stdClass $document, string $name): array
    {
        $path = explode('/', $name);
        $parts = $document->parts ?? [];
        $found = is_array($parts) ? array_values(array_filter($parts, fn (mixed $part) => $part instanceof stdClass && ($part->id ?? null) === ($path[1] ?? ''))) : [];
        if ($path[0] !== 'parts' || count($path) < 3 || ! isset($found[0])) {
            throw ModelException::at('', sprintf('"%s" names no field of a part; write it as "parts/ID/field"', $name));
        }
        $holder = $outer = $found[0];
        $within = '';
        foreach (array_slice($path, 2, -1) as $step) {
            [$outer, $within] = [$holder instanceof stdClass ? $holder : $outer, $step];
            $holder = $holder instanceof stdClass ? $holder->{$step} ?? null : null;
            if (! $holder instanceof stdClass && ! is_array($holder)) {
                throw ModelException::at('', sprintf('"%s" names nothing: the part "%s" has no "%s"', $name, $path[1], $step));
            }
        }

        return [$holder, $path[count($path) - 1], $outer, $within];
    }
}
