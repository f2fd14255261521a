<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Board\CopperRaster;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardTerminal;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Numerics\Vectors;
use Foehn\Physics\PhysicsException;

/**
 * Steady currents in the copper of a board: sheets of copper in the plane and barrels across, as a box of pixels by pixels by layers. Between two
 * pixels of a layer g = t w / (d rho), with the thickness t, the width w of the face that is copper and the distance d. Through a stretch l of a barrel of the section A, g = A / (l rho), shared by
 * the pixels that it stands on. What is joined to no voltage takes no part.
 */
final class BoardSystem
{
    /**
     * Relative; where the currents of a net are not balanced with one, the next: small currents beside large ones, and two voltages on one net, which stand
     * behind very large conductances.
     */
    private const RESIDUALS = [1e-6, 1e-7, 1e-8, 1e-11, 1e-14];

    /** Where the heat alone counts, which will change again: it is right to the square of this. */
    private const ROUGH = 1e-3;

    /** Of the currents that enter and leave a net, as a share of either; and of the power at its terminals that is not found as heat. */
    private const BALANCE = 1e-6;

    private readonly Stencil $stencil;

    /** @var array<int, float> A into each padded pixel, where all of a net is at its level */
    private array $source;

    /**
     * @var array<int, ?int> net of each padded pixel: the padded pixel of one voltage that it is joined to, null where there is none. Potentials are
     * counted from this voltage: most of it then passes no equation, and digits are left for the drops.
     */
    private array $net;

    /** @var array<int, float> V at the pixels that stand for nets */
    private array $levels = [];

    /** @var list<non-empty-array<int, float>> conductance to its condition of each pixel of each contact, S, by number of the pixel */
    private array $ends;

    /** @var array<int, list<float>> conductance on each foot of each stretch of each barrel, S */
    private array $stretches = [];

    /** @var array<int, float> share of all copper of its contact, by contact and pixel */
    private array $shares = [];

    /** @var array<int, non-empty-list<int>> padded pixels at one potential, by number of the contact whose pads share a current */
    private array $tied = [];

    /**
     * @param list<BoardTerminal> $contacts
     * @param PropertyLaw $resistivity of the copper, ohm m
     * @param float|array<int, float> $temperature of all pixels, or of each, K
     * @throws PhysicsException where a contact lies on no copper, or a current has no way back
     */
    public function __construct(private readonly CopperRaster $raster, private readonly array $contacts, PropertyLaw $resistivity, float|array $temperature)
    {
        $rho = is_array($temperature) ? array_map($resistivity->at(...), $temperature) : array_fill(0, count($raster->covered), $resistivity->at($temperature));
        $box = [$raster->pixels[0], $raster->pixels[1], count($raster->layers)];
        $coupling = [Stencil::zeros($box), Stencil::zeros($box), Stencil::zeros($box)];
        $this->sheets($coupling, $rho);
        $this->barrels($coupling, $rho);
        $extra = $this->source = Stencil::zeros($box);
        $this->attach($extra, $rho);
        $stencil = new Stencil($box, $coupling, $extra);
        $this->net = $this->nets($stencil);
        $this->requireWaysBack($stencil->pad);
        $this->tie($stencil->pad);
        $this->drive($stencil->pad);
        foreach ($this->net as $at => $net) {
            if ($net === null) {
                foreach ([0, 1, 2] as $axis) {
                    $coupling[$axis][$at] = 0.0;
                }
            }
        }
        $this->stencil = new Stencil($box, $coupling, $extra);
    }

