<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConvectiveSolver;
use Foehn\Numerics\FaceTerms;
use Foehn\Numerics\LinkPattern;
use Foehn\Numerics\SparseMatrix;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Heat\HeatSystem;

/**
 * One temperature over fluid and solid: the conduction equations plus what the flow carries, upwind implicitly, second order by
 * deferred correction: a central difference with a tenth of the slope behind mixed in, limited to twice the smaller of the two
 * (van Leer, J. Comput. Phys. 23 (1977) 276). The tenth is what damps ripples from cell to cell, which a central difference carries.
 */
final class EnergyTransport
{
    /** The coefficients change slowly, so a hierarchy serves this many steps. */
    private const KEEP = 8;

    /** What is joined in a hierarchy serves this many of them before it is chosen anew. */
    private const JOINED = 8;

    /** Share of the slope behind in the second-order correction. */
    public const BEHIND = 0.1;

    /** @var array<int, int> unknown of each padded cell of the heat system */
    private array $unknown;

    private int $size;

    private ?ConvectiveSolver $solver = null;

    private LinkPattern $pattern;

    /** @var array<int, float> conductances of the links, W/K */
    private array $conductance = [];

    /** @var array<int, float> of the last matrix: its links downstream and upstream, and what its diagonal has beside them, W/K */
    private array $weight = [];

    /** @var array<int, float> */
    private array $back = [];

    /** @var array<int, float> */
    private array $sums = [];

    /** @var array<int, int> the face of the flow on which each link lies */
    private array $faceOf = [];

    /** @var array{int, int, int, int} where the links along x, y, z begin and the last ones end */
    private array $range;

    /** @var array<int, float> W per padded cell: sources and what comes in through openings */
    private array $entering = [];

    /** @var ?array{array<int, float>, array<int, float>, array<int, float>} the flow the equations are for */
    private ?array $flux = null;

    private int $age = 0;

    /** Hierarchies made since their aggregates were chosen. */
    private int $joined = 0;

