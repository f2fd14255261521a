<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Axes;
use Foehn\Model\ElectricCondition;
use Foehn\Model\Joining;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Turned;
use Foehn\Units\Dimension;

/** Reads what is stated of currents at a face of a part: terminals, and the contact with the conductor that touches it. */
final class ElectricConditionReader
{
    /** Terminals on one face. */
    private const MOST = 100;

    /** @return array{list<ElectricCondition>, float} terminals of the face, one or one for each rectangle of it, and the resistance of its contact, ohm m2 */
    public static function all(Reader $face, string $name, Shape $shape): array
    {
        $given = $face->raw('electric');
        if (is_array($given) && array_is_list($given) && $given !== []) {
            return [array_map(fn (Reader $one): ElectricCondition => self::terminal($one, $name, $shape), $face->objects('electric', self::MOST, 'terminals')), 0.0];
        }
        $reader = $face->object('electric');
        if ($reader->raw('kind') !== ElectricCondition::CONTACT) {
            return [[self::terminal($reader, $name, $shape)], 0.0];
        }
        $resistance = $reader->quantity('resistance', Dimension::electricalAreaResistance(), null, 0.0);
        $reader->oneOf('kind', [ElectricCondition::CONTACT]);
        $reader->close();

        return [[], $resistance];
    }

    /**
     * Of the copper of a board.
     *
     * @param string $name of the terminal
     * @param string $joint its name in the model, by which a joint is known on both sides
     */
    public static function onCopper(Reader $reader, string $name, string $joint): ElectricCondition
    {
        if ($reader->raw('kind') !== ElectricCondition::JOINT) {
            return self::terminal($reader, '', null);
        }
        $reader->oneOf('kind', [ElectricCondition::JOINT]);
        $joining = new Joining($joint, $name, $reader->string('part'), $reader->quantity('resistance', Dimension::electricalAreaResistance(), 0.0, 0.0));
        $reader->close();

        return new ElectricCondition('', ElectricCondition::JOINT, 0.0, null, $joining);
    }

    private static function terminal(Reader $reader, string $face, ?Shape $shape): ElectricCondition
    {
        $kind = $reader->oneOf('kind', [...ElectricCondition::KINDS, ElectricCondition::CONTACT]);
        if ($kind === ElectricCondition::CONTACT) {
            $reader->problem('kind', 'a contact resistance holds for a face as a whole and is no entry of a list; write it alone');
        }
        $value = match ($kind) {
            'current' => $reader->load('current', Dimension::current()),
            'voltage' => $reader->load('voltage', Dimension::voltage()),
            'power' => -$reader->load('power', Dimension::power(), null, 0.0) / max($reader->quantity('voltage', Dimension::voltage(), null, 0.0, true), 1e-30),
            'resistance' => $reader->quantity('resistance', Dimension::electricalResistance(), null, 0.0, true),
            default => 0.0,
        };
        $rectangle = $shape !== null && ($reader->has('min') || $reader->has('max')) ? self::rectangle($reader, $face, $shape) : null;
        $reader->close();

        return new ElectricCondition($face, $kind, $value, $rectangle);
    }

    /**
     * A rectangle is given from the lower corner of the box around the part, so that it goes along where the part is moved or repeated.
     *
     * @return ?array{array{float, float}, array{float, float}} m in the space
     */
    private static function rectangle(Reader $reader, string $face, Shape $shape): ?array
    {
        $min = $reader->vector('min', Dimension::length(), 2);
        $max = $reader->vector('max', Dimension::length(), 2);
        if ($shape instanceof Turned || ! in_array($face[0], ['x', 'y', 'z'], true)) {
            $reader->problem('min', sprintf('a rectangle lies on a flat face of a part that is not turned; face "%s" of this one has no axes for it', $face));

            return null;
        }
        [$a, $b] = Axes::across(Axes::named($face));
        $bounds = $shape->bounds();
        $corner = $bounds->min;
        if ($max[0] <= $min[0] || $max[1] <= $min[1]) {
            $reader->problem('max', 'the rectangle has no area');
        } elseif (min($min) < 0.0 || $max[0] > $bounds->size($a) * (1 + 1e-9) || $max[1] > $bounds->size($b) * (1 + 1e-9)) {
            $reader->problem('max', sprintf('the rectangle reaches beyond the face, which is %g m by %g m; it is given from the lower corner of the part', $bounds->size($a), $bounds->size($b)));
        }

        return [[$corner[$a] + $min[0], $corner[$b] + $min[1]], [$corner[$a] + $max[0], $corner[$b] + $max[1]]];
    }
}
