<?php

declare(strict_types=1);

namespace Foehn\Board;

use Foehn\Model\BoardCopper;
use Foehn\Model\BoardTerminal;

/**
 * The copper of a board before any current is computed: its layers, its nets, and whether the terminals on each make a circuit.
 *
 * @phpstan-type NetRow array{name: string, pixels: int, terminals: list<string>, in: float, out: float, ready: bool, says: string}
 * @phpstan-type Preview array{pixels: array{int, int}, origin: array{float, float}, size: array{float, float}, holes: list<array{float, float, float}>, layers: list<array{name: string, thickness: float, share: float}>, nets: list<NetRow>,
 *     loose: list<string>, joined: list<array{string, string}>, copper: string, net: string}
 */
final class BoardPreview
{
    /**
     * @return Preview lengths in m; places and diameters of plated holes; currents given into and out of a net in A; copper: bytes in base64, share of each pixel as 0 to 255; net: uint16 in base64, number of the net from 1, 0 for none
     * @throws BoardException where the artwork cannot be drawn
     */
    public static function of(BoardCopper $board): array
    {
        $drawn = Drawn::of($board->artwork);
        [$raster, $nets] = [$drawn->raster, $drawn->nets()];
        $on = $drawn->byNet($board->terminals);
        $layers = [];
        foreach ($raster->layers as $n => $layer) {
            $layers[] = ['name' => $layer->name, 'thickness' => $layer->thickness, 'share' => array_sum(array_slice($raster->covered, $n * $raster->area(), $raster->area())) / $raster->area()];
        }

        return [
            'pixels' => $raster->pixels, 'origin' => $raster->origin, 'size' => $raster->size, 'holes' => array_map(fn (Barrel $barrel): array => [...$barrel->hole->at, $barrel->hole->diameter], $raster->barrels), 'layers' => $layers,
            'nets' => array_map(fn (int $net): array => ['name' => $nets->names[$net], 'pixels' => $nets->pixels[$net], ...self::net(array_values($on[$net] ?? []))], array_keys($nets->names)),
            'loose' => array_column($on[Nets::NONE] ?? [], 'name'), 'joined' => $nets->joined,
            'copper' => base64_encode(pack('C*', ...array_map(fn (float $share): int => (int) ceil(255.0 * $share), $raster->covered))),
            'net' => base64_encode(pack('v*', ...array_map(fn (int $net): int => $net + 1, $nets->net))),
        ];
    }

    /**
     * @param list<BoardTerminal> $terminals
     * @return array{terminals: list<string>, in: float, out: float, ready: bool, says: string}
     */
    private static function net(array $terminals): array
    {
        $given = array_map(fn (BoardTerminal $terminal): float => $terminal->condition->givesCurrent() ? $terminal->condition->value : 0.0, $terminals);
        $held = array_filter($terminals, fn (BoardTerminal $terminal): bool => ! $terminal->condition->givesCurrent());
        $volts = array_unique(array_map(fn (BoardTerminal $terminal): float => $terminal->condition->voltage(), array_filter($held, fn (BoardTerminal $terminal): bool => $terminal->condition->holdsVoltage())));
        $says = match (true) {
            $terminals === [] => 'no terminals',
            $held === [] => 'no return path: give the net a voltage or a ground',
            count($terminals) === 1 => 'no load: current needs a second terminal',
            count($volts) > 1 => 'two voltages on one net: only its copper limits the current',
            default => 'ready',
        };

        return [
            'terminals' => array_column($terminals, 'name'), 'in' => array_sum(array_filter($given, fn (float $current): bool => $current > 0.0)), 'out' => -array_sum(array_filter($given, fn (float $current): bool => $current < 0.0)),
            'ready' => $held !== [] && count($terminals) > 1, 'says' => $says,
        ];
    }
}
