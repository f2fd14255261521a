<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\SurfaceElements;

/** What is known at the surfaces of a state, one value for each of its surface elements. */
final readonly class SurfaceFields
{
    private const SHADES = 12;

    public SurfaceElements $elements;

    /** @var array<int, float> K */
    public array $temperature;

    /** @var array<int, float> W/m2 out of the part, on the true area of the surface */
    public array $heatFlux;

    /** @var array<int, float> W/m2 of it that is radiated, net; 0 where the surface does not radiate */
    public array $radiated;

    /** @var array<int, float> W/m2 of radiation that meets the surface; 0 where it does not radiate */
    public array $irradiation;

    /** @var array<int, float> W/m2 of sunlight that meets it */
    public array $sunlight;

    /** @var array<int, ?float> one of SHADES numbers from 1 of the patch that the surface counts to, so that neighbours are told apart; null where it sees no other surface */
    public array $patch;

    /** @var array<int, ?float> K of the fluid in the cell beside the surface, or of what a convection coefficient is stated against; null at contacts, held and insulated surfaces */
    public array $fluidTemperature;

    /** @var array<int, ?float> W/m2/K between the surface and that fluid; null where there is none, or where both are as warm */
    public array $coefficient;

    public function __construct(State $state)
    {
        $surfaces = $state->system->surfaces;
        $elements = $this->elements = $surfaces->elements;
        $temperature = $flux = $fluid = $coefficient = $radiated = [];
        foreach ($elements->cell as $e => $_) {
            $temperature[$e] = $surfaces->surfaceTemperature($e, $state->temperature);
            $heat = $surfaces->heatOut($e, $state->temperature);
            $flux[$e] = $heat / $elements->area[$e];
            $fluid[$e] = self::beside($state, $e);
            // What is given at the surface itself leaves it into the fluid too.
            $away = $fluid[$e] === null ? 0.0 : $temperature[$e] - $fluid[$e];
            $radiated[$e] = $surfaces->radiated($e, $state->temperature) / $elements->area[$e];
            $coefficient[$e] = $away === 0.0 ? null : (($heat + $surfaces->given[$e]) / $elements->area[$e] - $radiated[$e]) / $away;
        }
        $patches = $state->enclosure?->patches() ?? [];
        $keys = array_keys($elements->cell);
        $this->irradiation = array_map(fn (int $e): float => $surfaces->irradiation[$e] ?? 0.0, $keys);
        $this->sunlight = array_map(fn (int $e): float => $surfaces->sunlight[$e] ?? 0.0, $keys);
        $this->patch = array_map(fn (int $e): ?float => isset($patches[$e]) ? 1.0 + $patches[$e] % self::SHADES : null, $keys);
        [$this->temperature, $this->heatFlux, $this->radiated, $this->fluidTemperature, $this->coefficient] = [$temperature, $flux, $radiated, $fluid, $coefficient];
    }

    private static function beside(State $state, int $e): ?float
    {
        $surfaces = $state->system->surfaces;
        $elements = $surfaces->elements;
        if ($elements->other[$e] >= 0) {
            return $elements->otherPart[$e] >= 0 || $elements->part[$e] < 0 ? null : $state->temperature[$elements->other[$e]];
        }

        return $surfaces->coefficient[$e] > 0.0 && $surfaces->coefficient[$e] < INF ? $surfaces->ambient[$e] : null;
    }
}
