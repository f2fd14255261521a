<?php

declare(strict_types=1);

namespace Foehn\Units;

/** Named values of a model, each a formula that may use the others; evaluated on demand, cycles found. */
final class Parameters
{
    /** Parameters that can be read, and those in a chain in which each needs the next. */
    public const MOST = 2000;

    private const DEEPEST = 200;

    /** @var array<string, Quantity> */
    private array $values = [];

    /** @var list<string> names being evaluated, outermost first */
    private array $path = [];

    /**
     * @param array<string, string|float|int> $formulas
     * @param ?Clock $clock gives the name t, where the time may be read and no parameter is called so
     */
    public function __construct(private readonly array $formulas, private readonly ?Clock $clock = null)
    {
    }

    /** The same values where the time may be read as well. */
    public function during(Clock $clock): self
    {
        return new self($this->formulas, $clock);
    }

    public static function nameProblem(string $name): ?string
    {
        if (! preg_match('/^[A-Za-z_][A-Za-z0-9_]{0,63}$/', $name)) {
            return 'a parameter name consists of letters, digits and _ and starts with a letter';
        }
        if (UnitTable::isUnit($name) || in_array($name, ['x', 'y', 'z', 'pi'], true)) {
            return sprintf('"%s" is a unit or a reserved name; choose another', $name);
        }

        return null;
    }

    public function get(string $name): ?Quantity
    {
        if (! array_key_exists($name, $this->formulas)) {
            return $name === 't' ? $this->clock?->read() : null;
        }
        if (isset($this->values[$name])) {
            return $this->values[$name];
        }
        if (in_array($name, $this->path, true)) {
            throw new UnitException('the parameters refer to each other in a circle: ' . implode(' → ', [...$this->path, $name]));
        }
        if (count($this->path) >= self::DEEPEST) {
            throw new UnitException(sprintf('more than %d parameters refer to each other in a chain from "%s" on', self::DEEPEST, $this->path[0]));
        }
        $this->path[] = $name;
        try {
            return $this->values[$name] = $this->evaluate($this->formulas[$name]);
        } finally {
            array_pop($this->path);
        }
    }

    public function evaluate(string|float|int $given): Quantity
    {
        return is_string($given) ? (new Formula($given))->evaluate($this->get(...)) : Quantity::number((float) $given);
    }
}
