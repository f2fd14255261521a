<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Project;
use App\Models\Run;
use App\Models\RunState;
use App\Models\Variant;
use App\Runs\RunFiles;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Removes old runs with their fields and curves, projects and variants whose time to be restored is over, and files that belong to nothing. */
final class Prune extends Command
{
    protected $signature = 'foehn:prune';

    protected $description = 'Remove old runs, and projects and variants deleted long ago';

    public function handle(RunFiles $files): int
    {
        $over = now()->subDays(config()->integer('app.keep.deleted_days'));
        $projects = Project::onlyTrashed()->where('deleted_at', '<', $over)->get();
        $projects->each(fn (Project $project) => $project->forceDelete());
        $variants = Variant::onlyTrashed()->where('deleted_at', '<', $over)->get();
        $variants->each(fn (Variant $variant) => $variant->forceDelete());
        $runs = 0;
        foreach (Variant::query()->lazyById() as $variant) {
            $old = $this->outlived($variant);
            Run::query()->whereKey($old)->delete();
            $runs += count($old);
        }
        DB::table('failed_jobs')->where('failed_at', '<', $over)->delete();
        $this->line(sprintf('Removed: %d projects, %d variants, %d runs, %d folders.', count($projects), count($variants), $runs, $files->deleteOrphans()));

        return self::SUCCESS;
    }

    /** @return list<int> runs of a variant beyond the last ones, but for the one its verdict comes from */
    private function outlived(Variant $variant): array
    {
        $verdict = $variant->lastSolved()->value('runs.id');

        $ids = [];
        foreach ($variant->runs()->whereNotIn('state', [RunState::Queued, RunState::Running])->get(['id']) as $run) {
            $ids[] = $run->id;
        }

        return array_values(array_filter(array_slice($ids, config()->integer('app.keep.runs')), fn (int $id) => $id !== $verdict));
    }
}
