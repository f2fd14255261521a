<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Project;
use App\Models\Run;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use Tests\TestCase;

/** @phpstan-import-type Document from Models */
final class OperatingPointTest extends TestCase
{
    use MovesArchives;
    use StartsRuns;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    public function testEachIsAPictureOfItsOwnBesideTheModelAsItStands(): void
    {
        $run = $this->startedRun(self::document());
        $this->work($run);

        $told = $this->getJson("/api/runs/$run->id")->assertOk()->assertJsonPath('state', 'solved')->assertJsonPath('picture', 1)->assertJsonPath('missed', 0)
            ->assertJsonPath('points.*.name', ['Fault', 'Smaller', 'Idle'])->assertJsonPath('points.*.state', ['solved', 'failed', 'solved'])->assertJsonPath('points.*.picture', [2, null, 3])
            ->assertJsonPath('points.*.missed', [1, 0, 0])->assertJsonPath('points.0.values', ['watts' => '20 W']);
        $told->assertJsonPath('points.1.message', fn (string $message): bool => str_contains($message, 'change the shape or place of parts'));
        $hottest = fn (int $picture): float => $this->hottest($run, $picture);
        self::assertEqualsWithDelta(293.15 + 125.0, $hottest(1), 0.1);
        self::assertEqualsWithDelta(293.15 + 500.0, $hottest(2), 0.5);
        self::assertEqualsWithDelta(293.15 + 25.0, $hottest(3), 0.1);
        $this->get("/api/runs/$run->id/pictures/3/fields/temperature")->assertOk();
        $this->getJson("/api/runs/$run->id/pictures/4/result")->assertNotFound();

        // Computed again, as after a lost worker: no picture has the number of one that was shown.
        $run->refresh()->update(['state' => 'queued']);
        $this->work($run);
        $this->getJson("/api/runs/$run->id")->assertJsonPath('picture', 4)->assertJsonPath('points.*.picture', [5, null, 6]);
    }

    public function testAnArchiveHasThem(): void
    {
        $run = $this->startedRun(self::document());
        $this->work($run);
        $this->restore($this->archiveOf($run->variant->project_id))->assertCreated();
        $restored = Project::query()->latest('id')->firstOrFail()->variants()->firstOrFail()->runs()->firstOrFail();

        $this->getJson("/api/runs/$restored->id")->assertJsonPath('points.*.picture', [2, null, 4])->assertJsonPath('points.*.name', ['Fault', 'Smaller', 'Idle']);
        self::assertEqualsWithDelta(318.15, $this->hottest($restored, 4), 0.1);
    }

    /** K, just below the top. */
    private function hottest(Run $run, int $picture): float
    {
        return Nested::number($this->getJson("/api/runs/$run->id/probe?x=0.01&y=0.01&z=0.0199&picture=$picture")->assertOk()->json(), 'temperature');
    }

    /** @return Document */
    private static function document(): array
    {
        $document = Models::block(['parameters' => ['watts' => '5 W', 'wide' => '20 mm'], 'operatingPoints' => [
            ['name' => 'Fault', 'values' => ['watts' => '20 W']], ['name' => 'Smaller', 'values' => ['wide' => '10 mm']], ['name' => 'Idle', 'values' => ['watts' => '1 W']],
        ]]);
        $document['parts'][0] = [...$document['parts'][0], 'power' => 'watts', 'shape' => ['kind' => 'block', 'size' => ['wide', '20 mm', '20 mm']]];

        return $document;
    }
}
