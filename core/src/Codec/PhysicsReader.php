<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Physics;

/** Reads what is to be computed. */
final class PhysicsReader
{
    public static function read(Reader $reader): Physics
    {
        $physics = new Physics($reader->bool('heat', true), $reader->oneOf('flow', Physics::FLOWS, 'none'), $reader->bool('buoyancy', true), $reader->bool('electric', false), $reader->oneOf('radiation', Physics::RADIATION, 'none'));
        if ($physics->electric && ! $physics->heat) {
            $reader->problem('heat', 'currents are computed together with the heat they make; write true');
        }
        if (! $physics->heat && ! $physics->hasFlow()) {
            $reader->problem('heat', 'neither heat nor flow is to be computed; set one of them');
        }
        if ($physics->radiates() && ! $physics->heat) {
            $reader->problem('heat', 'radiation is computed together with the heat it carries; write true');
        }
        foreach (['thermoelectric', 'stress'] as $key) {
            if ($reader->bool($key, false)) {
                $reader->problem($key, sprintf('%s is not computed by this version; write false', $key));
            }
        }
        $reader->close();

        return $physics;
    }
}
