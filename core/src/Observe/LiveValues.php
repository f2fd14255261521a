<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Voxels;
use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Physics\Heat\HeatSystem;

/** What can be said of limits and watches at every moment of a run: extremes of whole parts, and the nodes of packages. */
final readonly class LiveValues
{
    /** @param array<string, float> $values K, by the id of the limit or watch */
    private function __construct(private Model $model, public array $values)
    {
    }

    /** @param array<int, float> $temperature of the cells, K */
    public static function of(Model $model, Voxels $voxels, HeatSystem $system, array $temperature): self
    {
        $indexOf = array_flip(array_map(fn ($part) => $part->id, $model->parts));
        $values = $low = $high = $extremes = [];
        foreach ([...$model->limits, ...$model->watches] as $asked) {
            $index = $asked->of->part === null ? null : $indexOf[$asked->of->part];
            if ($index === null || $asked->of->face !== null || $asked->quantity !== 'temperature') {
                continue;
            }
            $state = $system->packages->state($index, $temperature);
            if ($state !== null) {
                $values[$asked->id] = $state[$asked->of->node ?? 'junction'];
            } elseif ($asked->of->node === null && in_array($asked->reduce, ['min', 'max'], true)) {
                [$low[$index], $high[$index]] = [INF, -INF];
                $extremes[] = [$asked->id, $index, $asked->reduce];
            }
        }
        foreach ($extremes === [] ? [] : $voxels->owner as $cell => $part) {
            if ($part >= 0 && isset($high[$part])) {
                $t = $temperature[$cell];
                $low[$part] = $t < $low[$part] ? $t : $low[$part];
                $high[$part] = $t > $high[$part] ? $t : $high[$part];
            }
        }
        foreach ($extremes as [$id, $index, $reduce]) {
            if ($high[$index] >= $low[$index]) {
                $values[$id] = $reduce === 'min' ? $low[$index] : $high[$index];
            }
        }

        return new self($model, $values);
    }

    /** K; null while no limit can be told. */
    public function worstMargin(): ?float
    {
        $margins = array_map(fn (Limit $limit) => isset($this->values[$limit->id]) ? $limit->margin($this->values[$limit->id]) : INF, $this->model->limits);

        return $margins === [] || min($margins) === INF ? null : min($margins);
    }
}
