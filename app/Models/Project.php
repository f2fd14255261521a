<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Facades\DB;

/**
 * @property int $id
 * @property string $name
 * @property string $summary
 * @property ?\Illuminate\Support\Carbon $deleted_at
 */
final class Project extends Model implements BelongsToProject
{
    use SoftDeletes;

    protected $fillable = ['name', 'summary'];

    protected $attributes = ['summary' => ''];

    /** @return BelongsToMany<User, $this> */
    public function members(): BelongsToMany
    {
        return $this->belongsToMany(User::class, 'memberships')->withPivot('role', 'opened_at')->withTimestamps();
    }

    /** @return HasMany<Variant, $this> those of the list, without the points of studies */
    public function variants(): HasMany
    {
        return $this->hasMany(Variant::class)->whereNull('study_id')->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Study, $this> */
    public function studies(): HasMany
    {
        return $this->hasMany(Study::class)->orderByDesc('id');
    }

    /** @return HasMany<SavedView, $this> */
    public function savedViews(): HasMany
    {
        return $this->hasMany(SavedView::class)->orderBy('position')->orderBy('id');
    }

    public function roleOf(User $user): ?Role
    {
        $role = DB::table('memberships')->where('project_id', $this->id)->where('user_id', $user->id)->value('role');

        return is_string($role) ? Role::from($role) : null;
    }

    public function owningProject(): self
    {
        return $this;
    }
}
