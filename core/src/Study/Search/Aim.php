<?php

declare(strict_types=1);

namespace Foehn\Study\Search;

use Foehn\Model\ModelException;
use Foehn\Units\Parameters;
use Foehn\Units\Quantity;
use Foehn\Units\UnitException;

/** Something a search is to make as small or as great as it can: the worst margin, what a limit or watch reads, the mass, or a formula of the parameters. */
final readonly class Aim
{
    public const KINDS = ['margin', 'reading', 'formula'];

    /**
     * @param string $kind one of KINDS
     * @param string $of id of what is read, or the formula; empty for the margin
     * @param string $unit SI, of a formula; empty otherwise
     */
    private function __construct(public string $kind, public string $of, public bool $most, public string $unit)
    {
    }

    /**
     * @param array<mixed> $given {kind, of, most}
     * @param list<string> $readings ids of what a run of the model reads
     * @throws ModelException
     */
    public static function read(array $given, array $readings, Parameters $parameters): self
    {
        $kind = is_string($given['kind'] ?? null) ? $given['kind'] : '';
        $of = is_string($given['of'] ?? null) ? trim($given['of']) : '';
        if (! in_array($kind, self::KINDS, true)) {
            throw ModelException::at('', sprintf('"%s" is no aim; known are %s', $kind, implode(', ', self::KINDS)));
        }
        if ($kind === 'reading' && ! in_array($of, $readings, true)) {
            throw ModelException::at('', sprintf('an aim names "%s", which the model has no limit or watch for; it has %s', $of, implode(', ', $readings)));
        }

        return new self($kind, $kind === 'margin' ? '' : $of, ($given['most'] ?? $kind === 'margin') === true, $kind === 'formula' ? self::evaluated($of, $parameters)->dimension->unit() : '');
    }

    /**
     * What it is at a point, SI units; null where that is not known.
     *
     * @param array<string, float> $margins K, by limit
     * @param array<string, float> $values SI units, by limit and watch
     * @throws ModelException when the formula cannot be evaluated
     */
    public function value(array $margins, array $values, Parameters $parameters): ?float
    {
        return match ($this->kind) {
            'margin' => $margins === [] ? null : min($margins),
            'reading' => $values[$this->of] ?? null,
            default => self::evaluated($this->of, $parameters)->value,
        };
    }

    /** The same as something that is better the smaller it is. */
    public function cost(float $value): float
    {
        return $this->most ? -$value : $value;
    }

    private static function evaluated(string $formula, Parameters $parameters): Quantity
    {
        try {
            return $parameters->evaluate($formula);
        } catch (UnitException $e) {
            throw ModelException::at('', sprintf('the formula "%s" of an aim: %s', $formula, $e->getMessage()));
        }
    }
}
