<?php

declare(strict_types=1);

namespace Foehn\Study\Search;

use Foehn\Numerics\GaussianProcess;
use Random\Randomizer;

/**
 * What is expected of points that were not computed: a Gaussian process for the margin of every limit and for every reading that an aim
 * asks for; formulas are known. The worth of a point is the expected gain over the best ones with every limit kept (Jones, Schonlau &
 * Welch, J. Global Optim. 13 (1998) 455; for two aims see Front), as the mean over samples that are the same for all points. Where no
 * point keeps the limits yet it is the gain in the worst margin.
 */
final readonly class Surrogate
{
    private const SAMPLES = 64;

    /** Weight of not knowing, which decides where no gain is expected anywhere. */
    private const CURIOSITY = 1e-6;

    /**
     * @param array<string, GaussianProcess> $processes by "margin ID" or "value ID"
     * @param array<string, float> $spreads of what is known of each
     * @param ?Front $front null where no point keeps the limits
     * @param Front $margins of the worst margins
     * @param list<array<string, float>> $normals samples of a standard normal for each process
     */
    private function __construct(private Search $search, private array $processes, private array $spreads, private ?Front $front, private Front $margins, private array $normals)
    {
    }

    /**
     * @param non-empty-list<list<float>> $places of the trials
     * @param non-empty-list<Trial> $trials
     */
    public static function through(Search $search, array $places, array $trials, Randomizer $random): self
    {
        $known = [];
        foreach ($trials as $key => $trial) {
            foreach ($trial->margins ?? [] as $id => $margin) {
                $known["margin $id"][$key] = $margin;
            }
            foreach ($search->aims as $aim) {
                if ($aim->kind === 'reading' && isset($trial->values[$aim->of])) {
                    $known["value $aim->of"][$key] = $aim->cost($trial->values[$aim->of]);
                }
            }
        }
        $processes = $spreads = [];
        foreach ($known as $name => $values) {
            // A point without an answer counts as the worst that was seen, so that the search stays away from it.
            $worst = str_starts_with($name, 'margin') ? min($values) : max($values);
            $processes[$name] = GaussianProcess::through($places, array_map(fn (int $key): float => $values[$key] ?? $worst, array_keys($trials)));
            $spreads[$name] = max($values) - min($values);
        }
        $costs = array_filter(array_map($search->costs(...), $trials), is_array(...));
        $kept = array_filter($costs, fn (int $key): bool => $search->isKept($trials[$key]->margins ?? []), ARRAY_FILTER_USE_KEY);
        $margins = array_map(fn (Trial $trial): array => [-min($trial->margins ?: [0.0])], array_filter($trials, fn (Trial $trial): bool => ($trial->margins ?? []) !== []));
        $normals = array_map(fn (): array => array_map(fn (): float => self::normal($random), $processes), range(1, self::SAMPLES));

        return new self($search, $processes, $spreads, $kept === [] ? null : Front::of($kept), Front::of($margins === [] ? [[0.0]] : $margins), $normals);
    }

    /** The same as if it were certain of what it expects. */
    public function certain(): self
    {
        return new self($this->search, $this->processes, $this->spreads, $this->front, $this->margins, [array_map(fn (): float => 0.0, $this->processes)]);
    }

    /**
     * The same as if a place had been computed and had turned out as expected.
     *
     * @param list<float> $place
     */
    public function expecting(array $place): self
    {
        $processes = array_map(fn (GaussianProcess $process): GaussianProcess => $process->with($place, $process->at($place)[0]), $this->processes);

        return new self($this->search, $processes, $this->spreads, $this->front, $this->margins, $this->normals);
    }

    /**
     * @param list<list<float>> $places
     * @return ?list<float> the most worthwhile; null where there is none
     */
    public function bestOf(array $places): ?array
    {
        [$best, $most] = [null, -INF];
        foreach ($places as $place) {
            $worth = $this->worth($place);
            if ($worth > $most) {
                [$best, $most] = [$place, $worth];
            }
        }

        return $best;
    }

    /** A sample of a standard normal (Box & Muller, Ann. Math. Stat. 29 (1958) 610). */
    public static function normal(Randomizer $random): float
    {
        $uniform = fn (): float => $random->getInt(1, 1 << 30) / (1 << 30);

        return sqrt(-2.0 * log($uniform())) * cos(2.0 * M_PI * $uniform());
    }

    /** @param list<float> $place */
    private function worth(array $place): float
    {
        $expected = array_map(fn (GaussianProcess $process): array => $process->at($place), $this->processes);
        $parameters = $this->search->parametersOf($place);
        $doubt = 0.0;
        foreach ($expected as $name => [, $deviation]) {
            $doubt += $this->spreads[$name] > 0.0 ? $deviation / $this->spreads[$name] : 0.0;
        }
        $fixed = array_map(fn (Aim $aim): ?float => $aim->kind === 'formula' ? $aim->cost((float) $aim->value([], [], $parameters)) : null, $this->search->aims);
        $gain = 0.0;
        foreach ($this->normals as $normals) {
            $margins = $values = [];
            foreach ($expected as $name => [$mean, $deviation]) {
                $sample = $mean + $deviation * $normals[$name];
                [$kind, $id] = explode(' ', $name, 2);
                if ($kind === 'margin') {
                    $margins[$id] = $sample;
                } else {
                    $values[$id] = $sample;
                }
            }
            if ($this->front === null) {
                $gain += $this->margins->gain([-min($margins ?: [0.0])]);
            } elseif ($this->search->isKept($margins)) {
                $gain += $this->front->gain(array_map(
                    fn (Aim $aim, ?float $cost): float => $cost ?? ($aim->kind === 'margin' ? $aim->cost(min($margins ?: [0.0])) : $values[$aim->of]), $this->search->aims, $fixed,
                ));
            }
        }

        return $gain / count($this->normals) + self::CURIOSITY * $doubt;
    }
}
