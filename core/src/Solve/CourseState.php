<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\Controller;
use Foehn\Model\CurveControl;
use Foehn\Model\FosterNetwork;
use Foehn\Model\Sensor;
use Foehn\Model\Target;
use Foehn\Model\Thermostat;
use Foehn\Physics\Flow\FlowLayout;

/** Where a course in time is, for an interrupted one to go on from. */
final readonly class CourseState
{
    private const CLASSES = [self::class, Course::class, Moment::class, AirState::class, FlowMoment::class, FlowState::class, FlowLayout::class, Grid::class, ControlState::class, Controller::class, CurveControl::class, Thermostat::class, Sensor::class, Target::class, PropertyLaw::class, Junctions::class, FosterNetwork::class];

    /**
     * @param list<ControlState> $controls
     * @param ?float $step s wanted for the next step; null: as at a start
     */
    public function __construct(public Course $course, public Moment $now, public array $controls, public ?float $step, public ?AirState $air = null, public ?Junctions $junctions = null)
    {
    }

    public function toBytes(): string
    {
        return (string) gzcompress(serialize($this), 1);
    }

    /** Null when the bytes are not those of a state. */
    public static function fromBytes(string $bytes): ?self
    {
        $text = @gzuncompress($bytes);
        $state = $text === false ? null : @unserialize($text, ['allowed_classes' => self::CLASSES]);

        return $state instanceof self ? $state : null;
    }
}
