<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Materials\Library;
use Foehn\Shapes\Turned;

/**
 * The joints of boards with parts that stand on them: at the part they are what lies over the pads, of the face that touches the board. One that cannot be
 * made is no mistake of the document, as the part may have been moved before the board is: it is told before a run, which does without none.
 */
final readonly class Joints
{
    /** Between faces that touch, m. */
    private const TOUCHES = 1e-7;

    /** @var array<int, non-empty-list<ElectricCondition>> where current enters parts, by their number */
    public array $faces;

    /** @var list<array{board: Part, says: string}> why others cannot be made */
    public array $obstacles;

    /** @param list<Part> $parts */
    public function __construct(array $parts, private Library $materials)
    {
        $numbers = array_flip(array_map(fn (Part $part): string => $part->id, $parts));
        $faces = $obstacles = [];
        foreach ($parts as $board) {
            foreach ($board->copper->terminals ?? [] as $terminal) {
                $joining = $terminal->condition->joining;
                if ($board->copper === null || $joining === null) {
                    continue;
                }
                // A copy of a board is joined to the part that is numbered alike, where there is one.
                $part = $numbers[$joining->part . strstr($board->id, Part::COPY)] ?? $numbers[$joining->part] ?? null;
                $found = $part === null ? sprintf('there is no part with the id "%s"', $joining->part) : $this->faces($board, $board->copper->artwork, $terminal, $joining, $parts[$part]);
                if (is_string($found)) {
                    $obstacles[] = ['board' => $board, 'says' => sprintf('"%s" on "%s" is joined to no part: %s', $terminal->name, $board->name, $found)];
                } elseif ($part !== null) {
                    $faces[$part] = [...$faces[$part] ?? [], ...$found];
                }
            }
        }
        [$this->faces, $this->obstacles] = [$faces, $obstacles];
    }

    /** @return non-empty-list<ElectricCondition>|string where current enters the part, or why it cannot */
    private function faces(Part $board, BoardArtwork $artwork, BoardTerminal $terminal, Joining $joining, Part $part): array|string
    {
        $material = $part->material === null ? null : $this->materials->get($part->material);
        if ($material?->resistivity === null || $part->shape->kind() === 'board' || $part->shape instanceof Turned) {
            return sprintf('"%s" takes no current from a board; choose a part of metal, whose material has a resistivity and which is not turned', $part->name);
        }
        $sign = self::side($board->shape->bounds(), $part->shape->bounds(), $artwork->normal);
        if ($sign === null) {
            return sprintf('"%s" does not touch the upper or lower face of the board; move it there', $part->name);
        }
        $faces = [];
        foreach (array_keys($terminal->pads) as $pad) {
            $rectangle = self::over($artwork, $terminal, $pad, $part->shape->bounds());
            if ($rectangle === null) {
                return sprintf('nothing of "%s" lies over pad %d; move either', $part->name, $pad + 1);
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
