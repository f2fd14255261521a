<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Results\BoardRows;
use Foehn\Solve\CopperOnly;

/**
 * `copper MODEL.json [--at 25,125]`: currents in the copper of boards alone, at temperatures in degC that all of it has, side by side.
 *
 * @phpstan-import-type BoardRow from BoardRows
 */
final class CopperCommand
{
    private const ZERO_CELSIUS = 273.15;

    /** Vias that are listed, those with the most current. */
    private const VIAS = 10;

    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['at'], []);
        $model = ModelCodec::fromJson(Options::read($options->only('the model document')));
        foreach (self::temperatures($options->value('at') ?? '25,125') as $celsius) {
            $started = hrtime(true);
            $boards = BoardRows::of(CopperOnly::at($model, $celsius + self::ZERO_CELSIUS), $model);
            printf("All copper at %g °C, %.1f s:\n", $celsius, (hrtime(true) - $started) / 1e9);
            array_map(self::print(...), $boards);
        }

        return 0;
    }

    /** @param BoardRow $board */
    public static function print(array $board): void
    {
        printf("\n%s: %d x %d pixels of %.3g mm, %d %s, %.4g W in the copper.\n", $board['name'], $board['pixels'][0], $board['pixels'][1], 1e3 * $board['size'][0], count($board['layers']), count($board['layers']) === 1 ? 'layer' : 'layers', $board['power']);
        echo TextTable::render(['Net', 'A', 'Drop mV', 'mohm', 'W'], array_map(fn (array $net): array => [
            $net['name'], sprintf('%.4g', $net['current']), sprintf('%.4g', 1e3 * $net['drop']), $net['resistance'] === null ? '-' : sprintf('%.4g', 1e3 * $net['resistance']), sprintf('%.4g', $net['heat']),
        ], $board['nets']), [1, 2, 3, 4]);
        foreach ($board['terminals'] as $terminal) {
            if ($terminal['pads'] !== []) {
                printf("%s by its pads: %s A.\n", $terminal['name'], implode(', ', array_map(fn (float $current): string => sprintf('%.4g', $current), $terminal['pads'])));
            }
        }
        $vias = $board['vias'];
        if ($vias === []) {
            return;
        }
        usort($vias, fn (array $a, array $b): int => $b['current'] <=> $a['current']);
        echo "\n", TextTable::render(['Via', 'at mm', 'Hole mm', 'A', 'A/mm²'], array_map(fn (array $via): array => [
            $via['net'], sprintf('%.2f, %.2f', 1e3 * $via['at'][0], 1e3 * $via['at'][1]), sprintf('%.2f', 1e3 * $via['hole']), sprintf('%.3f', $via['current']), sprintf('%.1f', 1e-6 * $via['density']),
        ], array_slice($vias, 0, self::VIAS)), [2, 3, 4]);
    }

    /** @return non-empty-list<float> degC */
    private static function temperatures(string $given): array
    {
        return array_map(
            fn (string $one): float => is_numeric($one) ? (float) $one : throw ModelException::at('', sprintf('--at takes temperatures in degC, as 25,125, not "%s"', $given)),
            explode(',', $given),
        );
    }
}
