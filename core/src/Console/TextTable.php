<?php

declare(strict_types=1);

namespace Foehn\Console;

/** Rows under aligned headings; columns named in $right are flush right. */
final class TextTable
{
    /**
     * @param list<string> $headings
     * @param list<list<string>> $rows
     * @param list<int> $right
     */
    public static function render(array $headings, array $rows, array $right): string
    {
        $widths = [];
        foreach ([$headings, ...$rows] as $row) {
            foreach ($row as $column => $text) {
                $widths[$column] = max($widths[$column] ?? 0, mb_strlen($text));
            }
        }
        $lines = [];
        foreach ([$headings, array_map(fn (int $w) => str_repeat('-', $w), $widths), ...$rows] as $row) {
            $cells = [];
            foreach ($row as $column => $text) {
                $space = str_repeat(' ', $widths[$column] - mb_strlen($text));
                $cells[] = in_array($column, $right, true) ? $space . $text : $text . $space;
            }
            $lines[] = rtrim(implode('  ', $cells));
        }

        return implode("\n", $lines) . "\n";
    }
}
