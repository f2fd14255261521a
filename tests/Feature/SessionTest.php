<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SessionTest extends TestCase
{
    public function testSignsInAndOut(): void
    {
        $this->user();

        $this->getJson('/api/session')->assertOk()->assertJsonPath('user', null);
        $this->postJson('/api/session', ['email' => 'ada@foehn.example', 'password' => 'wrong'])->assertUnprocessable()
            ->assertJsonPath('errors.email.0', 'No account has this e-mail address and password.');
        $this->postJson('/api/session', ['email' => 'ada@foehn.example', 'password' => 'right password'])->assertOk()->assertJsonPath('user.name', 'Ada');
        $this->getJson('/api/projects')->assertOk();
        $this->deleteJson('/api/session')->assertOk();
        $this->assertGuest();
    }

    public function testTheDemoDoorIsOpenOnlyWhereItIsAllowed(): void
    {
        User::query()->create(['name' => 'Demo engineer', 'email' => 'd@foehn.example', 'password' => 'x', 'demo' => true]);

        config(['app.demo' => false]);
        $this->postJson('/api/session/demo')->assertNotFound();
        config(['app.demo' => true]);
        $this->postJson('/api/session/demo')->assertOk()->assertJsonPath('user.name', 'Demo engineer');
    }

    #[DataProvider('closedDoors')]
    public function testNothingIsShownToStrangers(string $method, string $path): void
    {
        $this->json($method, $path)->assertUnauthorized()->assertJsonMissingPath('exception');
    }

    /** @return iterable<array{string, string}> */
    public static function closedDoors(): iterable
    {
        yield ['GET', '/api/projects'];
        yield ['POST', '/api/projects'];
        yield ['GET', '/api/materials'];
        yield ['GET', '/api/variants/1'];
        yield ['GET', '/api/runs/1/pictures/1/result'];
    }
}
