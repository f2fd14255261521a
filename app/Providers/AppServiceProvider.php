<?php

declare(strict_types=1);

namespace App\Providers;

use App\Models\Project;
use App\Models\Run;
use App\Models\SavedView;
use App\Models\Study;
use App\Models\Variant;
use App\Policies\ProjectPolicy;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        // Beats beside whatever query it comes in the middle of.
        config(['database.connections.heartbeat' => config('database.connections.' . config()->string('database.default'))]);
        Model::shouldBeStrict();
        JsonResource::withoutWrapping();
        // Variants, runs and views are seen and changed by whoever may see and change their project.
        Gate::policy(Project::class, ProjectPolicy::class);
        Gate::policy(Variant::class, ProjectPolicy::class);
        Gate::policy(Run::class, ProjectPolicy::class);
        Gate::policy(SavedView::class, ProjectPolicy::class);
        Gate::policy(Study::class, ProjectPolicy::class);
    }
}
