<?php

declare(strict_types=1);

namespace App\Models;

/** Something whose access follows from one project. */
interface BelongsToProject
{
    /** Null where the project is deleted. */
    public function owningProject(): ?Project;
}
