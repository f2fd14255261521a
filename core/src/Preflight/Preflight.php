<?php

declare(strict_types=1);

namespace Foehn\Preflight;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Model\ElectricCondition;
use Foehn\Model\FlowCondition;
use Foehn\Model\Joints;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Side;
use Foehn\Model\Space;
use Foehn\Physics\Radiation\Emission;
use Foehn\Shapes\Fan;
use Foehn\Shapes\FlatShape;
use Foehn\Shapes\Mesh;
use Foehn\Shapes\PlateFins;

/** Looks through a model for what is missing or looks like a slip, before time is spent on a run. */
final class Preflight
{
    /** Beyond this, watts per volume are hardly meant, W/m3: ten times a hot silicon die. */
    private const DENSEST = 5e9;

    /** Sizes outside these are hardly meant, m. */
    private const SMALLEST = 5e-6;

    private const LARGEST = 10.0;

    /** Air above a hot product, as a share of its height, below which the plume feels the open side. */
    private const HEADROOM = 0.5;

    /** Fins nearer to each other than this are nearly closed to natural convection, m. */
    private const NARROW = 0.002;

    /** Share of the smaller of two parts that may be in the other. */
    private const SHARED = 0.01;

    /** A fan nearer to a wall than this share of its width is hindered. */
    private const CLOSE = 0.25;

    /** W/m2/K, what natural convection alone may have; coefficients above hold radiation or moving air already. */
    private const STILL = 7.0;

    /** Emissivity of paint, and the greatest rise that is estimated with, K. */
    private const PAINTED = 0.9;

    private const WARMEST = 60.0;

    /** @var list<Finding> */
    private array $findings = [];

    private function __construct(private readonly Model $model)
    {
    }

    /**
     * @param array<array-key, mixed> $document the model as written, for names that nothing uses
     * @return list<Finding> errors first
     */
    public static function of(Model $model, array $document = []): array
    {
        $preflight = new self($model);
        $preflight->heat();
        $preflight->radiation();
        $preflight->currents();
        $preflight->undecided();
        $preflight->openings();
        $preflight->gravity();
        $preflight->room();
        $preflight->sizes();
        $preflight->overlaps();
        $preflight->doubleHeat();
        $preflight->facesOnSides();
        $preflight->fansAgainstWalls();
        $preflight->limits();
        $preflight->names($document);
        array_push($preflight->findings, ...TimeChecks::of($model, $document), ...OperatingPointChecks::of($model, $document));
        usort($preflight->findings, fn (Finding $a, Finding $b) => $a->severity <=> $b->severity);

        return $preflight->findings;
    }

    private function heat(): void
    {
        if (! $this->model->physics->heat) {
            return;
        }
        $watts = array_sum(array_map(fn (Part $part) => abs($part->power), $this->model->parts));
        if (! $this->heatsOtherwise() && $watts <= 0.0) {
            $this->warn('Load', 'Nothing heats: no part has watts.');
        }
        if (! $this->model->heatLeaves() && $this->model->time?->start === null) {
            $this->error('Load', 'Heat has no way out: give a side of the space an opening, a convection coefficient or a temperature.', [], 'films');
        }
        foreach ($this->model->parts as $part) {
            if ($part->shape->kind() === 'package' && $part->power <= 0.0 && ! $part->heatFollows()) {
                $this->warn('Load', sprintf('Package "%s" has no watts.', $part->name), [$part]);
            }
            if ($part->power > 0.0 && $part->material === Part::FLUID) {
                $this->warn('Load', sprintf('"%s" is only a cut-out, yet has %g W.', $part->name, $part->power), [$part], 'no watts');
            }
        }
    }

    private function radiation(): void
    {
        $this->sun();
        if (! $this->model->physics->radiates()) {
            $this->leftOut();

            return;
        }
        $space = $this->model->space;
        // To the surroundings, in a space that is walled all round, only what touches its walls is outside.
        $isWalled = $this->model->physics->radiation === 'surroundings' && $space->fluid !== null && array_filter($space->sides, fn (Side $side): bool => ! $side->flow->isWall()) === [];
        $solids = array_filter($this->model->parts, fn (Part $part): bool => $part->material !== Part::FLUID && ! $part->shape instanceof FlatShape);
        $unknown = array_filter($solids, fn (Part $part): bool => $this->model->emissivity($part) === null && (! $isWalled || $this->touchesSide($part)));
        if ($solids !== [] && array_filter(array_map($this->model->emissivity(...), $solids)) === []) {
            $this->warn('Load', 'Radiation is computed, but nothing radiates: no part has a finish or a material with an emissivity.');
        } elseif ($unknown !== []) {
            $named = array_column(array_slice($unknown, 0, 3), 'name');
            $more = count($unknown) - count($named);
            $this->warn('Load', sprintf('Without a finish nothing is radiated by %s%s; choose one where it is exposed.', implode(', ', $named), $more > 0 ? " and $more more" : ''), array_values($unknown));
        }
    }

