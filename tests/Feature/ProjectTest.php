<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\RunState;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\TestCase;

/** Names, order and end of projects. */
final class ProjectTest extends TestCase
{
    public function testAProjectIsRenamedByWhoeverMayEdit(): void
    {
        $owner = $this->user('Owner');
        $project = $this->variantOf($owner)->project()->firstOrFail();
        $this->actingAs($owner)->patchJson("/api/projects/$project->id", ['name' => 'Mast box', 'summary' => null])->assertOk()->assertJsonPath('name', 'Mast box')->assertJsonPath('summary', '');
        $this->patchJson("/api/projects/$project->id", ['name' => ''])->assertUnprocessable();

        $guest = $this->user('Guest');
        $project->members()->attach($guest->id, ['role' => Role::Viewer->value]);
        $this->actingAs($guest)->patchJson("/api/projects/$project->id", ['name' => 'No'])->assertForbidden();
    }

    public function testADeletedProjectCanBeRestoredAndNobodyReachesIntoIt(): void
    {
        Queue::fake();
        $owner = $this->user('Owner');
        $variant = $this->variantOf($owner);
        $run = $variant->runs()->create(['revision_id' => $variant->head()->firstOrFail()->id, 'grade' => 'scout']);
        $this->actingAs($owner)->deleteJson("/api/projects/$variant->project_id")->assertOk()->assertJsonPath('restorableDays', 30);

        self::assertSame(RunState::Stopped, $run->refresh()->state);
        $this->getJson('/api/projects')->assertJsonCount(0);
        $this->getJson("/api/projects/$variant->project_id")->assertNotFound()->assertJsonPath('message', 'There is nothing at this address: it was deleted, or never made.');
        $this->getJson("/api/variants/$variant->id")->assertForbidden();
        $this->getJson("/api/runs/$run->id")->assertForbidden();

        $this->getJson('/api/projects?deleted=1')->assertJsonCount(1)->assertJsonPath('0.id', $variant->project_id);
        $this->postJson("/api/projects/$variant->project_id/restore")->assertOk();
        $this->getJson("/api/variants/$variant->id")->assertOk();
    }

    public function testOnlyAnOwnerDeletes(): void
    {
        $variant = $this->variantOf($this->user('Owner'));
        $editor = $this->user('Editor');
        $variant->project()->firstOrFail()->members()->attach($editor->id, ['role' => Role::Editor->value]);

        $this->actingAs($editor)->deleteJson("/api/projects/$variant->project_id")->assertForbidden();
    }

    public function testTheLastOpenedProjectComesFirst(): void
    {
        $owner = $this->user('Owner');
        $ids = array_map(fn () => $this->variantOf($owner)->project_id, [1, 2, 3]);
        $this->travel(1)->minutes();
        $this->actingAs($owner)->getJson("/api/projects/$ids[0]")->assertOk();

        self::assertSame([$ids[0], $ids[2], $ids[1]], array_column(Nested::list($this->getJson('/api/projects')->json()), 'id'));
    }

    /** Forty documents of 19 MB each did not fit into the memory of a request. */
    public function testTheListOfProjectsLoadsNoDocuments(): void
    {
        $owner = $this->user('Owner');
        $variant = $this->variantOf($owner);
        $run = $variant->runs()->create(['revision_id' => $variant->head()->firstOrFail()->id, 'grade' => 'scout']);
        DB::enableQueryLog();
        $this->actingAs($owner)->getJson('/api/projects')->assertOk();
        $this->getJson("/api/runs/$run->id")->assertOk();
        $queries = array_filter(array_column(DB::getQueryLog(), 'query'), fn (string $query) => str_contains($query, 'from `revisions`'));

        foreach ($queries as $query) {
            self::assertDoesNotMatchRegularExpression('/document|select \*|`revisions`\.\*/', $query);
        }
        self::assertNotEmpty($queries);
    }

    public function testAddressesTakeWholeNumbersOnly(): void
    {
        $owner = $this->user('Owner');
        $variant = $this->variantOf($owner);
        $this->actingAs($owner)->getJson("/api/variants/{$variant->id}abc")->assertNotFound();
        $this->getJson('/api/runs/1abc')->assertNotFound();
    }
}
