<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;

/**
 * Members of a project that stand in an order of their own, by the column "position".
 *
 * @property int $project_id
 * @property int $position rising in the order of the list
 */
trait Ordered
{
    /** Puts it before another one of its project, or behind all of them. */
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
