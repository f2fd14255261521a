<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Codec\ModelInTime;
use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Model\Part;
use Foehn\Model\Watch;
use Foehn\Numerics\NonNegative;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\Analysis;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\SilentListener;
use stdClass;

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
     * @param string $json document of any model; its loads other than the source are left out
     * @param string $source id of the part that is heated
     * @param string $watch id of a watch or limit of a temperature
     * @param float $end s
     * @throws ModelException
     * @throws PhysicsException
     */
    public static function of(string $json, string $source, string $watch, float $end, ?string $grade = null, ProgressListener $listener = new SilentListener()): self
    {
        $stepped = self::stepped($json, $source, $end);
        [$model, $part] = self::heated($stepped);
        self::requireWatch($model, $watch);
        $course = Analysis::solve(ModelCodec::parse($stepped), $grade, $listener)->course ?? throw new PhysicsException('the course was stopped before its start');

        return self::fitted(self::curve($course->times, $course->values[$watch] ?? [], $part->power));
    }

    /**
     * The model with one part alone heated, from 0 s on, with everything around at one temperature, which it begins at.
     *
     * @param string $json document of any model
     * @param string $source id of the part that is heated: with its watts, or with one where it has none
     * @param float $end s
     * @return string document
     * @throws ModelException
     */
    public static function stepped(string $json, string $source, float $end): string
    {
        $model = ModelCodec::fromDocument(ModelCodec::parse($json));
        $part = array_column($model->parts, null, 'id')[$source] ?? throw ModelException::at('', sprintf('there is no part with the id "%s" to heat', $source));
        /** @var stdClass&object{parts: list<stdClass>} $document of a model that could be read */
        $document = json_decode($json);
        foreach ($document->parts as $own) {
            unset($own->losses, $own->source);
            $own->power = $own->id === $source ? ($part->power > 0.0 ? $part->power : 1.0) : 0;
        }
        self::level([$document->parts, $document->space ?? null], $model->surroundings->temperature);
        $document->surroundings = (object) array_diff_key((array) ($document->surroundings ?? []), ['radiantTemperature' => true, 'sun' => true]);
        $document->physics = (object) [...(array) ($document->physics ?? []), 'electric' => false];
        $document->analysis = (object) [...(array) ($document->analysis ?? []), 'time' => ['kind' => 'transient', 'end' => $end, 'start' => ['uniform' => $model->surroundings->temperature], 'step' => ['tolerance' => 0.05], 'keep' => 1]];

        return json_encode($document, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }

    /**
     * Everything around is at one temperature, and gives no heat: what flows in, what is beyond convection coefficients, faces with a temperature or a flux.
     *
     * @param float $ambient K
     */
    private static function level(mixed $node, float $ambient): void
    {
        if ($node instanceof stdClass && ($heat = $node->heat ?? null) instanceof stdClass) {
            $node->heat = match ($heat->kind ?? 'adiabatic') {
                'film' => (object) array_diff_key((array) $heat, ['temperature' => true]),
                'temperature' => (object) ['kind' => 'temperature', 'temperature' => $ambient],
                'flux', 'power' => (object) ['kind' => 'adiabatic'],
                default => $heat,
            };
        }
        if ($node instanceof stdClass && in_array($node->kind ?? '', ['inlet', 'outlet', 'open'], true)) {
            unset($node->temperature);
        }
        foreach (is_array($node) || $node instanceof stdClass ? (array) $node : [] as $below) {
            self::level($below, $ambient);
        }
    }

    /**
     * Of a course that was computed with a model as stepped() makes it.
     *
     * @param array{Model, Part} $heated what heated() tells of it
     * @param list<float> $times s
     * @param list<?float> $values K, of the watch
     * @throws ModelException where there is no such watch
     * @throws PhysicsException
     */
    public static function ofCourse(array $heated, string $watch, array $times, array $values): self
    {
        [$model, $source] = $heated;
        self::requireWatch($model, $watch);

        return self::fitted(self::curve($times, $values, $source->power));
    }

    /**
     * A model whose course begins at one temperature, with loads that stay, and its only part with watts.
     *
     * @param string $json document of the model
     * @return array{Model, Part}
     * @throws ModelException where it is otherwise
     */
    public static function heated(string $json): array
    {
        $inTime = new ModelInTime(ModelCodec::parse($json));
        $model = $inTime->start;
        $heated = array_values(array_filter($model->parts, fn (Part $part): bool => $part->isHeated() || $part->source !== null));
        if (count($heated) !== 1 || $heated[0]->power <= 0.0 || $inTime->moves() || $model->time?->start?->isConstant() !== true) {
            throw ModelException::at('', sprintf('a thermal impedance is read from a course in time that begins at one temperature, with one part heated; here %s', count($heated) === 1 ? ($inTime->moves() ? 'loads follow the time' : 'it begins otherwise') : count($heated) . ' parts are heated'));
        }

        return [$model, $heated[0]];
    }

    private static function requireWatch(Model $model, string $watch): void
    {
        if (array_filter([...$model->watches, ...$model->limits], fn (Watch|Limit $one): bool => $one->id === $watch && $one->quantity === 'temperature') === []) {
            throw ModelException::at('', sprintf('there is no watch or limit of a temperature with the id "%s"', $watch));
        }
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
     * @param list<float> $times s
     * @param list<?float> $values K
     * @return list<array{float, float}> s and K/W
     */
    private static function curve(array $times, array $values, float $watts): array
    {
        $curve = [];
        foreach ($times as $n => $time) {
            if (isset($values[$n], $values[0])) {
                $curve[] = [$time, ($values[$n] - $values[0]) / $watts];
            }
        }

        return $curve;
    }
}
