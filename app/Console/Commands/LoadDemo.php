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

/** Loads the demo projects once and queues their first runs. */
final class LoadDemo extends Command
{
    protected $signature = 'foehn:demo {--only-first : queue the run of the first project only}';

    protected $description = 'Load the demo projects once';

    public function handle(RunQueue $queue): int
    {
        $user = User::query()->firstOrCreate(['demo' => true], ['name' => 'Demo engineer', 'email' => 'demo@foehn.example', 'password' => Str::random(40)]);
        if ($user->projects()->exists()) {
            $this->line('Demo: already loaded.');

            return self::SUCCESS;
        }
        $variants = DB::transaction(fn (): array => $this->projects($user));
        foreach ($this->option('only-first') ? [$variants[0]] : $variants as $variant) {
            $queue->start($variant, 'scout', $user);
        }
        $this->line('Demo: loaded, first run queued.');

        return self::SUCCESS;
    }

    /** @return non-empty-list<Variant> the first of each, all or none */
    private function projects(User $user): array
    {
        return [
            $this->load($user, 'Ridge radar processor, convection coefficients', 'Signal processing box of the avalanche radar on the ridge, with convection coefficients on its surfaces instead of air: a first estimate in seconds.', ['First design' => 'ridge-radar-processor']),
            $this->load($user, 'Ridge radar processor', 'The box with its fan and vents, 27 W at 45 °C ambient: most of the air bypasses the heat sink. The second variant guides it.', ['First design' => 'ridge-radar-fan', 'Baffle and taller fins' => 'ridge-radar-baffle']),
            $this->load($user, 'Mast gateway', 'Sealed aluminium box on a mast: 9 W, no fan, cooled by the air that circulates in it and by its walls. The second variant carries the heat of the radio into the floor.', ['First design' => 'mast-gateway', 'A pillar under the radio' => 'mast-gateway-pillars']),
        ];
    }

    /**
     * @param array<string, string> $examples by name of the variant
     * @return Variant the first one
     */
    private function load(User $user, string $name, string $summary, array $examples): Variant
    {
        $project = Project::query()->create(['name' => $name, 'summary' => $summary]);
        $project->members()->attach($user->id, ['role' => Role::Owner->value]);
        foreach ($examples as $title => $example) {
            $first = $project->variants()->oldest('id')->first();
            $variant = $project->variants()->create(['name' => $title, 'origin_id' => $first?->id, 'origin_revision' => $first === null ? null : 1]);
            $variant->saveModel((string) file_get_contents(base_path("examples/$example.json")), 0, 'Loaded the demo', $user);
        }

        return $project->variants()->oldest('id')->firstOrFail();
    }
}