    private function sun(): void
    {
        $sun = $this->model->surroundings->sun;
        if ($sun === null) {
            $for = array_values(array_filter($this->model->parts, fn (Part $part): bool => $part->isForSun()));
            if ($for !== []) {
                $this->warn('Load', sprintf('%s %s an absorptivity of sunlight, but no sun shines; it has no effect.', implode(', ', array_column(array_slice($for, 0, 3), 'name')), count($for) === 1 ? 'has' : 'have'), $for);
            }
        } elseif (! $this->model->physics->radiates()) {
            $this->warn('Load', 'The sun shines, but radiation is not computed, so that it heats nothing; choose radiation in the panel of the space.');
        } elseif ($sun->flux <= 0.0 && $sun->diffuse <= 0.0) {
            $this->warn('Load', 'The sun is given, but sends no light: it stands below the horizon at this place, date and hour, or its flux is 0.');
        }
    }

    /** What radiation would take where nothing blows: beside the convection stated for the walls, of a painted housing with the same rise. */
    private function leftOut(): void
    {
        $space = $this->model->space;
        $conductance = $area = 0.0;
        foreach (array_keys($space->sides) as $direction => $name) {
            $heat = $space->sides[$name]->heat;
            if ($heat->kind === 'film' && $heat->value->isConstant()) {
                [$a, $b] = Axes::across($direction >> 1);
                $own = $space->box->size($a) * $space->box->size($b);
                [$conductance, $area] = [$conductance + $own * $heat->value->constant, $area + $own];
            }
        }
        $watts = array_sum(array_map(fn (Part $part): float => $part->power, $this->model->parts));
        if ($conductance <= 0.0 || $watts <= 0.0 || $conductance > self::STILL * $area) {
            return;
        }
        $mean = $this->model->surroundings->temperature + 0.5 * min(self::WARMEST, $watts / $conductance);
        $radiant = 4.0 * self::PAINTED * Emission::SIGMA * $mean ** 3 * $area;
        $this->warn('Load', sprintf(
            'Radiation is not computed: of a painted housing it would take about %.1f of %.1f W. If the convection coefficients of the walls already hold it, all is well.', $watts * $radiant / ($conductance + $radiant), $watts,
        ));
    }

    private function touchesSide(Part $part): bool
    {
        [$own, $box] = [$part->shape->bounds(), $this->model->space->box];
        foreach ([0, 1, 2] as $axis) {
            if ($own->min[$axis] <= $box->min[$axis] || $own->max[$axis] >= $box->max[$axis]) {
                return true;
            }
        }

        return false;
    }

    private function currents(): void
    {
        $with = array_values(array_filter($this->model->parts, fn (Part $part) => $part->carriesCurrent()));
        if (! $this->model->physics->electric) {
            if ($with !== []) {
                $this->warn('Load', 'Currents are given, but they are not computed and heat nothing.', $with, 'currents');
            }

            return;
        }
        foreach ((new Joints($this->model->parts, $this->model->materials))->obstacles as ['board' => $board, 'says' => $says]) {
            $this->error('Load', "$says.", [$board]);
        }
        $voltages = array_filter($with, fn (Part $part) => array_filter($part->currents(), fn (ElectricCondition $terminal) => ! $terminal->givesCurrent() && $terminal->joining === null) !== []);
        if ($with === []) {
            $this->error('Load', 'Currents are to be computed, but no part has one: give a face of a metal part or the copper of a board a current, and another place ground.');
        } elseif ($voltages === []) {
            $this->error('Load', 'Current has no way back: give a face of what it flows through ground or a voltage.', $with);
        }
    }

    private function undecided(): void
    {
        $parts = array_values(array_filter($this->model->parts, fn (Part $part) => $part->material === Library::UNDECIDED));
        if ($parts !== []) {
            $this->warn('Build', sprintf('%s still on the default material; choose what it is made of.', count($parts) === 1 ? "\"{$parts[0]->name}\" is" : sprintf('%d parts are', count($parts))), $parts);
        }
    }

