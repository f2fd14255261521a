<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** R01: round bodies, which are steps on the grid, radiate with their true area and do not see themselves. */
final class RoundSurfaces extends VerificationCase
{
    private const FACETS = 48;

    public function id(): string
    {
        return 'R01';
    }

    public function title(): string
    {
        return 'Radiation of round bodies';
    }

    public function source(): string
    {
        return 'Sphere in black surroundings and long coaxial cylinders (Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, 2002, table 13.3)';
    }

    public function run(bool $full = false): array
    {
        return [...$this->sphere(), ...$this->cylinders('mesh'), ...$this->cylinders('carved')];
    }

    /** @return list<Check> 20 mm across, emissivity 0.5, 1 W, in black surroundings of 300 K, 16 cells across */
    private function sphere(): array
    {
        $model = fn (string $radiation): array => [
            'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => $radiation],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04, 0.04, 0.04]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 1e4]],
            'parts' => [['id' => 'ball', 'shape' => self::ball(0.01), 'at' => [0.01, 0.01, 0.01], 'material' => 'm', 'power' => 1, 'surface' => ['emissivity' => 0.5]]],
            'watches' => [self::watch('ball', ['part' => 'ball'], 'temperature', 'mean')],
            'analysis' => ['grid' => ['cells' => [32, 32, 32]]],
        ];
        // 1 % of the heat is 1 % of T^4 - 300^4.
        $checks = [];
        foreach (['surfaces', 'surroundings'] as $radiation) {
            $kelvin = $this->result($model($radiation))->watched['ball'];
            $checks[] = Check::relative('R01', "sphere, $radiation: heat at its temperature", 1.0, 0.5 * 5.670374419e-8 * M_PI * 0.02 ** 2 * ($kelvin ** 4 - 300 ** 4), 0.01, 'W');
        }

        return $checks;
    }

    /**
     * Radii of 10 and 20 mm, emissivity 0.5 both, 400 and 300 K, 16 cells across the inner one.
     *
     * @param string $how the outer one is a tube of its own, or a hole in a block
     * @return list<Check>
     */
    private function cylinders(string $how): array
    {
        $mirror = ['kind' => 'symmetry'];
        $inner = ['id' => 'inner', 'shape' => ['kind' => 'cylinder', 'axis' => 'z', 'radius' => 0.01, 'length' => 0.01], 'at' => [0.025, 0.025, 0], 'material' => 'm', 'surface' => ['emissivity' => 0.5], 'source' => 1e6];
        $hole = ['id' => 'hole', 'shape' => ['kind' => 'cylinder', 'axis' => 'z', 'radius' => 0.02, 'length' => 0.01], 'at' => [0.025, 0.025, 0], 'material' => 'fluid'];
        $block = ['id' => 'outer', 'shape' => ['kind' => 'block', 'size' => [0.05, 0.05, 0.01]], 'material' => 'm', 'surface' => ['emissivity' => 0.5]];
        $tube = ['id' => 'outer', 'shape' => self::tube(0.02, 0.025, 0.01), 'material' => 'm', 'surface' => ['emissivity' => 0.5], 'faces' => []];
        $held = ['heat' => ['kind' => 'temperature', 'temperature' => 300]];
        $result = $this->result([
            'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.05, 0.05, 0.01]], 'fluid' => null, 'sides' => ['x-' => $held, 'x+' => $held, 'y-' => $held, 'y+' => $held, 'z-' => $mirror, 'z+' => $mirror]],
            'materials' => ['m' => ['conductivity' => 1e5]],
            'parts' => $how === 'carved' ? [$block, $hole, $inner] : [$tube, $inner],
            'watches' => [self::watch('inner', ['part' => 'inner'], 'temperature', 'mean'), self::watch('outer', ['part' => 'outer'], 'temperature', 'mean')],
            'analysis' => ['grid' => ['cells' => [40, 40, 2]]],
        ]);
        [$warm, $cold] = [$result->watched['inner'], $result->watched['outer']];
        $exact = 5.670374419e-8 * 2 * M_PI * 0.01 * ($warm ** 4 - $cold ** 4) / (2.0 + 0.5 * (2.0 - 1.0));

        return [Check::relative('R01', "coaxial cylinders, $how: heat per metre", $exact, $result->radiated($how === 'carved' ? 2 : 1) / 0.01, 0.01, 'W/m')];
    }

    /** @return array<string, mixed> a closed mesh with its least corner in the origin */
    private static function ball(float $radius): array
    {
        $vertices = $triangles = [];
        $rings = self::FACETS / 2;
        for ($i = 0; $i <= $rings; $i++) {
            for ($j = 0; $j < self::FACETS; $j++) {
                [$up, $round] = [M_PI * $i / $rings, 2 * M_PI * $j / self::FACETS];
                array_push($vertices, $radius * (1 + sin($up) * cos($round)), $radius * (1 + sin($up) * sin($round)), $radius * (1 - cos($up)));
            }
        }
        for ($i = 0; $i < $rings; $i++) {
            for ($j = 0; $j < self::FACETS; $j++) {
                [$a, $b, $c, $d] = self::square($i, $j, false);
                if ($i > 0) {
                    array_push($triangles, $a, $c, $b);
                }
                if ($i < $rings - 1) {
                    array_push($triangles, $b, $c, $d);
                }
            }
        }

        return self::mesh($vertices, $triangles);
    }

    /** @return array<string, mixed> of a closed mesh, along z */
    private static function tube(float $inside, float $outside, float $length): array
    {
        $vertices = $triangles = [];
        foreach ([[$outside, 0.0], [$outside, $length], [$inside, $length], [$inside, 0.0]] as [$radius, $z]) {
            for ($j = 0; $j < self::FACETS; $j++) {
                array_push($vertices, $outside + $radius * cos(2 * M_PI * $j / self::FACETS), $outside + $radius * sin(2 * M_PI * $j / self::FACETS), $z);
            }
        }
        for ($i = 0; $i < 4; $i++) {
            for ($j = 0; $j < self::FACETS; $j++) {
                [$a, $b, $c, $d] = self::square($i, $j, true);
                array_push($triangles, $a, $b, $c, $b, $d, $c);
            }
        }

        return self::mesh($vertices, $triangles);
    }

    /** @return array{int, int, int, int} corners between two rings */
    private static function square(int $i, int $j, bool $around): array
    {
        $next = $around ? ($i + 1) % 4 : $i + 1;
        [$one, $other] = [$j, ($j + 1) % self::FACETS];

        return [$i * self::FACETS + $one, $i * self::FACETS + $other, $next * self::FACETS + $one, $next * self::FACETS + $other];
    }

    /**
     * @param list<float> $vertices
     * @param list<int> $triangles
     * @return array<string, mixed>
     */
    private static function mesh(array $vertices, array $triangles): array
    {
        return ['kind' => 'mesh', 'vertices' => base64_encode(pack('g*', ...$vertices)), 'triangles' => base64_encode(pack('V*', ...$triangles))];
    }
}
