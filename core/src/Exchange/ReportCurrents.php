<?php

declare(strict_types=1);

namespace Foehn\Exchange;

use Foehn\Results\ResultBuilder;

/**
 * The currents of a report: terminals of parts, and of boards the nets, and the vias that carry most.
 *
 * @phpstan-import-type ElectricRow from ResultBuilder
 */
final class ReportCurrents
{
    /** Vias that are listed. */
    private const VIAS = 12;

    /** @param ?ElectricRow $electric */
    public static function section(?array $electric, ReportUnits $units): string
    {
        if ($electric === null) {
            return '';
        }
        $terminals = array_map(fn (array $terminal): array => [
            $terminal['name'], "face $terminal[face]" . (isset($terminal['joint']) ? ", joint $terminal[joint]" : ''), self::amperes($terminal['current']), self::volts($terminal['voltage']),
        ], $electric['terminals']);
        $body = Html::table([['Part', 'Terminal', 'Current in', 'Voltage'], ...$terminals], [2, 3]);
        foreach ($electric['boards'] as $board) {
            $nets = array_map(fn (array $net): array => [
                $net['name'], self::amperes($net['current']), self::volts($net['drop']), $net['resistance'] === null ? '–' : ReportUnits::digits(1e3 * $net['resistance'], 4) . ' mΩ', $units->watts($net['heat']), $units->temperature($net['temperature']),
            ], $board['nets']);
            $own = array_map(fn (array $terminal): array => [$terminal['name'], self::amperes($terminal['current']), self::volts($terminal['voltage'])], $board['terminals']);
            $body .= '<h3>Copper of ' . Html::text($board['name']) . '</h3>' . Html::table([['Net', 'Current', 'Voltage drop', 'Resistance', 'Heat', 'Hottest'], ...$nets], [1, 2, 3, 4, 5])
                . Html::table([['Terminal', 'Current in', 'Voltage'], ...$own], [1, 2]) . self::vias($board['vias'], $units);
        }

        return Html::section('Currents', $body);
    }

    /** @param list<array{net: string, at: list<float>, hole: float, from: string, to: string, current: float, density: float, heat: float, limit: ?float}> $vias */
    private static function vias(array $vias, ReportUnits $units): string
    {
        usort($vias, fn (array $a, array $b): int => $b['current'] / ($b['limit'] ?? 1.0) <=> $a['current'] / ($a['limit'] ?? 1.0));
        $rows = array_map(fn (array $via): array => [
            sprintf('%s at %.2f, %.2f mm', $via['net'], 1e3 * $via['at'][0], 1e3 * $via['at'][1]), $units->lengths([$via['hole']]), self::amperes($via['current']),
            ReportUnits::digits(1e-6 * $via['density'], 4) . ' A/mm²', $via['limit'] === null ? '–' : self::amperes($via['limit']),
        ], array_slice($vias, 0, self::VIAS));

        return Html::table([[sprintf('The %d of %d vias nearest to their limit', count($rows), count($vias)), 'Hole', 'Current', 'Density', 'Limit'], ...$rows], [1, 2, 3, 4]);
    }

    private static function amperes(float $value): string
    {
        return ReportUnits::digits($value, 4) . ' A';
    }

    private static function volts(float $value): string
    {
        return abs($value) < 1.0 ? ReportUnits::digits(1e3 * $value, 4) . ' mV' : ReportUnits::digits($value, 5) . ' V';
    }
}
