<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\FindInfluence;
use App\Models\Influence;
use App\Models\Run;
use App\Models\RunState;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\TestCase;

final class InfluenceTest extends TestCase
{
    use StartsRuns;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    public function testIsComputedOnTheFlowOfTheRunAndServed(): void
    {
        $run = $this->startedRun(self::duct());
        $this->getJson("/api/runs/$run->id/influence")->assertOk()->assertJsonPath('state', 'none');
        $this->postJson("/api/runs/$run->id/influence")->assertUnprocessable()->assertJsonPath('message', 'Influence follows from a result: let the run end first.');
        $this->work($run);
        $this->postJson("/api/runs/$run->id/influence")->assertAccepted()->assertJsonPath('state', 'queued');
        $this->get("/api/runs/$run->id/influence/document")->assertNotFound();
        $influence = $this->asked($run);
        (new FindInfluence($influence->id))->handle(new RunFiles());

        $this->postJson("/api/runs/$run->id/influence")->assertAccepted()->assertJsonPath('state', 'solved')->assertJsonPath('id', $influence->id);
        $document = json_decode((string) $this->get("/api/runs/$run->id/influence/document")->assertOk()->streamedContent(), true);
        $result = json_decode((string) $this->get("/api/runs/$run->id/pictures/$run->picture/result")->streamedContent(), true);
        self::assertSame('block', Nested::at($document, 'sources', 0, 'part'));
        // One source, and everything else at the ambient: its kelvin per watt are the rise over its watts.
        self::assertEqualsWithDelta(Nested::number($result, 'parts', 0, 'temperature', 'max') - 300.0, Nested::number($document, 'values', 0, 'places', 0, 'perWatt', 0), 0.02);
        self::assertSame(4 * 18 * 9 * 9, strlen((string) $this->get("/api/runs/$run->id/influence/fields/0")->assertOk()->streamedContent()));
        $this->get("/api/runs/$run->id/influence/fields/1")->assertNotFound();
    }

    public function testGivenUpItLeavesNothing(): void
    {
        $run = $this->startedRun(self::duct());
        $this->work($run);
        $this->postJson("/api/runs/$run->id/influence")->assertAccepted();
        $influence = $this->asked($run);
        (new FindInfluence($influence->id))->handle(new RunFiles());
        Storage::disk('fields')->assertExists($influence->folder() . '/whatif.json');
        $this->deleteJson("/api/runs/$run->id/influence")->assertNoContent();

        Storage::disk('fields')->assertMissing($influence->folder() . '/whatif.json');
        $this->getJson("/api/runs/$run->id/influence")->assertJsonPath('state', 'none');
        $again = new FindInfluence($influence->id);
        $again->handle(new RunFiles());
        Storage::disk('fields')->assertMissing($influence->folder() . '/whatif.json');
    }

    public function testALostWorkerIsToldAndAnotherOneMayTry(): void
    {
        $run = $this->startedRun();
        $this->work($run);
        $this->postJson("/api/runs/$run->id/influence")->assertAccepted();
        $this->asked($run)->update(['state' => RunState::Running]);
        $this->travel(5)->minutes();
        self::assertSame(1, (new RunQueue())->recover());

        $this->getJson("/api/runs/$run->id/influence")->assertJsonPath('state', 'failed')->assertJsonPath('message', fn (string $message): bool => str_contains($message, 'ask for it again'));
        $this->postJson("/api/runs/$run->id/influence")->assertAccepted()->assertJsonPath('state', 'queued');
        (new FindInfluence($this->asked($run)->id))->handle(new RunFiles());
        $this->getJson("/api/runs/$run->id/influence")->assertJsonPath('state', 'solved');
    }

    private function asked(Run $run): Influence
    {
        Queue::assertPushed(FindInfluence::class);
        $run->refresh();

        return $run->influence()->firstOrFail();
    }
}
