<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Model\GridSettings;
use Foehn\Model\ModelException;

/** The words of a command line: named values (--out DIR), flags (--strict) and the rest. */
final readonly class Options
{
    /**
     * @param array<string, string> $values
     * @param list<string> $flags
     * @param list<string> $rest
     */
    private function __construct(private array $values, private array $flags, private array $rest)
    {
    }

    /**
     * @param list<string> $arguments
     * @param list<string> $valued names that take a value
     * @param list<string> $plain names that take none
     */
    public static function parse(array $arguments, array $valued, array $plain): self
    {
        $values = [];
        $flags = [];
        $rest = [];
        while ($arguments !== []) {
            $word = array_shift($arguments);
            $name = ltrim($word, '-');
            if (! str_starts_with($word, '--')) {
                $rest[] = $word;
            } elseif (in_array($name, $plain, true)) {
                $flags[] = $name;
            } elseif (in_array($name, $valued, true) && $arguments !== []) {
                $values[$name] = array_shift($arguments);
            } else {
                throw ModelException::at('', in_array($name, $valued, true) ? "$word needs a value" : "unknown option $word");
            }
        }

        return new self($values, $flags, $rest);
    }

    public function value(string $name): ?string
    {
        return $this->values[$name] ?? null;
    }

    /** The value of --grade. */
    public function grade(): ?string
    {
        $grade = $this->value('grade');

        return $grade === null || in_array($grade, GridSettings::GRADES, true) ? $grade : throw ModelException::at('', sprintf('--grade is one of %s, not "%s"', implode(', ', GridSettings::GRADES), $grade));
    }

    public function has(string $flag): bool
    {
        return in_array($flag, $this->flags, true);
    }

    /** @return list<string> the words that belong to no option */
    public function rest(): array
    {
        return $this->rest;
    }

    /** The single remaining word. */
    public function only(string $what): string
    {
        if (count($this->rest) !== 1) {
            throw ModelException::at('', sprintf('%s is expected, %d words are given', $what, count($this->rest)));
        }

        return $this->rest[0];
    }

    /** The text of a file named on the command line. */
    public static function read(string $path): string
    {
        $text = @file_get_contents($path);

        return $text === false ? throw ModelException::at('', "$path cannot be read") : $text;
    }
}
