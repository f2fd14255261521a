<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Variant;
use Foehn\Codec\ModelCodec;
use Foehn\Tests\Nested;
use Tests\TestCase;

/** Files of layouts, and the copper of boards before it is computed. */
final class ArtworkTest extends TestCase
{
    public function testFilesOfALayoutAreToldApart(): void
    {
        $this->postJson('/api/artwork', ['name' => 'top.gbr', 'text' => 'x'])->assertUnauthorized();
        $this->actingAs($this->user('Owner'));
        $look = fn (string $file) => $this->postJson('/api/artwork', ['name' => $file, 'text' => (string) file_get_contents(base_path("examples/tap-board/$file"))])->assertOk();

        $inner = $look('inner-2.gbr')->assertJsonPath('kind', 'copper')->assertJsonPath('position', 3)->assertJsonPath('problem', null);
        // The pour of 38 x 28 mm without its slanted corner and the cut-out of 10 x 12 mm with two round corners.
        self::assertEqualsWithDelta((38.0 * 28.0 - 80.0 - 120.0 + 2.0 * (4.0 - M_PI)) * 1e-6, Nested::number($inner->json(), 'area'), 2e-6);
        self::assertStringStartsWith('%TF', (string) gzdecode(self::bytes($inner->json('packed'))));
        $look('holes.drl')->assertJsonPath('kind', 'drill')->assertJsonPath('holes', 56)->assertJsonPath('plated', true);
        $this->postJson('/api/artwork', ['name' => 'notes.txt', 'text' => 'hello'])->assertOk()
            ->assertJsonPath('kind', 'other')->assertJsonPath('problem', 'this is neither artwork in Gerber format nor a drill file in Excellon format nor a list of nets in IPC-D-356 format');
        $this->postJson('/api/artwork', ['name' => 'inches.drl', 'text' => "M48\nINCH\nT1C0.3\n%\nT1\nX0.0Y5.0\nX1200.0Y5.0\nM30\n"])->assertOk()->assertJsonPath('kind', 'other');
    }

    public function testNetsOfABoardSayWhetherTheirCircuitIsComplete(): void
    {
        $owner = $this->user('Owner');
        $variant = $this->variantOf($owner);
        $this->actingAs($owner);
        $this->getJson("/api/variants/$variant->id/copper/board")->assertNotFound();
        $document = ModelCodec::parse((string) file_get_contents(base_path('examples/battery-tap-board.json')));
        $this->save($variant, $document, 1);
        $copper = $this->getJson("/api/variants/$variant->id/copper/board")->assertOk()
            ->assertJsonPath('nets.0.name', 'GND')->assertJsonPath('nets.0.in', 20)->assertJsonPath('nets.0.says', 'ready')
            ->assertJsonPath('nets.1.name', 'VBAT')->assertJsonPath('nets.1.out', 20)->assertJsonPath('nets.1.ready', true)
            ->assertJsonPath('nets.2.says', 'no terminals')->assertJsonPath('loose', [])->assertJsonPath('joined', [])->assertJsonCount(56, 'holes');
        $drop = fn (int $at): float => Nested::number($this->getJson("/api/variants/$variant->id/copper/board/currents?at=$at")->assertOk()->json(), 'nets', 1, 'drop');
        // Copper that is warmer by 100 K drops more in proportion to its resistivity.
        self::assertEqualsWithDelta((1.0 + 0.00393 * 105.0) / (1.0 + 0.00393 * 5.0), $drop(125) / $drop(25), 1e-5);
        $this->getJson("/api/variants/$variant->id/copper/board/currents?at=hot")->assertUnprocessable();
        self::assertSame(4 * 400 * 267, strlen(self::bytes($copper->json('copper'))));

        // Without the voltage of the battery, and with a load beside its pad.
        $document = Nested::with($document, ['kind' => 'current', 'current' => '20 A'], 'parts', 0, 'copper', 'terminals', 0, 'electric');
        $this->save($variant, Nested::with($document, ['20 mm', '10 mm'], 'parts', 0, 'copper', 'terminals', 2, 'at'), 2);
        $this->getJson("/api/variants/$variant->id/copper/board")->assertOk()->assertJsonPath('loose', ['Winch'])
            ->assertJsonPath('nets.1.ready', false)->assertJsonPath('nets.1.says', 'no return path: give the net a voltage or a ground');
    }

    private static function bytes(mixed $text): string
    {
        return is_string($text) ? (string) base64_decode($text, true) : '';
    }

    /** @param array<array-key, mixed> $document */
    private function save(Variant $variant, array $document, int $base): void
    {
        $this->putJson("/api/variants/$variant->id/model", ['document' => $document, 'base' => $base, 'step' => 'Changed'])->assertSuccessful();
    }
}
