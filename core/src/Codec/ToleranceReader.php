<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\ModelException;
use Foehn\Model\Tolerance;
use Foehn\Units\Dimension;
use Foehn\Units\Parameters;
use Foehn\Units\Quantity;
use Foehn\Units\UnitException;

/** Reads the tolerances of a model: of its parameters, and of fields of the document. */
final class ToleranceReader
{
    public const MOST = 60;

    private const PLAIN = '/^\s*[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?\s*(.*?)\s*$/';

    public function __construct(private readonly GivenValues $given, private readonly Parameters $parameters)
    {
    }

    public function read(Reader $reader): ?Tolerance
    {
        $of = $reader->string('of');
        $by = $reader->string('by');
        $distribution = $reader->oneOf('distribution', Tolerance::DISTRIBUTIONS, 'uniform');
        $reader->close();
        if ($of === '' || $by === '') {
            return null;
        }
        try {
            return $this->tolerance($of, $by, $distribution);
        } catch (ModelException $e) {
            $reader->problem('of', $e->problems[0]->message);
        } catch (UnitException $e) {
            $reader->problem('by', $e->getMessage());
        }

        return null;
    }

    private function tolerance(string $of, string $by, string $distribution): Tolerance
    {
        $given = $this->given->at($of) ?? throw ModelException::at('', sprintf('a tolerance of "%s" is given, but no single value stands there; give it one first', $of));
        $nominal = $this->parameters->evaluate($given);
        $half = $this->half($by, $nominal);
        if ($half <= 0.0) {
            throw new UnitException(sprintf('a tolerance of "%s" is given; it has to be more than nothing, such as "10 %%"', $by));
        }
        $unit = is_string($given) && preg_match(self::PLAIN, $given, $found) === 1 ? $found[1] : $nominal->dimension->unit();
        $in = fn (float $number): float => $this->parameters->evaluate(trim("$number $unit"))->value;

        return new Tolerance($of, $nominal->value, $half, $distribution, $unit, $in(1.0), $in(0.0));
    }

    private function half(string $by, Quantity $nominal): float
    {
        if (str_ends_with(trim($by), '%')) {
            if ($nominal->dimension->equals(Dimension::temperature())) {
                throw new UnitException(sprintf('"%s" of a temperature depends on where it counts from; give the tolerance in kelvin, such as "5 K"', $by));
            }

            return abs($nominal->value) * $this->parameters->evaluate($by)->value;
        }
        $half = $this->parameters->evaluate($by);
        if (! $half->dimension->equals($nominal->dimension)) {
            throw new UnitException(sprintf('"%s" is %s, but what it is a tolerance of is %s', $by, $half->dimension->describe(), $nominal->dimension->describe()));
        }

        return $half->value;
    }
}
