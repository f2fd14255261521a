<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A moment of a run, kept for its curves. */
final class RunSample extends Model
{
    public $timestamps = false;

    protected $fillable = ['run_id', 'iteration', 'residual', 'worst_margin', 'seconds', 'values', 'moment'];

    protected $casts = ['values' => 'array'];
}
