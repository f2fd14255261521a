<?php

declare(strict_types=1);

use App\Http\Controllers\ArchiveController;
use App\Http\Controllers\ArtworkController;
use App\Http\Controllers\EvidenceController;
use App\Http\Controllers\ImpedanceController;
use App\Http\Controllers\InfluenceController;
use App\Http\Controllers\LibraryController;
use App\Http\Controllers\ProjectController;
use App\Http\Controllers\ReadingsController;
use App\Http\Controllers\ReportController;
use App\Http\Controllers\RevisionController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\SavedViewController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\StudyController;
use App\Http\Controllers\VariantController;
use App\Http\Controllers\VariantListController;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->whereNumber(['project', 'variant', 'run', 'picture', 'source', 'view', 'number', 'study'])->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'store'])->middleware('throttle:20,1');
    Route::post('session/demo', [SessionController::class, 'demo']);
    Route::delete('session', [SessionController::class, 'destroy']);
    Route::get('model-schema', [LibraryController::class, 'modelSchema']);

    Route::middleware('auth')->group(function (): void {
        Route::get('materials', [LibraryController::class, 'materials']);
        Route::get('finishes', [LibraryController::class, 'finishes']);
        Route::get('materials/of-projects', [LibraryController::class, 'ofProjects']);

        Route::get('projects', [ProjectController::class, 'index']);
        Route::post('projects', [ProjectController::class, 'store']);
        Route::post('projects/archive', [ArchiveController::class, 'store']);
        Route::get('projects/{project}/archive', [ArchiveController::class, 'show'])->can('view', 'project');
        Route::get('projects/{project}', [ProjectController::class, 'show'])->can('view', 'project');
        Route::patch('projects/{project}', [ProjectController::class, 'update'])->can('update', 'project');
        Route::delete('projects/{project}', [ProjectController::class, 'destroy'])->can('delete', 'project');
        Route::post('projects/{project}/restore', [ProjectController::class, 'restore'])->withTrashed()->can('delete', 'project');

        Route::post('artwork', [ArtworkController::class, 'look']);

        Route::get('projects/{project}/readings', ReadingsController::class)->can('view', 'project');
        Route::get('projects/{project}/views', [SavedViewController::class, 'index'])->can('view', 'project');
        Route::post('projects/{project}/views', [SavedViewController::class, 'store'])->can('update', 'project');
        Route::patch('views/{view}', [SavedViewController::class, 'update'])->can('update', 'view');
        Route::delete('views/{view}', [SavedViewController::class, 'destroy'])->can('update', 'view');

        Route::get('projects/{project}/variants/deleted', [VariantListController::class, 'deleted'])->can('view', 'project');
        Route::post('variants/{variant}/clone', [VariantListController::class, 'store'])->can('update', 'variant');
        Route::post('variants/{variant}/impedance', [ImpedanceController::class, 'store'])->can('update', 'variant');
        Route::patch('variants/{variant}', [VariantListController::class, 'update'])->can('update', 'variant');
        Route::delete('variants/{variant}', [VariantListController::class, 'destroy'])->can('update', 'variant');
        Route::post('variants/{variant}/restore', [VariantListController::class, 'restore'])->withTrashed()->can('update', 'variant');
        Route::get('variants/{variant}/revisions', [RevisionController::class, 'index'])->can('view', 'variant');
        Route::get('variants/{variant}/revisions/{number}', [RevisionController::class, 'show'])->can('view', 'variant');

        Route::get('variants/{variant}', [VariantController::class, 'show'])->can('view', 'variant');
        Route::put('variants/{variant}/model', [VariantController::class, 'update'])->can('update', 'variant');
        Route::get('variants/{variant}/grid', [VariantController::class, 'grid'])->can('view', 'variant');
        Route::get('variants/{variant}/cavity', [VariantController::class, 'cavity'])->can('view', 'variant');

        Route::get('variants/{variant}/copper/{part}', [ArtworkController::class, 'show'])->can('view', 'variant');
        Route::get('variants/{variant}/copper/{part}/currents', [ArtworkController::class, 'currents'])->can('view', 'variant');

        Route::get('variants/{variant}/evidence', EvidenceController::class)->can('view', 'variant');

        Route::get('projects/{project}/studies', [StudyController::class, 'index'])->can('view', 'project');
        Route::post('variants/{variant}/studies', [StudyController::class, 'store'])->can('update', 'variant');
        Route::post('variants/{variant}/studies/check', [StudyController::class, 'check'])->can('view', 'variant');
        Route::get('studies/{study}', [StudyController::class, 'show'])->can('view', 'study');
        Route::get('studies/{study}/points', [StudyController::class, 'points'])->can('view', 'study');
        Route::patch('studies/{study}', [StudyController::class, 'update'])->can('update', 'study');
        Route::delete('studies/{study}', [StudyController::class, 'destroy'])->can('update', 'study');
        Route::post('studies/{study}/points/{number}/variant', [StudyController::class, 'adopt'])->can('update', 'study');

        Route::get('variants/{variant}/runs', [RunController::class, 'index'])->can('view', 'variant');
        Route::post('variants/{variant}/runs', [RunController::class, 'store'])->can('update', 'variant');
        Route::get('runs/{run}', [RunController::class, 'show'])->can('view', 'run');
        Route::delete('runs/{run}', [RunController::class, 'destroy'])->can('update', 'run');
        Route::post('runs/{run}/stop', [RunController::class, 'stop'])->can('update', 'run');
        Route::get('runs/{run}/pictures/{picture}/result', [RunController::class, 'result'])->can('view', 'run');
        Route::get('runs/{run}/pictures/{picture}/fields/{field}', [RunController::class, 'field'])->can('view', 'run');
        Route::get('runs/{run}/pictures/{picture}/difference', [RunController::class, 'difference'])->can('view', 'run');
        Route::get('runs/{run}/pictures/{picture}/vtk/{what}', [RunController::class, 'export'])->where('what', 'grid|surfaces|copper-[0-9]{1,4}')->can('view', 'run');
        Route::get('runs/{run}/pictures/{picture}/isosurface', [RunController::class, 'isosurface'])->can('view', 'run');
        Route::post('runs/{run}/pictures/{picture}/streamlines', [RunController::class, 'streamlines'])->can('view', 'run');
        Route::post('runs/{run}/pictures/{picture}/vtk/streamlines', [RunController::class, 'exportStreamlines'])->can('view', 'run');
        Route::post('runs/{run}/report', ReportController::class)->can('view', 'run');
        Route::get('runs/{run}/impedance', [ImpedanceController::class, 'show'])->can('view', 'run');
        Route::get('runs/{run}/influence', [InfluenceController::class, 'show'])->can('view', 'run');
        Route::post('runs/{run}/influence', [InfluenceController::class, 'store'])->can('update', 'run');
        Route::delete('runs/{run}/influence', [InfluenceController::class, 'destroy'])->can('update', 'run');
        Route::get('runs/{run}/influence/document', [InfluenceController::class, 'document'])->can('view', 'run');
        Route::get('runs/{run}/influence/fields/{source}', [InfluenceController::class, 'field'])->can('view', 'run');
        Route::get('runs/{run}/probe', [RunController::class, 'probe'])->can('view', 'run');
    });
});

Route::view('/{any?}', 'app')->where('any', '^(?!api/|build/).*');
