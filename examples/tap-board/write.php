<?php

declare(strict_types=1);

// Writes the artwork and the drill file of the battery tap board, a made-up board of 60 x 40 mm with four layers: 20 A from a terminal on the left to
// three loads on the right, through a pour, a plane and groups of vias. php examples/tap-board/write.php writes the files beside itself.

const VIA = 0.3;

/** Millimetres as the files count them. */
function mm(float $value): string
{
    return (string) (int) round($value * 1e6);
}

/** @param list<array{float, float}> $corners */
function region(array $corners): string
{
    $text = "G36*\n";
    foreach ([...$corners, $corners[0]] as $n => [$x, $y]) {
        $text .= 'X' . mm($x) . 'Y' . mm($y) . ($n === 0 ? "D02*\n" : "D01*\n");
    }

    return $text . "G37*\n";
}

function box(float $x0, float $y0, float $x1, float $y1): string
{
    return region([[$x0, $y0], [$x1, $y0], [$x1, $y1], [$x0, $y1]]);
}

function flash(int $aperture, float $x, float $y): string
{
    return "D$aperture*\nX" . mm($x) . 'Y' . mm($y) . "D03*\n";
}

/** @param list<array{float, float}> $points */
function track(int $aperture, array $points): string
{
    $text = "D$aperture*\n";
    foreach ($points as $n => [$x, $y]) {
        $text .= 'X' . mm($x) . 'Y' . mm($y) . ($n === 0 ? "D02*\n" : "D01*\n");
    }

    return $text;
}

function net(string $name, string $text): string
{
    return "%TO.N,$name*%\n$text%TD*%\n";
}

/** @return list<array{float, float}> a group of vias about a middle */
function group(float $x, float $y, int $columns, int $rows): array
{
    $vias = [];
    for ($i = 0; $i < $columns; $i++) {
        for ($j = 0; $j < $rows; $j++) {
            $vias[] = [$x + 1.2 * ($i - 0.5 * ($columns - 1)), $y + 1.2 * ($j - 0.5 * ($rows - 1))];
        }
    }

    return $vias;
}

/** @param list<array{float, float}> $vias */
function at(int $aperture, array $vias): string
{
    return implode('', array_map(fn (array $via): string => flash($aperture, ...$via), $vias));
}

$battery = group(13.0, 20.0, 2, 8);
$loads = ['WINCH' => group(46.0, 32.0, 2, 3), 'LAMP' => group(46.0, 20.0, 2, 2), 'RADIO' => group(46.0, 8.0, 1, 2)];
$ground = array_merge(group(6.0, 5.0, 4, 4), group(53.0, 36.5, 3, 2), group(53.0, 24.5, 2, 2), group(53.0, 12.5, 2, 1));
$power = array_merge($battery, ...array_values($loads));

$head = fn (string $function): string => "%TF.GenerationSoftware,Foehn,tap board,1*%\n%TF.FileFunction,$function*%\n%FSLAX46Y46*%\n%MOMM*%\n"
    . "%AMROUNDED*21,1,\$1,\$2-2x\$3,0,0,0*21,1,\$1-2x\$3,\$2,0,0,0*1,1,2x\$3,\$1/2-\$3,\$2/2-\$3*1,1,2x\$3,\$3-\$1/2,\$2/2-\$3*1,1,2x\$3,\$1/2-\$3,\$3-\$2/2*1,1,2x\$3,\$3-\$1/2,\$3-\$2/2*%\n"
    . "%ADD10C,0.25*%\n%ADD11C,0.5*%\n%ADD12C,1.0*%\n%ADD13ROUNDED,8X8X0.8*%\n%ADD14ROUNDED,4X3X0.4*%\n%ADD15R,4X2*%\nG75*\nG01*\n%LPD*%\n";

$top = $head('Copper,L1,Top')
    . net('VBAT', flash(13, 6.0, 20.0) . box(8.0, 15.5, 14.5, 24.5) . at(11, $battery))
    . net('GND', flash(13, 6.0, 5.5) . at(11, $ground))
    . net('VBAT', flash(14, 50.0, 32.0) . box(45.0, 30.5, 49.0, 33.5) . at(11, $loads['WINCH']))
    . net('VBAT', flash(14, 50.0, 20.0) . box(45.3, 19.2, 49.0, 20.8) . at(11, $loads['LAMP']))
    . net('VBAT', flash(14, 50.0, 8.0) . track(10, [[46.0, 7.4], [46.0, 8.6]]) . track(10, [[46.0, 8.0], [48.5, 8.0]]) . at(11, $loads['RADIO']))
    . net('GND', flash(15, 53.0, 36.5) . flash(15, 53.0, 24.5) . flash(15, 53.0, 12.5))
    . net('SENSE', track(10, [[20.0, 36.0], [30.0, 36.0], [34.0, 32.0], [40.0, 32.0]]) . flash(11, 20.0, 36.0) . flash(11, 40.0, 32.0))
    . "M02*\n";
