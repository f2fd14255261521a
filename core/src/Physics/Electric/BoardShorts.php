<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Board\Drawn;
use Foehn\Model\BoardCopper;
use Foehn\Model\BoardTerminal;
use Foehn\Physics\PhysicsException;

/** Nets of a board that are one piece of copper although the artwork names them apart. */
final class BoardShorts
{
    /** @throws PhysicsException where such a piece stands between two voltages: the current through it would say nothing of the board */
    public static function refuse(BoardCopper $board, Drawn $drawn): void
    {
        $nets = $drawn->nets();
        $held = [];
        foreach ($drawn->byNet($board->terminals) as $net => $terminals) {
            foreach (array_filter($terminals, fn (BoardTerminal $terminal): bool => $terminal->condition->holdsVoltage()) as $terminal) {
                $held[$nets->names[$net] ?? ''][(string) $terminal->condition->voltage()] = $terminal;
            }
        }
        foreach ($nets->joined as [$one, $other]) {
            $voltages = $held[$one] ?? $held[$other] ?? [];
            if (count($voltages) > 1) {
                $names = array_map(fn (BoardTerminal $terminal): string => sprintf('"%s" at %g V', $terminal->name, $terminal->condition->voltage()), array_values($voltages));
                throw new PhysicsException(sprintf(
                    'nets "%s" and "%s" are one piece of copper between %s: a short, or a gap narrower than a pixel of %.3g mm; make the pixels smaller, or mend the artwork',
                    $one, $other, implode(' and ', $names), 1e3 * $drawn->raster->size[0],
                ));
            }
        }
    }
}
