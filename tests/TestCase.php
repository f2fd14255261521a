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
use Illuminate\Testing\PendingCommand;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

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

    /**
     * Before the transaction of the first test begins.
     *
     * @return array<mixed>
     */
    protected function setUpTraits(): array
    {
        if (! self::$migrated) {
            Artisan::call('migrate:fresh', ['--force' => true]);
            self::$migrated = true;
        }

        return parent::setUpTraits();
    }

    /**
     * Every response is held against the description of the interface.
     *
     * @param string $method
     * @param string $uri
     * @param array<mixed> $parameters
     * @param array<mixed> $cookies
     * @param array<mixed> $files
     * @param array<mixed> $server
     * @param ?string $content
     * @return TestResponse<Response>
     */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        OpenApiContract::check($this->app['request'], $response->baseResponse);

        return $response;
    }

    /** A command whose output and outcome can be asserted. */
    protected function command(string $command): PendingCommand
    {
        $pending = $this->artisan($command);
        self::assertInstanceOf(PendingCommand::class, $pending);

        return $pending;
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
