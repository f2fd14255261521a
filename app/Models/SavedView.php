<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a picture of a project showed, to be shown again of any variant and run: camera, what is shown of it, ranges. What the content
 * means is up to the view; it is stored as it comes.
 *
 * @property int $id
 * @property string $name
 * @property string $caption
 * @property array<string, mixed> $content
 * @property string $thumbnail a data address of a small picture, empty for none
 * @property ?Project $project null while the project is deleted
 */
final class SavedView extends Model implements BelongsToProject
{
    use Ordered;

    protected $fillable = ['name', 'caption', 'position', 'content', 'thumbnail'];

    protected $attributes = ['caption' => '', 'thumbnail' => ''];

    protected $casts = ['content' => 'array'];

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }

    public function owningProject(): ?Project
    {
        return $this->project;
    }
}