    private function heatsOtherwise(): bool
    {
        if ($this->model->space->source !== null) {
            return true;
        }
        foreach ($this->model->parts as $part) {
            if ($part->source !== null || $part->heatFollows() || ($part->carriesCurrent() && $this->model->physics->electric)) {
                return true;
            }
        }

        return array_intersect(array_column($this->model->heatConditions(), 'kind'), ['temperature', 'flux', 'power']) !== [];
    }

    private function openings(): void
    {
        $kinds = array_column($this->model->space->flows(), 'kind');
        $devices = array_filter($this->model->parts, fn (Part $part) => $part->shape instanceof FlatShape);
        if (! $this->model->physics->hasFlow()) {
            foreach ($devices as $part) {
                $this->warn('Load', sprintf('"%s" has no effect while the air is still; let the air move.', $part->name), [$part], 'moving air');
            }

            return;
        }
        $ways = count(array_filter($kinds, fn (string $kind) => $kind === 'outlet' || $kind === 'open'));
        if (in_array('inlet', $kinds, true) && $ways === 0) {
            $this->error('Load', 'Air flows in, but there is no outlet and no open side.', [], 'outlet', $this->acrossTheInlet());
        }
        $fans = array_filter($this->model->parts, fn (Part $part) => $part->shape instanceof Fan);
        if ($fans !== [] && $ways + count(array_keys($kinds, 'inlet', true)) === 1) {
            $this->warn('Load', 'There is one opening only: what the fans push cannot flow through.', array_values($fans));
        }
        if (! $this->isBlown() && ! ($this->model->physics->heat && $this->model->physics->buoyancy)) {
            $this->warn('Load', 'Nothing moves the air: no fan, no inlet, and warm air does not rise.');
        }
    }

    /** The side opposite to the first one that air flows in through. */
    private function acrossTheInlet(): string
    {
        foreach (Space::SIDES as $index => $name) {
            $side = $this->model->space->sides[$name];
            if (in_array('inlet', [$side->flow->kind, ...array_map(fn ($patch) => $patch->flow->kind, $side->patches)], true)) {
                return Space::SIDES[$index ^ 1];
            }
        }

        return Space::SIDES[1];
    }

    private function gravity(): void
    {
        $g = $this->model->surroundings->gravity;
        $strength = sqrt($g[0] ** 2 + $g[1] ** 2 + $g[2] ** 2);
        if (! $this->model->physics->hasFlow() || ! $this->model->physics->buoyancy || ! $this->model->physics->heat) {
            return;
        }
        if ($strength === 0.0) {
            $this->warn('Build', 'Warm air shall rise, but gravity is zero.', [], 'gravity');
        } elseif (abs($g[2]) < 0.5 * $strength) {
            $this->warn('Build', 'Gravity points sideways in the drawing; is that how the product stands?', [], 'gravity');
        } elseif ($g[2] > 0.0) {
            $this->warn('Build', 'Gravity points upwards in the drawing; is that how the product stands?', [], 'gravity');
        }
    }

    /** Open sides need room for the plume. */
    private function room(): void
    {
        $g = $this->model->surroundings->gravity;
        $strength = [abs($g[0]), abs($g[1]), abs($g[2])];
        $axis = (int) array_search(max($strength), $strength, true);
        if ($g[$axis] === 0.0 || ! $this->model->physics->hasFlow() || $this->model->parts === []) {
            return;
        }
        $top = 'xyz'[$axis] . ($g[$axis] < 0.0 ? '+' : '-');
        if ($this->model->space->sides[$top]->flow->kind !== 'open') {
            return;
        }
        $low = min(array_map(fn (Part $part) => $part->shape->bounds()->min[$axis], $this->model->parts));
        $high = max(array_map(fn (Part $part) => $part->shape->bounds()->max[$axis], $this->model->parts));
        $box = $this->model->space->box;
        $above = $g[$axis] < 0.0 ? $box->max[$axis] - $high : $low - $box->min[$axis];
        if ($above < self::HEADROOM * ($high - $low)) {
            $this->warn('Build', sprintf('The space ends %g mm above the product, which is %g mm high; leave at least half its height to the open side.', round(1e3 * $above, 1), round(1e3 * ($high - $low), 1)), [], 'room');
        }
    }

