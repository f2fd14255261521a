<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SolveRun;
use App\Models\Run;
use App\Models\User;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use App\Studies\StudyQueue;
use Foehn\Tests\Models;

/**
 * Runs of small models, asked for through the interface and computed at once.
 *
 * @phpstan-import-type Document from Models
 * @phpstan-require-extends \Tests\TestCase
 */
trait StartsRuns
{
    /** @return Document a block of 1 W in a stream */
    private static function duct(): array
    {
        return Models::block([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]], 'physics' => ['flow' => 'laminar'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.03, 0.03]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 0.3, 'temperature' => 300], 'x+' => ['kind' => 'outlet']]],
            'parts' => [['id' => 'block', 'name' => 'Block', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, 0.01]], 'at' => [0.02, 0.01, 0], 'material' => 'copper', 'power' => '1 W']],
            'limits' => [], 'analysis' => ['grid' => ['cells' => [18, 9, 9]]],
        ]);
    }

    /** @param array<string, mixed>|null $document */
    private function startedRun(?array $document = null): Run
    {
        $user = User::query()->first() ?? $this->user();
        $variant = $this->variantOf($user, $document);
        $id = $this->actingAs($user)->postJson("/api/variants/$variant->id/runs", ['grade' => 'scout'])->assertCreated()->json('id');

        return Run::query()->whereKey($id)->firstOrFail();
    }

    private function work(Run $run): void
    {
        (new SolveRun($run->id))->handle(new RunFiles(), new RunQueue(), new StudyQueue(new RunQueue()));
    }
}
