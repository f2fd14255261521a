<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\RunState;
use App\Models\Variant;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Alternatives of a design: cloned, named, moved, deleted, restored; and their revisions. */
final class VariantTest extends TestCase
{
    public function testACloneTakesTheRevisionThatWasSeenAndStandsBehindItsOrigin(): void
    {
        $owner = $this->user('Owner');
        $first = $this->variantOf($owner);
        $this->actingAs($owner);
        $this->cloneOf($first, 'Last');
        $first->saveModel(json_encode(Models::block(['name' => 'Meanwhile']), JSON_THROW_ON_ERROR), 1, 'Someone else', $owner);
        $made = $this->postJson("/api/variants/$first->id/clone", ['name' => 'Taller fins', 'revision' => 1])->assertCreated()
            ->assertJsonPath('origin', ['variant' => $first->id, 'revision' => 1])->assertJsonPath('revision', 1)->assertJsonPath('verdict', null);
        $clone = Variant::query()->findOrFail(Nested::number($made->json(), 'id'));

        self::assertSame($first->revisions()->where('number', 1)->value('document'), $clone->head()->firstOrFail()->document);
        self::assertSame(['First design', 'Taller fins', 'Last'], $this->names($first));
        $this->getJson("/api/variants/$clone->id/revisions")->assertJsonPath('0.step', 'Cloned from First design, revision 1');
        $this->postJson("/api/variants/$first->id/clone", ['name' => 'Taller fins', 'revision' => 2])->assertUnprocessable()
            ->assertJsonPath('message', 'This project already has a variant called "Taller fins"; take another name.');
        $this->postJson("/api/variants/$first->id/clone", ['name' => 'No such', 'revision' => 9])->assertNotFound();
        $this->postJson("/api/variants/$first->id/clone", ['name' => 'No revision'])->assertUnprocessable();
    }

    public function testVariantsAreRenamedAnnotatedAndMoved(): void
    {
        $owner = $this->user('Owner');
        $first = $this->variantOf($owner);
        $this->actingAs($owner);
        [$second, $third] = [$this->cloneOf($first, 'Second'), $this->cloneOf($first, 'Third')];
        $this->patchJson("/api/variants/$second", ['name' => 'Moved fan', 'note' => 'Asked for by the housing'])->assertOk()->assertJsonPath('note', 'Asked for by the housing');
        $this->patchJson("/api/variants/$second", ['name' => 'Moved fan'])->assertOk()->assertJsonPath('note', 'Asked for by the housing');
        $this->patchJson("/api/variants/$second", ['name' => ''])->assertUnprocessable();
        $this->patchJson("/api/variants/$third", ['name' => 'Moved fan'])->assertUnprocessable();
        $this->patchJson("/api/variants/$first->id", ['before' => null])->assertOk();
        self::assertSame(['Third', 'Moved fan', 'First design'], $this->names($first));
        $this->patchJson("/api/variants/$second", ['before' => $third])->assertOk();
        self::assertSame(['Moved fan', 'Third', 'First design'], $this->names($first));
    }

    public function testADeletedVariantStopsItsRunAndComesBackWithAFreeName(): void
    {
        Queue::fake();
        $owner = $this->user('Owner');
        $first = $this->variantOf($owner);
        $this->actingAs($owner)->deleteJson("/api/variants/$first->id")->assertUnprocessable();
        $second = $this->cloneOf($first, 'Second');
        $run = Nested::number($this->postJson("/api/variants/$second/runs", ['grade' => 'scout'])->assertCreated()->json(), 'id');
        $this->deleteJson("/api/variants/$second")->assertOk()->assertJsonPath('restorableDays', 30);

        self::assertSame(RunState::Stopped, Variant::withTrashed()->findOrFail($second)->runs()->firstOrFail()->state);
        foreach (["/api/variants/$second", "/api/variants/$second/runs"] as $gone) {
            $this->getJson($gone)->assertNotFound();
        }
        $this->getJson("/api/runs/$run")->assertForbidden();
        $this->putJson("/api/variants/$second/model", ['document' => Models::block(), 'base' => 1, 'step' => 'Late'])->assertNotFound();
        $this->cloneOf($first, 'Second');
        $this->getJson("/api/projects/$first->project_id/variants/deleted")->assertJsonCount(1)->assertJsonPath('0.id', $second);
        $this->postJson("/api/variants/$second/restore")->assertOk()->assertJsonPath('name', 'Second (2)');
        $this->getJson("/api/runs/$run")->assertOk();

        $this->deleteJson("/api/variants/$second")->assertOk();
        $this->travel(31)->days();
        $this->command('foehn:prune')->assertSuccessful();
        self::assertNull(Variant::withTrashed()->find($second));
    }

    public function testRevisionsTellWhoDidWhatAndEachIsKeptAsItWas(): void
    {
        $owner = $this->user('Owner');
        $first = $this->variantOf($owner);
        $first->saveModel(json_encode(Models::block(['name' => 'Renamed']), JSON_THROW_ON_ERROR), 1, 'Rename', $owner);
        $this->actingAs($owner)->getJson("/api/variants/$first->id/revisions")->assertOk()->assertJsonCount(2)
            ->assertJsonPath('0.number', 2)->assertJsonPath('0.step', 'Rename')->assertJsonPath('0.author', 'Owner')->assertJsonPath('0.runs', 0);
        $this->getJson("/api/variants/$first->id/revisions?before=2")->assertJsonCount(1)->assertJsonPath('0.number', 1);
        $this->getJson("/api/variants/$first->id/revisions/1")->assertOk()->assertJsonPath('document.name', 'Block')->assertJsonPath('number', 1);
        $this->getJson("/api/variants/$first->id/revisions/3")->assertNotFound();
    }

    #[DataProvider('roles')]
    public function testWhoMayDoWhat(?Role $role, int $look, int $change): void
    {
        Queue::fake();
        $owner = $this->user('Owner');
        $first = $this->variantOf($owner);
        $this->actingAs($owner);
        $this->cloneOf($first, 'Second');
        $guest = $this->user('Guest');
        if ($role !== null) {
            $first->project()->firstOrFail()->members()->attach($guest->id, ['role' => $role->value]);
        }
        $this->actingAs($guest)->getJson("/api/variants/$first->id/revisions")->assertStatus($look);
        $this->getJson("/api/variants/$first->id/revisions/1")->assertStatus($look);
        $this->getJson("/api/projects/$first->project_id/variants/deleted")->assertStatus($look);
        $this->postJson("/api/variants/$first->id/clone", ['name' => 'Mine', 'revision' => 1])->assertStatus($change === 200 ? 201 : $change);
        $this->patchJson("/api/variants/$first->id", ['note' => 'Mine'])->assertStatus($change);
        $this->deleteJson("/api/variants/$first->id")->assertStatus($change);
        $this->postJson("/api/variants/$first->id/restore")->assertStatus($change);
    }

    /** @return iterable<string, array{?Role, int, int}> */
    public static function roles(): iterable
    {
        yield 'editor' => [Role::Editor, 200, 200];
        yield 'viewer' => [Role::Viewer, 200, 403];
        yield 'stranger' => [null, 403, 403];
    }

    private function cloneOf(Variant $variant, string $name): int
    {
        return (int) Nested::number($this->postJson("/api/variants/$variant->id/clone", ['name' => $name, 'revision' => 1])->assertCreated()->json(), 'id');
    }

    /** @return list<mixed> of the variants in their order */
    private function names(Variant $variant): array
    {
        return array_column(Nested::list(Nested::list($this->getJson("/api/projects/$variant->project_id")->json(), 'variants')), 'name');
    }
}