    /**
     * @param ?array<int, float> $start potentials to begin at, V of each pixel
     * @param bool $isRough whether the heat alone counts, and nothing has to be balanced
     * @throws PhysicsException
     */
    public function solve(?array $start = null, bool $isRough = false): BoardCurrents
    {
        $guess = $this->begin($start ?? []);
        $solver = new StencilSolver($this->stencil, array_values($this->tied), isListed: true);
        $iterations = 0;
        foreach ($isRough ? [self::ROUGH] : self::RESIDUALS as $residual) {
            $solution = $solver->solve($this->source, $guess, new Accuracy($residual));
            $guess = $solution->x;
            $iterations += $solution->iterations;
            [$currents, $balances] = $this->currents($this->above($guess), $iterations);
            if ($solution->converged && ($isRough || $balances->areClosed(self::BALANCE))) {
                return $currents;
            }
        }
        throw new PhysicsException('the currents in the copper do not come to a balance; look for copper that hangs together by a point');
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $coupling
     * @param array<int, float> $rho ohm m of each pixel
     */
    private function sheets(array &$coupling, array $rho): void
    {
        [$nx, $ny] = $this->raster->pixels;
        $area = $nx * $ny;
        [$dx, $dy] = $this->raster->size;
        foreach ($this->raster->layers as $l => $layer) {
            foreach ([[$this->raster->alongX, 1, $dy / $dx], [$this->raster->alongY, $nx, $dx / $dy]] as $axis => [$faces, $step, $ratio]) {
                $conductance = $layer->thickness * $ratio;
                for ($at = $l * $area, $end = $at + $area; $at < $end; $at++) {
                    $face = $faces[$at];
                    if ($face > 0.0) {
                        $coupling[$axis][$area + $at] = 2.0 * $conductance * $face / ($rho[$at] + $rho[$at + $step]);
                    }
                }
            }
        }
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $coupling
     * @param array<int, float> $rho
     */
    private function barrels(array &$coupling, array $rho): void
    {
        $area = $this->raster->area();
        foreach ($this->raster->barrels as $n => $barrel) {
            $feet = $this->raster->feet[$n];
            for ($l = $barrel->from; $l < $barrel->to; $l++) {
                $length = $this->raster->layers[$l + 1]->height - $this->raster->layers[$l]->height;
                foreach ($feet as $foot) {
                    $at = $foot + $l * $area;
                    $this->stretches[$n][] = $conductance = 2.0 * $barrel->section() / ($length * count($feet) * ($rho[$at] + $rho[$at + $area]));
                    $coupling[2][$area + $at] += $conductance;
                }
            }
        }
    }

    /**
     * A contact lies on the copper: between its face and the middle of the sheet is half of its thickness, and at a joint half of the resistance of that.
     *
     * @param array<int, float> $extra
     * @param array<int, float> $rho
     */
    private function attach(array &$extra, array $rho): void
    {
        $area = $this->raster->area();
        [$dx, $dy] = $this->raster->size;
        $this->ends = [];
        foreach ($this->contacts as $n => $contact) {
            $copper = $this->raster->under($contact, $this->around($contact));
            $whole = array_sum($copper);
            if ($copper === [] || $whole <= 0.0) {
                throw new PhysicsException(sprintf('"%s" lies on no copper of layer "%s"; move it onto a pad or a track', $contact->name, $this->raster->layers[$contact->layer]->name));
            }
            $half = 0.5 * $this->raster->layers[$contact->layer]->thickness;
            $ends = [];
            foreach ($copper as $at => $share) {
                $conductance = $share * $dx * $dy / ($half * $rho[$at] + $contact->condition->contact());
                $this->shares[$n * $area * count($this->raster->layers) + $at] = $share / $whole;
                if (! $contact->condition->givesCurrent()) {
                    $to = $contact->condition->conductance($conductance, $share / $whole);
                    $extra[$area + $at] += $to;
                }
                $ends[$at] = $conductance;
            }
            $this->ends[] = $ends;
        }
    }

    /** What counts as within a contact beyond its edge, m: one voltage holds from the outermost middles on, which lie half a pixel within the edge on the mean. */
    private function around(BoardTerminal $contact): float
    {
        return $contact->condition->givesCurrent() ? 0.0 : 0.25 * ($this->raster->size[0] + $this->raster->size[1]);
    }

    private function requireWaysBack(int $pad): void
    {
        foreach ($this->contacts as $n => $contact) {
            foreach ($this->ends[$n] as $at => $_) {
                if (! isset($this->net[$pad + $at])) {
                    throw new PhysicsException(sprintf('the current at "%s" has no way back: the copper that it lies on is joined to no voltage and no ground', $contact->name));
                }
            }
        }
    }

    /**
     * Where resistivities have changed alike everywhere, drops have in proportion: of all multiples of the old ones the one with the least error.
     *
     * @param array<int, float> $start V of each pixel; none: all of a net at its level
     * @return array<int, float> V over the levels, padded
     */
    private function begin(array $start): array
    {
        $guess = Stencil::zeros($this->stencil->cells);
        foreach ($start as $at => $volts) {
            $guess[$this->stencil->pad + $at] = $volts - $this->level($this->stencil->pad + $at);
        }
        $energy = $start === [] ? 0.0 : Vectors::dot($guess, $this->stencil->times($guess));
        $times = $energy > 0.0 ? Vectors::dot($guess, $this->source) / $energy : 0.0;

        return array_map(fn (float $volts): float => $times * $volts, $guess);
    }

    /** @return array<int, ?int> by padded pixel */
    private function nets(Stencil $stencil): array
    {
        $nets = array_fill(0, count($stencil->extra), null);
        foreach ($this->contacts as $n => $contact) {
            foreach ($contact->condition->givesCurrent() ? [] : array_keys($this->ends[$n]) as $at) {
                $this->levels[$stencil->pad + $at] = $contact->condition->voltage();
                $stencil->spread($nets, $stencil->pad + $at, $stencil->pad + $at);
            }
        }

        return $nets;
    }

    /** V that potentials at a padded pixel are counted from. */
    private function level(int $at): float
    {
        return $this->levels[$this->net[$at]] ?? 0.0;
    }

    /**
     * Pads that share a current are at one potential, over the same level.
     *
     * @throws PhysicsException
     */
    private function tie(int $pad): void
    {
        foreach ($this->contacts as $n => $contact) {
            if (! $contact->sharesCurrent()) {
                continue;
            }
            foreach (array_keys($contact->pads) as $number) {
                if ($this->raster->underPad($contact, $number, 0.0) === []) {
                    throw new PhysicsException(sprintf('pad %d of "%s" lies on no copper of layer "%s"; move it onto a pad or a track', $number + 1, $contact->name, $this->raster->layers[$contact->layer]->name));
                }
            }
            $pixels = array_map(fn (int $at): int => $pad + $at, array_keys($this->ends[$n]));
            if (count(array_unique(array_map($this->level(...), $pixels))) > 1) {
                throw new PhysicsException(sprintf('the pads of "%s" lie on nets with different voltages, and share no current; give each net a terminal of its own', $contact->name));
            }
            $this->join(array_unique(array_map(fn (int $at): ?int => $this->net[$at], $pixels)));
            $this->tied[$n] = $pixels;
        }
    }

    /**
     * Nets that share a current are balanced together.
     *
     * @param array<?int> $nets
     */
    private function join(array $nets): void
    {
        $first = array_shift($nets);
        if ($nets !== []) {
            $this->net = array_map(fn (?int $net): ?int => in_array($net, $nets, true) ? $first : $net, $this->net);
        }
    }

    /** What the terminals drive into nets that are at their level. */
    private function drive(int $pad): void
    {
        $total = count($this->raster->covered);
        foreach ($this->contacts as $n => $contact) {
            foreach ($this->ends[$n] as $at => $conductance) {
                $this->source[$pad + $at] += $contact->condition->current($conductance, $this->shares[$n * $total + $at], $this->level($pad + $at));
            }
        }
    }

    /**
     * @param array<int, float> $x over the levels, padded, V
     * @return list<float> V of each pixel; 0 where no voltage is joined
     */
    private function above(array $x): array
    {
        $potential = [];
        for ($at = $this->stencil->pad, $end = $at + $this->stencil->size(); $at < $end; $at++) {
            $potential[] = $x[$at] + $this->level($at);
        }

        return $potential;
    }

    /**
     * @param list<float> $potential V
     * @return array{BoardCurrents, NetBalances}
     */
    private function currents(array $potential, int $iterations): array
    {
        $total = count($potential);
        $heat = array_fill(0, $total, 0.0);
        $alongX = $this->through(0, 1, $potential, $heat);
        $alongY = $this->through(1, $this->raster->pixels[0], $potential, $heat);
        [$barrels, $barrelHeat] = $this->inBarrels($potential, $heat);
        $contacts = [];
        $balances = new NetBalances();
        $pad = $this->stencil->pad;
        foreach ($this->contacts as $n => $contact) {
            $pads = count($contact->pads) > 1 ? $this->ofPads($contact, $potential) : [];
            if (isset($this->tied[$n])) {
                $at = array_key_first($this->ends[$n]);
                $contacts[] = ['name' => $contact->name, 'current' => $contact->condition->value, 'voltage' => $potential[$at], 'pads' => $pads];
                $balances->enter((int) $this->net[$pad + $at], $contact->condition->value, $contact->condition->value * ($potential[$at] - $this->level($pad + $at)));

                continue;
            }
            [$amperes, $volts] = [0.0, 0.0];
            foreach ($this->ends[$n] as $at => $conductance) {
                $share = $this->shares[$n * $total + $at];
                $current = $contact->condition->current($conductance, $share, $potential[$at]);
                $heat[$at] += $current * $current / $conductance;
                [$amperes, $volts] = [$amperes + $current, $volts + $share * ($potential[$at] + $current / $conductance)];
                $balances->enter((int) $this->net[$pad + $at], $current, $current * ($potential[$at] - $this->level($pad + $at) + $current / $conductance));
            }
            $contacts[] = ['name' => $contact->name, 'current' => $amperes, 'voltage' => $volts, 'pads' => $pads];
        }
        foreach ($heat as $at => $watts) {
            if ($watts > 0.0) {
                $balances->find((int) $this->net[$pad + $at], $watts);
            }
        }

        return [new BoardCurrents($potential, $this->densities($alongX, $alongY), $heat, $barrels, $barrelHeat, $contacts, $balances->power(), $iterations), $balances];
    }

    /**
     * What leaves the pixels of each pad by the copper around it.
     *
     * @param list<float> $potential V
     * @return list<float> A into the board, by pad
     */
    private function ofPads(BoardTerminal $contact, array $potential): array
    {
        $pad = $this->stencil->pad;
        $strides = $this->stencil->strides();
        $currents = [];
        foreach (array_keys($contact->pads) as $number) {
            $current = 0.0;
            foreach ($this->raster->underPad($contact, $number, $this->around($contact)) as $at => $_) {
                foreach ($this->stencil->coupling as $axis => $coupling) {
                    foreach ([[$at, $at + $strides[$axis]], [$at - $strides[$axis], $at - $strides[$axis]]] as [$link, $other]) {
                        $conductance = $coupling[$pad + $link] ?? 0.0;
                        $current += $conductance > 0.0 ? $conductance * ($potential[$at] - $potential[$other]) : 0.0;
                    }
                }
            }
            $currents[] = $current;
        }

        return $currents;
    }

    /**
     * In the plane, along an axis.
     *
     * @param list<float> $potential V
     * @param array<int, float> $heat half of that of each link is added to either of its pixels
     * @return array<int, float> A through the middle of each pixel
     */
    private function through(int $axis, int $step, array $potential, array &$heat): array
    {
        $pad = $this->stencil->pad;
        $coupling = $this->stencil->coupling[$axis];
        $through = array_fill(0, count($potential), 0.0);
        foreach ($potential as $at => $volts) {
            $g = $coupling[$pad + $at];
            if ($g > 0.0) {
                $drop = $volts - $potential[$at + $step];
                $half = 0.5 * $g * $drop;
                $heat[$at] += $half * $drop;
                $heat[$at + $step] += $half * $drop;
                $through[$at] += $half;
                $through[$at + $step] += $half;
            }
        }

        return $through;
    }

    /**
     * @param list<float> $potential
     * @param array<int, float> $heat that of the barrels is added to their feet
     * @return array{list<list<float>>, array<int, float>} A up through each stretch, and W in each barrel
     */
    private function inBarrels(array $potential, array &$heat): array
    {
        $area = $this->raster->area();
        $currents = $watts = [];
        foreach ($this->raster->barrels as $n => $barrel) {
            $own = [];
            $watts[$n] = 0.0;
            $number = 0;
            for ($l = $barrel->from; $l < $barrel->to; $l++) {
                $current = 0.0;
                foreach ($this->raster->feet[$n] as $foot) {
                    $at = $foot + $l * $area;
                    $drop = $potential[$at] - $potential[$at + $area];
                    $through = $this->stretches[$n][$number++] * $drop;
                    $current += $through;
                    $heat[$at] += 0.5 * $through * $drop;
                    $heat[$at + $area] += 0.5 * $through * $drop;
                    $watts[$n] += $through * $drop;
                }
                $own[] = $current;
            }
            $currents[] = $own;
        }

        return [$currents, $watts];
    }

    /**
     * What passes the faces of a pixel, over the copper that they have.
     *
     * @param array<int, float> $alongX A, mean over both faces
     * @param array<int, float> $alongY A
     * @return array<int, float> A/m2
     */
    private function densities(array $alongX, array $alongY): array
    {
        [$nx] = $this->raster->pixels;
        $area = $this->raster->area();
        [$dx, $dy] = $this->raster->size;
        [$facesX, $facesY] = [$this->raster->alongX, $this->raster->alongY];
        $densities = array_fill(0, count($alongX), 0.0);
        foreach ($this->raster->layers as $l => $layer) {
            for ($at = $l * $area, $end = $at + $area; $at < $end; $at++) {
                // Faces across the edges of the board, and towards pixels of the next row, have no share.
                $x = 0.5 * ($facesX[$at] + ($facesX[$at - 1] ?? 0.0)) * $dy;
                $y = 0.5 * ($facesY[$at] + ($facesY[$at - $nx] ?? 0.0)) * $dx;
                $densities[$at] = hypot($x > 0.0 ? $alongX[$at] / $x : 0.0, $y > 0.0 ? $alongY[$at] / $y : 0.0) / $layer->thickness;
            }
        }

        return $densities;
    }
}