    private function sizes(): void
    {
        foreach ($this->model->parts as $part) {
            $box = $part->shape->bounds();
            $sizes = array_filter([$box->size(0), $box->size(1), $box->size(2)]);
            if ($sizes !== [] && (max($sizes) > self::LARGEST || min($sizes) < self::SMALLEST)) {
                $this->warn('Build', sprintf('"%s" is %s mm large; is a unit missing?', $part->name, implode(' x ', array_map(fn (float $s) => (string) round(1e3 * $s, 4), $sizes))), [$part]);
            }
            $open = $part->shape instanceof Mesh ? $part->shape->openEdges() : 0;
            if ($open > 0) {
                $this->warn('Build', sprintf('The surface of "%s" is not closed (%d open edges); what is inside it is uncertain there.', $part->name, $open), [$part]);
            }
            $volume = $box->size(0) * $box->size(1) * $box->size(2);
            if ($volume > 0.0 && $part->power / $volume > self::DENSEST) {
                $this->warn('Load', sprintf('"%s" has %g W in %g mm³; is a unit missing?', $part->name, $part->power, round(1e9 * $volume, 3)), [$part]);
            }
            if ($part->shape instanceof PlateFins && $part->shape->gap() > 0.0 && $part->shape->gap() < self::NARROW && $this->model->physics->hasFlow() && ! $this->isBlown()) {
                $this->warn('Build', sprintf('The gaps of "%s" are %g mm; without a fan air hardly rises through them.', $part->name, round(1e3 * $part->shape->gap(), 2)), [$part]);
            }
        }
    }

    /** Parts with watts that are in each other's way: the later one carves the earlier one, which keeps its watts in what is left. */
    private function overlaps(): void
    {
        $solid = array_values(array_filter($this->model->parts, fn (Part $part) => $part->material !== Part::FLUID && in_array($part->shape->kind(), ['block', 'package', 'board'], true)));
        $order = $solid;
        usort($order, fn (Part $a, Part $b) => $a->shape->bounds()->min[0] <=> $b->shape->bounds()->min[0]);
        foreach ($order as $n => $part) {
            $box = $part->shape->bounds();
            for ($m = $n + 1; $m < count($order) && $order[$m]->shape->bounds()->min[0] < $box->max[0]; $m++) {
                $other = $order[$m];
                $common = self::commonVolume($box, $other->shape->bounds());
                $smaller = min(self::volume($box), self::volume($other->shape->bounds()));
                if (max($part->power, $other->power) > 0.0 && $common > self::SHARED * $smaller) {
                    [$first, $last] = array_search($part, $solid, true) < array_search($other, $solid, true) ? [$part, $other] : [$other, $part];
                    $this->warn('Build', sprintf('"%s" and "%s" overlap; "%s", later in the ledger, takes the place of the other there.', $first->name, $last->name, $last->name), [$first, $last]);
                }
            }
        }
    }

    /** Watts of the whole, watts per volume and watts over a face add up; usually one of them was meant. */
    private function doubleHeat(): void
    {
        foreach ($this->model->parts as $part) {
            $given = array_filter([
                'watts' => $part->power !== 0.0,
                'a source per volume' => $part->source !== null,
                'heat on a face' => array_intersect(array_column($part->faces, 'kind'), ['flux', 'power']) !== [],
            ]);
            if (count($given) > 1) {
                $this->warn('Load', sprintf('"%s" has %s; they add up. Was one of them meant?', $part->name, implode(' and ', array_keys($given))), [$part], $part->power !== 0.0 ? 'watts only' : null);
            }
        }
    }

    /** A face that lies on a side of the space and has a condition of its own takes the place of what the side says. */
    private function facesOnSides(): void
    {
        $space = $this->model->space;
        foreach ($this->model->parts as $part) {
            foreach (Space::SIDES as $index => $side) {
                $axis = $index >> 1;
                $upper = $index % 2 === 1;
                $box = $part->shape->bounds();
                $apart = $upper ? $space->box->max[$axis] - $box->max[$axis] : $box->min[$axis] - $space->box->min[$axis];
                $face = $part->shape->faceTowards($axis, $upper ? 1 : -1);
                $condition = $part->faces[$face] ?? null;
                if (abs($apart) > 1e-9 + 1e-6 * $space->box->size($axis)) {
                    continue;
                }
                $closed = $space->sides[$side]->heat->kind === 'adiabatic';
                if ($condition !== null && $condition->kind !== 'contact' && ! $closed) {
                    $this->warn('Load', sprintf('The face %s of "%s" lies on a side of the space; its own %s counts there, and not that of the side.', $face, $part->name, $condition->kind), [$part], 'no face heat', $face);
                }
            }
        }
    }

