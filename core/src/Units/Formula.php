<?php

declare(strict_types=1);

namespace Foehn\Units;

/**
 * A formula with units, named values and the usual functions, e.g. "fin_gap * 2 + 1 mm".
 *
 * A number directly before a unit binds tighter than any operator, so that "1 mm / 2 mm" is 0.5 and
 * "8 W/m^2/K" reads as everyone expects. Grammar: sum of products of powers.
 */
final class Formula
{
    private const FUNCTIONS = ['sqrt' => 1, 'abs' => 1, 'exp' => 1, 'log' => 1, 'sin' => 1, 'cos' => 1, 'tan' => 1, 'sinh' => 1, 'cosh' => 1, 'tanh' => 1, 'min' => 2, 'max' => 2];

    private const TOKEN = '~\s*(?:(?<number>\d+\.?\d*(?:[eE][+-]?\d+)?|\.\d+(?:[eE][+-]?\d+)?)|(?<name>°[CF]|[A-Za-zµ_][A-Za-z0-9_µ]*|%)|(?<op>[-+*/^(),]|·|²|³))~Au';

    /** @var list<array{string, string|float}> */
    private array $tokens = [];

    private int $next = 0;

    /** @var array<int, mixed> */
    private array $tree;

    /** @var array<string, true> */
    private array $names = [];

    public function __construct(public readonly string $text)
    {
        if (strlen($text) > 500) {
            throw new UnitException('a formula may have at most 500 characters');
        }
        $this->tokenise();
        if ($this->tokens === []) {
            throw new UnitException('nothing is given');
        }
        $this->tree = $this->sum();
        if ($this->next < count($this->tokens)) {
            throw new UnitException(sprintf('"%s" was not expected in "%s"', $this->tokens[$this->next][1], $this->text));
        }
    }

    /** @return list<string> names used that are neither units nor functions */
    public function names(): array
    {
        return array_keys($this->names);
    }

    /** @param callable(string): ?Quantity $lookup value of a name, null when unknown */
    public function evaluate(callable $lookup): Quantity
    {
        $result = $this->walk($this->tree, $lookup);
        if (! is_finite($result->value)) {
            throw new UnitException(sprintf('"%s" is not a finite number', $this->text));
        }

        return $result;
    }

    private function tokenise(): void
    {
        $offset = 0;
        $end = strlen(rtrim($this->text));
        while ($offset < $end) {
            if (! preg_match(self::TOKEN, $this->text, $m, PREG_UNMATCHED_AS_NULL, $offset)) {
                throw new UnitException(sprintf('"%s" cannot be read at "%s"', $this->text, mb_strcut($this->text, $offset, 12)));
            }
            $offset += strlen($m[0]);
            if ($m['number'] !== null) {
                $this->tokens[] = ['number', (float) $m['number']];
            } elseif ($m['name'] !== null) {
                $this->tokens[] = ['name', $m['name']];
            } else {
                match ($m['op']) {
                    '·' => $this->tokens[] = ['op', '*'],
                    '²' => array_push($this->tokens, ['op', '^'], ['number', 2.0]),
                    '³' => array_push($this->tokens, ['op', '^'], ['number', 3.0]),
                    default => $this->tokens[] = ['op', (string) $m['op']],
                };
            }
        }
    }

    private function takeOp(string ...$ops): ?string
    {
        $token = $this->tokens[$this->next] ?? null;
        if ($token !== null && $token[0] === 'op' && in_array($token[1], $ops, true)) {
            $this->next++;

            return (string) $token[1];
        }

        return null;
    }

    /** @return array<int, mixed> */
    private function sum(): array
    {
        $left = $this->product();
        while (($op = $this->takeOp('+', '-')) !== null) {
            $left = [$op, $left, $this->product()];
        }

        return $left;
    }

    /** @return array<int, mixed> */
    private function product(): array
    {
        $left = $this->signed();
        while (($op = $this->takeOp('*', '/')) !== null) {
            $left = [$op, $left, $this->signed()];
        }

        return $left;
    }

    /** @return array<int, mixed> */
    private function signed(): array
    {
        if ($this->takeOp('+') !== null) {
            return $this->signed();
        }
        if ($this->takeOp('-') === null) {
            return $this->power();
        }
        // A sign belongs to the reading of a scale: "-20 degC" is 253.15 K.
        $token = $this->tokens[$this->next] ?? null;
        $after = $this->tokens[$this->next + 1] ?? null;
        if ($token !== null && $token[0] === 'number' && $after !== null && $after[0] === 'name' && UnitTable::isScale((string) $after[1])) {
            $this->next += 2;

            return ['value', UnitTable::onScale(-(float) $token[1], (string) $after[1])];
        }

        return ['negate', $this->signed()];
    }

