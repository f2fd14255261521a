<?php

declare(strict_types=1);

namespace Foehn\Exchange;

use Foehn\Model\Watch;

/**
 * Numbers with their units as the interface shows them: of one system, "mm" (mm, °C), "si" (m, K) or "us" (in, °F), or of one for lengths,
 * one for temperatures and one for flows and speeds, such as "mm mm us".
 */
final readonly class ReportUnits
{
    /** What a set may be. */
    public const SET = '/^(mm|si|us)( (mm|si|us) (mm|si|us))?$/D';

    private const TEMPERATURES = ['temperature', 'outflowTemperature', 'bulkTemperature'];

    private string $length;

    private string $temperature;

    private string $flow;

    /** @param string $set see SET */
    public function __construct(string $set)
    {
        $each = explode(' ', $set);
        [$this->length, $this->temperature, $this->flow] = [$each[0], $each[1] ?? $each[0], $each[2] ?? $each[0]];
    }

    public function temperature(?float $kelvin): string
    {
        return $kelvin === null ? '–' : match ($this->temperature) {
            'si' => self::number($kelvin, 2) . ' K',
            'us' => self::number(1.8 * $kelvin - 459.67, 1) . ' °F',
            default => self::number($kelvin - 273.15, 1) . ' °C',
        };
    }

    /** Signed. */
    public function difference(?float $kelvin): string
    {
        return $kelvin === null ? '–' : ($kelvin > 0 ? '+' : '') . ($this->temperature === 'us' ? self::number(1.8 * $kelvin, 1) . ' °F' : self::number($kelvin, 1) . ' K');
    }

    /** @param array<int, float> $metres */
    public function lengths(array $metres): string
    {
        [$factor, $unit] = match ($this->length) {
            'si' => [1.0, 'm'], 'us' => [1.0 / 0.0254, 'in'], default => [1e3, 'mm'],
        };

        return implode(' × ', array_map(fn (float $length) => self::digits($length * $factor, 4), $metres)) . " $unit";
    }

    public function watts(float $watts): string
    {
        return self::number($watts, 2) . ' W';
    }

    /** A value of a limit or watch. */
    public function reading(?float $value, string $quantity, string $reduce = ''): string
    {
        return match (true) {
            $value === null => '–',
            str_ends_with($reduce, 'At') => $this->lengths([$value]),
            in_array($quantity, self::TEMPERATURES, true) => $this->temperature($value),
            default => $this->amount($value, $quantity, $reduce),
        };
    }

    /** A margin or a ± of a limit or watch. */
    public function spread(?float $value, string $quantity, string $reduce = ''): string
    {
        return match (true) {
            $value === null => 'unknown',
            str_ends_with($reduce, 'At') => $this->lengths([$value]),
            in_array($quantity, self::TEMPERATURES, true) => $this->difference($value),
            default => $this->amount($value, $quantity, $reduce),
        };
    }

    private function amount(float $value, string $quantity, string $reduce): string
    {
        return match ($quantity) {
            'volumeFlow' => $this->flow === 'us' ? self::digits($value * 2118.88, 4) . ' cfm' : self::digits(1e3 * $value, 4) . ' l/s',
            'currentDensity' => self::digits(1e-6 * $value, 4) . ' A/mm²',
            'massFlow' => self::digits(1e3 * $value, 4) . ' g/s',
            'speed', 'velocity' => $this->flow === 'us' ? self::digits($value * 196.850394, 4) . ' ft/min' : self::digits($value, 4) . ' m/s',
            default => trim(self::digits($value, 4) . ' ' . Watch::unit($quantity, $reduce)),
        };
    }

    public static function number(float $value, int $decimals): string
    {
        return str_replace('-', '−', number_format(round($value, $decimals) + 0.0, $decimals, '.', "\u{202f}"));
    }

    public static function digits(float $value, int $digits): string
    {
        return str_replace('-', '−', sprintf("%.{$digits}G", $value));
    }
}
