<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** G02: a layer of gas over a warm floor, half of one of its rolls; at rest it would only conduct. */
final class WarmFloor extends HeatedBox
{
    /** Wave number of the roll times the height. */
    private const WAVE = 3.117;

    /** Mean Nusselt number by Rayleigh number. */
    private const REFERENCE = [5000 => 2.116, 10000 => 2.661];

    public function id(): string
    {
        return 'G02';
    }

    public function title(): string
    {
        return 'Rolls over a warm floor';
    }

    public function source(): string
    {
        return 'Clever & Busse, J. Fluid Mech. 65 (1974) 625, Prandtl number 0.71';
    }

    public function run(bool $full = false): array
    {
        $cells = $full ? 64 : 24;
        $width = self::SIZE * M_PI / self::WAVE;
        $checks = [];
        foreach (self::REFERENCE as $rayleigh => $nusselt) {
            $document = self::box($rayleigh, self::clustered($cells, self::SIZE, 1.2), [0.0, 0.01], ['z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]);
            $sides = $document['space']['sides'];
            $document['space']['sides'] = [...$sides, 'x-' => self::SYMMETRY, 'x+' => self::SYMMETRY, 'y-' => $sides['x-'], 'y+' => $sides['x+']];
            $document['space']['box']['max'][0] = $width;
            $document['analysis']['grid']['lines']['x'] = self::clustered($cells, $width, 1.2);
            $heat = $this->result($document)->throughSide('y+');
            $checks[] = Check::relative('G02', "Ra $rayleigh: mean Nu", $nusselt, $heat * self::SIZE / (self::CONDUCTIVITY * 0.01 * $width), 0.01, '-');
        }

        return $checks;
    }
}
