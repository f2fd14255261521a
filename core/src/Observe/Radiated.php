<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Space;

/** What the surfaces of a state radiate: to the surroundings, to each other, and what they take up of the sun. */
final class Radiated
{
    /** Names in the table of exchange of what is no part. */
    public const SURROUNDINGS = 'surroundings';

    private const OTHERS = 'others';

    /** Bodies in the table of exchange with a row of their own; the rest is taken together. */
    private const MOST = 24;

    /** Rows with less than this share of the largest are left out. */
    private const LEAST = 1e-4;

    /**
     * W that all surfaces radiate, net, K of what they radiate to, W of sunlight that they take up, and the net heat between any two
     * bodies that see each other, over all reflections; null where radiation is not computed.
     *
     * @return ?array{out: float, towards: float, sun: float, exchange: list<array{from: string, to: string, heat: float}>}
     */
    public static function of(State $state): ?array
    {
        if (! $state->model->physics->radiates()) {
            return null;
        }
        $surfaces = $state->system->surfaces;
        $out = $sun = 0.0;
        foreach ($surfaces->elements->cell as $e => $_) {
            $out += $surfaces->radiated($e, $state->temperature) + $surfaces->radiatedOut($e, $state->temperature);
            $sun += $surfaces->sun($e);
        }

        return ['out' => $out, 'towards' => $state->model->surroundings->radiant(), 'sun' => $sun, 'exchange' => self::exchange($state)];
    }

    /** @return list<array{from: string, to: string, heat: float}> by heat, the largest first */
    private static function exchange(State $state): array
    {
        if ($state->enclosure === null) {
            return [];
        }
        $surfaces = $state->system->surfaces;
        $about = $bodies = $net = [];
        foreach ($surfaces->elements->part as $e => $part) {
            $about[$e] = $surfaces->surfaceTemperature($e, $state->temperature);
            $bodies[$e] = $part >= 0 ? $state->model->parts[$part]->id : ($surfaces->elements->side[$e] >= 0 ? 'side ' . Space::SIDES[$surfaces->elements->side[$e]] : self::OTHERS);
            $net[$bodies[$e]] = ($net[$bodies[$e]] ?? 0.0) + $surfaces->radiated($e, $state->temperature);
        }
        uasort($net, fn (float $a, float $b): int => abs($b) <=> abs($a));
        $own = array_flip(array_map('strval', array_keys(array_slice($net, 0, self::MOST, true))));
        $sent = $state->enclosure->sent($about, array_map(fn (string $body): string => isset($own[$body]) ? $body : self::OTHERS, $bodies), self::SURROUNDINGS);
        $rows = [];
        $names = array_map('strval', array_keys($sent));
        foreach ($names as $n => $one) {
            foreach (array_slice($names, $n + 1) as $other) {
                $heat = ($sent[$one][$other] ?? 0.0) - ($sent[$other][$one] ?? 0.0);
                $rows[] = $heat >= 0.0 ? ['from' => $one, 'to' => $other, 'heat' => $heat] : ['from' => $other, 'to' => $one, 'heat' => -$heat];
            }
        }
        usort($rows, fn (array $a, array $b): int => $b['heat'] <=> $a['heat']);
        $least = self::LEAST * ($rows[0]['heat'] ?? 0.0);

        return array_values(array_filter($rows, fn (array $row): bool => $row['heat'] > $least));
    }
}
