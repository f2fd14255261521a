<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Schedule;
use Foehn\Units\Clock;
use Foehn\Units\Dimension;
use Foehn\Units\Formula;
use Foehn\Units\Parameters;
use Foehn\Units\ScalarField;
use Foehn\Units\UnitException;

/**
 * Reads one JSON object field by field and notes every problem with its pointer instead of stopping at the first.
 * A field never asked for is reported by close(), so that a typo is never ignored.
 */
final class Reader
{
    /** K, far beyond what the laws of materials here are good for. */
    private const HOTTEST = 1e5;

    /** @var array<string, true> */
    private array $known = [];

    /** @param array<array-key, mixed> $data */
    public function __construct(
        private readonly array $data,
        public readonly string $pointer,
        private readonly Problems $problems,
        private readonly Parameters $parameters,
        private readonly Clock $clock = new Clock(),
    ) {
        if ($data !== [] && array_is_list($data)) {
            $this->problem('', sprintf('an object { } is expected here, not %s', Reader::show($data)));
        }
    }

    public function has(string $key): bool
    {
        $this->known[$key] = true;

        return ($this->data[$key] ?? null) !== null;
    }

    public function raw(string $key): mixed
    {
        $this->known[$key] = true;

        return $this->data[$key] ?? null;
    }

    public function problem(string $key, string $message): void
    {
        $this->problems->add($this->path($key), $message);
    }

    public function path(string $key): string
    {
        return $key === '' ? $this->pointer : $this->pointer . '/' . $key;
    }

    public function string(string $key, ?string $default = null): string
    {
        $value = $this->raw($key);
        if (is_string($value) && trim($value) !== '' && strlen($value) <= 200) {
            return $value;
        }
        if ($value === null && $default !== null) {
            return $default;
        }
        $this->problem($key, $value === null ? 'a text is missing here' : sprintf('a text of 1 to 200 characters is expected, not %s', self::show($value)));

        return $default ?? '';
    }

    public function bool(string $key, bool $default): bool
    {
        $value = $this->raw($key) ?? $default;
        if (! is_bool($value)) {
            $this->problem($key, sprintf('true or false is expected, not %s', self::show($value)));
        }

        return $value === true;
    }

    public function int(string $key, int $min, int $max, ?int $default = null): int
    {
        $value = $this->raw($key) ?? $default;
        if (is_string($value)) {
            $value = $this->evaluate($key, $value, Dimension::none()) ?? $default;
            $value = is_float($value) && $value === round($value) && abs($value) < 1e15 ? (int) $value : $value;
        }
        if (! is_int($value) || $value < $min || $value > $max) {
            $this->problem($key, sprintf('a whole number from %d to %d is expected, not %s', $min, $max, self::show($value)));

            return $default ?? $min;
        }

        return $value;
    }

    /** @param list<string> $allowed */
    public function oneOf(string $key, array $allowed, ?string $default = null): string
    {
        $value = $this->raw($key) ?? $default;
        if (! is_string($value) || ! in_array($value, $allowed, true)) {
            $this->problem($key, sprintf('one of %s is expected, not %s', implode(', ', array_map(fn ($a) => "\"$a\"", $allowed)), self::show($value)));

            return $default ?? $allowed[0];
        }

        return $value;
    }

    /** A quantity in SI units. Null default means the field is required. */
    public function quantity(string $key, Dimension $dimension, ?float $default = null, ?float $min = null, bool $aboveMin = false): float
    {
        $value = $this->raw($key);
        if ($value === null) {
            if ($default === null) {
                $this->problem($key, sprintf('%s is missing here', $dimension->describe()));
            }

            return $default ?? 1.0;
        }

        return $this->inRange($key, $this->evaluate($key, $value, $dimension), $min, $aboveMin) ?? $default ?? 1.0;
    }

    public function optionalQuantity(string $key, Dimension $dimension): ?float
    {
        return $this->has($key) ? $this->evaluate($key, $this->raw($key), $dimension) : null;
    }

    /** An absolute temperature in kelvin. */
    public function temperature(string $key, ?float $default = null): float
    {
        return $this->possible($key, $this->quantity($key, Dimension::temperature(), $default));
    }

    private function possible(string $key, float $kelvin): float
    {
        if ($kelvin < 0.0) {
            $this->problem($key, sprintf('%s is given, %g K; no temperature is below absolute zero, 0 K or -273.15 degC', json_encode($this->raw($key)), $kelvin));
        } elseif ($kelvin > self::HOTTEST) {
            $this->problem($key, sprintf('%s is given, %g K; at most %g K can be computed', json_encode($this->raw($key)), $kelvin, self::HOTTEST));
        }

        return $kelvin;
    }