    /** @return array<int, mixed> */
    private function power(): array
    {
        $base = $this->atom();
        if ($this->takeOp('^') !== null) {
            return ['^', $base, $this->signed()];
        }

        return $base;
    }

    /** @return array<int, mixed> */
    private function atom(): array
    {
        if ($this->takeOp('(') !== null) {
            $inner = $this->sum();
            $this->expect(')');

            return $inner;
        }
        $token = $this->tokens[$this->next] ?? throw new UnitException(sprintf('"%s" ends too early', $this->text));
        $this->next++;
        if ($token[0] === 'number') {
            return $this->numberWithUnit((float) $token[1]);
        }
        if ($token[0] === 'name') {
            return $this->named((string) $token[1]);
        }
        throw new UnitException(sprintf('"%s" was not expected in "%s"', $token[1], $this->text));
    }

    /** @return array<int, mixed> */
    private function numberWithUnit(float $number): array
    {
        $after = $this->tokens[$this->next] ?? null;
        if ($after === null || $after[0] !== 'name') {
            return ['value', Quantity::number($number)];
        }
        $symbol = (string) $after[1];
        if (! UnitTable::isUnit($symbol)) {
            throw new UnitException(sprintf('"%s" is not a known unit in "%s"', $symbol, $this->text));
        }
        $this->next++;
        if (UnitTable::isScale($symbol)) {
            return ['value', UnitTable::onScale($number, $symbol)];
        }
        $unit = ['value', UnitTable::unit($symbol)];
        if ($this->takeOp('^') !== null) {
            $unit = ['^', $unit, $this->signed()];
        }

        return ['*', ['value', Quantity::number($number)], $unit];
    }

    /** @return array<int, mixed> */
    private function named(string $name): array
    {
        if (isset(self::FUNCTIONS[$name]) && $this->takeOp('(') !== null) {
            $arguments = [$this->sum()];
            while ($this->takeOp(',') !== null) {
                $arguments[] = $this->sum();
            }
            $this->expect(')');
            if (count($arguments) !== self::FUNCTIONS[$name]) {
                throw new UnitException(sprintf('%s takes %d value(s), %d given', $name, self::FUNCTIONS[$name], count($arguments)));
            }

            return ['call', $name, $arguments];
        }
        if ($name === 'pi') {
            return ['value', Quantity::number(M_PI)];
        }
        $unit = UnitTable::unit($name);
        if ($unit !== null) {
            return ['value', $unit];
        }
        if (UnitTable::isScale($name)) {
            throw new UnitException(sprintf('"%s": a difference of temperatures is written in K', $this->text));
        }
        $this->names[$name] = true;

        return ['name', $name];
    }

    private function expect(string $op): void
    {
        if ($this->takeOp($op) === null) {
            throw new UnitException(sprintf('"%s" is missing in "%s"', $op, $this->text));
        }
    }

    /**
     * @param array<int, mixed> $node
     * @param callable(string): ?Quantity $lookup
     */
    private function walk(array $node, callable $lookup): Quantity
    {
        return match ($node[0]) {
            'value' => $node[1],
            'name' => $lookup($node[1]) ?? throw new UnitException(sprintf('"%s" is neither a unit nor a parameter of this model', $node[1])),
            'negate' => $this->walk($node[1], $lookup)->times(Quantity::number(-1.0)),
            '+' => $this->walk($node[1], $lookup)->plus($this->walk($node[2], $lookup)),
            '-' => $this->walk($node[1], $lookup)->plus($this->walk($node[2], $lookup), -1),
            '*' => $this->walk($node[1], $lookup)->times($this->walk($node[2], $lookup)),
            '/' => $this->walk($node[1], $lookup)->per($this->walk($node[2], $lookup)),
            '^' => $this->walk($node[1], $lookup)->raisedTo($this->walk($node[2], $lookup)),
            default => $this->call($node[1], array_map(fn (array $a) => $this->walk($a, $lookup), $node[2])),
        };
    }

    /** @param list<Quantity> $arguments */
    private function call(string $function, array $arguments): Quantity
    {
        [$a] = $arguments;
        if ($function === 'sqrt') {
            return $a->raisedTo(Quantity::number(0.5));
        }
        if ($function === 'abs') {
            return new Quantity(abs($a->value), $a->dimension);
        }
        if ($function === 'min' || $function === 'max') {
            $a->plus($arguments[1]);

            return new Quantity($function($a->value, $arguments[1]->value), $a->dimension);
        }
        if (! $a->dimension->isNone()) {
            throw new UnitException(sprintf('%s needs a plain number, not %s', $function, $a->dimension->describe()));
        }

        return Quantity::number($function($a->value));
    }
}