$second = $head('Copper,L2,Inr') . net('GND', box(0.5, 0.5, 59.5, 39.5)) . "%LPC*%\n" . at(12, $power) . "%LPD*%\nM02*\n";
// The plane of the battery narrows on its way to the winch, around a cut-out with round corners.
$third = $head('Copper,L3,Inr') . net('VBAT', region([[10.0, 6.0], [48.0, 6.0], [48.0, 34.0], [30.0, 34.0], [10.0, 26.0]])) . "%LPC*%\nG36*\n"
    . 'X' . mm(28.0) . 'Y' . mm(14.0) . "D02*\nX" . mm(36.0) . 'Y' . mm(14.0) . "D01*\nG03*\nX" . mm(38.0) . 'Y' . mm(16.0) . 'I0J' . mm(2.0) . "D01*\nG01*\nX" . mm(38.0) . 'Y' . mm(24.0)
    . "D01*\nG03*\nX" . mm(36.0) . 'Y' . mm(26.0) . 'I' . mm(-2.0) . "J0D01*\nG01*\nX" . mm(28.0) . 'Y' . mm(26.0) . "D01*\nX" . mm(28.0) . 'Y' . mm(14.0) . "D01*\nG37*\n%LPD*%\nM02*\n";
$bottom = $head('Copper,L4,Bot') . net('GND', box(1.0, 1.0, 59.0, 39.0)) . "%LPC*%\n" . at(12, $power) . "%LPD*%\n" . net('VBAT', at(11, $power)) . "M02*\n";

$drill = "M48\n; #@! TF.FileFunction,Plated,1,4,PTH\nFMAT,2\nMETRIC,TZ,000.000\nT1C" . VIA . "\n%\nG90\nG05\nT1\n";
foreach ([...$power, ...$ground] as [$x, $y]) {
    $drill .= sprintf("X%.3fY%.3f\n", $x, $y);
}

foreach (['top.gbr' => $top, 'inner-1.gbr' => $second, 'inner-2.gbr' => $third, 'bottom.gbr' => $bottom, 'holes.drl' => $drill . "M30\n"] as $name => $text) {
    file_put_contents(__DIR__ . "/$name", $text);
}

// The model of the board: 20 A of the battery to a winch, a lamp and a radio, in still air.
$packed = fn (string $text): string => base64_encode((string) gzencode($text, 9));
$length = fn (float $mm): string => "$mm mm";
$copper = fn (string $name, string $file, float $share): array => ['name' => $name, 'thickness' => '70 um', 'copper' => $share, 'artwork' => $packed($file)];
$terminal = fn (string $name, array $at, array $size, array $electric): array => ['name' => $name, 'layer' => 'Top', 'at' => array_map($length, $at), 'size' => array_map($length, $size), 'electric' => $electric];
$load = fn (string $name, string $amperes, float $y, float $back): array => [
    $terminal($name, [50.0, $y], [4.0, 3.0], ['kind' => 'current', 'current' => "-$amperes"]),
    $terminal("$name return", [53.0, $back], [4.0, 2.0], ['kind' => 'current', 'current' => $amperes]),
];
$model = [
    'format' => 'foehn-model', 'version' => 1, 'name' => 'Battery tap board',
    'parameters' => ['winch' => ['value' => '14 A', 'note' => 'winch at full pull'], 'still_air' => ['value' => '12 W/m^2/K', 'note' => 'still air, with radiation']],
    'surroundings' => ['temperature' => '40 degC'],
    'physics' => ['electric' => true],
    'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['60 mm', '40 mm', '1.58 mm']], 'fluid' => null, 'sides' => []],
    'parts' => [[
        'id' => 'board', 'name' => 'Tap board',
        'shape' => ['kind' => 'board', 'size' => ['60 mm', '40 mm'], 'layers' => [
            $copper('Bottom', $bottom, 0.93), ['thickness' => '0.2 mm'], $copper('Inner 2', $third, 0.35), ['thickness' => '0.9 mm'],
            $copper('Inner 1', $second, 0.95), ['thickness' => '0.2 mm'], $copper('Top', $top, 0.13),
        ]],
        'at' => [0, 0, 0],
        'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 'still_air', 'temperature' => '40 degC']]],
        'copper' => [
            'pixel' => '0.15 mm', 'plating' => '25 um',
            'drills' => [['name' => 'holes.drl', 'file' => $packed($drill . "M30\n")]],
            'terminals' => [
                $terminal('Battery', [6.0, 20.0], [8.0, 8.0], ['kind' => 'voltage', 'voltage' => '12 V']),
                $terminal('Battery return', [6.0, 5.5], [8.0, 8.0], ['kind' => 'ground']),
                ...$load('Winch', 'winch', 32.0, 36.5), ...$load('Lamp', '5 A', 20.0, 24.5), ...$load('Radio', '1 A', 8.0, 12.5),
            ],
        ],
    ]],
    'limits' => [
        ['id' => 'copper', 'name' => 'Copper, hottest', 'of' => ['part' => 'board'], 'quantity' => 'temperature', 'reduce' => 'max', 'atMost' => '105 degC'],
        ['id' => 'vias', 'name' => 'Current per via', 'of' => ['part' => 'board'], 'quantity' => 'viaCurrent', 'vias' => [['0.3 mm', '2 A'], ['0.6 mm', '4 A']]],
        ['id' => 'drop', 'name' => 'Voltage drop', 'of' => ['part' => 'board', 'net' => 'VBAT'], 'quantity' => 'voltageDrop', 'atMost' => '60 mV'],
        ['id' => 'inner', 'name' => 'Current density, inner layers', 'of' => ['part' => 'board', 'copper' => 'inner'], 'quantity' => 'currentDensity', 'atMost' => '60 A/mm^2'],
    ],
    'analysis' => ['grid' => ['grade' => 'scout']],
];
file_put_contents(__DIR__ . '/../battery-tap-board.json', json_encode($model, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR) . "\n");
