<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Closure;
use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Analysis;
use Foehn\Solve\Course;
use Foehn\Solve\Solution;
use LogicException;

/** A problem with a known answer, stated as model documents and computed by the same engine as everything else. */
abstract class VerificationCase
{
    public const ZERO_CELSIUS = 273.15;

    /** @var ?Closure(Model, array<array-key, mixed>): Solution null: on the grids that the case states */
    private ?Closure $compute = null;

    abstract public function id(): string;

    abstract public function title(): string;

    /** Where the reference values come from. */
    abstract public function source(): string;

    /**
     * @param bool $full on the grids that the reference is meant for; else on small ones, with fewer quantities where these do not suffice
     * @return list<Check>
     */
    abstract public function run(bool $full = false): array;

    /** Whether the case is about the grid itself, so that it means nothing on another one. */
    public function isAboutItsGrid(): bool
    {
        return false;
    }

    /**
     * The same case with its models computed in another way.
     *
     * @param Closure(Model, array<array-key, mixed>): Solution $compute of a model, and of the document that it was read from
     */
    public function by(Closure $compute): static
    {
        $case = clone $this;
        $case->compute = $compute;

        return $case;
    }

    /** @param array<string, mixed> $document without format and version */
    protected function solve(array $document): Solution
    {
        $document = ['format' => 'foehn-model', 'version' => 1, ...$document];

        return $this->compute === null ? Analysis::solve($document) : ($this->compute)(ModelCodec::fromDocument($document), $document);
    }

    /** @param array<string, mixed> $document without format and version, with a course in time */
    protected function course(array $document): Course
    {
        return $this->solve($document)->course ?? throw new LogicException('the document asks for no course in time');
    }

    /** @param array<string, mixed> $document without format and version */
    protected function result(array $document): Answer
    {
        return new Answer(ResultBuilder::build($this->solve($document), ''));
    }

    /**
     * @param array<string, mixed> $of
     * @return array<string, mixed>
     */
    protected static function watch(string $id, array $of, string $quantity = 'temperature', ?string $reduce = null): array
    {
        return array_filter(['id' => $id, 'of' => $of, 'quantity' => $quantity, 'reduce' => $reduce]);
    }

    /** @return array<string, mixed> a block of the whole width of the space between two heights */
    protected static function layer(string $id, float $width, float $from, float $to, string $material): array
    {
        return ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [$width, $width, $to - $from]], 'at' => [0, 0, $from], 'material' => $material];
    }

    /** @return array<string, mixed> */
    protected static function film(float $coefficient, string $temperature): array
    {
        return ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => $coefficient, 'temperature' => $temperature]];
    }

    /**
     * @param array<int, float> $values
     * @return float NAN where there are none, which no check passes
     */
    protected static function greatest(array $values): float
    {
        return $values === [] ? NAN : max($values);
    }
}
