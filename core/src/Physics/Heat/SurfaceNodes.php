<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Geometry\Axes;
use Foehn\Grid\SurfaceElements;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;

/**
 * The temperature of every surface element. It is an unknown of its own, joined to the cell beneath by half a cell, to the cell
 * beyond by a contact and half a cell, and to given temperatures by films, and it takes up what heats the surface. It is eliminated
 * locally (star-mesh transform), so that the equation keeps its seven points, and recovered exactly from the temperatures of the
 * cells. With R the resistance from the cell of an element to what is beyond and Q the heat given at its surface, the share of Q
 * that goes to the cell is the resistance beyond the surface over R, and the heat that reaches the surface from the cell is
 *
 *     q = (T_cell - T_beyond) / R - landed,    T_surface = T_cell - q h / A.
 *
 * A surface that radiates is joined to one more given temperature: beside a film it is part of that, and between a cell of the part and
 * one of the fluid the star has three arms, of which G_i G_j / sum G remains between any two (star-mesh transform).
 */
final class SurfaceNodes implements Contribution
{
    /** Joins cells that touch without any resistance, m2K/W: a billionth of a thin grease layer. */
    private const PERFECT_CONTACT = 1e-12;

    /** Share of the resistance to a given temperature that may lie beyond the surface where it is held. */
    private const HELD = 1e-9;

    /** @var array<int, float> W/m2/K between the surface and a given temperature, on the area of the grid face; 0 for none, INF where the surface is held */
    public array $coefficient;

    /** @var array<int, float> K, that temperature */
    public array $ambient;

    /** @var array<int, float> W given at the surface */
    public array $given;

    /** @var array<int, float> W/m2/K between the surface and what it radiates to, on the area of the grid face; nothing where it does not */
    private array $radiant = [];

    /** @var array<int, float> K, the temperature that it radiates to with that coefficient */
    private array $towards = [];

    /** @var array<int, array{float, float}> W/m2/K and K of what the outside of a wall of the space radiates to */
    private array $outer = [];

    /** @var array<int, float> W/m2 of radiation that meets the surface, without sunlight */
    public array $irradiation = [];

    /** @var array<int, float> W of sunlight that the surface takes up */
    private array $sun = [];

    /** @var array<int, float> W/m2 of sunlight that meets the surface, on the area of the grid face */
    public array $sunlight = [];

    /** @var array<int, float> W/K between the cell and what the surface radiates to, where beyond it there is a cell */
    private array $lost = [];

    /** @var array<int, float> m2K/W between the centre of the cell and the surface */
    private array $half;

    /** @var array<int, float> m2K/W between the surface beyond and the centre of the cell there; 0 where there is none */
    private array $far;

    /** @var array<int, float> W/K between the cell and what is beyond: the other cell or the given temperature */
    private array $conductance;

    /** @var array<int, float> W of what is given at the face, on both sides of it, that goes to the cell of the element */
    private array $landed;

    public function __construct(public readonly SurfaceElements $elements, HalfResistances $resistances, private readonly float $reference)
    {
        $count = $elements->count();
        $this->coefficient = $this->given = $this->half = $this->far = $this->conductance = $this->landed = $count === 0 ? [] : array_fill(0, $count, 0.0);
        $this->ambient = $count === 0 ? [] : array_fill(0, $count, $reference);
        foreach ($elements->cell as $e => $cell) {
            $axis = $elements->direction[$e] >> 1;
            $this->half[$e] = $resistances->atSurface($axis, $cell);
            $this->far[$e] = $elements->other[$e] >= 0 ? $resistances->atSurface($axis, $elements->other[$e]) : 0.0;
        }
    }

    public function count(): int
    {
        return $this->elements->count();
    }

    /** Joins the surface of an element to a given temperature in K by a coefficient in W/m2/K, beside what joins it already. */
    public function join(int $element, float $coefficient, float $temperature): void
    {
        $before = $this->coefficient[$element];
        if ($before === INF || $coefficient <= 0.0) {
            return;
        }
        $this->ambient[$element] = $before === 0.0 || $coefficient === INF ? $temperature : ($before * $this->ambient[$element] + $coefficient * $temperature) / ($before + $coefficient);
        $this->coefficient[$element] = $before + $coefficient;
    }

    /**
     * Lets the surface of an element radiate to a temperature in K by a coefficient in W/m2/K.
     *
     * @param float $irradiation W/m2 that it stands in
     */
    public function radiate(int $element, float $coefficient, float $temperature, float $irradiation): void
    {
        $this->radiant[$element] = $coefficient;
        $this->towards[$element] = $temperature;
        $this->irradiation[$element] = $irradiation;
    }

