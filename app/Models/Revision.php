<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One saved state of a variant; never changed.
 *
 * @property int $id
 * @property int $number counts from 1 within the variant
 * @property string $document the model document as it was given
 * @property string $hash what the document says, by name: the same for two revisions that say the same
 * @property string $step what the user did
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property-read ?int $runs_count where it was asked for
 * @property-read ?User $user
 * @property-read Variant $variant
 */
final class Revision extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['number', 'document', 'hash', 'step', 'user_id'];

    /** @return BelongsTo<Variant, $this> */
    public function variant(): BelongsTo
    {
        return $this->belongsTo(Variant::class);
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
