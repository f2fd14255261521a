<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P20: a heated slab that is cooled by convection and radiation at once, and a fin that only radiates, against their equations. */
final class RadiatingFaces extends VerificationCase
{
    public function id(): string
    {
        return 'P20';
    }

    public function title(): string
    {
        return 'Radiation to the surroundings beside convection, and a radiating fin';
    }

    public function source(): string
    {
        return 'Q = A (h (T - Ta) + eps sigma (T^4 - Ta^4)); the fin k t T\'\' = 2 eps sigma (T^4 - Ts^4) by shooting';
    }

    public function run(bool $full = false): array
    {
        return [...$this->slab(), ...$this->fin()];
    }

    /** @return list<Check> 10 W through 5 mm of k = 0.3 from an insulated edge to a face with 8 W/m2K and an emissivity of 0.85, both to 25 degC */
    private function slab(): array
    {
        $result = $this->result([
            'surroundings' => ['temperature' => '25 degC'],
            'physics' => ['radiation' => 'surroundings'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.005]], 'fluid' => null, 'sides' => [
                'z-' => ['kind' => 'wall', 'heat' => ['kind' => 'flux', 'flux' => '1000 W/m^2']], 'z+' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 8, 'temperature' => '25 degC']]]],
            'materials' => ['m' => ['conductivity' => 0.3, 'emissivity' => 0.85]],
            'parts' => [['id' => 'slab', 'shape' => ['kind' => 'block', 'size' => [0.1, 0.1, 0.005]], 'material' => 'm']],
            'watches' => [self::watch('front', ['side' => 'z+']), self::watch('back', ['side' => 'z-'])],
            'analysis' => ['grid' => ['cells' => [4, 4, 10]]],
        ]);
        /** @var array<string, float> $routes */
        $routes = (array) $result->result['parts'][0]['routes'];

        return [
            Check::absolute('P20', 'front temperature', 91.3083, $result->watched['front'] - self::ZERO_CELSIUS, 0.05, 'degC'),
            Check::absolute('P20', 'back temperature', 107.975, $result->watched['back'] - self::ZERO_CELSIUS, 0.05, 'degC'),
            Check::relative('P20', 'radiated power', 4.695336, $routes['radiation'] ?? NAN, 0.002, 'W'),
            Check::relative('P20', 'convected power', 5.304664, $routes['side z+'] ?? NAN, 0.002, 'W'),
            Check::relative('P20', 'radiated and convected power', 10.0, ($routes['radiation'] ?? NAN) + ($routes['side z+'] ?? NAN), 1e-4, 'W'),
        ];
    }

    /** @return list<Check> 100 mm long, 1 mm thick, k = 20, emissivity 0.8 on both sides, base 400 K, surroundings 300 K, insulated tip, per metre of width */
    private function fin(): array
    {
        $radiates = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 1e-9, 'temperature' => 300]];
        $result = $this->result([
            'surroundings' => ['temperature' => 300],
            'physics' => ['radiation' => 'surroundings'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.001, 1.0]], 'fluid' => null, 'sides' => [
                'x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 400]], 'y-' => $radiates, 'y+' => $radiates]],
            'materials' => ['m' => ['conductivity' => 20, 'emissivity' => 0.8]],
            'parts' => [['id' => 'fin', 'shape' => ['kind' => 'block', 'size' => [0.1, 0.001, 1.0]], 'material' => 'm']],
            'watches' => [self::watch('heat', ['side' => 'x-'], 'heat'), self::watch('tip', ['side' => 'x+'])],
            'analysis' => ['grid' => ['cells' => [200, 4, 1]]],
        ]);

        return [
            Check::relative('P20', 'radiating fin: heat into it per metre', 51.581, -$result->watched['heat'], 0.005, 'W/m'),
            Check::absolute('P20', 'radiating fin: temperature of the tip', 318.126, $result->watched['tip'], 0.1, 'K'),
        ];
    }
}
