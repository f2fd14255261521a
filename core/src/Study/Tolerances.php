<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Model\FlowCondition;
use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Model\Part;
use Foehn\Model\Space;
use Foehn\Model\Tolerance;
use Foehn\Observe\Gradient;
use Foehn\Observe\Readings;
use Foehn\Physics\PhysicsException;
use Foehn\Shapes\TwoResistancePackage;
use Foehn\Solve\LinearHeat;
use Foehn\Units\ScalarField;

/**
 * What the tolerances of a model do to its margins, from one run: by one adjoint solution for each limit (see LinearHeat), in straight
 * lines and with the flow, the currents, losses that follow something, and the shapes as they are. A tolerance that moves one of these is named as not known.
 *
 * @phpstan-import-type LimitBuilds from Builds
 * @phpstan-type ToleranceRow array{of: string, by: string, distribution: string, changes: ?array<string, float>}
 * @phpstan-type TolerancesDocument array{rows: list<ToleranceRow>, met: ?float, limits: list<LimitBuilds>}
 */
final readonly class Tolerances
{
    /** A change small enough to have no curvature, as a share of the tolerance. */
    private const SMALL = 1e-2;

    /** Shares of the sides of the space. */
    private const PLACES = [0.137, 0.418, 0.809];

    /** @param array<mixed> $document of the model */
    public function __construct(private LinearHeat $heat, private array $document)
    {
    }

    /**
     * @param ?callable(int, int): void $progress solutions done, and all
     * @return TolerancesDocument margins and changes in K; the share of builds is null where no tolerance is known
     * @throws PhysicsException
     */
    public function found(?callable $progress = null): array
    {
        $state = $this->heat->state;
        $gradient = new Gradient($state);
        $readings = new Readings($state);
        $base = ModelCodec::fromDocument($this->document);
        $margins = $adjoints = $seen = [];
        foreach ($state->model->limits as $n => $limit) {
            $weights = $gradient->of($limit);
            $value = $weights === null ? null : $readings->of($limit);
            if ($weights !== null && $value !== null) {
                $adjoints[$limit->id] = $this->heat->adjoint($weights);
                [$margins[$limit->id], $seen[$limit->id]] = [$limit->margin($value), $limit];
            }
            $progress === null ?: $progress($n + 1, count($state->model->limits));
        }
        $changes = array_map(fn (Tolerance $tolerance): ?array => $this->changes($base, $tolerance, $adjoints, $seen, $margins), $base->tolerances);
        $known = array_filter($changes, is_array(...));
        $builds = $known === [] || $margins === [] ? ['met' => null, 'limits' => []] : Builds::of($margins, array_map(fn (int $n): string => $base->tolerances[$n]->distribution, array_keys($known)), array_values($known));
        $given = array_values(is_array($this->document['tolerances'] ?? null) ? $this->document['tolerances'] : []);

        /** @var list<ToleranceRow> $rows */
        $rows = array_map(fn (mixed $row, ?array $change): array => ['distribution' => 'uniform', ...(is_array($row) ? $row : []), 'changes' => $change], $given, $changes);

        return ['rows' => $rows, ...$builds];
    }

    /**
     * @param array<string, array<int, float>> $adjoints by limit
     * @param array<string, Limit> $limits
     * @param array<string, float> $margins K
     * @return ?array<string, float> K of every margin at the upper end; null where the tolerance moves more than heat
     */
    private function changes(Model $base, Tolerance $tolerance, array $adjoints, array $limits, array $margins): ?array
    {
        try {
            $json = SweepPlan::modelAt(json_encode($this->document, JSON_THROW_ON_ERROR), [$tolerance->of => $tolerance->text(self::SMALL)]);
            $changed = ModelCodec::fromJson($json);
        } catch (ModelException) {
            return null;
        }
        if (self::still($base) !== self::still($changed)) {
            return null;
        }
        $model = $this->inPlace($changed);
        $response = new Response($this->heat, $model);

        return array_map(fn (Limit $limit): float => ($limit->margin($response->of($limit, $adjoints[$limit->id])) - $margins[$limit->id]) / self::SMALL, $limits);
    }

    /** The changed model on the grid of the state, with its shapes. */
    private function inPlace(Model $changed): Model
    {
        $own = $this->heat->state->model;
        $shapes = array_column($own->parts, 'shape', 'id');

        return $changed->within($changed->space, $own->grid)->withParts(fn (Part $part): Part => $part->shape instanceof TwoResistancePackage ? $part : $part->withShape($shapes[$part->id]));
    }

    /** Everything of a model that stays when only heat changes: shapes, currents and losses that follow something, sunlight, and what drives and holds the flow. */
    private static function still(Model $model): string
    {
        $parts = array_map(fn (Part $part): array => [
            $part->shape instanceof TwoResistancePackage ? $part->shape->bounds() : $part->shape, $part->material === Part::FLUID, $part->terminals, $part->copper, $part->losses, $part->control, array_keys($part->faces),
        ], $model->parts);
        $space = $model->space;
        $flows = array_map(fn (FlowCondition $flow): array => [
            $flow->kind, $flow->slip, $flow->pressure, $flow->given?->by, $flow->given?->profile, self::seen($space, $flow->given?->amount, ...$flow->velocity),
        ], $space->flows());

        return serialize([$parts, $flows, $model->surroundings->sun, $space->box, $space->fluid, self::seen($space, ...$space->force ?? []), $model->physics, $space->fluid === null ? null : $model->materials->get($space->fluid)]);
    }

    /** @return list<?list<float>> values of fields at places of no symmetry, by which a change of them is seen */
    private static function seen(Space $space, ?ScalarField ...$fields): array
    {
        $places = array_map(fn (float $share): array => array_map(fn (float $from, float $to): float => $from + $share * ($to - $from), $space->box->min, $space->box->max), self::PLACES);

        return array_values(array_map(fn (?ScalarField $field): ?array => $field === null ? null : array_map(fn (array $place): float => $field->at(...$place), $places), $fields));
    }
}
