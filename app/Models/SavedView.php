<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * What a picture of a project showed, to be shown again of any variant and run: camera, what is shown of it, ranges. What the content
 * means is up to the view; it is stored as it comes.
 *
 * @property int $id
 * @property int $project_id
 * @property string $name
 * @property string $caption
 * @property int $position rising in the order of the list
 * @property array<string, mixed> $content
 * @property string $thumbnail a data address of a small picture, empty for none
 * @property ?Project $project null while the project is deleted
 */
final class SavedView extends Model implements BelongsToProject
{
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

    /** Puts it before another view of its project, or behind all of them. */
    public function moveBefore(?int $other): void
    {
        $ids = self::query()->where('project_id', $this->project_id)->whereKeyNot($this->id)->orderBy('position')->orderBy('id')->pluck('id')->all();
        $at = array_search($other, $ids, true);
        array_splice($ids, is_int($at) ? $at : count($ids), 0, [$this->id]);
        DB::transaction(function () use ($ids): void {
            foreach ($ids as $position => $id) {
                self::query()->whereKey($id)->update(['position' => $position]);
            }
        });
    }
}
