<?php

declare(strict_types=1);

// Id, title, emissivity, absorptivity of sunlight, source.
$table = 'Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, 5th ed. (2002), table A.12';
$mixed = 'Emissivity: Incropera & DeWitt (2002), table A.11; absorptivity: typical value of the trade';
$trade = 'Typical value of the trade; replace it by the data sheet of the coating in use';

return [
    ['aluminium-polished', 'Aluminium, polished', 0.03, 0.09, $table],
    ['aluminium-bare', 'Aluminium, bare, as rolled or extruded', 0.09, 0.3, $trade],
    ['aluminium-cast', 'Aluminium, cast or blasted', 0.2, 0.45, $trade],
    ['anodised-clear', 'Anodised, clear', 0.84, 0.4, $mixed],
    ['anodised-black', 'Anodised, black', 0.84, 0.88, $mixed],
    ['chromated', 'Chromated aluminium', 0.1, 0.4, $trade],
    ['copper-polished', 'Copper, polished', 0.03, 0.18, $table],
    ['copper-oxidised', 'Copper, oxidised', 0.6, 0.7, $trade],
    ['nickel-plated', 'Nickel plated', 0.1, 0.35, $trade],
    ['steel-bare', 'Steel, bare, as rolled', 0.25, 0.5, $trade],
    ['steel-oxidised', 'Steel, oxidised', 0.8, 0.8, $trade],
    ['steel-stainless', 'Stainless steel, dull', 0.21, 0.5, $table],
    ['galvanised-new', 'Galvanised sheet, clean and new', 0.13, 0.65, $table],
    ['galvanised-weathered', 'Galvanised sheet, weathered', 0.28, 0.8, $table],
    ['painted-white', 'Painted, white', 0.9, 0.26, $table],
    ['painted-grey', 'Painted, light grey', 0.9, 0.5, $trade],
    ['painted-dark', 'Painted, dark', 0.92, 0.9, $trade],
    ['painted-black', 'Painted, matt black', 0.98, 0.98, $table],
    ['solder-mask', 'Solder mask', 0.9, 0.75, $trade],
    ['moulded', 'Moulding compound or dark plastic', 0.92, 0.9, $trade],
    ['plastic-light', 'Plastic, light coloured', 0.92, 0.4, $trade],
    ['ceramic', 'Ceramic', 0.8, 0.4, $trade],
    ['glass', 'Glass', 0.9, 0.1, $mixed],
];
