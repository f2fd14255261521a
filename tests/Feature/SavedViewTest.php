<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Foehn\Tests\Nested;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SavedViewTest extends TestCase
{
    private const CONTENT = ['pose' => ['position' => [1, 2, 3]], 'shown' => ['layers' => [['id' => 1, 'kind' => 'parts']]]];

    private const PICTURE = 'data:image/png;base64,AAAA';

    public function testAViewIsKeptRenamedMovedAndDeleted(): void
    {
        $user = $this->user('Owner');
        $project = $this->variantOf($user)->project_id;
        $this->actingAs($user);
        $this->getJson("/api/projects/$project/views")->assertOk()->assertExactJson([]);
        $ids = [];
        foreach (['Bypass', 'Hot spots', 'From above'] as $name) {
            $made = $this->postJson("/api/projects/$project/views", ['name' => $name, 'content' => self::CONTENT, 'thumbnail' => self::PICTURE])
                ->assertStatus(201)->assertJsonPath('content', self::CONTENT)->assertJsonPath('caption', '');
            $ids[] = (int) Nested::number($made->json(), 'id');
        }
        $this->patchJson("/api/views/$ids[0]", ['name' => 'Air bypasses the fins', 'caption' => 'Seen from the fan'])->assertOk()->assertJsonPath('content', self::CONTENT);
        $this->patchJson("/api/views/$ids[2]", ['before' => $ids[0]])->assertOk();
        self::assertSame(['From above', 'Air bypasses the fins', 'Hot spots'], array_column((array) $this->getJson("/api/projects/$project/views")->json(), 'name'));
        $this->patchJson("/api/views/$ids[2]", ['before' => null])->assertOk();
        $this->deleteJson("/api/views/$ids[1]")->assertNoContent();
        self::assertSame(['Air bypasses the fins', 'From above'], array_column((array) $this->getJson("/api/projects/$project/views")->json(), 'name'));
    }

    public function testWhatIsNoViewIsRefused(): void
    {
        $user = $this->user('Owner');
        $project = $this->variantOf($user)->project_id;
        $this->actingAs($user);
        foreach ([['name' => ''], ['content' => 'all'], ['content' => ['x' => str_repeat('a', 130_000)]], ['thumbnail' => 'https://example.org/a.png'], ['thumbnail' => 'data:text/html;base64,AAAA']] as $wrong) {
            $this->postJson("/api/projects/$project/views", [...['name' => 'View', 'content' => self::CONTENT], ...$wrong])->assertUnprocessable();
        }
        $this->patchJson('/api/views/999', ['name' => 'Gone'])->assertNotFound();
    }

    #[DataProvider('roles')]
    public function testWhoMayDoWhat(?Role $role, int $look, int $save): void
    {
        $variant = $this->variantOf($this->user('Owner'));
        $project = $variant->project()->firstOrFail();
        $view = $project->savedViews()->create(['name' => 'View', 'position' => 1, 'content' => self::CONTENT, 'thumbnail' => '']);
        $user = $this->user('Guest');
        if ($role !== null) {
            $project->members()->attach($user->id, ['role' => $role->value]);
        }
        $this->actingAs($user);
        $this->getJson("/api/projects/$project->id/views")->assertStatus($look);
        $this->patchJson("/api/views/$view->id", ['name' => 'Mine'])->assertStatus($save);
        $this->deleteJson("/api/views/$view->id")->assertStatus($save === 200 ? 204 : $save);
    }

    /** @return iterable<string, array{?Role, int, int}> */
    public static function roles(): iterable
    {
        yield 'editor' => [Role::Editor, 200, 200];
        yield 'viewer' => [Role::Viewer, 200, 403];
        yield 'stranger' => [null, 403, 403];
    }
}
