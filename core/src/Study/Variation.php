<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Codec\DocumentField;
use Foehn\Model\ModelException;
use Foehn\Units\Parameters;
use Foehn\Units\Quantity;
use Foehn\Units\UnitException;

/** A named parameter of a model, or a field of a part, and the values it is to take: a list ("20 mm, 25 mm") or a range with a count ("20 mm .. 40 mm : 5"). */
final readonly class Variation
{
    public const MOST = 10_000;

    private const NUMBER = '/^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*(.*?)\s*$/';

    /**
     * @param non-empty-list<string> $texts values as they are written into the model, in their order
     * @param non-empty-list<float> $values the same in SI units
     * @param ?array{float, float, string} $range ends as numbers, and the unit of both; null for a list
     */
    private function __construct(public string $name, public array $texts, public array $values, private ?array $range)
    {
    }

    /**
     * @param string $name of a parameter of the model, or a place (see DocumentField)
     * @param Parameters $parameters of the model
     * @param string|float|int|null $present what stands at a place now; null where its unit is not known from that
     * @throws ModelException that says what was given and what would be right
     */
    public static function read(string $name, string $text, Parameters $parameters, string|float|int|null $present = null): self
    {
        $now = DocumentField::is($name) ? ($present === null ? null : self::evaluated($name, $present, $parameters)) : self::evaluated($name, $name, $parameters);
        if (trim($text) === '') {
            throw self::problem($name, 'no values are given; write a list such as "20 mm, 25 mm" or a range such as "20 mm .. 40 mm : 5"');
        }
        [$texts, $range] = str_contains($text, '..') ? self::range($name, $text) : [array_values(array_filter(array_map(trim(...), preg_split('/[,;\n]/', $text) ?: []), fn (string $one) => $one !== '')), null];
        if ($texts === []) {
            throw self::problem($name, sprintf('"%s" has no values in it', trim($text)));
        }
        $values = [];
        foreach ($texts as $one) {
            $value = self::evaluated($name, $one, $parameters);
            if ($now !== null && ! $value->dimension->equals($now->dimension)) {
                throw self::problem($name, sprintf('"%s" is %s, but the parameter is %s', $one, $value->dimension->describe(), $now->dimension->describe()));
            }
            $values[] = $value->value;
        }

        return new self($name, $texts, $values, $range);
    }

    /** The value a share (0 to 1) of the way through it: anywhere in a range, one of a list. */
    public function at(float $share): string
    {
        if ($this->range === null) {
            return $this->texts[min(count($this->texts) - 1, (int) floor($share * count($this->texts)))];
        }
        [$from, $to, $unit] = $this->range;

        return self::written($from + $share * ($to - $from), $unit);
    }

    /** The value at a place between the least and the greatest (0 to 1), written with few digits; of a list the nearest one. */
    public function nearest(float $share): string
    {
        if ($this->range === null) {
            return $this->texts[$this->closest($share)];
        }
        [$from, $to, $unit] = $this->range;

        return trim(sprintf('%.6g %s', $from + $share * ($to - $from), $unit));
    }

    /** The same in SI units. */
    public function number(float $share): float
    {
        return $this->range === null ? $this->values[$this->closest($share)] : $this->values[0] + $share * ($this->values[count($this->values) - 1] - $this->values[0]);
    }

    /** Where a value in SI units lies: between the ends of a range, or between the least and the greatest of a list. */
    public function share(float $number): float
    {
        [$from, $to] = $this->range === null ? [min($this->values), max($this->values)] : [$this->values[0], $this->values[count($this->values) - 1]];

        return $from === $to ? 0.0 : ($number - $from) / ($to - $from);
    }

    private function closest(float $share): int
    {
        $apart = array_map(fn (float $value): float => abs($this->share($value) - $share), $this->values);

        return (int) array_search(min($apart), $apart, true);
    }

    /**
     * @return array{non-empty-list<string>, array{float, float, string}}
     * @throws ModelException
     */
    private static function range(string $name, string $text): array
    {
        $wrong = fn (): ModelException => self::problem($name, sprintf('"%s" is no range; write it as "20 mm .. 40 mm : 5", with one unit and the number of values', trim($text)));
        [$ends, $count] = [...explode(':', $text), ''];
        $parts = explode('..', $ends);
        if (count($parts) !== 2 || ! preg_match(self::NUMBER, $parts[0], $from) || ! preg_match(self::NUMBER, $parts[1], $to) || (trim($count) !== '' && ! ctype_digit(trim($count)))) {
            throw $wrong();
        }
        $unit = $to[2] === '' ? $from[2] : $to[2];
        if ($from[2] !== '' && $from[2] !== $unit) {
            throw self::problem($name, sprintf('the ends of "%s" have different units; give both in one', trim($text)));
        }
        $steps = trim($count) === '' ? 5 : (int) trim($count);
        if ($steps < 2 || $steps > self::MOST) {
            throw self::problem($name, sprintf('a range has 2 to %d values, not %d', self::MOST, $steps));
        }
        [$low, $high] = [(float) $from[1], (float) $to[1]];
        $texts = array_map(fn (int $n): string => self::written($low + ($high - $low) * $n / ($steps - 1), $unit), range(0, $steps - 1));

        return [$texts, [$low, $high, $unit]];
    }

    private static function written(float $number, string $unit): string
    {
        return trim(sprintf('%.10g %s', $number, $unit));
    }

    private static function evaluated(string $name, string|float|int $formula, Parameters $parameters): Quantity
    {
        try {
            return $formula === $name ? $parameters->get($name) ?? throw self::problem($name, 'the model has no parameter of this name') : $parameters->evaluate($formula);
        } catch (UnitException $e) {
            throw self::problem($name, sprintf('"%s": %s', $formula, $e->getMessage()));
        }
    }

    private static function problem(string $name, string $message): ModelException
    {
        return ModelException::at(DocumentField::is($name) ? '' : "/parameters/$name", $message);
    }
}
