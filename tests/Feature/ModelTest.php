<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Project;
use Foehn\Codec\ModelCodec;
use Foehn\Tests\Models;
use Foehn\Tests\MutatedDocuments;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class ModelTest extends TestCase
{
    /** Whatever is sent: created, or refused with a sentence that OpenApiContract knows; never an error of the program. */
    public function testTheEvidenceSaysWhatTheModelUses(): void
    {
        $user = $this->user('Owner');
        $variant = $this->variantOf($user);
        $answer = (array) $this->actingAs($user)->getJson("/api/variants/$variant->id/evidence")->assertOk()->json();
        $used = array_column(array_filter((array) $answer['mechanisms'], fn (mixed $one) => is_array($one) && $one['used'] === true), 'id');
        self::assertSame(['conduction', 'film'], $used);
        self::assertContains('Composite slab with contact resistances', array_column((array) $answer['cases'], 'title'));
    }

    public function testSpoiltDocumentsAreTakenOrRefused(): void
    {
        $this->actingAs($this->user());
        $first = $this->variantOf($this->user('Bea'));
        $first->project?->members()->attach(auth()->id(), ['role' => 'editor']);
        foreach (MutatedDocuments::some(60) as $what => $json) {
            $status = $this->call('POST', '/api/projects', [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $json)->status();
            self::assertContains($status, [201, 422], $what);
            $status = $this->call('PUT', "/api/variants/$first->id/model", [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], '{"document":' . $json . ',"base":99,"step":"x"}')->status();
            self::assertContains($status, [409, 422], $what);
        }
        foreach (['document[a]=1&base=0&step=x' => 'application/x-www-form-urlencoded', '{"document":{"a\u0000":1},"base":0,"step":"x"}' => 'application/json', '{"document":{"a":1e400},"base":0,"step":"x"}' => 'application/json', '[]' => 'application/json', '' => 'application/json'] as $body => $type) {
            $this->call('PUT', "/api/variants/$first->id/model", [], [], [], ['CONTENT_TYPE' => $type, 'HTTP_ACCEPT' => 'application/json'], $body)->assertUnprocessable();
        }
    }

    public function testEveryEditIsARevisionAndKeepsTheText(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user);
        $document = Models::block();
        $document['parts'][0]['power'] = '2 * 6 W';

        $this->actingAs($user)->putJson("/api/variants/$variant->id/model", ['document' => $document, 'base' => 1, 'step' => 'Block: 12 W'])
            ->assertCreated()->assertJsonPath('number', 2)->assertJsonPath('document.parts.0.power', '2 * 6 W')->assertJsonPath('outline.watts', 12);
        self::assertSame(2, $variant->revisions()->count());
        self::assertStringContainsString('10 W', $variant->revisions()->where('number', 1)->firstOrFail()->document);
    }

    public function testASecondTabIsToldAndLosesNothing(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user);
        $this->actingAs($user);
        $this->putJson("/api/variants/$variant->id/model", ['document' => Models::block(['name' => 'First tab']), 'base' => 1, 'step' => 'First tab'])->assertCreated();

        $this->putJson("/api/variants/$variant->id/model", ['document' => Models::block(['name' => 'Second tab']), 'base' => 1, 'step' => 'Second tab'])
            ->assertConflict()->assertJsonPath('current.number', 2)->assertJsonPath('current.step', 'First tab')->assertJsonPath('current.by', 'Ada');
        $this->putJson("/api/variants/$variant->id/model", ['document' => Models::block(['name' => 'Second tab']), 'base' => 2, 'step' => 'Second tab'])->assertCreated();
        self::assertSame(3, $variant->revisions()->count());
    }

    public function testABadEditIsRefusedWithItsPlaceAndNothingChanges(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user);
        $document = Models::block();
        $document['parts'][0]['power'] = '12 mm';

        $this->actingAs($user)->putJson("/api/variants/$variant->id/model", ['document' => $document, 'base' => 1, 'step' => 'Edit'])
            ->assertUnprocessable()->assertJsonPath('problems.0.pointer', '/parts/0/power')
            ->assertJsonPath('problems.0.message', '"12 mm" is a length (e.g. "12 mm"), but here a heat flow (e.g. "12 W") is expected')->assertJsonMissingPath('exception');
        self::assertSame(1, $variant->revisions()->count());
    }

    #[DataProvider('badFiles')]
    public function testABadFileMakesNoProject(string $text, string $message): void
    {
        $before = Project::query()->count();
        $response = $this->actingAs($this->user())->call('POST', '/api/projects', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: $text);

        $response->assertUnprocessable();
        $said = $response->json('problems.0.message');
        self::assertIsString($said);
        self::assertStringContainsString($message, $said);
        self::assertSame($before, Project::query()->count());
    }

    /** @return iterable<string, array{string, string}> */
    public static function badFiles(): iterable
    {
        yield 'not JSON' => ['{"format": ', 'not a JSON document'];
        yield '50 MB' => [str_repeat('[', 50_000_000), 'the document has 50.0 MB; at most 20 MB'];
        yield 'unknown field' => [json_encode(Models::block(['colour' => 'red'])) ?: '', 'unknown field "colour"'];
    }

    public function testAModelDocumentBecomesAProject(): void
    {
        $this->actingAs($this->user())->call('POST', '/api/projects', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: (string) json_encode(Models::demo()))
            ->assertCreated()->assertJsonPath('name', 'Ridge radar processor')->assertJsonPath('role', 'owner')->assertJsonPath('variants.0.revision', 1);
    }

    public function testReportsTheGridOfAGrade(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user, Models::demo());

        $this->actingAs($user)->getJson("/api/variants/$variant->id/grid?grade=scout")->assertOk()->assertJsonPath('features.0.part', 'tray');
        $this->getJson("/api/variants/$variant->id/grid?grade=superfine")->assertUnprocessable();
    }

    public function testEmptyObjectsOfADocumentStayObjects(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user);
        $body = json_encode(['document' => [...Models::block(), 'materials' => new \stdClass()], 'base' => 1, 'step' => 'Edit']);

        $this->actingAs($user)->call('PUT', "/api/variants/$variant->id/model", server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: (string) $body)->assertCreated();
        self::assertStringContainsString('"materials": {}', $variant->head()->firstOrFail()->document);
        ModelCodec::fromJson($variant->head()->firstOrFail()->document);
    }
}
