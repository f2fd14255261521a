<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

/** Watts of parts that follow a temperature or a current, as last found. */
final class Losses
{
    /** @var array<int, float> W by index of the part */
    public array $watts = [];
}
