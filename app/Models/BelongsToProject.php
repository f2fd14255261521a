<?php

declare(strict_types=1);

namespace App\Models;

/** Something whose access follows from one project. */
interface BelongsToProject
{
    public function owningProject(): Project;
}
