<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** Materials by id: the built-in ones and those of a model, which win. */
final readonly class Library
{
    /** Temperature of the resistivities in the list, K; with "resistivityRise" they rise from there by so much per kelvin. */
    private const RESISTIVITY_AT = 293.15;

    /** What a part is made of before somebody has said so. */
    public const UNDECIDED = 'undecided';

    /** @param array<string, Material> $materials */
    public function __construct(public array $materials)
    {
    }

    public static function builtIn(): self
    {
        static $library = null;

        return $library ??= new self(array_map(self::fromRow(...), array_column(require __DIR__ . '/library.php', null, 'id')));
    }

    public function get(string $id): ?Material
    {
        return $this->materials[$id] ?? null;
    }

    public function with(Material $material): self
    {
        return new self([...$this->materials, $material->id => $material]);
    }

    /** @return list<string> up to five ids that look like the given one */
    public function similar(string $id): array
    {
        $distance = [];
        foreach (array_keys($this->materials) as $known) {
            $distance[$known] = str_contains($known, $id) || str_contains($id, (string) $known) ? 0 : levenshtein(substr($id, 0, 80), (string) $known);
        }
        asort($distance);

        return array_slice(array_map('strval', array_keys($distance)), 0, 5);
    }

    /** @param array<string, mixed> $row */
    private static function fromRow(array $row): Material
    {
        $k = $row['k'];
        $laws = match (true) {
            ! is_array($k) => array_fill(0, 3, PropertyLaw::constant((float) $k)),
            is_array($k[0]) => array_fill(0, 3, new PropertyLaw($k)),
            default => array_map(PropertyLaw::constant(...), $k),
        };

        $viscosity = match (true) {
            ! isset($row['viscosity']) => null,
            is_array($row['viscosity']) => new PropertyLaw($row['viscosity']),
            default => PropertyLaw::constant((float) $row['viscosity']),
        };

        return new Material(
            $row['id'], $row['title'], $row['category'], $row['category'] === 'fluid', $laws,
            $row['density'] ?? null, $row['specificHeat'] ?? null, $row['emissivity'] ?? null,
            isset($row['resistivity']) ? PropertyLaw::linear($row['resistivity'], self::RESISTIVITY_AT, $row['resistivityRise'] ?? 0.0) : null,
            $row['expansion'] ?? null, $viscosity, $row['source'],
        );
    }
}
