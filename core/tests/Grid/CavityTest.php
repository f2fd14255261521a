<?php

declare(strict_types=1);

namespace Foehn\Tests\Grid;

use Foehn\Grid\Cavity;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/**
 * Which air the parts close off, and where it gets out.
 *
 * @phpstan-import-type Document from Models
 */
final class CavityTest extends TestCase
{
    private const TUB = ['id' => 'tub', 'shape' => ['kind' => 'shell', 'size' => ['60 mm', '40 mm', '30 mm'], 'wall' => '2 mm'], 'material' => 'polycarbonate'];

    public function testTheInsideOfABoxLessWhatStandsInIt(): void
    {
        $cavity = Cavity::of(Models::read($this->with(['id' => 'chip', 'at' => ['20 mm', '10 mm', '2 mm'], 'shape' => ['kind' => 'block', 'size' => ['10 mm', '10 mm', '5 mm']], 'material' => 'silicon'])));

        self::assertNotNull($cavity?->inside);
        self::assertEqualsWithDelta(56e-3 * 36e-3 * 26e-3 - 5e-7, $cavity->volume, 1e-12);
        self::assertEqualsWithDelta([[0.002, 0.002, 0.002], [0.058, 0.038, 0.028]], [$cavity->inside->min, $cavity->inside->max], 1e-12);
        self::assertNull($cavity->leak);
    }

    public function testALeakIsTheNarrowestPlaceOnTheWayOut(): void
    {
        $hole = ['id' => 'hole', 'at' => ['57 mm', '20 mm', '10 mm'], 'shape' => ['kind' => 'block', 'size' => ['5 mm', '6 mm', '3 mm']], 'material' => 'fluid'];
        $cavity = Cavity::of(Models::read($this->with($hole)));

        self::assertNotNull($cavity);
        self::assertNull($cavity->inside);
        self::assertEqualsWithDelta(3e-3, $cavity->gap, 1e-9);
        self::assertEqualsWithDelta([0.059, 0.023, 0.0115], $cavity->leak, 3e-3);
    }

    public function testAirOnlyIsNoBox(): void
    {
        self::assertNull(Cavity::of(Models::read([...$this->with([]), 'parts' => []])));
    }

    /**
     * @param array<string, mixed> $part
     * @return Document
     */
    private function with(array $part): array
    {
        return Models::block(['parts' => $part === [] ? [self::TUB] : [self::TUB, $part], 'limits' => [], 'analysis' => [],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['70 mm', '50 mm', '40 mm']], 'fluid' => 'air']]);
    }
}
