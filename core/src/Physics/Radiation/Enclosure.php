<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;

/** What the surfaces between the parts see of each other and of the surroundings, and the light in which each stands. */
final readonly class Enclosure
{
    /** Rays of an average patch: the net heat of a part is then right to less than 1 %. */
    private const RAYS = 256;

    private Radiosity $radiosity;

    /**
     * @param array<int, float> $emissivity by element
     * @param float $radiant sigma T^4 of the surroundings, W/m2
     */
    public function __construct(private CavityFaces $faces, Voxels $voxels, private array $emissivity, private float $radiant)
    {
        $own = array_map(fn (): float => 0.0, $faces->areas);
        foreach ($faces->patch as $face => $patch) {
            $one = $faces->element[$face] === SurfaceElements::NONE ? 1.0 : $emissivity[$faces->element[$face]] ?? 0.0;
            $own[$patch] += $one * $faces->area[$face] / $faces->areas[$patch];
        }
        $this->radiosity = new Radiosity(Links::of($voxels->grid, $faces, self::RAYS)->seen, $faces->areas, $own);
    }

    /**
     * @param array<int, float> $about K of each element
     * @return array<int, float> irradiation of each element, W/m2; of those that are outside that of the surroundings
     */
    public function irradiation(array $about): array
    {
        $emission = array_map(fn (): float => 0.0, $this->faces->areas);
        foreach ($this->faces->patch as $face => $patch) {
            $e = $this->faces->element[$face];
            $own = $e === SurfaceElements::NONE ? $this->radiant : Emission::SIGMA * ($about[$e] ?? 0.0) ** 4;
            $emission[$patch] += $own * $this->faces->area[$face] / $this->faces->areas[$patch];
        }
        $light = $this->radiosity->irradiation($emission);
        $found = array_map(fn (): float => $this->radiant, $about);
        foreach ($this->faces->patch as $face => $patch) {
            $e = $this->faces->element[$face];
            if (isset($this->emissivity[$e])) {
                $found[$e] = $light[$patch];
            }
        }

        return $found;
    }
}
