<?php

declare(strict_types=1);

namespace Foehn\Exchange;

/** Pieces of a page that stands alone and prints well. */
final class Html
{
    /** On screen a column of comfortable width; on paper A4 with page numbers, tables that break between rows and repeat their heads. */
    public const STYLE = <<<'CSS'
        :root { color-scheme: light; }
        body { margin: 0; background: #f6f4ef; color: #232a2e; font: 14px/1.45 "Inter", system-ui, "Liberation Sans", sans-serif; font-variant-numeric: tabular-nums; }
        main { max-width: 60rem; margin: 0 auto; padding: 2rem; background: #fff; }
        h1 { font-size: 1.7rem; margin: 0; } h2 { font-size: 1.15rem; margin: 1.8rem 0 .5rem; padding-bottom: .2rem; border-bottom: 2px solid #8a5200; } h3 { font-size: 1rem; margin: 1rem 0 .3rem; }
        .quiet { color: #5a6166; margin: 0 0 1rem; }
        dl { display: grid; grid-template-columns: max-content 1fr; gap: .15rem 1.5rem; margin: .6rem 0; } dt { color: #5a6166; } dd { margin: 0; overflow-wrap: anywhere; }
        table { border-collapse: collapse; width: 100%; margin: .6rem 0; font-size: .93rem; }
        th, td { padding: .25rem .5rem; border-bottom: 1px solid #ded9ce; text-align: left; vertical-align: top; overflow-wrap: anywhere; } thead th { color: #5a6166; font-weight: 600; } .right { text-align: right; }
        .verdict { font-size: 1.15rem; font-weight: 650; } .missed { color: #b3261e; } .undecided { color: #8a5200; } .met { color: #1d6b50; }
        figure { margin: 1rem 0; break-inside: avoid; } img { max-width: 100%; max-height: 17cm; border: 1px solid #ded9ce; } figcaption { color: #5a6166; font-size: .93rem; }
        @page { size: A4; margin: 18mm 16mm 20mm; @bottom-right { content: counter(page) " / " counter(pages); font-size: 9pt; color: #5a6166; } }
        @media print { body { background: #fff; font-size: 10pt; } main { max-width: none; padding: 0; } thead { display: table-header-group; } tr, dl, h2, h3 { break-inside: avoid; } h2, h3 { break-after: avoid; } }
        CSS;

    public static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
    }

    public static function section(string $title, string $body): string
    {
        return '<section><h2>' . self::text($title) . "</h2>$body</section>";
    }

    /** @param array<string, string> $facts by their names */
    public static function facts(array $facts): string
    {
        return '<dl>' . implode('', array_map(fn (string $name, string $text) => '<dt>' . self::text($name) . '</dt><dd>' . self::text($text) . '</dd>', array_keys($facts), $facts)) . '</dl>';
    }

    /**
     * A table; nothing where it has a head alone.
     *
     * @param non-empty-list<list<string>> $rows the first one is the head
     * @param list<int> $right columns that are flush right
     */
    public static function table(array $rows, array $right): string
    {
        if (count($rows) < 2) {
            return '';
        }

        return '<table><thead>' . self::row($rows[0], 'th scope="col"', $right) . '</thead><tbody>' . implode('', array_map(fn (array $cells) => self::row($cells, 'td', $right), array_slice($rows, 1))) . '</tbody></table>';
    }

    /**
     * @param list<string> $cells
     * @param list<int> $right
     */
    private static function row(array $cells, string $tag, array $right): string
    {
        $written = '';
        foreach ($cells as $n => $cell) {
            $written .= "<$tag" . (in_array($n, $right, true) ? ' class="right">' : '>') . self::text($cell) . '</' . substr($tag, 0, 2) . '>';
        }

        return "<tr>$written</tr>";
    }
}
