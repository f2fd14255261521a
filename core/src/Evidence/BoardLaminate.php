<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Codec\ModelCodec;

/** P24: effective conductivity of a four-layer board; the through-plane value is also measured on a solved model. */
final class BoardLaminate extends VerificationCase
{
    public function id(): string
    {
        return 'P24';
    }

    public function title(): string
    {
        return 'Effective conductivity of a board';
    }

    public function source(): string
    {
        return 'Closed form: layers side by side in the plane, one after the other through it';
    }

    public function run(bool $full = false): array
    {
        $copper = fn (float $thickness, float $coverage): array => ['thickness' => $thickness, 'copper' => $coverage];
        $dielectric = ['thickness' => (0.0016 - 0.00021) / 3];
        $document = [
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04, 0.02, 0.0016]], 'fluid' => null, 'sides' => [
                'z-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '20 degC']],
                'z+' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '30 degC']]]],
            'parts' => [['id' => 'board', 'shape' => ['kind' => 'board', 'size' => [0.04, 0.02], 'layers' => [
                $copper(7e-5, 0.3), $dielectric, $copper(3.5e-5, 0.9), $dielectric, $copper(3.5e-5, 0.9), $dielectric, $copper(7e-5, 0.3)]]]],
            'watches' => [self::watch('flux', ['side' => 'z-'], 'heatFlux')],
        ];
        $model = ModelCodec::fromDocument(['format' => 'foehn-model', 'version' => 1, ...$document]);
        $inPlane = $model->materials->get('laminate:board')?->conductivity[0]->at(300.0) ?? NAN;
        $through = $this->result($document)->watched['flux'] * 0.0016 / 10.0;

        return [
            Check::relative('P24', 'conductivity in the plane', 25.87406, $inPlane, 1e-4, 'W/m/K'),
            Check::relative('P24', 'conductivity through the board', 0.3452199, $through, 1e-4, 'W/m/K'),
            Check::relative('P24', 'ratio', 74.94951, $inPlane / $through, 1e-4, '-'),
        ];
    }
}
