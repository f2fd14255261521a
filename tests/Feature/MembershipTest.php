<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Foehn\Tests\Nested;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class MembershipTest extends TestCase
{
    #[DataProvider('roles')]
    public function testWhoMayDoWhat(?Role $role, int $look, int $save, int $stop): void
    {
        $variant = $this->variantOf($this->user('Owner'));
        $user = $this->user('Guest');
        if ($role !== null) {
            $variant->project()->firstOrFail()->members()->attach($user->id, ['role' => $role->value]);
        }
        $document = json_decode($variant->head()->firstOrFail()->document, true);
        $made = $variant->runs()->create(['revision_id' => $variant->head()->firstOrFail()->id, 'grade' => 'scout']);

        $this->actingAs($user);
        $this->getJson("/api/projects/$variant->project_id")->assertStatus($look);
        $this->getJson("/api/variants/$variant->id")->assertStatus($look);
        $this->getJson("/api/runs/$made->id")->assertStatus($look);
        $this->putJson("/api/variants/$variant->id/model", ['document' => $document, 'base' => 1, 'step' => 'Edit'])->assertStatus($save);
        $this->postJson("/api/runs/$made->id/stop")->assertStatus($stop);
        $this->postJson("/api/variants/$variant->id/runs", ['grade' => 'scout'])->assertStatus($save);
        $this->getJson('/api/projects')->assertOk()->assertJsonCount($role === null ? 0 : 1);
    }

    public function testMaterialsOfOnesOwnProjectsAreFoundAndThoseOfOthersAreNot(): void
    {
        $owner = $this->user('Owner');
        $variant = $this->variantOf($owner);
        $document = json_decode($variant->head()->firstOrFail()->document, true);
        $document = Nested::with(Nested::list($document), ['conductivity' => 3.5, 'title' => 'Gap putty'], 'materials', 'putty');
        $this->actingAs($owner)->putJson("/api/variants/$variant->id/model", ['document' => $document, 'base' => 1, 'step' => 'Putty'])->assertStatus(201);

        $this->getJson('/api/materials/of-projects')->assertOk()->assertJsonCount(1)
            ->assertJsonPath('0.project.id', $variant->project_id)->assertJsonPath('0.materials.putty.title', 'Gap putty');
        $this->actingAs($this->user('Guest'))->getJson('/api/materials/of-projects')->assertOk()->assertJsonCount(0);
    }

    /** @return iterable<string, array{?Role, int, int, int}> */
    public static function roles(): iterable
    {
        yield 'owner' => [Role::Owner, 200, 201, 200];
        yield 'editor' => [Role::Editor, 200, 201, 200];
        yield 'viewer' => [Role::Viewer, 200, 403, 403];
        yield 'stranger' => [null, 403, 403, 403];
    }
}
