<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Numerics\NonNegative;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\Analysis;
use Foehn\Solve\Course;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\SilentListener;

/**
 * The thermal impedance from a source to a watch: its rise over time after a step of the watts of one part alone, for a watt; and a
 * Foster network, sum of R (1 - exp(-t / tau)), that follows it (JESD51-14, 2010, annex).
 */
final readonly class Impedance
{
    /** Time constants that are tried, in a decade. */
    private const IN_A_DECADE = 4;

    /** Pairs whose resistance is below this share of all are left out. */
    private const LEAST = 1e-3;

    /**
     * @param list<array{float, float}> $curve s and K/W
     * @param list<array{resistance: float, tau: float}> $pairs K/W and s, of the Foster network, from the fastest
     * @param float $difference K/W, greatest of the network from the curve
     */
    private function __construct(public array $curve, public array $pairs, public float $difference)
    {
    }

    /**
     * @param array<array-key, mixed> $document of any model; its loads other than the source are left out
     * @param string $source id of the part that is heated
     * @param string $watch id of a watch or limit of a temperature
     * @param float $end s
     * @throws ModelException
     * @throws PhysicsException
     */
    public static function of(array $document, string $source, string $watch, float $end, ?string $grade = null, ProgressListener $listener = new SilentListener()): self
    {
        $model = ModelCodec::fromDocument($document);
        $parts = array_column($model->parts, null, 'id');
        $watched = array_filter([...$model->watches, ...$model->limits], fn ($one): bool => $one->id === $watch && $one->quantity === 'temperature');
        if (! isset($parts[$source]) || $watched === []) {
            throw ModelException::at('', isset($parts[$source]) ? sprintf('there is no watch or limit of a temperature with the id "%s"', $watch) : sprintf('there is no part with the id "%s" to heat', $source));
        }
        $watts = $parts[$source]->power > 0.0 ? $parts[$source]->power : 1.0;
        $solution = Analysis::solve(self::step($document, $source, $watts, $end, $model->surroundings->temperature), $grade, $listener);
        $course = $solution->course ?? throw new PhysicsException('the course was stopped before its start');

        return self::fitted(self::curve($course, $watch, $watts));
    }

    /**
     * A Foster network for a curve.
     *
     * @param list<array{float, float}> $curve s and K/W, rising in time
     */
    public static function fitted(array $curve): self
    {
        $late = array_values(array_filter($curve, fn (array $point): bool => $point[0] > 0.0));
        if (count($late) < 2) {
            throw new PhysicsException('a curve of at least two moments is needed for a network');
        }
        $last = $late[count($late) - 1][0];
        $taus = [0.3 * $late[0][0]];
        for ($tau = $taus[0] * 10.0 ** (1.0 / self::IN_A_DECADE); $tau <= 3.0 * $last; $tau *= 10.0 ** (1.0 / self::IN_A_DECADE)) {
            $taus[] = $tau;
        }
        $columns = array_map(fn (float $tau): array => array_map(fn (array $point): float => 1.0 - exp(-$point[0] / $tau), $late), $taus);
        $resistances = NonNegative::solve($columns, array_column($late, 1));
        $pairs = self::joined($taus, $resistances);
        $differences = array_map(fn (array $point): float => abs(self::at($pairs, $point[0]) - $point[1]), $late);

        return new self($curve, $pairs, max($differences));
    }

    /**
     * @param list<array{resistance: float, tau: float}> $pairs
     * @param float $time s
     * @return float K/W
     */
    public static function at(array $pairs, float $time): float
    {
        return array_sum(array_map(fn (array $pair): float => $pair['resistance'] * (1.0 - exp(-$time / $pair['tau'])), $pairs));
    }

    /**
     * Neighbours on the ladder of time constants stand for one between them.
     *
     * @param list<float> $taus
     * @param list<float> $resistances
     * @return list<array{resistance: float, tau: float}>
     */
    private static function joined(array $taus, array $resistances): array
    {
        $pairs = [];
        $all = array_sum($resistances);
        $before = -2;
        foreach ($resistances as $n => $resistance) {
            if ($resistance <= 0.0) {
                continue;
            }
            if ($n === $before + 1) {
                $last = array_pop($pairs) ?? ['resistance' => 0.0, 'tau' => $taus[$n]];
                $sum = $last['resistance'] + $resistance;
                $pairs[] = ['resistance' => $sum, 'tau' => exp(($last['resistance'] * log($last['tau']) + $resistance * log($taus[$n])) / $sum)];
            } else {
                $pairs[] = ['resistance' => $resistance, 'tau' => $taus[$n]];
            }
            $before = $n;
        }

        return array_values(array_filter($pairs, fn (array $pair): bool => $pair['resistance'] > self::LEAST * $all));
    }

    /**
     * @param array<array-key, mixed> $document
     * @return array<array-key, mixed> the same with the source alone, switched on at 0 s in surroundings of one temperature
     */
    private static function step(array $document, string $source, float $watts, float $end, float $ambient): array
    {
        $parts = is_array($document['parts'] ?? null) ? $document['parts'] : [];
        foreach ($parts as $n => $part) {
            if (is_array($part)) {
                unset($part['losses'], $part['source']);
                $parts[$n] = [...$part, 'power' => ($part['id'] ?? null) === $source ? $watts : 0];
            }
        }
        $analysis = is_array($document['analysis'] ?? null) ? $document['analysis'] : [];

        $physics = is_array($document['physics'] ?? null) ? $document['physics'] : [];

        return [...$document, 'physics' => [...$physics, 'electric' => false], 'parts' => $parts, 'analysis' => [...$analysis, 'time' => ['kind' => 'transient', 'end' => $end, 'start' => ['uniform' => $ambient], 'step' => ['tolerance' => 0.05], 'keep' => 1]]];
    }

    /** @return list<array{float, float}> */
    private static function curve(Course $course, string $watch, float $watts): array
    {
        $values = $course->values[$watch] ?? [];
        $curve = [];
        foreach ($course->times as $n => $time) {
            if (isset($values[$n], $values[0])) {
                $curve[] = [$time, ($values[$n] - $values[0]) / $watts];
            }
        }

        return $curve;
    }
}
