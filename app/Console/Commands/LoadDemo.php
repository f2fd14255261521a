<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Runs\RunQueue;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Loads the demo projects once and queues their first run. */
final class LoadDemo extends Command
{
    protected $signature = 'foehn:demo';

    protected $description = 'Load the demo projects once';

    public function handle(RunQueue $queue): int
    {
        $user = User::query()->firstOrCreate(['demo' => true], ['name' => 'Demo engineer', 'email' => 'demo@foehn.example', 'password' => Str::random(40)]);
        if ($user->projects()->exists()) {
            $this->line('Demo: already loaded.');

            return self::SUCCESS;
        }
        $variant = DB::transaction(function () use ($user) {
            $project = Project::query()->create([
                'name' => 'Ridge radar processor',
                'summary' => 'Signal processing box of the avalanche radar on the ridge: 28 W in a steel box at 45 °C ambient.',
            ]);
            $project->members()->attach($user->id, ['role' => Role::Owner->value]);
            $variant = $project->variants()->create(['name' => 'First design']);
            $variant->saveModel((string) file_get_contents(base_path('examples/ridge-radar-processor.json')), 0, 'Loaded the demo', $user);

            return $variant;
        });
        $queue->start($variant, 'scout', $user);
        $this->line('Demo: loaded, first run queued.');

        return self::SUCCESS;
    }
}
