<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Units\Parameters;
use Foehn\Units\UnitException;

/** Reads the named values of a model. */
final class ParametersReader
{
    public static function read(mixed $given, Problems $problems): Parameters
    {
        $formulas = [];
        if (! is_array($given) || ($given !== [] && array_is_list($given))) {
            $problems->add('/parameters', sprintf('an object { } of named values is expected, not %s', Reader::show($given)));
            $given = [];
        }
        if (count($given) > Parameters::MOST) {
            $problems->add('/parameters', sprintf('%d parameters are given; at most %d can be read', count($given), Parameters::MOST));
            $given = [];
        }
        foreach ($given as $name => $entry) {
            $pointer = '/parameters/' . Reader::escaped((string) $name);
            $problem = Parameters::nameProblem((string) $name);
            if ($problem !== null) {
                $problems->add($pointer, $problem);
            }
            $value = is_array($entry) ? ($entry['value'] ?? null) : $entry;
            foreach (is_array($entry) ? array_diff(array_keys($entry), ['value', 'note']) : [] as $unknown) {
                $problems->add("$pointer/" . Reader::escaped((string) $unknown), sprintf('unknown field "%s"; known here: value, note', $unknown));
            }
            if (! is_string($value) && ! is_int($value) && ! (is_float($value) && is_finite($value))) {
                $problems->add($pointer, sprintf('a value such as "30 mm" is expected, not %s', Reader::show($value)));
                $value = 1.0;
            }
            $formulas[(string) $name] = $value;
        }
        $parameters = new Parameters($formulas);
        foreach (array_keys($formulas) as $name) {
            try {
                $parameters->get((string) $name);
            } catch (UnitException $e) {
                $problems->add('/parameters/' . Reader::escaped((string) $name), $e->getMessage());
            }
        }

        return $parameters;
    }
}
