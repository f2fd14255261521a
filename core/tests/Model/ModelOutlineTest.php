<?php

declare(strict_types=1);

namespace Foehn\Tests\Model;

use Foehn\Codec\ModelOutline;
use Foehn\Tests\Models;
use Foehn\Tests\Tree;
use PHPUnit\Framework\TestCase;

final class ModelOutlineTest extends TestCase
{
    public function testGivesTheScreenNumbersInsteadOfFormulas(): void
    {
        $outline = ModelOutline::of(Models::read(Models::demo()));
        $byId = array_column(Tree::list($outline, 'parts'), null, 'id');

        self::assertEqualsWithDelta(28.0, $outline['watts'], 1e-12);
        self::assertSame('Layer stack', Tree::at($byId, 'board', 'materialTitle'));
        self::assertGreaterThan(50 * Tree::number($byId, 'board', 'conductivity', 2), Tree::number($byId, 'board', 'conductivity', 0));
        self::assertCount(16, Tree::list($byId, 'sink', 'drawing'), 'a base and 15 fins');
        self::assertCount(6, Tree::list($byId, 'tray', 'drawing'), 'six walls');
        self::assertSame('cylinder', Tree::at($byId, 'standoff-1', 'drawing', 0, 'kind'));
        self::assertNull(Tree::at($byId, 'processor', 'material'));
        self::assertEqualsWithDelta(378.15, array_column(Tree::list($outline, 'limits'), 'atMost', 'part')['converter-b'], 1e-9);
    }
}
