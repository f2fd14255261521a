<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Box;

/** A component body whose inside is a small network: junction to case and junction to board, in K/W. */
final readonly class TwoResistancePackage implements Shape
{
    use BoxFaces;

    private const CELLS_ACROSS = 4;

    /** With one cell across it a component in a flow is a quarter too hot, and a grid that shows that much wrong tells nothing of the next. */
    private const FEWEST_ACROSS = 2;

    private Block $body;

    /**
     * @param 0|1|2 $boardAxis
     * @param int $boardSign -1 when the board lies on the lower side of $boardAxis, +1 on the upper
     */
    public function __construct(
        Box $box,
        public float $junctionToCase,
        public float $junctionToBoard,
        public int $boardAxis,
        public int $boardSign,
    ) {
        $this->body = new Block($box);
    }

    public function withResistances(float $junctionToCase, float $junctionToBoard): self
    {
        return new self($this->bounds(), $junctionToCase, $junctionToBoard, $this->boardAxis, $this->boardSign);
    }

    public function kind(): string
    {
        return 'package';
    }

    public function bounds(): Box
    {
        return $this->body->bounds();
    }

    /** Middle plane between the board half and the case half of the body. */
    public function middle(): float
    {
        return 0.5 * ($this->bounds()->min[$this->boardAxis] + $this->bounds()->max[$this->boardAxis]);
    }

    public function planes(int $axis): array
    {
        return $axis === $this->boardAxis ? [...$this->body->planes($axis), $this->middle()] : $this->body->planes($axis);
    }

    public function contains(float $x, float $y, float $z): bool
    {
        return $this->body->contains($x, $y, $z);
    }

    /** Heat spreads from the footprint into the board: too few cells there make it too hot. */
    public function features(): array
    {
        $features = [];
        foreach (array_diff([0, 1, 2], [$this->boardAxis]) as $axis) {
            $features[] = new Feature('footprint', $axis, $this->bounds()->min[$axis], $this->bounds()->max[$axis], self::CELLS_ACROSS, self::FEWEST_ACROSS);
        }

        return $features;
    }

    public function drawing(): array
    {
        return $this->body->drawing();
    }
}
