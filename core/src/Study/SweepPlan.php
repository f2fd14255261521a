<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Codec\DocumentField;
use Foehn\Codec\ModelCodec;
use Foehn\Codec\ParametersReader;
use Foehn\Codec\Problems;
use Foehn\Model\ModelException;
use Foehn\Numerics\LatinHypercube;
use Foehn\Numerics\RandomShares;
use Foehn\Units\Parameters;
use stdClass;

/** The points of a sweep: which values the varied parameters of a model take together. */
final readonly class SweepPlan
{
    public const MOST_POINTS = 10_000;

    /** Places within a slice of a Latin hypercube. */
    /**
     * @param list<string> $names of the varied parameters
     * @param list<list<string>> $points their values at each point, as they are written into the model
     * @param list<list<float>> $numbers the same in SI units
     */
    private function __construct(public array $names, public array $points, public array $numbers)
    {
    }

    /**
     * Every combination; the last parameter changes fastest.
     *
     * @param array<mixed> $document of the model
     * @param array<string, string> $variations values by the name of a parameter or a place (see Variation)
     * @throws ModelException
     */
    public static function grid(array $document, array $variations): self
    {
        $read = self::variations($document, $variations);
        $count = array_product(array_map(fn (Variation $variation) => count($variation->texts), $read));
        self::checkCount($count);
        $points = [[]];
        foreach ($read as $variation) {
            $points = array_merge(...array_map(fn (array $point) => array_map(fn (string $text) => [...$point, $text], $variation->texts), $points));
        }

        return self::of($document, array_keys($variations), $points);
    }

    /**
     * A Latin hypercube: each parameter takes a value in each of $count equal
     * slices of its range once, in an order of its own. The same seed gives the same points.
     *
     * @param array<mixed> $document of the model
     * @param array<string, string> $variations
     * @throws ModelException
     */
    public static function latin(array $document, array $variations, int $count, int $seed): self
    {
        self::checkCount($count);
        $random = new RandomShares($seed);
        $columns = [];
        foreach (self::variations($document, $variations) as $variation) {
            $columns[] = array_map($variation->at(...), LatinHypercube::shares($count, $random->randomizer, $random->next(...)));
        }

        return self::of($document, array_keys($variations), array_map(fn (int $n): array => array_column($columns, $n), range(0, $count - 1)));
    }

    /**
     * Builds of a design: what has a tolerance lies within it as its distribution says, spread over the builds as in a Latin hypercube; what is
     * to be at its worse end is at either.
     *
     * @param array<mixed> $document of the model
     * @throws ModelException
     */
    public static function builds(array $document, int $count, int $seed): self
    {
        self::checkCount($count);
        $tolerances = ModelCodec::fromDocument($document)->tolerances;
        if ($tolerances === []) {
            throw ModelException::at('', 'the model has no tolerances; give some first, such as watts ± 10 %');
        }
        $random = new RandomShares($seed);
        $texts = $numbers = [];
        foreach ($tolerances as $tolerance) {
            $quantiles = LatinHypercube::shares($count, $random->randomizer, $random->inner(...));
            $shares = array_map(fn (float $quantile): float => Builds::share($tolerance->distribution, $quantile) ?? ($quantile < 0.5 ? -1.0 : 1.0), $quantiles);
            $texts[] = array_map($tolerance->text(...), $shares);
            $numbers[] = array_map(fn (float $share): float => $tolerance->nominal + $share * $tolerance->half, $shares);
        }
        $points = range(0, $count - 1);

        return new self(
            array_column($tolerances, 'of'),
            array_map(fn (int $n): array => array_column($texts, $n), $points),
            array_map(fn (int $n): array => array_column($numbers, $n), $points),
        );
    }

    /**
     * The points of a table as it is pasted or comes from a file: names in the first line, a point in each further one; between them tabs,
     * semicolons or commas.
     *
     * @param array<mixed> $document of the model
     * @throws ModelException
     */
    public static function table(array $document, string $text): self
    {
        $lines = array_values(array_filter(preg_split('/\R/', $text) ?: [], fn (string $line) => trim($line) !== ''));
        $separator = array_values(array_filter(["\t", ';', ','], fn (string $one) => str_contains($lines[0] ?? '', $one)))[0] ?? "\t";
        $rows = array_map(fn (string $line) => array_map(fn (?string $cell): string => trim((string) $cell), str_getcsv($line, $separator, '"', '')), $lines);
        $names = array_shift($rows) ?? [];
        self::checkCount(count($rows));
        foreach ($rows as $n => $row) {
            if (count($row) !== count($names)) {
                throw ModelException::at('', sprintf('line %d of the table has %d values, its first line names %d parameters', $n + 2, count($row), count($names)));
            }
        }
        $variations = [];
        foreach ($names as $n => $name) {
            if (isset($variations[$name])) {
                throw ModelException::at('', sprintf('the table names "%s" twice', $name));
            }
            $variations[$name] = implode(';', array_column($rows, $n));
        }
        self::variations($document, $variations);

        return self::of($document, $names, $rows);
    }

    /** @return list<array{list<string>, list<float>}> the values of each point as they are written, and in SI units */
    public function pairs(): array
    {
        return array_map(fn (array $texts, int $n): array => [$texts, $this->numbers[$n]], $this->points, array_keys($this->points));
    }

    public function count(): int
    {
        return count($this->points);
    }

    /** @return array<string, string> the values at a point, by name */
    public function at(int $point): array
    {
        return array_combine($this->names, $this->points[$point]);
    }

    /**
     * The points that a point may start from, nearest first.
     *
     * @param list<int> $among
     * @return list<int>
     */
    public function nearest(int $point, array $among): array
    {
        return self::byDistance($this->numbers[$point], array_intersect_key($this->numbers, array_flip($among)));
    }

    /**
     * Points by their distance from a place, each value counted as a share of the range that all of them span.
     *
     * @param list<float> $from
     * @param array<int, list<float>> $points
     * @return list<int> keys of the points, the nearest first
     */
    public static function byDistance(array $from, array $points): array
    {
        $distances = array_fill_keys(array_keys($points), 0.0);
        foreach ($from as $axis => $value) {
            $values = [$value, ...array_column($points, $axis)];
            $span = max(1e-300, max($values) - min($values));
            foreach ($points as $key => $point) {
                $distances[$key] += (($point[$axis] - $value) / $span) ** 2;
            }
        }
        asort($distances);

        return array_keys($distances);
    }

    /**
     * The model of a point: the document with the parameters at these values, and everything else as it is.
     *
     * @param string $json the model document
     * @param array<string, string> $values
     * @throws ModelException
     */
    public static function modelAt(string $json, array $values): string
    {
        ModelCodec::parse($json);
        // Objects, so that an empty one stays an object.
        $document = json_decode($json);
        assert($document instanceof stdClass);
        $parameters = $document->parameters ?? null;
        $parameters = $parameters instanceof stdClass ? $parameters : new stdClass();
        foreach ($values as $name => $value) {
            if (DocumentField::is($name)) {
                DocumentField::write($document, $name, $value);

                continue;
            }
            $known = $parameters->{$name} ?? null;
            if ($known instanceof stdClass) {
                $known->value = $value;
            } else {
                $parameters->{$name} = $value;
            }
        }
        $document->parameters = $parameters;

        return json_encode($document, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }

    /**
     * @param array<mixed> $document
     * @param list<string> $names
     * @param list<list<string>> $points
     */
    private static function of(array $document, array $names, array $points): self
    {
        $parameters = self::parameters($document);

        return new self($names, $points, array_map(fn (array $point) => array_map(fn (string $text) => $parameters->evaluate($text)->value, $point), $points));
    }

    /**
     * @param array<mixed> $document
     * @param array<string, string> $variations
     * @return non-empty-list<Variation>
     * @throws ModelException
     */
    public static function variations(array $document, array $variations): array
    {
        if ($variations === []) {
            throw ModelException::at('', 'no parameter is varied; name one of the model with its values, such as "fin_height = 20 mm .. 40 mm : 5"');
        }
        $parameters = self::parameters($document);
        $objects = null;
        $read = [];
        foreach ($variations as $name => $values) {
            $now = null;
            if (DocumentField::is((string) $name)) {
                $objects ??= json_decode(json_encode($document, JSON_THROW_ON_ERROR));
                $now = $objects instanceof stdClass ? DocumentField::read($objects, (string) $name) : null;
            }
            $read[] = Variation::read((string) $name, $values, $parameters, is_string($now) || is_float($now) || is_int($now) ? $now : null);
        }

        return $read;
    }

    /** @param array<mixed> $document */
    private static function parameters(array $document): Parameters
    {
        return ParametersReader::read($document['parameters'] ?? [], new Problems());
    }

    private static function checkCount(int|float $count): void
    {
        if ($count < 1 || $count > self::MOST_POINTS) {
            throw ModelException::at('', sprintf('a sweep has 1 to %d points, not %d', self::MOST_POINTS, $count));
        }
    }
}