    /** Lets the outside of a wall of the space radiate, beside its film. */
    public function radiateOut(int $element, float $coefficient, float $temperature): void
    {
        $this->outer[$element] = [$coefficient, $temperature];
    }

    /** Heats the surface of an element by so many W of sunlight, of so many W/m2 that meet it. */
    public function shine(int $element, float $watts, float $flux): void
    {
        $this->given[$element] += $watts;
        $this->sun[$element] = $watts;
        $this->sunlight[$element] = $flux;
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->elements->other as $e => $other) {
            if ($other < 0) {
                $this->eliminateEnd($equation, $e);
            } elseif (isset($this->radiant[$e]) && $this->elements->passes[$e]) {
                $this->eliminateRadiating($equation, $e);
            } elseif ($this->elements->twin[$e] < $e) {
                $this->eliminateBetween($equation, $e);
            }
        }
        $equation->given += array_sum($this->given);
    }

    /** Beyond the surface there is at most a given temperature. */
    private function eliminateEnd(Equation $equation, int $e): void
    {
        [$area, $half, $contact] = [$this->elements->area[$e], $this->half[$e], $this->elements->contact[$e]];
        [$coefficient, $ambient] = $this->outside($e);
        $given = $this->given[$e];
        $passes = $this->elements->passes[$e];
        $conductance = match (true) {
            ! $passes || $coefficient <= 0.0 => 0.0,
            $coefficient === INF => $area / max($half + $contact, self::PERFECT_CONTACT),
            default => $area / ($half + $contact + 1.0 / $coefficient),
        };
        $landed = $conductance > 0.0 && $given !== 0.0 ? $given * (1.0 - $half * $conductance / $area) : $given;
        $cell = $equation->pad + $this->elements->cell[$e];
        $equation->toGiven[$cell] += $conductance;
        $equation->source[$cell] += $conductance * ($ambient - $this->reference) + $landed;
        $this->conductance[$e] = $conductance;
        $this->landed[$e] = $landed;
    }

    /** @return array{float, float} W/m2/K and K of all given temperatures that the surface of an element is joined to, by films and by radiation */
    private function outside(int $e): array
    {
        [$all, $mean] = [$this->coefficient[$e], $this->ambient[$e]];
        if ($all === INF) {
            return [$all, $mean];
        }
        foreach ([[$this->radiant[$e] ?? 0.0, $this->towards[$e] ?? 0.0], $this->outer[$e] ?? [0.0, 0.0]] as [$more, $towards]) {
            if ($more > 0.0) {
                $mean = ($all * $mean + $more * $towards) / ($all + $more);
                $all += $more;
            }
        }

        return [$all, $mean];
    }

    /** Beyond the surface there is a cell of the fluid, and what it radiates to. */
    private function eliminateRadiating(Equation $equation, int $e): void
    {
        $elements = $this->elements;
        [$area, $direction, $cell, $beyond] = [$elements->area[$e], $elements->direction[$e], $elements->cell[$e], $elements->other[$e]];
        $inner = $area / max($this->half[$e], self::PERFECT_CONTACT);
        $outer = $area / max($this->far[$e], self::PERFECT_CONTACT);
        $radiant = $area * $this->radiant[$e];
        $sum = $inner + $outer + $radiant;
        $away = $this->towards[$e] - $this->reference;
        $this->conductance[$e] = $inner * $outer / $sum;
        $this->lost[$e] = $inner * $radiant / $sum;
        $this->landed[$e] = $this->given[$e] * $inner / $sum;
        [$near, $far] = [$equation->pad + $cell, $equation->pad + $beyond];
        $equation->coupling[Axes::of($direction)][$direction % 2 === 1 ? $near : $far] = $this->conductance[$e];
        $equation->toGiven[$near] += $this->lost[$e];
        $equation->source[$near] += $this->lost[$e] * $away + $this->landed[$e];
        $equation->toGiven[$far] += $outer * $radiant / $sum;
        $equation->source[$far] += $outer * $radiant / $sum * $away + $this->given[$e] * $outer / $sum;
    }

    /** Beyond the surface there is a cell, whose own surface is that of the twin where it belongs to a part. */
    private function eliminateBetween(Equation $equation, int $e): void
    {
        $elements = $this->elements;
        [$twin, $area, $direction] = [$elements->twin[$e], $elements->area[$e], $elements->direction[$e]];
        [$cell, $beyond, $far] = [$elements->cell[$e], $elements->other[$e], $this->far[$e]];
        $axis = Axes::of($direction);
        $upper = $direction % 2 === 1;
        // In the order of the axis, so that rounding does not depend on which side the part is.
        $all = ($upper ? $this->half[$e] + $far : $far + $this->half[$e]) + $elements->contact[$e];
        $conductance = $elements->passes[$e] ? $area / max($all, self::PERFECT_CONTACT) : 0.0;
        $equation->coupling[$axis][$equation->pad + ($upper ? $cell : $beyond)] = $conductance;
        $this->conductance[$e] = $conductance;
        $this->land($equation, $e, $cell, $beyond, 1.0 - $this->half[$e] * $conductance / $area);
        if ($twin >= 0) {
            $this->conductance[$twin] = $conductance;
            $this->land($equation, $twin, $beyond, $cell, 1.0 - $far * $conductance / $area);
        }
    }

    /** Shares the heat given at the surface of an element between its cell and the one beyond. */
    private function land(Equation $equation, int $e, int $cell, int $beyond, float $fraction): void
    {
        $given = $this->given[$e];
        if ($given === 0.0) {
            return;
        }
        $equation->source[$equation->pad + $cell] += $fraction * $given;
        $equation->source[$equation->pad + $beyond] += (1.0 - $fraction) * $given;
        $this->landed[$e] += $fraction * $given;
        $twin = $this->elements->twin[$e];
        if ($twin >= 0) {
            $this->landed[$twin] += (1.0 - $fraction) * $given;
        }
    }

    /** Whether the surface has a given temperature at an element, and not only something behind a film. */
    public function isHeld(int $e): bool
    {
        return $this->elements->other[$e] < 0 && $this->conductance[$e] > 0.0 && $this->conductance[$e] * $this->half[$e] > (1.0 - self::HELD) * $this->elements->area[$e];
    }

    /** W/K between the cell of an element and what is beyond it. */
    public function conductance(int $e): float
    {
        return $this->conductance[$e];
    }

    /**
     * Heat from the cell of an element to its surface, W.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function heatOut(int $e, array $temperature): float
    {
        $other = $this->elements->other[$e];
        $beyond = $other >= 0 ? $temperature[$other] : $this->outside($e)[1];
        $own = $temperature[$this->elements->cell[$e]];
        $lost = isset($this->lost[$e]) ? $this->lost[$e] * ($own - $this->towards[$e]) : 0.0;

        return $this->conductance[$e] * ($own - $beyond) + $lost - $this->landed[$e];
    }

    /**
     * Heat that the surface of an element radiates, W: what it emits less what it takes up.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function radiated(int $e, array $temperature): float
    {
        return isset($this->radiant[$e]) ? $this->radiant[$e] * $this->elements->area[$e] * ($this->surfaceTemperature($e, $temperature) - $this->towards[$e]) : 0.0;
    }

    /**
     * Heat that the outside of a wall of the space radiates, W.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function radiatedOut(int $e, array $temperature): float
    {
        [$coefficient, $towards] = $this->outer[$e] ?? [0.0, 0.0];

        return $coefficient > 0.0 ? $coefficient * $this->elements->area[$e] * ($this->surfaceTemperature($e, $temperature) - $towards) : 0.0;
    }

    /** W of sunlight that the surface of an element takes up. */
    public function sun(int $e): float
    {
        return $this->sun[$e] ?? 0.0;
    }

    public function radiates(int $e): bool
    {
        return isset($this->radiant[$e]);
    }

    /** W/m2/K between the surface of an element and all that it radiates to. */
    public function radiant(int $e): float
    {
        return ($this->radiant[$e] ?? 0.0) + ($this->outer[$e][0] ?? 0.0);
    }

    /** Share of the temperature beyond in that of the surface. */
    public function shareOfBeyond(int $e): float
    {
        return $this->conductance[$e] * $this->half[$e] / $this->elements->area[$e];
    }

    /** Share of the temperature of the cell in that of the surface. */
    public function shareOfCell(int $e): float
    {
        return 1.0 - ($this->conductance[$e] + ($this->lost[$e] ?? 0.0)) * $this->half[$e] / $this->elements->area[$e];
    }

    /** K that a watt at the surface of an element warms it by, with the cells on both sides as they are. */
    public function warmedBy(int $e): float
    {
        return $this->shareOfCell($e) * $this->half[$e] / $this->elements->area[$e];
    }

    /**
     * Temperature of the surface at an element, K.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function surfaceTemperature(int $e, array $temperature): float
    {
        return $temperature[$this->elements->cell[$e]] - $this->heatOut($e, $temperature) * $this->half[$e] / $this->elements->area[$e];
    }
}
