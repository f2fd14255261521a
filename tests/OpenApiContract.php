<?php

declare(strict_types=1);

namespace Tests;

use Foehn\Tests\Nested;
use Illuminate\Http\Request;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/** Holds every response that a test gets against docs/openapi.json: its status must be described there, and its body fit the schema. */
final class OpenApiContract
{
    private const URI = 'https://foehn.example/openapi.json';

    /** Not modified and parts of a file have no body of their own; what is refused before it reaches a route is the framework's. */
    private const UNDESCRIBED = [206, 304, 405, 419, 421, 429];

    /** @var ?array<mixed> */
    private static ?array $document = null;

    private static ?Validator $validator = null;

    public static function check(Request $request, Response $response): void
    {
        $path = '/' . ($request->route()?->uri() ?? '');
        if (! str_starts_with($path, '/api/') || in_array($response->getStatusCode(), self::UNDESCRIBED, true)) {
            return;
        }
        $method = strtolower($request->getMethod());
        $described = array_reduce(['paths', $path, $method, 'responses'], fn (mixed $tree, string $key): mixed => is_array($tree) ? $tree[$key] ?? null : null, self::document());
        Assert::assertIsArray($described, "$method $path is not described");
        $status = (string) $response->getStatusCode();
        Assert::assertTrue(isset($described[$status]), "$method $path answers $status, which is not described: " . substr((string) $response->getContent(), 0, 300));
        if (! isset(Nested::list($described, $status)['content']) || ! isset(Nested::list($described, $status, 'content')['application/json']) || ! str_contains((string) $response->headers->get('Content-Type'), 'json')) {
            return;
        }
        $pointer = implode('/', array_map(fn (string $key) => rawurlencode(str_replace(['~', '/'], ['~0', '~1'], $key)), ['paths', $path, $method, 'responses', $status, 'content', 'application/json', 'schema']));
        $body = json_decode(self::bodyOf($response));
        $result = self::validator()->validate($body, self::URI . '#/' . $pointer);
        $error = $result->error();
        Assert::assertTrue($error === null, "$method $path, $status: " . ($error === null ? '' : json_encode((new ErrorFormatter())->format($error), JSON_UNESCAPED_SLASHES)));
    }

    private static function bodyOf(Response $response): string
    {
        if ($response->getContent() !== false) {
            return $response->getContent();
        }
        ob_start();
        $response->sendContent();

        return (string) ob_get_clean();
    }

    /** @return array<mixed> */
    private static function document(): array
    {
        return self::$document ??= Nested::list(json_decode(self::text(), true, 128, JSON_THROW_ON_ERROR));
    }

    private static function text(): string
    {
        return (string) file_get_contents(base_path('docs/openapi.json'));
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$validator = new Validator();
            self::$validator->setMaxErrors(3);
            self::$validator->resolver()?->registerRaw(self::text(), self::URI);
        }

        return self::$validator;
    }
}
