<?php

declare(strict_types=1);

namespace Foehn\Units;

use Closure;

/**
 * A formula with units, named values and the usual functions, e.g. "fin_gap * 2 + 1 mm".
 *
 * A number directly before a unit binds tighter than any operator, so that "1 mm / 2 mm" is 0.5 and
 * "8 W/m^2/K" reads as everyone expects. Grammar: sum of products of powers. What is read becomes functions of the values of the names.
 *
 * @phpstan-type Lookup callable(string): ?Quantity
 * @phpstan-type Term Closure(callable(string): ?Quantity): Quantity
 */
final class Formula
{
    private const FUNCTIONS = ['sqrt' => 1, 'abs' => 1, 'exp' => 1, 'log' => 1, 'sin' => 1, 'cos' => 1, 'tan' => 1, 'sinh' => 1, 'cosh' => 1, 'tanh' => 1, 'min' => 2, 'max' => 2];

    private const TOKEN = '~\s*(?:(?<number>\d+\.?\d*(?:[eE][+-]?\d+)?|\.\d+(?:[eE][+-]?\d+)?)|(?<name>°[CF]|[A-Za-zµ_][A-Za-z0-9_µ]*|%)|(?<op>[-+*/^(),]|·|²|³))~Au';

    /** @var list<array{string, string|float}> */
    private array $tokens = [];

    private int $next = 0;

    /** @var Term */
    private Closure $tree;

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
        $result = ($this->tree)($lookup);
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

    /** @return Term */
    private function sum(): Closure
    {
        $left = $this->product();
        while (($op = $this->takeOp('+', '-')) !== null) {
            $left = self::binary($op, $left, $this->product());
        }

        return $left;
    }

    /** @return Term */
    private function product(): Closure
    {
        $left = $this->signed();
        while (($op = $this->takeOp('*', '/')) !== null) {
            $left = self::binary($op, $left, $this->signed());
        }

        return $left;
    }

    /** @return Term */
    private function signed(): Closure
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

            return self::value(UnitTable::onScale(-(float) $token[1], (string) $after[1]));
        }

        $of = $this->signed();

        return fn (callable $lookup): Quantity => $of($lookup)->times(Quantity::number(-1.0));
    }

    /** @return Term */
    private function power(): Closure
    {
        $base = $this->atom();
        if ($this->takeOp('^') !== null) {
            return self::binary('^', $base, $this->signed());
        }

        return $base;
    }

    /** @return Term */
    private function atom(): Closure
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

    /** @return Term */
    private function numberWithUnit(float $number): Closure
    {
        $after = $this->tokens[$this->next] ?? null;
        if ($after === null || $after[0] !== 'name') {
            return self::value(Quantity::number($number));
        }
        $symbol = (string) $after[1];
        if (! UnitTable::isUnit($symbol)) {
            throw new UnitException(sprintf('"%s" is not a known unit in "%s"', $symbol, $this->text));
        }
        $this->next++;
        if (UnitTable::isScale($symbol)) {
            return self::value(UnitTable::onScale($number, $symbol));
        }
        $unit = self::value(UnitTable::unit($symbol));
        if ($this->takeOp('^') !== null) {
            $unit = self::binary('^', $unit, $this->signed());
        }

        return self::binary('*', self::value(Quantity::number($number)), $unit);
    }

    /** @return Term */
    private function named(string $name): Closure
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

            return fn (callable $lookup): Quantity => self::call($name, array_map(fn (Closure $argument): Quantity => $argument($lookup), $arguments));
        }
        if ($name === 'pi') {
            return self::value(Quantity::number(M_PI));
        }
        $unit = UnitTable::unit($name);
        if ($unit !== null) {
            return self::value($unit);
        }
        if (UnitTable::isScale($name)) {
            throw new UnitException(sprintf('"%s": a difference of temperatures is written in K', $this->text));
        }
        $this->names[$name] = true;

        return function (callable $lookup) use ($name): Quantity {
            $value = $lookup($name);

            return $value instanceof Quantity ? $value : throw new UnitException(sprintf('"%s" is neither a unit nor a parameter of this model', $name));
        };
    }

    private function expect(string $op): void
    {
        if ($this->takeOp($op) === null) {
            throw new UnitException(sprintf('"%s" is missing in "%s"', $op, $this->text));
        }
    }

    /** @return Term */
    private static function value(?Quantity $quantity): Closure
    {
        return fn (callable $lookup): Quantity => $quantity ?? throw new UnitException('a unit is not known');
    }

    /**
     * @param Term $left
     * @param Term $right
     * @return Term
     */
    private static function binary(string $op, Closure $left, Closure $right): Closure
    {
        return match ($op) {
            '+' => fn (callable $lookup): Quantity => $left($lookup)->plus($right($lookup)),
            '-' => fn (callable $lookup): Quantity => $left($lookup)->plus($right($lookup), -1),
            '*' => fn (callable $lookup): Quantity => $left($lookup)->times($right($lookup)),
            '/' => fn (callable $lookup): Quantity => $left($lookup)->per($right($lookup)),
            default => fn (callable $lookup): Quantity => $left($lookup)->raisedTo($right($lookup)),
        };
    }

    /** @param non-empty-list<Quantity> $arguments */
    private static function call(string $function, array $arguments): Quantity
    {
        [$a] = $arguments;
        if ($function === 'sqrt') {
            return $a->raisedTo(Quantity::number(0.5));
        }
        if ($function === 'abs') {
            return new Quantity(abs($a->value), $a->dimension);
        }
        if ($function === 'min' || $function === 'max') {
            $b = $arguments[1] ?? $a;
            $a->plus($b);

            return new Quantity($function === 'min' ? min($a->value, $b->value) : max($a->value, $b->value), $a->dimension);
        }
        if (! $a->dimension->isNone()) {
            throw new UnitException(sprintf('%s needs a plain number, not %s', $function, $a->dimension->describe()));
        }

        return Quantity::number(match ($function) {
            'exp' => exp($a->value),
            'log' => log($a->value),
            'sin' => sin($a->value),
            'cos' => cos($a->value),
            'tan' => tan($a->value),
            'sinh' => sinh($a->value),
            'cosh' => cosh($a->value),
            default => tanh($a->value),
        });
    }
}