    /** A load at the moment of the clock: a quantity, a formula of the time t, or a schedule. Null default means the field is required. */
    public function load(string $key, Dimension $dimension, ?float $default = null, ?float $min = null): float
    {
        $value = $this->raw($key);
        if (is_array($value) && ! array_is_list($value)) {
            $schedule = ScheduleReader::read($this->object($key), $dimension, $min);

            return $schedule === null ? $default ?? 1.0 : $this->scheduled($key, $schedule);
        }
        if (! is_string($value)) {
            return $this->quantity($key, $dimension, $default, $min);
        }

        return $this->inRange($key, $this->evaluate($key, $value, $dimension, $this->parameters->during($this->clock)), $min, false) ?? $default ?? 1.0;
    }

    private function scheduled(string $key, Schedule $schedule): float
    {
        $edges = $schedule->edges($this->clock->until);
        if (count($edges) > Schedule::MOST_EDGES) {
            $this->problem($key, sprintf('up to %g s it changes more than %d times; take an earlier end', $this->clock->until, Schedule::MOST_EDGES));
            $edges = [];
        }
        $value = $schedule->at($this->clock->time, $this->clock->before);
        $this->clock->note($edges, $value);

        return $value;
    }

    /** An absolute temperature in kelvin at the moment of the clock. */
    public function temperatureLoad(string $key, ?float $default = null): float
    {
        return $this->possible($key, $this->load($key, Dimension::temperature(), $default));
    }

    /** A load that may be a formula of the place x, y, z and of the time t, or a schedule. */
    public function field(string $key, Dimension $dimension): ScalarField
    {
        return $this->fieldOf($key, $this->raw($key), $dimension) ?? ScalarField::constant($this->load($key, $dimension));
    }

    /**
     * A vector whose components may be formulas of the place.
     *
     * @return array{ScalarField, ScalarField, ScalarField}
     */
    public function fields(string $key, Dimension $dimension): array
    {
        $value = $this->raw($key);
        if (! is_array($value) || count($value) !== 3 || ! array_is_list($value)) {
            $value = $this->vector($key, $dimension, 3);
        }
        $component = fn (int $axis): ScalarField => $this->fieldOf("$key/$axis", $value[$axis], $dimension) ?? ScalarField::constant($this->element("$key/$axis", $value[$axis], $dimension));

        return [$component(0), $component(1), $component(2)];
    }

    /** A value that is a formula of the place, or that is no formula at all; null where it is a number like any other. */
    private function fieldOf(string $key, mixed $value, Dimension $dimension): ?ScalarField
    {
        if (is_string($value)) {
            try {
                $formula = new Formula($value);
                if (array_intersect($formula->names(), ['x', 'y', 'z']) !== []) {
                    $field = ScalarField::formula($formula, $this->parameters->during($this->clock));
                    $found = $field->quantityAt(1e-3, 1e-3, 1e-3)->dimension;
                    if (! $found->equals($dimension)) {
                        $this->wrongDimension($key, $value, $found, $dimension);
                    }

                    return $field;
                }
            } catch (UnitException $e) {
                $this->problem($key, $e->getMessage());

                return ScalarField::constant(1.0);
            }
        }

        return null;
    }

    /**
     * @param ($length is 3 ? array{float, float, float}|null : list<float>|null) $default
     * @return ($length is 3 ? array{float, float, float} : ($length is 2 ? array{float, float} : list<float>))
     */
    public function vector(string $key, Dimension $dimension, int $length, ?array $default = null): array
    {
        $value = $this->raw($key);
        if ($value === null && $default !== null) {
            return $default;
        }
        if (! is_array($value) || ! array_is_list($value) || count($value) !== $length) {
            $this->problem($key, sprintf('a list of %d values is expected, each %s, not %s', $length, $dimension->describe(), self::show($value)));

            return $default ?? array_fill(0, $length, 1.0);
        }
        $vector = [];
        foreach ($value as $i => $element) {
            $vector[] = $this->element("$key/$i", $element, $dimension);
        }

        return $vector;
    }

    /** One element of a list, in SI units. */
    public function element(string $key, mixed $value, Dimension $dimension): float
    {
        return $this->evaluate($key, $value, $dimension) ?? 1.0;
    }

