<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\Limit;
use Foehn\Model\Target;
use Foehn\Model\Watch;
use Foehn\Observe\Gradient;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\TwoResistancePackage;
use Foehn\Solve\LinearHeat;

/**
 * What every heated part does to every temperature: kelvin per watt, with the flow, the currents and the properties of the state kept
 * (see LinearHeat), so that temperatures at other watts are sums. A greatest or least temperature may move to another place. It is
 * therefore given at several places, where it is now and where it is with more and less of each source, and is the extreme of the sums there.
 *
 * @phpstan-type Place array{value: float, perWatt: list<float>}
 * @phpstan-type InfluenceRow array{part: ?string, node: ?string, id: ?string, reduce: string, places: non-empty-list<Place>}
 * @phpstan-type Source array{part: string, power: float}
 */
final readonly class Influence
{
    /** Changes of the watts of each source, as shares of what they are, at which extremes are looked for. */
    private const TRIED = [-1.0, -0.5, 1.0, 3.0];

    /** @var list<array<int, float>> K/W per cell, by source */
    public array $answers;

    /** @var list<Source> the heated parts and their watts as they are */
    public array $sources;

    /** @var list<InfluenceRow> of every part (of a package its nodes), limit and watch that sees a temperature, K and K/W by source */
    public array $rows;

    /**
     * @param ?callable(int, int): void $progress sources done, and all
     * @throws PhysicsException
     */
    public function __construct(private LinearHeat $heat, ?callable $progress = null)
    {
        $state = $heat->state;
        $asked = $this->asked();
        $readings = new Readings($state);
        $now = array_map($readings->of(...), $asked);
        $parameters = (new Parameters($state->model))->powers();
        $sources = $answers = $direct = [];
        foreach ($parameters as $n => $parameter) {
            $power = (float) $parameter->value;
            $model = ($parameter->changed)(1.0 / $power);
            $system = $heat->systemOf($model);
            $answers[] = $heat->answer($heat->residual($model, $system));
            $sources[] = ['part' => (string) $parameter->of, 'power' => $power];
            // What a watt does at temperatures that stay: it warms the junction of its own package.
            $warmer = new Readings(new State($model, $state->voxels, $system, $state->temperature, $state->flow, $state->currents, boards: $state->boards));
            $direct[] = array_map(fn (Watch|Limit $one, ?float $before): float => (float) $warmer->of($one) - (float) $before, $asked, $now);
            $progress === null ?: $progress($n + 1, count($parameters));
        }
        [$this->sources, $this->answers] = [$sources, $answers];
        $this->rows = $this->rowsOf($asked, $now, $direct);
    }

    /** @return list<Watch|Limit> what is read: the temperatures of each part, of a package those of its nodes, then limits and watches */
    private function asked(): array
    {
        $model = $this->heat->state->model;
        $asked = [];
        foreach ($model->parts as $part) {
            $of = fn (?string $node, string $reduce): Watch => new Watch('', $part->id, new Target($part->id, null, $node, null, null), 'temperature', $reduce);
            array_push($asked, ...($part->shape instanceof TwoResistancePackage
                ? array_map(fn (string $node): Watch => $of($node, 'max'), Target::NODES)
                : array_map(fn (string $reduce): Watch => $of(null, $reduce), ['max', 'mean', 'min'])));
        }

        return [...$asked, ...$model->limits, ...$model->watches];
    }

    /**
     * @param list<Watch|Limit> $asked
     * @param list<?float> $now
     * @param list<list<float>> $direct by source and what is asked
     * @return list<InfluenceRow>
     */
    private function rowsOf(array $asked, array $now, array $direct): array
    {
        $gradient = new Gradient($this->heat->state);
        $rows = [];
        foreach ($asked as $n => $one) {
            $weights = $gradient->of($one);
            if ($weights !== null && isset($now[$n])) {
                $index = $one->of->side === null && $one->of->face === null && in_array($one->reduce, ['min', 'max'], true) ? $this->bodyOf($one) : null;
                $places = $index === null
                    ? [['value' => $now[$n], 'perWatt' => $this->weighted($weights, array_column($direct, $n))]]
                    : $this->placesIn($index, $one->reduce, (int) array_key_first($weights));
                $rows[] = ['part' => $one->of->part, 'node' => $one->of->node, 'id' => $one->id === '' ? null : $one->id, 'reduce' => $one->reduce, 'places' => $places];
            }
        }

        return $rows;
    }

    /**
     * @param array<int, float> $weights by cell
     * @param list<float> $direct K/W by source
     * @return list<float> K/W by source
     */
    private function weighted(array $weights, array $direct): array
    {
        $perWatt = [];
        foreach ($this->answers as $source => $answer) {
            $sum = $direct[$source];
            foreach ($weights as $cell => $weight) {
                $sum += $weight * $answer[$cell];
            }
            $perWatt[] = $sum;
        }

        return $perWatt;
    }

    /** Index of the part over whose body something is greatest or least; null for a package, which is seen at its nodes. */
    private function bodyOf(Watch|Limit $asked): ?int
    {
        $index = array_search($asked->of->part, array_column($this->heat->state->model->parts, 'id'), true);

        return is_int($index) && $this->heat->state->system->packages->weights($index, 'case') === null ? $index : null;
    }

    /**
     * Places of a part where its greatest or least temperature may come to be.
     *
     * @param int $now cell where it is
     * @return non-empty-list<Place>
     */
    private function placesIn(int $part, string $reduce, int $now): array
    {
        $cells = array_keys($this->heat->state->voxels->owner, $part, true) ?: [$now];
        $places = [$now => true];
        $temperature = $this->heat->state->temperature;
        foreach ($this->answers as $source => $answer) {
            foreach (self::TRIED as $share) {
                $watts = $share * $this->sources[$source]['power'];
                $own = array_map(fn (int $cell): float => $temperature[$cell] + $watts * $answer[$cell], $cells);
                $places[$cells[(int) array_search($reduce === 'min' ? min($own) : max($own), $own, true)]] = true;
            }
        }

        return array_map(fn (int $cell): array => ['value' => $temperature[$cell], 'perWatt' => array_column($this->answers, $cell)], array_keys($places));
    }
}
