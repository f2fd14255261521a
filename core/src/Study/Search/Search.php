<?php

declare(strict_types=1);

namespace Foehn\Study\Search;

use Foehn\Codec\DocumentField;
use Foehn\Codec\ModelCodec;
use Foehn\Codec\ParametersReader;
use Foehn\Codec\Problems;
use Foehn\Model\ModelException;
use Foehn\Numerics\LatinHypercube;
use Foehn\Observe\Masses;
use Foehn\Study\SweepPlan;
use Foehn\Study\Variation;
use Foehn\Units\Parameters;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Looks for the best values of the varied parameters with few runs. A Latin hypercube comes first; then, a few at a time, the points at
 * which the surrogate of what was read (see Surrogate) expects most. What it asks for depends only on the plan, its seed and what the runs
 * read.
 */
final readonly class Search
{
    public const MOST_RUNS = 300;

    public const MOST_VARIED = 8;

    /** Points that are asked for at once, so that several workers have something to do. */
    private const TOGETHER = 4;

    /** Values are asked for to this share of their range, so that they are written with few digits. */
    private const FINENESS = 1000;

    /** Places that are looked at to find the next point: all over the ranges, and around each of the best points far and near. */
    private const EVERYWHERE = 400;

    private const AROUND = 40;

    private const NEAR = [0.1, 0.02];

    private const BEST = 6;

    /**
     * @param array<string, mixed> $parameters of the document
     * @param non-empty-list<Variation> $variations
     * @param non-empty-list<Aim> $aims
     * @param ?float $margin K that every limit has to be kept by
     */
    private function __construct(private array $parameters, private array $variations, public array $aims, public ?float $margin, private int $runs, private int $seed)
    {
    }

    /**
     * @param array<mixed> $document of the model
     * @param array<string, string> $variations ranges or lists by the name of a parameter or a field of a part (see Variation)
     * @param array<mixed> $aims one or two of {kind, of, most} (see Aim)
     * @param ?float $margin K that every limit has to be kept by
     * @throws ModelException that says what was given and what would be right
     */
    public static function read(array $document, array $variations, array $aims, ?float $margin, int $runs, int $seed = 1): self
    {
        $read = SweepPlan::variations($document, $variations);
        foreach ($read as $variation) {
            if (min($variation->values) === max($variation->values)) {
                throw ModelException::at('', sprintf('"%s" has one value only; give a range such as "20 mm .. 40 mm" or a list', $variation->name));
            }
        }
        if (count($read) > self::MOST_VARIED) {
            throw ModelException::at('', sprintf('a search varies at most %d parameters, not %d', self::MOST_VARIED, count($read)));
        }
        $fewest = count($read) + 2;
        if ($runs < $fewest || $runs > self::MOST_RUNS) {
            throw ModelException::at('', sprintf('a search over %d parameters has %d to %d runs, not %d', count($read), $fewest, self::MOST_RUNS, $runs));
        }
        if (count($aims) < 1 || count($aims) > 2) {
            throw ModelException::at('', sprintf('a search has one aim or two, not %d', count($aims)));
        }
        $model = ModelCodec::fromDocument($document);
        if ($model->limits === [] && ($margin !== null || in_array('margin', array_column($aims, 'kind'), true))) {
            throw ModelException::at('', 'the model has no limits, and so no margin to look for; add limits first');
        }
        $readings = [...array_column($model->limits, 'id'), ...array_column($model->watches, 'id'), Masses::READING];
        $parameters = $document['parameters'] ?? [];
        /** @var array<string, mixed> $parameters */
        $parameters = is_array($parameters) ? $parameters : [];
        $evaluated = ParametersReader::read($parameters, new Problems());

        return new self($parameters, $read, array_map(fn (mixed $aim): Aim => Aim::read(is_array($aim) ? $aim : [], $readings, $evaluated), array_values($aims)), $margin, $runs, $seed);
    }

    /**
     * The search of a plan as it is kept: "variations" by name, "aims", "margin", "count" of runs and "seed".
     *
     * @param array<mixed> $document of the model
     * @param array<string, mixed> $plan
     * @throws ModelException
     */
    public static function of(array $document, array $plan): self
    {
        /** @var array{variations?: array<string, string>, aims?: array<mixed>, margin?: int|float|null, count?: int, seed?: int} $plan */
        return self::read($document, $plan['variations'] ?? [], $plan['aims'] ?? [], isset($plan['margin']) ? (float) $plan['margin'] : null, $plan['count'] ?? 0, $plan['seed'] ?? 1);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_column($this->variations, 'name');
    }

    /**
     * The points to compute next; none when all runs are spent or nothing new is left.
     *
     * @param list<Trial> $trials all that were asked for so far, each over
     * @return list<array{list<string>, list<float>}> values as they are written into the model, and in SI units
     */
    public function next(array $trials): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($this->seed + count($trials)));
        if ($trials === []) {
            return array_map($this->pointAt(...), $this->hypercube(min($this->runs, max(6, 2 * count($this->variations) + 3)), $random));
        }
        $known = array_map(fn (Trial $trial): array => $this->placeOf($trial->numbers), $trials);
        $surrogate = Surrogate::through($this, $known, $trials, $random);
        $points = [];
        $left = min(self::TOGETHER, $this->runs - count($trials));
        while (count($points) < $left) {
            $best = array_slice($this->best($trials), 0, self::BEST);
            // One of them is where the surrogate, taken at its word, is best: without it the last steps to the best point are small for long.
            $judge = $points === [] ? $surrogate->certain() : $surrogate;
            $place = $judge->bestOf($this->candidates($best === [] ? array_keys($known) : $best, $known, $random));
            if ($place === null) {
                break;
            }
            $known[] = $place;
            $points[] = $this->pointAt($place);
            $surrogate = count($points) < $left ? $surrogate->expecting($place) : $surrogate;
        }

        return $points;
    }

    /**
     * The points that keep every limit by the margin and that no other such point beats; with one aim a single one.
     *
     * @param array<int, Trial> $trials
     * @return list<int> keys of the trials
     */
    public function best(array $trials): array
    {
        $costs = [];
        foreach ($trials as $key => $trial) {
            $cost = $this->costs($trial);
            if ($cost !== null && $this->isKept($trial->margins ?? [])) {
                $costs[$key] = $cost;
            }
        }

        return Front::best($costs);
    }

    /**
     * What the aims are at a point, SI units.
     *
     * @return ?list<?float> null where the run gave no answer
     */
    public function values(Trial $trial): ?array
    {
        $parameters = $this->parametersAt($trial->texts);

        return $trial->margins === null ? null : array_map(fn (Aim $aim): ?float => $aim->value($trial->margins, $trial->values, $parameters), $this->aims);
    }

    /** @return ?list<float> the aims as costs; null where one is not known */
    public function costs(Trial $trial): ?array
    {
        $values = $this->values($trial);
        if ($values === null || in_array(null, $values, true)) {
            return null;
        }

        return array_map(fn (Aim $aim, ?float $value): float => $aim->cost((float) $value), $this->aims, $values);
    }

    /** @param array<string, float> $margins K, by limit */
    public function isKept(array $margins): bool
    {
        return $this->margin === null || ($margins !== [] && min($margins) >= $this->margin);
    }

    /** @param list<float> $place */
    public function parametersOf(array $place): Parameters
    {
        return $this->parametersAt($this->pointAt($place)[0]);
    }

    /** @param list<string> $texts */
    private function parametersAt(array $texts): Parameters
    {
        $own = array_filter(array_combine($this->names(), $texts), fn (string $name): bool => ! DocumentField::is($name), ARRAY_FILTER_USE_KEY);

        return ParametersReader::read([...$this->parameters, ...$own], new Problems());
    }

    /**
     * @param list<float> $place
     * @return array{list<string>, list<float>}
     */
    private function pointAt(array $place): array
    {
        return [
            array_map(fn (Variation $variation, float $share): string => $variation->nearest($share), $this->variations, $place),
            array_map(fn (Variation $variation, float $share): float => $variation->number($share), $this->variations, $place),
        ];
    }

    /**
     * Where values lie between the least and the greatest, 0 to 1.
     *
     * @param list<float> $numbers
     * @return list<float>
     */
    private function placeOf(array $numbers): array
    {
        return array_map(fn (Variation $variation, float $number): float => $variation->share($number), $this->variations, $numbers);
    }

    /** @return list<list<float>> places of a Latin hypercube */
    private function hypercube(int $count, Randomizer $random): array
    {
        $columns = [];
        foreach ($this->variations as $variation) {
            $shares = LatinHypercube::shares($count, $random, fn (): float => $random->getInt(0, self::FINENESS) / self::FINENESS);
            $columns[] = array_map(fn (float $share): float => $this->rounded($share, $variation), $shares);
        }

        return array_map(fn (int $n): array => array_column($columns, $n), range(0, $count - 1));
    }

    /**
     * @param array<int, int> $best keys of places around which to look
     * @param list<list<float>> $known places that need no second run
     * @return list<list<float>>
     */
    private function candidates(array $best, array $known, Randomizer $random): array
    {
        $places = $this->hypercube(self::EVERYWHERE, $random);
        foreach ($best as $key) {
            foreach (self::NEAR as $by) {
                for ($n = 0; $n < self::AROUND; $n++) {
                    $places[] = array_map(fn (Variation $variation, float $share): float => $this->rounded($share + $by * Surrogate::normal($random), $variation), $this->variations, $known[$key]);
                }
            }
        }
        $new = [];
        foreach ($places as $place) {
            $new[implode(' ', $place)] = $place;
        }

        return array_values(array_diff_key($new, array_flip(array_map(fn (array $place): string => implode(' ', $place), $known))));
    }

    private function rounded(float $share, Variation $variation): float
    {
        return $variation->share($variation->number(round(max(0.0, min(1.0, $share)) * self::FINENESS) / self::FINENESS));
    }
}
