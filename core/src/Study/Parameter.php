<?php

declare(strict_types=1);

namespace Foehn\Study;

use Closure;
use Foehn\Model\Model;

/** Something of a design that can be changed: what it is now, how far it is asked to go, and the model with it changed. */
final readonly class Parameter
{
    /** What there is: watts of a part, the surroundings, other temperatures that something is held at, conductivity of a material, emissivity and absorptivity of sunlight of a surface, and resistances and coefficients of a face, a side or a package. */
    public const KINDS = ['power', 'ambient', 'givenTemperature', 'conductivity', 'emissivity', 'absorptivity', 'contactResistance', 'convectionCoefficient', 'junctionToCase', 'junctionToBoard'];

    /**
     * @param string $kind one of KINDS
     * @param ?string $of id of a part or material, or name of a side; null for temperatures
     * @param ?string $face of the part
     * @param ?float $value in SI units; null where it is not one value
     * @param string $unit SI
     * @param float $step change that is listed: a share of the value, of temperatures K
     * @param Closure(float): Model $changed the model with the parameter changed by so much, in the measure of the step
     */
    public function __construct(
        public string $kind,
        public ?string $of,
        public ?string $face,
        public ?float $value,
        public string $unit,
        public float $step,
        public Closure $changed,
    ) {
    }
}
