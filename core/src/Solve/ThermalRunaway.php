<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\ElectricCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Physics\PhysicsException;

/** There is no steady state: the heat of the currents grows with the temperature faster than the cooling takes it away. */
final class ThermalRunaway extends PhysicsException
{
    private const WHY = 'hotter conductors make more heat than the cooling takes away';

    /** @param ?float $share of the currents and voltages given up to which temperatures come to rest; null where it is not known */
    private function __construct(string $message, public readonly ?float $share)
    {
        parent::__construct($message);
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
        $given = array_merge(...array_map(fn (Part $part): array => array_map(fn (ElectricCondition $terminal): array => [$part, $terminal], $part->terminals), $model->parts));
        $currents = array_filter($given, fn (array $one): bool => $one[1]->givesCurrent());
        $among = $currents === [] ? $given : $currents;
        usort($among, fn (array $a, array $b): int => abs($b[1]->value) <=> abs($a[1]->value));
        [$part, $terminal] = $among[0];

        return sprintf('%.4g %s at face %s of "%s"', $share * abs($terminal->value), $terminal->givesCurrent() ? 'A' : 'V', $terminal->face, $part->name);
    }
}
