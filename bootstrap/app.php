<?php

use App\Models\RevisionConflict;
use Foehn\FoehnException;
use Foehn\Model\ModelException;
use Foehn\Model\Problem;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\MethodNotAllowedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

// Several installations of one checkout (work and tests) keep their settings, caches, logs and sessions apart.
$home = getenv('FOEHN_ENV_DIR') ?: null;
foreach ($home === null ? [] : ['APP_SERVICES_CACHE' => 'services', 'APP_PACKAGES_CACHE' => 'packages', 'APP_CONFIG_CACHE' => 'config', 'APP_ROUTES_CACHE' => 'routes', 'APP_EVENTS_CACHE' => 'events'] as $name => $file) {
    $_ENV[$name] = $_SERVER[$name] = "$home/cache/$file.php";
}

$application = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php')
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->redirectGuestsTo('/');
        $middleware->trustHosts(at: fn (): array => array_map(fn (string $host) => '^' . preg_quote($host) . '$', config('app.hosts')), subdomains: false);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request) => $request->is('api/*'));
        $exceptions->dontReport([FoehnException::class, RevisionConflict::class]);
        $exceptions->render(fn (ModelException $e) => response()->json([
            'message' => 'The model cannot be used as it stands.',
            'problems' => array_map(fn (Problem $p) => $p->toArray(), $e->problems),
        ], 422));
        $exceptions->render(fn (NotFoundHttpException $e) => $e->getPrevious() instanceof ModelNotFoundException
            ? response()->json(['message' => 'There is nothing at this address: it was deleted, or never made.'], 404) : null);
        $exceptions->render(fn (MethodNotAllowedHttpException $e) => response()->json(['message' => 'This address does not take this method; see docs/openapi.json.'], 405, $e->getHeaders()));
        $exceptions->render(fn (FoehnException $e) => response()->json(['message' => $e->getMessage()], 422));
    })
    ->create();

return $home === null ? $application : $application->useEnvironmentPath($home)->useStoragePath("$home/storage");
