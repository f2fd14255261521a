<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Http\Request;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password', 'demo'];

    protected $hidden = ['password', 'remember_token'];

    /** Who makes a request; only asked behind the sign-in. */
    public static function of(Request $request): self
    {
        return $request->user() ?? throw new AuthenticationException();
    }

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