    private static function commonVolume(Box $a, Box $b): float
    {
        $common = 1.0;
        foreach ([0, 1, 2] as $axis) {
            $common *= max(0.0, min($a->max[$axis], $b->max[$axis]) - max($a->min[$axis], $b->min[$axis]));
        }

        return $common;
    }

    private static function volume(Box $box): float
    {
        return $box->size(0) * $box->size(1) * $box->size(2);
    }

    /** A fan close to a wall over most of its face does not reach its curve, which was measured in the open. */
    private function fansAgainstWalls(): void
    {
        foreach ($this->model->parts as $fan) {
            if (! $fan->shape instanceof Fan) {
                continue;
            }
            $axis = $fan->shape->axis;
            $face = $fan->shape->bounds();
            [$a, $b] = Axes::across($axis);
            $across = min($face->size($a), $face->size($b));
            foreach ($this->model->parts as $part) {
                if ($part->material === Part::FLUID || $part->shape instanceof FlatShape || $part->shape->kind() === 'shell') {
                    continue;
                }
                $box = $part->shape->bounds();
                $gap = max($box->min[$axis] - $face->min[$axis], $face->max[$axis] - $box->max[$axis]);
                // The two boxes along the axis made one metre deep, so that their volumes are areas.
                $flat = fn (Box $b) => new Box(array_replace($b->min, [$axis => 0.0]), array_replace($b->max, [$axis => 1.0]));
                if ($gap > 0.0 && $gap < self::CLOSE * $across && self::commonVolume($flat($face), $flat($box)) > 0.5 * self::volume($flat($face))) {
                    $this->warn('Build', sprintf('"%s" is %g mm from "%s", less than a quarter of its width; there it cannot reach its curve.', $fan->name, round(1e3 * $gap, 2), $part->name), [$fan, $part]);
                }
            }
        }
    }

    private function isBlown(): bool
    {
        foreach ($this->model->parts as $part) {
            if ($part->shape instanceof Fan) {
                return true;
            }
        }

        return array_filter($this->model->space->flows(), fn (FlowCondition $flow) => $flow->drives()) !== [];
    }

    private function limits(): void
    {
        if ($this->model->physics->heat && $this->model->parts !== [] && $this->model->limits === []) {
            $this->warn('Limit', 'No limit is stated, so there will be no verdict.');
        }
        $ambient = $this->model->surroundings->temperature;
        foreach ($this->model->limits as $limit) {
            if ($limit->quantity === 'temperature' && $limit->atMost !== null && $limit->atMost - $limit->derating <= $ambient) {
                $parts = array_values(array_filter($this->model->parts, fn (Part $part) => $part->id === $limit->of->part));
                $this->warn('Limit', sprintf('The limit of "%s", %.1f °C, is not above the ambient of %.1f °C.', $limit->name, $limit->atMost - 273.15, $ambient - 273.15), $parts);
            }
        }
    }

    /** @param array<array-key, mixed> $document */
    private function names(array $document): void
    {
        $parameters = is_array($document['parameters'] ?? null) ? $document['parameters'] : [];
        $texts = [];
        array_walk_recursive($document, function (mixed $value) use (&$texts): void {
            if (is_string($value)) {
                $texts[] = $value;
            }
        });
        foreach (array_keys($parameters) as $name) {
            if (preg_grep('/\b' . preg_quote((string) $name, '/') . '\b/', $texts) === []) {
                $this->warn('Build', sprintf('The parameter "%s" is not used anywhere.', $name), [], 'no parameter', (string) $name);
            }
        }
    }

    /** @param list<Part> $parts */
    private function error(string $stage, string $message, array $parts = [], ?string $mend = null, ?string $subject = null): void
    {
        $this->add('error', $stage, $message, $parts, $mend, $subject);
    }

    /** @param list<Part> $parts */
    private function warn(string $stage, string $message, array $parts = [], ?string $mend = null, ?string $subject = null): void
    {
        $this->add('warning', $stage, $message, $parts, $mend, $subject);
    }

    /** @param list<Part> $parts */
    private function add(string $severity, string $stage, string $message, array $parts, ?string $mend, ?string $subject): void
    {
        $this->findings[] = new Finding($severity, $stage, $message, array_map(fn (Part $part) => $part->id, $parts), $mend, $subject);
    }
}