    /** A nested object; an empty one where the field is missing and not required. */
    public function object(string $key, bool $required = false): self
    {
        $value = $this->raw($key);
        if (! is_array($value)) {
            if ($value !== null || $required) {
                $this->problem($key, sprintf('an object { } is expected here, not %s', self::show($value)));
            }
            $value = [];
        }

        return new self($value, $this->path($key), $this->problems, $this->parameters, $this->clock);
    }

    /**
     * The same object with other values in some fields.
     *
     * @param array<string, mixed> $fields
     */
    public function with(array $fields): self
    {
        return new self([...$this->data, ...$fields], $this->pointer, $this->problems, $this->parameters, $this->clock);
    }

    /** @return array<string, self> readers of the named members of an object */
    public function members(string $key): array
    {
        $object = $this->object($key);
        $members = [];
        foreach (array_keys($object->data) as $name) {
            $members[(string) $name] = $object->member((string) $name);
        }

        return $members;
    }

    /** @return list<self> readers of the objects of a list */
    public function objects(string $key, int $max, string $what): array
    {
        $value = $this->raw($key) ?? [];
        if (! is_array($value) || ! array_is_list($value)) {
            $this->problem($key, sprintf('a list [ ] of %s is expected, not %s', $what, self::show($value)));

            return [];
        }
        if (count($value) > $max) {
            $this->problem($key, sprintf('%d %s are given; at most %d can be computed together', count($value), $what, $max));

            return [];
        }
        $readers = [];
        foreach ($value as $i => $element) {
            if (! is_array($element)) {
                $this->problem("$key/$i", sprintf('an object { } is expected here, not %s', self::show($element)));

                continue;
            }
            $readers[] = new self($element, $this->pointer . "/$key/$i", $this->problems, $this->parameters, $this->clock);
        }

        return $readers;
    }

    /** Reports every field that nobody asked for. */
    public function close(): void
    {
        foreach (array_keys($this->data) as $key) {
            if (! isset($this->known[$key])) {
                $this->problem(self::escaped((string) $key), sprintf('unknown field "%s"; known here: %s', $key, implode(', ', array_keys($this->known))));
            }
        }
    }

    /** A name as part of a JSON pointer (RFC 6901). */
    public static function escaped(string $name): string
    {
        return str_replace(['~', '/'], ['~0', '~1'], $name);
    }

    private function member(string $name): self
    {
        $value = $this->raw($name);
        $pointer = self::escaped($name);
        if (! is_array($value)) {
            $this->problem($pointer, sprintf('an object { } is expected here, not %s', self::show($value)));
            $value = [];
        }

        return new self($value, $this->path($pointer), $this->problems, $this->parameters, $this->clock);
    }

    public static function show(mixed $value): string
    {
        if (is_array($value)) {
            return array_is_list($value) ? sprintf('a list of %d', count($value)) : 'an object';
        }
        $text = is_string($value) ? '"' . $value . '"' : json_encode($value);

        return $value === null ? 'nothing' : mb_strimwidth((string) $text, 0, 60, '…');
    }

    private function evaluate(string $key, mixed $value, Dimension $dimension, ?Parameters $parameters = null): ?float
    {
        if (is_int($value) || is_float($value)) {
            if (is_finite((float) $value)) {
                return (float) $value;
            }
        }
        if (! is_string($value)) {
            $this->problem($key, sprintf('%s is expected, not %s', $dimension->describe(), self::show($value)));

            return null;
        }
        try {
            $quantity = ($parameters ?? $this->parameters)->evaluate($value);
        } catch (UnitException $e) {
            $this->problem($key, $e->getMessage());

            return null;
        }
        if (! $quantity->dimension->equals($dimension) && ! ($quantity->value === 0.0 && $quantity->dimension->isNone())) {
            $this->wrongDimension($key, $value, $quantity->dimension, $dimension);

            return null;
        }

        return $quantity->value;
    }

    private function wrongDimension(string $key, string $given, Dimension $found, Dimension $expected): void
    {
        $this->problem($key, sprintf('"%s" is %s, but here %s is expected', $given, $found->describe(), $expected->describe()));
    }

    private function inRange(string $key, ?float $value, ?float $min, bool $aboveMin): ?float
    {
        if ($value !== null && $min !== null && ($value < $min || ($aboveMin && $value <= $min))) {
            $this->problem($key, sprintf('%s is given; the value must be %s %s', self::show($this->data[$key]), $aboveMin ? 'above' : 'at least', $min));

            return null;
        }

        return $value;
    }
}
