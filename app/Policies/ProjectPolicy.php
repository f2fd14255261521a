<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\BelongsToProject;
use App\Models\Role;
use App\Models\User;

/** Members see a project; owners and editors change it; owners delete it. Nobody reaches into a deleted one. */
final class ProjectPolicy
{
    public function view(User $user, BelongsToProject $subject): bool
    {
        return $this->role($user, $subject) !== null;
    }

    public function update(User $user, BelongsToProject $subject): bool
    {
        return $this->role($user, $subject)?->mayEdit() ?? false;
    }

    public function delete(User $user, BelongsToProject $subject): bool
    {
        return $this->role($user, $subject) === Role::Owner;
    }

    private function role(User $user, BelongsToProject $subject): ?Role
    {
        return $subject->owningProject()?->roleOf($user);
    }
}
