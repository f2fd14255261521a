<?php

use App\Models\RevisionConflict;
use Foehn\FoehnException;
use Foehn\Model\ModelException;
use Foehn\Model\Problem;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

$application = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php')
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->redirectGuestsTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request) => $request->is('api/*'));
        $exceptions->dontReport([FoehnException::class, RevisionConflict::class]);
        $exceptions->render(fn (ModelException $e) => response()->json([
            'message' => 'The model cannot be used as it stands.',
            'problems' => array_map(fn (Problem $p) => $p->toArray(), $e->problems),
        ], 422));
        $exceptions->render(fn (FoehnException $e) => response()->json(['message' => $e->getMessage()], 422));
    })
    ->create();

// Several installations of one checkout (work and tests) keep their settings apart.
return $application->useEnvironmentPath(getenv('FOEHN_ENV_DIR') ?: dirname(__DIR__));
