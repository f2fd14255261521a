<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Models\Variant;
use Foehn\Tests\Models;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Storage;

abstract class TestCase extends BaseTestCase
{
    use DatabaseTransactions;

    private static bool $migrated = false;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('fields');
        $this->withoutVite();
    }

    /** Before the transaction of the first test begins. */
    protected function setUpTraits(): array
    {
        if (! self::$migrated) {
            Artisan::call('migrate:fresh', ['--force' => true]);
            self::$migrated = true;
        }

        return parent::setUpTraits();
    }

    /** Every response is held against the description of the interface. */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        OpenApiContract::check($this->app['request'], $response->baseResponse);

        return $response;
    }

    protected function user(string $name = 'Ada'): User
    {
        return User::query()->create(['name' => $name, 'email' => strtolower($name) . '@foehn.example', 'password' => 'right password']);
    }

    /** @param array<string, mixed>|null $document */
    protected function variantOf(User $owner, ?array $document = null): Variant
    {
        $project = Project::query()->create(['name' => 'Test box', 'summary' => '']);
        $project->members()->attach($owner->id, ['role' => Role::Owner->value]);
        $variant = $project->variants()->create(['name' => 'First design']);
        $variant->saveModel(json_encode($document ?? Models::block(), JSON_THROW_ON_ERROR), 0, 'Made', $owner);

        return $variant;
    }
}
