<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Observe\Masses;
use Foehn\Results\ReadingRows;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

final class MassesTest extends TestCase
{
    public function testPartsWeighWhatTheyFill(): void
    {
        $document = Models::block(['analysis' => ['grid' => ['grade' => 'scout']]]);
        // A pin within the block displaces its aluminium; grease of unknown density weighs nothing known.
        $document['materials'] = ['grease' => ['conductivity' => '3 W/m/K']];
        $document['parts'][] = ['id' => 'pin', 'name' => 'Pin', 'shape' => ['kind' => 'block', 'size' => ['10 mm', '10 mm', '20 mm']], 'material' => 'copper'];
        $document['parts'][] = ['id' => 'film', 'name' => 'Film', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', '1 mm']], 'material' => 'grease'];
        $solution = (new SteadySolver(Models::read($document)))->solve();
        $density = fn (string $material): float => $solution->state->model->materials->get($material)->density ?? 0.0;
        $aluminium = 19e-3 * (4e-4 - 1e-4) * $density('aluminium-6061');
        $copper = 19e-3 * 1e-4 * $density('copper');

        self::assertEqualsWithDelta([$aluminium, $copper, null], Masses::of($solution->state), 1e-9);
        $result = ResultBuilder::build($solution, '');
        self::assertEqualsWithDelta($aluminium + $copper, $result['mass']['total'], 1e-9);
        self::assertSame(['Film'], $result['mass']['without']);
        self::assertSame('Mass, 1 part unknown', ReadingRows::of($result)[1]['name']);
    }

    public function testARoundPartHasItsOwnVolume(): void
    {
        $document = Models::block();
        $document['parts'][0]['at'] = ['10 mm', '10 mm', 0];
        $document['parts'][0]['shape'] = ['kind' => 'cylinder', 'axis' => 'z', 'radius' => '10 mm', 'length' => '20 mm'];
        $solution = (new SteadySolver(Models::read($document)))->solve();

        self::assertEqualsWithDelta(M_PI * 1e-4 * 20e-3 * 2700.0, Masses::of($solution->state)[0], 1e-9);
    }
}
