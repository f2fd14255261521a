<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\ModelException;
use stdClass;

/**
 * A field of a model document by its name: "parts/ID/power" or "parts/ID/shape/speedFactor" of a part, "materials/ID/conductivity" of a
 * material, or "surroundings/temperature".
 */
final class DocumentField
{
    private const WHERE = ['parts', 'materials', 'surroundings'];

    /** Whether a name is that of a field, and not of a parameter. */
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
        $last = array_pop($path);
        $first = array_shift($path) ?? '';
        if (! in_array($first, self::WHERE, true) || $last === '' || ($first !== 'surroundings' && $path === [])) {
            throw ModelException::at('', sprintf('"%s" names no field of the model; write it as "parts/ID/field", "materials/ID/field" or "surroundings/field"', $name));
        }
        $holder = $outer = $document->{$first} ?? ($first === 'surroundings' ? $document->{$first} = new stdClass() : null);
        if ($first === 'parts') {
            $id = array_shift($path);
            $found = is_array($holder) ? array_values(array_filter($holder, fn (mixed $part) => $part instanceof stdClass && ($part->id ?? null) === $id)) : [];
            $holder = $outer = $found[0] ?? throw ModelException::at('', sprintf('"%s" names no field of a part: there is no part "%s"', $name, $id));
        }
        $within = '';
        foreach ($path as $step) {
            [$outer, $within] = [$holder instanceof stdClass ? $holder : $outer, $step];
            $holder = $holder instanceof stdClass ? $holder->{$step} ?? null : null;
            if (! $holder instanceof stdClass && ! is_array($holder)) {
                throw ModelException::at('', sprintf('"%s" names nothing: there is no "%s"', $name, $step));
            }
        }
        if (! $outer instanceof stdClass || (! $holder instanceof stdClass && ! is_array($holder))) {
            throw ModelException::at('', sprintf('"%s" names nothing of the model', $name));
        }

        return [$holder, $last, $outer, $within];
    }
}
