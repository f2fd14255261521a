<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SolveRun;
use App\Models\Project;
use App\Models\User;
use App\Runs\WorkerIdentity;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use Tests\TestCase;

final class DemoTest extends TestCase
{
    public function testTheDemoIsLoadedOnceAndItsFirstRunQueued(): void
    {
        Queue::fake();
        $this->command('foehn:demo')->assertSuccessful()->expectsOutputToContain('first run queued');
        $this->command('foehn:demo')->assertSuccessful()->expectsOutputToContain('already loaded');

        Queue::assertPushed(SolveRun::class, 8);
        self::assertSame(8, User::query()->where('demo', true)->firstOrFail()->projects()->count());
        self::assertSame(1, Project::query()->where('name', 'Ridge radar processor')->firstOrFail()->variants()->firstOrFail()->revisions()->count());
        self::assertSame(['First design', 'Baffle and taller fins'], Project::query()->where('name', 'Ridge radar processor')->firstOrFail()->variants()->pluck('name')->all());
    }

    public function testAWorkerIsKnownByItsProcess(): void
    {
        [$host, $pid, $born] = explode(':', WorkerIdentity::current());

        self::assertSame([gethostname(), (string) getmypid()], [$host, $pid]);
        self::assertSame($born, WorkerIdentity::bornAt((int) getmypid()));
        self::assertSame('', WorkerIdentity::bornAt(9_999_999));
    }

    public function testMaterialsAndSchemaAreServed(): void
    {
        $this->getJson('/api/model-schema')->assertOk()->assertHeader('Content-Type', 'application/schema+json');
        $user = $this->user();
        $finishes = $this->actingAs($user)->getJson('/api/finishes')->assertOk()->json();
        self::assertContains('anodised-black', array_column(is_array($finishes) ? $finishes : [], 'id'));
        $materials = $this->actingAs($user)->getJson('/api/materials')->assertOk();
        self::assertContains('aluminium-6063', array_column(Nested::list($materials->json()), 'id'));
    }

    public function testThePageIsServedAtEveryAddressOfTheInterface(): void
    {
        $this->get('/')->assertOk()->assertSee('id="root"', false);
        $this->get('/projects/1/variants/1')->assertOk();
        $this->getJson('/api/nothing')->assertNotFound();
    }
}
