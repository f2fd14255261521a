<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 */
final class User extends Authenticatable
{
    use HasFactory;

    protected $fillable = ['name', 'email', 'password', 'demo'];

    protected $hidden = ['password', 'remember_token'];

    /** @return BelongsToMany<Project, $this> */
    public function projects(): BelongsToMany
    {
        return $this->belongsToMany(Project::class, 'memberships')->withPivot('role', 'opened_at')->withTimestamps();
    }

    protected function casts(): array
    {
        return ['password' => 'hashed', 'demo' => 'boolean'];
    }
}
