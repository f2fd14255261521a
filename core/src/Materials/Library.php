<?php

declare(strict_types=1);

namespace Foehn\Materials;

/**
 * Materials by id: the built-in ones and those of a model, which win.
 *
 * @phpstan-type Table non-empty-list<array{float, float}>
 * @phpstan-type Row array{id: string, title: string, category: string, source: string, k: float|Table|array{float, float, float}, density?: float, specificHeat?: float,
 *     emissivity?: float, resistivity?: float, resistivityRise?: float, expansion?: float, melting?: float, viscosity?: float|Table}
 */
final class Library
{
    private static ?self $builtIn = null;

    /** Temperature of the resistivities in the list, K; with "resistivityRise" they rise from there by so much per kelvin. */
    private const RESISTIVITY_AT = 293.15;

    /** What a part is made of before somebody has said so. */
    public const UNDECIDED = 'undecided';

    /** @param array<string, Material> $materials */
    public function __construct(public readonly array $materials)
    {
    }

    public static function builtIn(): self
    {
        return self::$builtIn ??= self::read();
    }

    private static function read(): self
    {
        /** @var list<Row> $rows */
        $rows = require __DIR__ . '/library.php';
        $materials = [];
        foreach ($rows as $row) {
            $materials[$row['id']] = self::fromRow($row);
        }

        return new self($materials);
    }

    public function get(string $id): ?Material
    {
        return $this->materials[$id] ?? null;
    }

    public function with(Material $material): self
    {
        return new self([...$this->materials, $material->id => $material]);
    }

    /** @return list<string> up to five ids, of fluids alone or of all, that look like the given one */
    public function similar(string $id, bool $fluids = false): array
    {
        $known = array_filter($this->materials, fn (Material $material): bool => $material->fluid || ! $fluids);

        return Spelling::near($id, array_map('strval', array_keys($known)), 5);
    }

    /** @param Row $row */
    private static function fromRow(array $row): Material
    {
        $k = $row['k'];
        if (is_array($k) && ! is_array($k[0])) {
            /** @var array{float, float, float} $k */
            $laws = [PropertyLaw::constant($k[0]), PropertyLaw::constant($k[1]), PropertyLaw::constant($k[2])];
        } else {
            /** @var float|Table $k */
            $law = self::law($k);
            $laws = [$law, $law, $law];
        }

        return new Material(
            new Name($row['id'], $row['title'], $row['category'], $row['source']),
            $laws,
            new Bulk($row['density'] ?? null, $row['specificHeat'] ?? null, $row['expansion'] ?? null, $row['melting'] ?? null),
            $row['emissivity'] ?? null,
            isset($row['resistivity']) ? PropertyLaw::linear($row['resistivity'], self::RESISTIVITY_AT, $row['resistivityRise'] ?? 0.0) : null,
            $row['category'] === 'fluid' ? new FluidProperties(isset($row['viscosity']) ? self::law($row['viscosity']) : null) : null,
        );
    }

    /** @param float|Table $given a value, or pairs of temperature in K and value */
    private static function law(float|array $given): PropertyLaw
    {
        return is_array($given) ? new PropertyLaw($given) : PropertyLaw::constant($given);
    }
}
