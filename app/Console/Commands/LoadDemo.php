<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Models\Variant;
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
        $variant = $this->load($user, 'Ridge radar processor', 'Signal processing box of the avalanche radar on the ridge: 28 W in a steel box at 45 °C ambient.', 'ridge-radar-processor');
        $this->load($user, 'Ridge radar processor, fan and vents', 'The same box with its air computed: a 40 mm fan, a slotted vent, and fins that most of the air passes by.', 'ridge-radar-fan');
        $queue->start($variant, 'scout', $user);
        $this->line('Demo: loaded, first run queued.');

        return self::SUCCESS;
    }

    private function load(User $user, string $name, string $summary, string $example): Variant
    {
        return DB::transaction(function () use ($user, $name, $summary, $example): Variant {
            $project = Project::query()->create(['name' => $name, 'summary' => $summary]);
            $project->members()->attach($user->id, ['role' => Role::Owner->value]);
            $variant = $project->variants()->create(['name' => 'First design']);
            $variant->saveModel((string) file_get_contents(base_path("examples/$example.json")), 0, 'Loaded the demo', $user);

            return $variant;
        });
    }
}
