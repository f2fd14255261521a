<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Physics\PhysicsException;
use Foehn\Results\FieldFile;
use Foehn\Solve\LinearHeat;

/**
 * What a run tells of other designs near by, as it is stored and served: the influence of every source, and what would help the limit
 * with the least margin. All in SI units; see docs/model-format.md.
 *
 * @phpstan-import-type Source from Influence
 * @phpstan-import-type InfluenceRow from Influence
 * @phpstan-import-type SensitivityRow from Sensitivities
 * @phpstan-import-type TolerancesDocument from Tolerances
 * @phpstan-type WhatIfDocument array{sources: list<Source>, values: list<InfluenceRow>, richardson: ?float, limit: ?string, helps: list<SensitivityRow>, tolerances: ?TolerancesDocument}
 */
final readonly class WhatIf
{
    /** Name of the document among the files. */
    public const DOCUMENT = 'whatif.json';

    /** @param WhatIfDocument $document */
    private function __construct(public array $document, private Influence $influence)
    {
    }

    /**
     * @param array<mixed> $document of the model, whose tolerances may be newer than the run
     * @param callable(float): void $progress share that is done
     * @throws PhysicsException
     */
    public static function of(LinearHeat $heat, array $document, callable $progress): self
    {
        // The adjoint is one solution, the parameters are many but light: about as long as the solutions of the sources.
        $influence = new Influence($heat, fn (int $done, int $all) => $progress(0.4 * $done / $all));
        $sensitivities = new Sensitivities($heat);
        $limit = $sensitivities->worst();
        $helps = $limit === null ? [] : $sensitivities->of($limit, fn (int $done, int $all) => $progress(0.4 + 0.3 * $done / $all));

        return new self([
            'sources' => $influence->sources,
            'values' => $influence->rows,
            'richardson' => is_finite($heat->richardson) ? $heat->richardson : null,
            'limit' => $limit?->id,
            'helps' => $helps,
            'tolerances' => ($document['tolerances'] ?? []) === [] ? null : (new Tolerances($heat, $document))->found(fn (int $done, int $all) => $progress(0.7 + 0.3 * $done / $all)),
        ], $influence);
    }

    /** The file of what a watt in a source does to every cell, K/W as float32; NaN where nothing is computed. */
    public static function fileOf(int $source): string
    {
        return "influence-$source.f32";
    }

    /** @return iterable<string, string> bytes by the name of the file */
    public function files(LinearHeat $heat): iterable
    {
        yield self::DOCUMENT => json_encode($this->document, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
        foreach ($this->influence->answers as $source => $answer) {
            yield self::fileOf($source) => FieldFile::floats(array_map(fn (float $kelvin, bool $live): ?float => $live ? $kelvin : null, $answer, $heat->state->system->live));
        }
    }
}
