<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\BoardTerminal;
use Foehn\Model\ElectricCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Physics\PhysicsException;

/** There is no steady state: the heat of the currents grows with the temperature faster than the cooling takes it away. */
final class ThermalRunaway extends PhysicsException
{
    /** Only what runs away becomes hotter, K: close to the limit of a law without end temperatures come to rest far above all that is solid. */
    private const HOTTEST = 1e5;

    private const WHY = 'hotter conductors make more heat than the cooling takes away';

    /** @param ?float $share of the currents and voltages given up to which temperatures come to rest; null where it is not known */
    private function __construct(string $message, public readonly ?float $share)
    {
        parent::__construct($message);
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K
     * @throws self where they are beyond all that comes to rest
     */
    public static function refuse(?array $temperature): void
    {
        if ($temperature !== null && $temperature !== [] && max($temperature) > self::HOTTEST) {
            throw self::found();
        }
    }

    public static function found(): self
    {
        return new self('thermal runaway: there is no steady state, ' . self::WHY . '; lower the currents, or cool better', null);
    }

    /** @param float $share of what is given up to which temperatures come to rest; 0 where they do not even for hardly any */
    public static function beyond(float $share, Model $model): self
    {
        return new self($share > 0.0
            ? sprintf('thermal runaway: steady up to %s, %.1f %% of what is given; beyond, %s', self::strongest($share, $model), 100.0 * $share, self::WHY)
            : 'thermal runaway: steady at no share of the currents given; ' . self::WHY, $share);
    }

    /** The terminal with the greatest current given, or voltage where no current is, at a share of it. */
    private static function strongest(float $share, Model $model): string
    {
        $given = array_merge(...array_map(self::given(...), $model->parts));
        $currents = array_filter($given, fn (array $one): bool => $one[0]->givesCurrent());
        $among = $currents === [] ? $given : $currents;
        usort($among, fn (array $a, array $b): int => abs($b[0]->value) <=> abs($a[0]->value));
        [$terminal, $where] = $among[0];

        return sprintf('%.4g %s at %s', $share * abs($terminal->value), $terminal->givesCurrent() ? 'A' : 'V', $where);
    }

    /** @return list<array{ElectricCondition, string}> what is stated at faces of a part and at its copper, and where */
    private static function given(Part $part): array
    {
        return [
            ...array_map(fn (ElectricCondition $terminal): array => [$terminal, sprintf('face %s of "%s"', $terminal->face, $part->name)], $part->terminals),
            ...array_map(fn (BoardTerminal $terminal): array => [$terminal->condition, sprintf('"%s" of "%s"', $terminal->name, $part->name)], $part->copper->terminals ?? []),
        ];
    }
}
