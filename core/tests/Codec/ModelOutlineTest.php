<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Codec\ModelOutline;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use PHPUnit\Framework\TestCase;

final class ModelOutlineTest extends TestCase
{
    public function testGivesTheScreenNumbersInsteadOfFormulas(): void
    {
        $outline = ModelOutline::of(Models::read(Models::demo()));
        $byId = array_column(Nested::list($outline, 'parts'), null, 'id');

        self::assertEqualsWithDelta(28.0, $outline['watts'], 1e-12);
        self::assertSame('Layer stack', Nested::at($byId, 'board', 'materialTitle'));
        self::assertGreaterThan(50 * Nested::number($byId, 'board', 'conductivity', 2), Nested::number($byId, 'board', 'conductivity', 0));
        self::assertCount(16, Nested::list($byId, 'sink', 'drawing'), 'a base and 15 fins');
        self::assertCount(6, Nested::list($byId, 'tray', 'drawing'), 'six walls');
        self::assertSame('cylinder', Nested::at($byId, 'standoff-1', 'drawing', 0, 'kind'));
        self::assertNull(Nested::at($byId, 'processor', 'material'));
        self::assertEqualsWithDelta(378.15, array_column(Nested::list($outline, 'limits'), 'atMost', 'part')['converter-b'], 1e-9);
    }

    public function testAPartSaysWhoseTouchLimitsHold(): void
    {
        $document = Models::block();
        $document['parts'][0]['touchedAs'] = 'plastic';
        self::assertSame('plastic', Nested::at(ModelOutline::of(Models::read($document)), 'parts', 0, 'touchedAs'));

        $document['parts'][0]['touchedAs'] = 'rubber';
        $this->expectExceptionMessageMatches('~parts/0/touchedAs.*plastic.*rubber~');
        Models::read($document);
    }
}
