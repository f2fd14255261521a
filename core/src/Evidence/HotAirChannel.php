<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Fluid;

/** Hot air in turbulent flow through a channel, in surroundings of 300 K: viscosity, conductivity and density are those of its own temperature and not of the surroundings. */
final class HotAirChannel extends FlowCase
{
    private const AIR = 500.0;

    private const HEIGHT = 0.02;

    private const REYNOLDS = 2e4;

    /** W/m2 through both walls; the air warms by a few kelvin, so that its properties hardly change along the way. */
    private const FLUX = 500.0;

    public function id(): string
    {
        return 'G06';
    }

    public function title(): string
    {
        return 'Turbulent channel flow of hot air in cold surroundings';
    }

    public function source(): string
    {
        return 'Blasius, VDI-Forschungsheft 131 (1913); Gnielinski, Forsch. Ing.-Wes. 41 (1975) 8; properties of air at 500 K';
    }

    public function run(bool $full = false): array
    {
        $rows = $full ? 40 : 20;
        $wall = ['heat' => ['kind' => 'flux', 'flux' => self::FLUX]];
        $document = [
            'surroundings' => ['temperature' => self::AIR, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'turbulent'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.8, self::HEIGHT, 0.01]], 'fluid' => 'air', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 1.0, 'temperature' => self::AIR], 'x+' => ['kind' => 'outlet'], 'y-' => $wall, 'y+' => $wall, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['cells' => [80, $rows, 1]]],
        ];
        $air = ModelCodec::fromDocument(['format' => 'foehn-model', 'version' => 1, ...$document]);
        $material = $air->materials->get('air');
        assert($material !== null);
        $hot = Fluid::of($material, $air->surroundings);
        $diameter = 2 * self::HEIGHT;
        $speed = self::REYNOLDS * $hot->viscosity / $hot->density / $diameter;
        $document['surroundings']['temperature'] = 300;
        $document['space']['sides']['x-']['speed'] = $speed;
        $solution = $this->solve($document);
        $friction = (0.79 * log(self::REYNOLDS) - 1.64) ** -2 / 8;
        $nusselt = $friction * (self::REYNOLDS - 1000) * $hot->prandtl() / (1 + 12.7 * sqrt($friction) * ($hot->prandtl() ** (2 / 3) - 1));

        // The correlations hold within 10 %.
        return [
            Check::relative('G06', "Nu, $rows cells across", $nusselt, self::sideNusselt($solution, 0.715, $diameter, $hot->conductivity), 0.12, '-')->knownTo(0.1),
            Check::relative('G06', "friction factor, $rows cells across", 0.316 / self::REYNOLDS ** 0.25, self::pressureGradient($solution, 0.595, 0.755) * 2 * $diameter / ($hot->density * $speed ** 2), 0.12, '-')->knownTo(0.05),
        ];
    }
}