    /** @param ?self $before the equations that these follow: what does not change is taken over */
    public function __construct(private readonly FlowDomain $domain, private readonly HeatSystem $heat, private readonly float $specificHeat, ?self $before = null)
    {
        [$this->unknown, $this->size] = $heat->stencil->number($heat->ties);
        $stencil = $heat->stencil;
        [$from, $to, $range] = [[], [], [0]];
        foreach ([0, 1, 2] as $axis) {
            $this->links($axis, $from, $to);
            $range[] = count($from);
        }
        $this->range = [$range[0], $range[1], $range[2], $range[3]];
        if ($before !== null && $before->pattern->isOf($this->size, $from, $to)) {
            [$this->pattern, $this->solver, $this->joined] = [$before->pattern, $before->solver, $before->joined];
            $this->age = self::KEEP;
        } else {
            $this->pattern = LinkPattern::of($this->size, $from, $to);
        }
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param array<int, float> $temperature in the layout of the flow, K
     * @param float $order 0 for upwind, 1 for limited linear interpolation
     * @return array<int, float> temperature in the layout of the flow, K
     */
    public function step(array $flux, array $temperature, Accuracy $accuracy, float $order): array
    {
        $layout = $this->domain->layout;
        $reference = $this->heat->reference;
        if ($this->flux !== $flux) {
            $this->flux = $flux;
            $new = $this->solver === null || $this->age >= self::KEEP || $accuracy->mostIterations > 5;
            $this->prepare($this->matrix($flux), $new);
            $this->age = $new ? 1 : $this->age + 1;
        }
        $source = $this->entering;
        if ($order > 0.0) {
            $source = Vectors::plus($source, 1.0, $this->deferred($flux, $temperature, $order));
        }
        $source = Stencil::pack($source, $this->unknown, $this->size);
        $x = $this->rises($temperature);
        assert($this->solver !== null);
        $solution = $this->solver->solve($source, $x, $accuracy);

        return $layout->spread($this->heat->temperatures(Stencil::unpack($solution->x, $this->unknown)), $reference);
    }

    /**
     * The equations about a temperature, for what small changes do to it, with the correction of second order as it is there (see
     * SlopeTerms). Unknowns are those of pack() and unpack().
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param array<int, float> $temperature in the layout of the flow, K
     * @param bool $isLike whether the equations before were nearly the same, so that their hierarchy serves
     */
    public function linearised(array $flux, array $temperature, bool $isLike = false): ConvectiveSolver
    {
        $this->flux = $flux;
        $this->age = 1;
        $matrix = $this->matrix($flux);
        $this->prepare($matrix, ! $isLike);
        assert($this->solver !== null);

        return $this->solver->with($this->withSlopes($matrix, $flux, $temperature));
    }

    /**
     * The same equations alone, for their balance.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param array<int, float> $temperature in the layout of the flow, K
     */
    public function balance(array $flux, array $temperature): FaceTerms
    {
        $this->flux = $flux;

        return $this->withSlopes($this->matrix($flux), $flux, $temperature);
    }

    /**
     * What a temperature leaves open in the balance of each cell.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param array<int, float> $temperature in the layout of the flow, K
     * @return array<int, float> W by padded cell
     */
    public function open(array $flux, array $temperature): array
    {
        $terms = $this->balance($flux, $temperature);

        return $this->share(Vectors::combine(1.0, $this->pack($this->entering), -1.0, $terms->times($this->rises($temperature))));
    }

    /**
     * @param array<int, float> $temperature in the layout of the flow, K
     * @return array<int, float> of the unknowns over the reference, K
     */
    private function rises(array $temperature): array
    {
        $x = $this->pick($this->domain->layout->toStencil($temperature));
        foreach ($x as $u => $value) {
            $x[$u] = $value - $this->heat->reference;
        }

        return $x;
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param array<int, float> $temperature in the layout of the flow, K
     */
    private function withSlopes(SparseMatrix $matrix, array $flux, array $temperature): FaceTerms
    {
        $terms = new SlopeTerms($this->domain, $this->specificHeat, $this->domain->layout->spread(array_slice($this->unknown, $this->heat->stencil->pad, $this->heat->stencil->size()), -1));

        return $terms->of($matrix, $flux, $temperature);
    }

    /**
     * @param array<int, float> $padded W of the cells
     * @return array<int, float> of the unknowns
     */
    public function pack(array $padded): array
    {
        return Stencil::pack($padded, $this->unknown, $this->size);
    }

    /**
     * @param array<int, float> $unknowns
     * @return array<int, float> of the cells, padded
     */
    public function unpack(array $unknowns): array
    {
        return Stencil::unpack($unknowns, $this->unknown);
    }

    /**
     * @param array<int, float> $padded K of the cells, of which those of one unknown have the same
     * @return array<int, float> of the unknowns
     */
    public function pick(array $padded): array
    {
        return Stencil::pick($padded, $this->unknown, $this->size);
    }

    /**
     * @param array<int, float> $unknowns W
     * @return array<int, float> of the cells, padded, where those of one unknown share its value evenly
     */
    public function share(array $unknowns): array
    {
        return TiedCells::project($this->atFirst($unknowns), $this->heat->ties);
    }

    /**
     * @param array<int, float> $unknowns
     * @return array<int, float> padded, at the first of the cells of each unknown
     */
    private function atFirst(array $unknowns): array
    {
        $padded = Stencil::unpack($unknowns, $this->unknown);
        foreach ($this->heat->ties as $cells) {
            foreach (array_slice($cells, 1) as $cell) {
                $padded[$cell] = 0.0;
            }
        }

        return $padded;
    }

    /**
     * Sources and what enters through openings, after the equations have been made for a flow.
     *
     * @param list<Opening> $openings with the temperatures of what enters
     * @return array<int, float> W by padded cell, relative to the reference
     */
    public function entering(array $openings): array
    {
        return Vectors::plus($this->entering, 1.0, $this->enteringMore($openings));
    }

    /**
     * What more enters with a flow through openings where it is warmer.
     *
     * @param list<Opening> $openings the same, with other temperatures
     * @return array<int, float> W per padded cell
     */
    public function enteringMore(array $openings): array
    {
        $more = Stencil::zeros($this->heat->stencil->cells);
        foreach ($this->domain->openings as $o => $opening) {
            foreach ($this->comingIn($opening) as $n => $in) {
                $more[$this->padded($this->domain->layout->place($opening->cells[$n]))] += $in * ($openings[$o]->temperatures[$n] - $opening->temperatures[$n]);
            }
        }

        return $more;
    }

    /** @return iterable<int, float> W/K of what enters through the faces of an opening, by the number of the face */
    private function comingIn(Opening $opening): iterable
    {
        assert($this->flux !== null);
        foreach ($opening->faces as $n => $face) {
            $in = -$opening->outward * $this->flux[$opening->axis][$face] * $this->specificHeat;
            if ($in > 0.0) {
                yield $n => $in;
            }
        }
    }

    /**
     * The matrix, and what enters.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux
     */
    private function matrix(array $flux): SparseMatrix
    {
        $layout = $this->domain->layout;
        $stencil = $this->heat->stencil;
        $extra = $stencil->extra;
        $this->entering = $this->heat->source;
        foreach ($this->domain->openings as $opening) {
            foreach ($this->comingIn($opening) as $n => $in) {
                $cell = $this->padded($layout->place($opening->cells[$n]));
                $extra[$cell] += $in;
                $this->entering[$cell] += $in * ($opening->temperatures[$n] - $this->heat->reference);
            }
        }
        $this->sums = Stencil::pack($extra, $this->unknown, $this->size);
        $weight = $back = $this->conductance;
        foreach ([0, 1, 2] as $axis) {
            [$weight, $back] = self::carry($this->range[$axis], $this->range[$axis + 1], $this->faceOf, $flux[$axis], $this->specificHeat, $weight, $back);
        }
        [$this->weight, $this->back] = [$weight, $back];

        return $this->pattern->matrix($weight, $back, $this->sums);
    }

    /** The solver of a matrix, with a new hierarchy where that is asked for. */
    private function prepare(SparseMatrix $matrix, bool $new): void
    {
        if ($this->solver !== null && ! $new) {
            $this->solver = $this->solver->keepFor($matrix);
        } elseif ($this->solver !== null && $this->joined < self::JOINED) {
            $this->solver = $this->solver->renewFor($matrix);
            $this->joined++;
        } else {
            // Strong is what conducts or is carried, whichever way.
            $mean = Vectors::combine(0.5, $this->weight, 0.5, $this->back);
            $this->solver = ConvectiveSolver::of($matrix, $this->pattern->matrix($mean, $mean, $this->sums));
            $this->joined = 1;
        }
    }

    /**
     * Adds what is carried downstream, upwind.
     *
     * @param array<int, int> $faceOf
     * @param array<int, float> $flux kg/s
     * @param array<int, float> $weight
     * @param array<int, float> $back
     * @return array{array<int, float>, array<int, float>}
     */
    private static function carry(int $first, int $end, array $faceOf, array $flux, float $specificHeat, array $weight, array $back): array
    {
        for ($l = $first; $l < $end; $l++) {
            $carried = $flux[$faceOf[$l]] * $specificHeat;
            if ($carried < 0.0) {
                $weight[$l] -= $carried;
            } else {
                $back[$l] += $carried;
            }
        }

        return [$weight, $back];
    }

    /**
     * Adds the links between cells of different unknowns along an axis.
     *
     * @param array<int, int> $from unknowns
     * @param array<int, int> $to unknowns
     */
    private function links(int $axis, array &$from, array &$to): void
    {
        [$stencil, $layout] = [$this->heat->stencil, $this->domain->layout];
        [$g, $unknown, $stride] = [$stencil->coupling[$axis], $this->unknown, $stencil->strides()[$axis]];
        [$nx, $ny, $nz] = $stencil->cells;
        $n = $stencil->pad;
        for ($k = 1; $k <= $nz; $k++) {
            for ($j = 1; $j <= $ny; $j++) {
                $c = $layout->index(1, $j, $k);
                for ($i = 0; $i < $nx; $i++, $c++, $n++) {
                    if ($g[$n] > 0.0 && $unknown[$n] !== $unknown[$n + $stride]) {
                        $from[] = $unknown[$n];
                        $to[] = $unknown[$n + $stride];
                        $this->conductance[] = $g[$n];
                        $this->faceOf[] = $c;
                    }
                }
            }
        }
    }

    /**
     * @param array{int, int, int} $place
     */
    private function padded(array $place): int
    {
        [$nx, $ny] = $this->heat->stencil->cells;

        return $this->heat->stencil->pad + ($place[0] - 1) + $nx * (($place[1] - 1) + $ny * ($place[2] - 1));
    }

    /**
     * What the second-order interpolation carries beyond the upwind one, W per padded cell.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s
     * @param array<int, float> $t K
     * @return array<int, float>
     */
    private function deferred(array $flux, array $t, float $order): array
    {
        $watts = $this->domain->layout->zeros();
        foreach ([0, 1, 2] as $axis) {
            $watts = $this->alongAxis($axis, $flux[$axis], $t, $order * $this->specificHeat, Vectors::take($watts));
        }

        return $this->domain->layout->toStencil($watts);
    }

    /**
     * Adds c_p m (T_face - T_upstream) of the faces across an axis, with T_face - T_upstream = w/2 times the limited slope.
     *
     * @param array<int, float> $flux kg/s
     * @param array<int, float> $t K
     * @param array<int, float> $watts
     * @return array<int, float>
     */
    private function alongAxis(int $axis, array $flux, array $t, float $factor, array $watts): array
    {
        $layout = $this->domain->layout;
        [$s, $wa, $face] = [$layout->stride[$axis], $layout->width[$axis], $this->domain->face[$axis]];
        [$mx, $my, $mz] = $layout->size;
        $mixed = self::BEHIND;
        $c = $layout->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($face[$c] !== 1) {
                        continue;
                    }
                    $ia = $axis === 0 ? $i : ($axis === 1 ? $j : $k);
                    $q = $c + $s;
                    // Differences per m; a node behind a wall says nothing about the profile in the fluid, there it counts as smooth.
                    if ($flux[$c] > 0.0) {
                        $width = $wa[$ia];
                        $ahead = ($t[$q] - $t[$c]) / ($width + $wa[$ia + 1]);
                        $behind = $face[$c - $s] === 1 ? ($t[$c] - $t[$c - $s]) / ($width + $wa[$ia - 1]) : $ahead;
                    } else {
                        $width = $wa[$ia + 1];
                        $ahead = ($t[$c] - $t[$q]) / ($width + $wa[$ia]);
                        $behind = $face[$q] === 1 ? ($t[$q] - $t[$q + $s]) / ($width + $wa[$ia + 2]) : $ahead;
                    }
                    if ($ahead * $behind > 0.0) {
                        $slope = $ahead + $mixed * ($behind - $ahead);
                        $limit = 2.0 * ($ahead * $ahead < $behind * $behind ? $ahead : $behind);
                        $extra = $factor * $flux[$c] * $width * ($slope * $slope < $limit * $limit ? $slope : $limit);
                        $watts[$c] -= $extra;
                        $watts[$q] += $extra;
                    }
                }
            }
        }

        return $watts;
    }
}
