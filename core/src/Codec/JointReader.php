<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Model\BoardArtwork;
use Foehn\Model\BoardTerminal;
use Foehn\Model\ElectricCondition;
use Foehn\Model\Joining;
use Foehn\Model\Part;
use Foehn\Shapes\Turned;

/** Gives parts that boards are joined to their side of the joints: what lies over the pads, of the face that touches the board. */
final readonly class JointReader
{
    /** Between faces that touch, m. */
    private const TOUCHES = 1e-7;

    /** @var array<string, int> number of each part, by id */
    private array $numbers;

    /** @param list<Part> $parts */
    private function __construct(private array $parts, private Library $materials)
    {
        $this->numbers = array_flip(array_map(fn (Part $part): string => $part->id, $parts));
    }

    /**
     * @param list<Part> $parts
     * @return list<Part> the same, with the joints at those that boards are joined to
     */
    public static function join(array $parts, Library $materials, Problems $problems): array
    {
        $reader = new self($parts, $materials);
        $joints = [];
        foreach ($parts as $board) {
            foreach ($board->copper->terminals ?? [] as $n => $terminal) {
                $joining = $terminal->condition->joining;
                if ($joining === null) {
                    continue;
                }
                $part = $reader->partFor($board, $joining);
                $found = $part === null ? sprintf('there is no part with the id "%s"', $joining->part) : $reader->faces($board, $terminal, $joining, $parts[$part]);
                if (is_string($found)) {
                    $problems->add("$board->pointer/copper/terminals/$n/electric/part", $found);
                } else {
                    $joints[(int) $part] = [...$joints[(int) $part] ?? [], ...$found];
                }
            }
        }
        foreach ($joints as $part => $own) {
            $parts[$part] = $parts[$part]->joined($own);
        }

        return array_values($parts);
    }

    /** Number of the part: for a copy of a board that which is numbered alike, where there is one. */
    private function partFor(Part $board, Joining $joining): ?int
    {
        return $this->numbers[$joining->part . strstr($board->id, Part::COPY)] ?? $this->numbers[$joining->part] ?? null;
    }

    /** @return list<ElectricCondition>|string where current enters the part, or why it cannot */
    private function faces(Part $board, BoardTerminal $terminal, Joining $joining, Part $part): array|string
    {
        $artwork = $board->copper->artwork ?? throw new \LogicException('a board with terminals has artwork');
        $material = $part->material === null ? null : $this->materials->get($part->material);
        if ($material?->resistivity === null || $part->shape->kind() === 'board' || $part->shape instanceof Turned) {
            return sprintf('"%s" takes no current from a board: a part of metal is needed, whose material has a resistivity and which is not turned', $part->name);
        }
        $sign = self::side($board->shape->bounds(), $part->shape->bounds(), $artwork->normal);
        if ($sign === null) {
            return sprintf('"%s" does not touch the upper or lower face of "%s"; move it onto the board', $part->name, $board->name);
        }
        $faces = [];
        foreach (array_keys($terminal->pads) as $pad) {
            $rectangle = self::over($artwork, $terminal, $pad, $part->shape->bounds());
            if ($rectangle === null) {
                return sprintf('no part of "%s" lies over pad %d of "%s"; move either', $part->name, $pad + 1, $terminal->name);
            }
            [[$u, $v], [$toU, $toV]] = $rectangle;
            $place = Axes::place($artwork->normal, $part->shape->bounds()->min[$artwork->normal], 0.5 * ($u + $toU), 0.5 * ($v + $toV));
            $face = $part->face(2 * $artwork->normal + ($sign > 0 ? 0 : 1), fn (): array => $place);
            // A round or bent part has no axes on its faces: all of the end that touches is the joint.
            $faces[] = new ElectricCondition($face, ElectricCondition::JOINT, 0.0, in_array($face[0], ['x', 'y', 'z'], true) ? $rectangle : null, $joining);
        }

        return $faces;
    }

    /**
     * @param 0|1|2 $normal
     * @return 1|-1|null whether the part lies on the upper or on the lower face of the board; null: on neither
     */
    private static function side(Box $board, Box $part, int $normal): ?int
    {
        return match (true) {
            abs($part->min[$normal] - $board->max[$normal]) <= self::TOUCHES => 1,
            abs($part->max[$normal] - $board->min[$normal]) <= self::TOUCHES => -1,
            default => null,
        };
    }

    /**
     * What of a part lies over a pad; a round pad counts as a square of its area.
     *
     * @return ?array{array{float, float}, array{float, float}} lower and upper corner in the space along the axes of the board, m
     */
    private static function over(BoardArtwork $artwork, BoardTerminal $terminal, int $pad, Box $part): ?array
    {
        $corners = [[0.0, 0.0], [0.0, 0.0]];
        foreach (Axes::across($artwork->normal) as $i => $axis) {
            $middle = $artwork->lower[$axis] + $terminal->pads[$pad][$i] - $artwork->origin[$i];
            $half = 0.5 * $terminal->size[$i] * ($terminal->isRound ? sqrt(0.25 * M_PI) : 1.0);
            [$corners[0][$i], $corners[1][$i]] = [max($middle - $half, $part->min[$axis]), min($middle + $half, $part->max[$axis])];
            if ($corners[1][$i] - $corners[0][$i] <= self::TOUCHES) {
                return null;
            }
        }

        return $corners;
    }
}
