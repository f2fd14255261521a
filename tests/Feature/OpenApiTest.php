<?php

declare(strict_types=1);

namespace Tests\Feature;

use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Route;
use Tests\TestCase;

final class OpenApiTest extends TestCase
{
    public function testTheFileAndTheRoutesAgree(): void
    {
        $document = json_decode((string) file_get_contents(base_path('docs/openapi.json')), true, 64, JSON_THROW_ON_ERROR);
        $described = [];
        foreach (Nested::list($document, 'paths') as $path => $methods) {
            foreach (array_keys(Nested::list($methods)) as $method) {
                $described[] = strtoupper((string) $method) . ' ' . $path;
            }
        }
        $served = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                $served[] = $route->methods()[0] . ' /' . $route->uri();
            }
        }
        sort($described);
        sort($served);

        self::assertSame($served, $described);
    }
}
