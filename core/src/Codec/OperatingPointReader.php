<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\ModelException;
use Foehn\Model\OperatingPoint;
use Foehn\Units\Parameters;
use Foehn\Units\UnitException;

/** Reads the operating points of a model: a name, and the values that its parameters and fields take there. */
final class OperatingPointReader
{
    public const MOST = 20;

    /** @var array<string, true> */
    private array $names = [];

    public function __construct(private readonly GivenValues $given, private readonly Parameters $parameters)
    {
    }

    public function read(Reader $reader): ?OperatingPoint
    {
        $name = trim($reader->string('name'));
        $given = $reader->raw('values');
        $reader->close();
        if ($name === '') {
            return null;
        }
        if (isset($this->names[$name])) {
            $reader->problem('name', sprintf('two operating points are called "%s"; give each a name of its own', $name));
        }
        $this->names[$name] = true;
        if (! is_array($given) || $given === [] || array_is_list($given)) {
            $reader->problem('values', 'an object { } of values by the names of parameters is expected, such as {"current": "15 A"}');

            return null;
        }
        $values = [];
        foreach ($given as $of => $value) {
            try {
                $values[(string) $of] = $this->value((string) $of, $value);
            } catch (ModelException $e) {
                $reader->problem('values', $e->problems[0]->message);
            } catch (UnitException $e) {
                $reader->problem('values', sprintf('"%s": %s', $of, $e->getMessage()));
            }
        }

        return $values === [] ? null : new OperatingPoint($name, $values);
    }

    /**
     * @throws ModelException
     * @throws UnitException
     */
    private function value(string $of, mixed $value): string
    {
        if (! is_string($value) && ! is_int($value) && ! (is_float($value) && is_finite($value))) {
            throw ModelException::at('', sprintf('"%s": a value such as "15 A" is expected, not %s', $of, Reader::show($value)));
        }
        $given = $this->given->at($of);
        $now = $given === null ? null : $this->parameters->evaluate($given);
        $there = $this->parameters->evaluate($value);
        if ($now !== null && ! $there->dimension->equals($now->dimension)) {
            throw ModelException::at('', sprintf('"%s" is given as "%s", which is %s; what stands in the model is %s', $of, $value, $there->dimension->describe(), $now->dimension->describe()));
        }

        return is_string($value) ? $value : (string) json_encode($value, JSON_PRESERVE_ZERO_FRACTION);
    }
}
