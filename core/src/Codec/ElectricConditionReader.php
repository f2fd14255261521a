<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\ElectricCondition;
use Foehn\Units\Dimension;

/** Reads the current or voltage at a face of a part. */
final class ElectricConditionReader
{
    public static function read(Reader $reader): ElectricCondition
    {
        $kind = $reader->oneOf('kind', ElectricCondition::KINDS);
        $value = match ($kind) {
            'current' => $reader->quantity('current', Dimension::current()),
            'voltage' => $reader->quantity('voltage', Dimension::voltage()),
            default => 0.0,
        };
        $reader->close();

        return new ElectricCondition($kind, $value);
    }
}
