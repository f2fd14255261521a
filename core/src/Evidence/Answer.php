<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Observe\SurfaceSums;
use Foehn\Results\ResultBuilder;

/**
 * What a model gave: the result document, and its watches by id.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final readonly class Answer
{
    /** @var array<string, float> values of the watches by id, SI units; NAN where one has none */
    public array $watched;

    /** @param Result $result */
    public function __construct(public array $result)
    {
        $watched = [];
        foreach ($result['watches'] as $watch) {
            $watched[$watch['id']] = $watch['value'] ?? NAN;
        }
        $this->watched = $watched;
    }

    /** Heat out through a side of the space, W. */
    public function throughSide(string $side): float
    {
        return $this->result['sides'][$side]['heat'] ?? NAN;
    }

    /** Heat that a part radiates, net, W. */
    public function radiated(int $part): float
    {
        return $this->route($part, SurfaceSums::RADIATION);
    }

    /** Heat that a part takes up of sunlight, W, as what leaves it: below 0. */
    public function fromSun(int $part): float
    {
        return $this->route($part, SurfaceSums::SUN);
    }

    /** Sunlight that all surfaces take up, W. */
    public function sun(): float
    {
        $radiation = $this->result['radiation'];

        return $radiation === null ? NAN : $radiation['sun'];
    }

    private function route(int $part, string $to): float
    {
        /** @var array<string, float> $routes */
        $routes = (array) $this->result['parts'][$part]['routes'];

        return (float) ($routes[$to] ?? 0.0);
    }

    /** @return array{flow: float, rise: float} operating point of the first fan, m3/s and Pa */
    public function fan(): array
    {
        $fan = $this->result['flow']['fans'][0] ?? throw new \LogicException('no fan was computed');

        return ['flow' => $fan['flow'], 'rise' => $fan['rise']];
    }

    /** @return array{current: float, voltage: float, heat: float} of the first terminal, A and V, and W in all */
    public function terminal(): array
    {
        $electric = $this->electric();

        return ['current' => $electric['terminals'][0]['current'], 'voltage' => $electric['terminals'][0]['voltage'], 'heat' => $electric['power']];
    }

    /** @return array{terminals: list<array{part: string, name: string, face: string, kind: string, current: float, voltage: float, joint?: string}>, power: float} A into the model, V, and W in all */
    public function electric(): array
    {
        return $this->result['electric'] ?? throw new \LogicException('no currents were computed');
    }
}
