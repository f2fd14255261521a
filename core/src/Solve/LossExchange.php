<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Model\LossTable;
use Foehn\Model\Part;
use Foehn\Observe\PartTemperatures;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Heat\HeatEquation;

/** Losses of parts and heat: watts follow the temperatures, or the currents. */
final class LossExchange implements Exchange
{
    /** @var array<int, LossTable> by index of the part */
    private array $tables = [];

    /** @param Closure(): ?Currents $currents at the last temperatures */
    public function __construct(private readonly HeatEquation $heat, private readonly Closure $currents)
    {
        $ids = array_flip(array_map(fn (Part $part): string => $part->id, $heat->model->parts));
        foreach ($heat->model->parts as $index => $part) {
            if ($part->losses !== null) {
                $this->tables[$index] = $part->losses->ofCopy(substr($part->id, strlen($part->origin())), $ids);
            }
        }
    }

    /** Those against currents change as these do, which do not follow the temperatures everywhere. */
    public function followsTemperature(): bool
    {
        return $this->tables !== [];
    }

    public function follow(?array $temperature): float
    {
        $before = array_sum($this->heat->losses->watts);
        $means = $temperature === null ? [] : PartTemperatures::of($this->heat->voxels, $temperature);
        foreach ($this->tables as $index => $table) {
            $this->heat->losses->watts[$index] = $table->law->at($table->current === null
                ? $this->temperature($index, $temperature, $means)
                : $this->current($table->current));
        }
        $now = array_sum($this->heat->losses->watts);

        return $temperature === null ? INF : abs($now - $before) / max(abs($now), 1e-300);
    }

    /**
     * K of the part as a whole, of a package its junction.
     *
     * @param ?array<int, float> $temperature
     * @param list<array{min: float, mean: float, max: float}|null> $means
     */
    private function temperature(int $index, ?array $temperature, array $means): float
    {
        $node = $temperature === null ? null : $this->heat->packages->state($index, $temperature);

        return $node['junction'] ?? $means[$index]['mean'] ?? $this->heat->model->surroundings->temperature;
    }

    /**
     * A at the terminals of a face, without a sign; 0 where no currents are computed.
     *
     * @param array{part: string, face: string} $of
     */
    private function current(array $of): float
    {
        $own = array_filter(($this->currents)()->terminals ?? [], fn (array $terminal): bool => $terminal['part'] === $of['part'] && $terminal['face'] === $of['face']);

        return abs(array_sum(array_column($own, 'current')));
    }
}
