<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Model\Sun;

/** R02: sunlight on a plate, the shadow of a block, a sunlit cavity behind glass, and where the sun stands. */
final class SunlitSurfaces extends VerificationCase
{
    public function id(): string
    {
        return 'R02';
    }

    public function title(): string
    {
        return 'Sunlight, shadows and glass';
    }

    public function source(): string
    {
        return 'Balance of a plate in the sun; shadow of a block by projection; cavity behind glass by its view factors; position of the sun by spherical astronomy';
    }

    public function run(bool $full = false): array
    {
        return [...$this->plate(), ...$this->shadow(), ...$this->cavity(), ...$this->position()];
    }

    /** @return list<Check> absorptivity 0.6, emissivity 0.9, sun of 1000 W/m2 at 60 degrees from its normal, 300 K, insulated behind */
    private function plate(): array
    {
        $checks = [];
        foreach (['surroundings', 'surfaces'] as $radiation) {
            $result = $this->result([
                'surroundings' => ['temperature' => 300, 'sun' => ['direction' => [sin(M_PI / 3), 0, cos(M_PI / 3)], 'flux' => 1000]],
                'physics' => ['radiation' => $radiation],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.02]], 'fluid' => null, 'sides' => array_fill_keys(['x-', 'x+', 'y-', 'y+'], ['heat' => ['kind' => 'adiabatic']])],
                'materials' => ['m' => ['conductivity' => 200]],
                'parts' => [['id' => 'plate', 'shape' => ['kind' => 'block', 'size' => [0.1, 0.1, 0.01]], 'material' => 'm', 'surface' => ['emissivity' => 0.9, 'absorptivity' => 0.6]]],
                'watches' => [self::watch('plate', ['part' => 'plate', 'face' => 'z+'])],
                'analysis' => ['grid' => ['cells' => [10, 10, 4]]],
            ]);
            $checks[] = Check::absolute('R02', "plate in the sun, $radiation", 343.847, $result->watched['plate'], 0.01, 'K');
        }

        return $checks;
    }

    /** @return list<Check> of a block of 40 x 40 x 50 mm, the sun 35 degrees up and 25 degrees from x towards y, on a floor with cells of 5 mm */
    private function shadow(): array
    {
        [$up, $round] = [deg2rad(35), deg2rad(25)];
        $result = $this->result([
            'surroundings' => ['temperature' => 300, 'sun' => ['direction' => [cos($up) * cos($round), cos($up) * sin($round), sin($up)], 'flux' => 1000]],
            'physics' => ['radiation' => 'surroundings'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.25, 0.2, 0.07]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 200]],
            'parts' => [
                ['id' => 'floor', 'shape' => ['kind' => 'block', 'size' => [0.25, 0.2, 0.01]], 'material' => 'm', 'surface' => ['emissivity' => 1, 'absorptivity' => 1]],
                ['id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.04, 0.04, 0.05]], 'at' => [0.15, 0.12, 0.01], 'material' => 'm', 'surface' => ['emissivity' => 1, 'absorptivity' => 0.5]],
            ],
            'analysis' => ['grid' => ['cells' => [50, 40, 14]]],
        ]);
        $on = -$result->fromSun(0);
        $dark = 0.25 * 0.2 - 0.04 * 0.04 - $on / (1000 * sin($up));
        $lit = 1000 * 0.5 * (0.04 * 0.04 * sin($up) + 0.04 * 0.05 * cos($up) * (cos($round) + sin($round)));

        return [
            Check::relative('R02', 'shadow of a block on the floor', 0.0037958, $dark, 0.01, 'm2'),
            Check::relative('R02', 'sunlight that the block takes up', $lit, -$result->fromSun(1), 1e-3, 'W'),
        ];
    }

    /** @return list<Check> a cube of 0.1 m with a white floor (absorptivity 0.3) and black walls behind glass that lets 0.8 of the light in, the sun straight above */
    private function cavity(): array
    {
        $wall = fn (string $id, array $size, array $at): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => 'm', 'surface' => ['emissivity' => 0.9, 'absorptivity' => $id === 'floor' ? 0.3 : 1.0]];
        $held = ['heat' => ['kind' => 'temperature', 'temperature' => 300]];
        $result = $this->result([
            'surroundings' => ['temperature' => 300, 'sun' => ['direction' => [0, 0, 1], 'flux' => 1000]],
            'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.12, 0.12, 0.11]], 'fluid' => null, 'sides' => [
                'x-' => $held, 'x+' => $held, 'y-' => $held, 'y+' => $held, 'z-' => $held, 'z+' => ['patches' => [['min' => [0.01, 0.01], 'max' => [0.11, 0.11], 'transmittance' => 0.8]]]]],
            'materials' => ['m' => ['conductivity' => 1e5]],
            'parts' => [
                $wall('floor', [0.1, 0.1, 0.01], [0.01, 0.01, 0]), $wall('west', [0.01, 0.12, 0.11], [0, 0, 0]), $wall('east', [0.01, 0.12, 0.11], [0.11, 0, 0]),
                $wall('south', [0.1, 0.01, 0.11], [0.01, 0, 0]), $wall('north', [0.1, 0.01, 0.11], [0.01, 0.11, 0]),
            ],
            'analysis' => ['grid' => ['cells' => [24, 24, 22]]],
        ]);
        // What the floor reflects of 8 W leaves through the mouth with F = 0.1998249.
        $taken = 0.3 * 8.0 + 0.7 * 8.0 * (1 - 0.1998249);

        return [Check::relative('R02', 'cavity behind glass: sunlight taken up', $taken, $result->sun(), 0.01, 'W')];
    }

    /** @return list<Check> heights of the sun at noon and its azimuth at sunset */
    private function position(): array
    {
        [$summer] = Sun::place(deg2rad(50), 172, 12.0);
        [$evening, $west] = Sun::place(0.0, 80, 18.0);

        return [
            Check::absolute('R02', 'height at noon of the longest day, 50 degrees north', 90 - 50 + 23.44, rad2deg($summer), 0.1, 'deg'),
            Check::absolute('R02', 'height at 18 h of the equinox, equator', 0.0, rad2deg($evening), 0.1, 'deg'),
            Check::absolute('R02', 'azimuth at 18 h of the equinox, equator', 270.0, rad2deg($west), 0.5, 'deg'),
        ];
    }
}
