<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Archives\ArchiveException;
use App\Archives\ArchiveReader;
use App\Archives\ProjectArchive;
use App\Http\Resources\ProjectResource;
use App\Models\Project;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Projects as zip files, out and in. */
final class ArchiveController
{
    public function show(Project $project, ProjectArchive $archive): BinaryFileResponse
    {
        return response()->download($archive->write($project), (Str::slug($project->name) ?: 'project') . '.zip', ['Content-Type' => 'application/zip'])->deleteFileAfterSend();
    }

    /** A new project from an archive in the body. */
    public function store(Request $request, ArchiveReader $reader): JsonResponse
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'foehn-archive');
        try {
            file_put_contents($path, $request->getContent(true));
            $project = $reader->restore($path, User::of($request));
        } catch (ArchiveException $e) {
            abort(422, $e->getMessage());
        } finally {
            @unlink($path);
        }

        return ProjectResource::make($project->load(ProjectResource::WITH))->response()->setStatusCode(201);
    }
}
