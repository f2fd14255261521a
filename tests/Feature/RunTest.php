<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SolveRun;
use App\Models\Run;
use App\Models\RunState;
use App\Runs\Claim;
use App\Runs\ClaimLost;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use App\Runs\WorkerIdentity;
use Foehn\Codec\ModelCodec;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\TestCase;

/** @phpstan-import-type Document from Models */
final class RunTest extends TestCase
{
    use StartsRuns;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    public function testSolvesAndServesResultFieldAndProbe(): void
    {
        $run = $this->startedRun();
        $this->work($run);

        $this->getJson("/api/runs/$run->id")->assertOk()->assertJsonPath('state', 'solved')->assertJsonPath('missed', 1)->assertJsonPath('cells', 864)->assertJsonPath('attempts', 1);
        $this->getJson("/api/runs/$run->id/pictures/{$run->refresh()->picture}/result")->assertOk();
        $field = $this->get("/api/runs/$run->id/pictures/1/fields/temperature")->assertOk()->assertHeader('Content-Type', 'application/octet-stream');
        self::assertSame(4 * 864, strlen((string) $field->streamedContent()));
        $this->get("/api/runs/$run->id/pictures/1/fields/temperature", ['If-None-Match' => $field->headers->get('ETag')])->assertStatus(304);
        $this->get("/api/runs/$run->id/pictures/1/fields/temperature", ['Range' => 'bytes=0-15'])->assertStatus(206)->assertHeader('Content-Length', '16');
        $this->get("/api/runs/$run->id/pictures/1/fields/pressure")->assertNotFound();
        self::assertNull((new RunFiles())->checkpoint($run));

        $this->get("/api/runs/$run->id/pictures/1/fields/humidity")->assertNotFound()->assertJsonPath('message', fn (string $message): bool => str_contains($message, 'heatFlux'));
        $surfaces = (string) $this->get("/api/runs/$run->id/pictures/1/fields/surfaces")->assertOk()->streamedContent();
        self::assertSame(strlen($surfaces), 4 * strlen((string) $this->get("/api/runs/$run->id/pictures/1/fields/convectionCoefficient")->assertOk()->streamedContent()));

        $probe = $this->getJson("/api/runs/$run->id/probe?x=0.01&y=0.01&z=0.0199")->assertOk()->assertJsonPath('part', 'block');
        self::assertEqualsWithDelta(543.15, $probe->json('temperature'), 0.1);
        $this->getJson("/api/runs/$run->id/probe?x=a&y=0&z=0")->assertUnprocessable();
        $this->getJson('/api/projects')->assertJsonPath('0.variants.0.verdict.missed', 1)->assertJsonPath('0.variants.0.verdict.current', true);
    }

    public function testRunsOfAProjectAreReadTogetherAndTakenOffEachOther(): void
    {
        $cold = $this->startedRun();
        $this->work($cold);
        $warm = $this->startedRun(Models::block(['surroundings' => ['temperature' => '30 degC']]));
        $this->work($warm);
        $this->getJson("/api/projects/{$cold->variant->project_id}/readings")->assertOk()->assertJsonCount(1)->assertJsonPath('0.run', $cold->id)
            ->assertJsonPath('0.readings.0.id', 'l1')->assertJsonPath('0.readings.0.verdict', 'missed');
        /** @var array<int, float> $warmer */
        $warmer = unpack('g*', (string) $this->get("/api/runs/$warm->id/pictures/1/difference?base=$cold->id")->assertOk()->getContent());
        self::assertCount(864, $warmer);
        self::assertEqualsWithDelta(array_fill(1, 864, 10.0), $warmer, 1e-3);

        $this->getJson("/api/runs/$warm->id/pictures/1/difference")->assertUnprocessable();
        $this->getJson("/api/runs/$warm->id/pictures/1/difference?base=999999")->assertNotFound();
        $stranger = $this->user('Stranger');
        $own = $this->variantOf($stranger);
        $other = $own->runs()->create(['revision_id' => $own->head()->firstOrFail()->id, 'grade' => 'scout']);
        $this->getJson("/api/runs/$warm->id/pictures/1/difference?base=$other->id")->assertForbidden();
    }

    public function testAnEditThatIsUndoneHasItsResultBack(): void
    {
        $run = $this->startedRun();
        $this->work($run);
        $save = fn (string $name, int $base) => $this->putJson("/api/variants/$run->variant_id/model", ['document' => Models::block(['name' => $name]), 'base' => $base, 'step' => $name])->assertSuccessful();
        $model = $this->getJson("/api/runs/$run->id")->json('model');
        $save('Renamed', 1)->assertJsonPath('hash', fn (string $hash): bool => $hash !== $model);
        $this->getJson('/api/projects')->assertJsonPath('0.variants.0.verdict.current', false);
        $save('Block', 2)->assertJsonPath('hash', $model);
        $this->getJson('/api/projects')->assertJsonPath('0.variants.0.verdict.current', true);
    }

    public function testIsosurfacesAndStreamlinesAreTraced(): void
    {
        $run = $this->startedRun();
        $this->work($run);
        $result = Nested::list(json_decode((string) $this->get("/api/runs/$run->id/pictures/1/result")->assertOk()->streamedContent(), true));
        self::assertSame(['temperature', 'heatFlux', 'conductivity', 'cellsAcross', 'heatResidual', 'surfaceTemperature', 'surfaceHeatFlux', 'fluidTemperature', 'convectionCoefficient'], $result['fields'] ?? null);
        $part = Nested::list($result, 'parts', 0, 'temperature');
        $middle = 0.5 * (Nested::number($part, 'min') + Nested::number($part, 'max'));
        $triangles = (array) unpack('g*', (string) $this->get("/api/runs/$run->id/pictures/1/isosurface?field=temperature&value=$middle&in=solid")->assertOk()->getContent());
        self::assertSame(0, count($triangles) % 9);
        foreach (array_chunk($triangles, 3) as [, , $z]) {
            self::assertEqualsWithDelta(0.01, $z, 0.006, 'heat goes to the top of the block');
        }
        $this->getJson("/api/runs/$run->id/pictures/1/isosurface?field=temperature&value=hot&in=solid")->assertUnprocessable();
        foreach (['grid' => 'RectilinearGrid', 'surfaces' => 'PolyData'] as $what => $type) {
            self::assertStringContainsString("VTKFile type=\"$type\"", (string) $this->get("/api/runs/$run->id/pictures/1/vtk/$what")->assertOk()->getContent());
        }
        $this->get("/api/runs/$run->id/pictures/1/vtk/else")->assertNotFound();
        $this->getJson("/api/runs/$run->id/pictures/1/vtk/copper-0")->assertUnprocessable()->assertJsonPath('message', fn (string $message): bool => str_contains($message, 'no board 0 with currents'));
        $this->getJson("/api/runs/$run->id/pictures/1/isosurface?field=humidity&value=1&in=solid")->assertUnprocessable();
        $this->postJson("/api/runs/$run->id/pictures/1/streamlines", ['seeds' => [[0, 0, 0]]])->assertUnprocessable()->assertJsonPath('message', fn (string $message): bool => str_contains($message, 'faceVelocity'));
        $this->postJson("/api/runs/$run->id/pictures/1/vtk/streamlines", ['seeds' => [[0, 0, 0]]])->assertUnprocessable();
        $this->postJson("/api/runs/$run->id/pictures/1/streamlines", ['seeds' => [[0, 0]]])->assertUnprocessable();
    }

    public function testARunIsDeletedWithItsPicturesOnceItIsOver(): void
    {
        $run = $this->startedRun();
        $this->deleteJson("/api/runs/$run->id")->assertUnprocessable()->assertJsonPath('message', 'This run is not over; stop it before it is deleted.');
        $this->work($run);
        self::assertTrue(Storage::disk('fields')->exists("runs/$run->id"));
        $this->deleteJson("/api/runs/$run->id")->assertNoContent();
        self::assertFalse(Storage::disk('fields')->exists("runs/$run->id"));
        $this->getJson("/api/runs/$run->id")->assertNotFound();
        $this->getJson("/api/variants/$run->variant_id/runs")->assertOk()->assertExactJson([]);
    }

    public function testAJobDeliveredTwiceComputesOnce(): void
    {
        $run = $this->startedRun();
        $this->work($run);
        $this->work($run);

        self::assertSame(1, $run->refresh()->attempts);
    }

    public function testAskingTwiceGivesTheSameRunAndAnotherGradeReplacesIt(): void
    {
        $run = $this->startedRun();
        $variant = $run->variant_id;
        $this->postJson("/api/variants/$variant/runs", ['grade' => 'scout'])->assertCreated()->assertJsonPath('id', $run->id);
        $this->postJson("/api/variants/$variant/runs", ['grade' => 'working'])->assertCreated();

        self::assertSame(RunState::Stopped, $run->refresh()->state);
    }

    public function testStopsAQueuedRunAtOnceAndARunningOneAtItsNextStep(): void
    {
        $run = $this->startedRun();
        $this->postJson("/api/runs/$run->id/stop")->assertOk()->assertJsonPath('state', 'stopped');

        $second = $this->startedRun(Models::demo());
        $second->update(['stop_requested' => true]);
        $this->work($second);
        self::assertSame(RunState::Stopped, $second->refresh()->state);
        $this->getJson("/api/runs/$second->id/pictures/1/result")->assertNotFound()->assertJsonPath('message', 'This run has no result yet.');
    }

    public function testALostWorkerIsNoticedWithoutALookAndTheRunStartsAgainAtMostTwice(): void
    {
        $run = $this->startedRun();
        foreach ([1, 2] as $attempt) {
            $this->losesWorker($run, $attempt);
            $this->command('foehn:recover')->expectsOutput('Runs recovered: 1.');
            $this->getJson("/api/runs/$run->id")->assertOk()->assertJsonPath('state', 'queued')->assertJsonPath('message', "Its worker ended unexpectedly in attempt $attempt of 3; the run goes on.");
        }
        Queue::assertPushed(SolveRun::class, 3);
        $this->losesWorker($run, 3);
        (new RunQueue())->recover();
        $this->getJson("/api/runs/$run->id")->assertOk()->assertJsonPath('state', 'failed');
        $this->postJson("/api/variants/$run->variant_id/runs", ['grade' => 'scout'])->assertCreated()->assertJsonPath('state', 'queued');
    }

    public function testARunWhoseJobVanishedGetsAnother(): void
    {
        $run = $this->startedRun();
        Queue::fake();
        (new RunQueue())->recover();
        Queue::assertNothingPushed();
        $run->refresh()->update(['dispatched_at' => now()->subMinute()]);
        (new RunQueue())->recover();
        Queue::assertPushed(SolveRun::class, 1);
    }

    /** Two workers on one run: the first was silent, was declared lost and lives; the second has the run now. */
    public function testAWorkerThatLostItsClaimWritesNothingMore(): void
    {
        $run = $this->startedRun(self::duct());
        $solution = (new SteadySolver(ModelCodec::fromJson($run->revision->document)))->solve();
        $silent = Claim::take($run->id);
        self::assertNotNull($silent);
        (new RunFiles())->write($silent, $solution);
        $run->refresh()->update(['state' => RunState::Queued, 'worker' => null]);
        $second = Claim::take($run->id);
        self::assertSame(2, $second?->attempt);

        foreach ([fn () => (new RunFiles())->write($silent, $solution), fn () => $silent->write(['message' => 'of the first']), fn () => $silent->stopRequested(), fn () => $silent->handBack('no')] as $write) {
            try {
                $write();
                self::fail('was written');
            } catch (ClaimLost) {
                self::assertSame([RunState::Running, null, 1], [$run->refresh()->state, $run->message, $run->picture]);
            }
        }
        (new RunFiles())->write($second, $solution);
        self::assertSame(2, $run->refresh()->picture);
        $this->get("/api/runs/$run->id/pictures/1/result")->assertOk();
        $this->get("/api/runs/$run->id/pictures/2/result")->assertOk()->assertHeader('Cache-Control', 'immutable, max-age=31536000, private');
    }

    public function testWhatALostWorkerHadOfAFlowIsNotComputedAgain(): void
    {
        $run = $this->startedRun(self::duct());
        $model = ModelCodec::fromJson($run->revision->document);
        $whole = (new SteadySolver($model))->solve();
        // A picture is a checkpoint; after it the worker is killed.
        $claim = Claim::take($run->id);
        self::assertNotNull($claim);
        (new RunFiles())->write($claim, $whole);
        $run->samples()->create(['iteration' => 40, 'residual' => 1e-3, 'seconds' => 12.5]);
        $this->losesWorker($run, 1);
        (new RunQueue())->recover();
        $this->work($run);

        $run->refresh();
        self::assertSame(RunState::Solved, $run->state);
        $solver = Nested::list($this->served($run->id), 'solver');
        self::assertLessThan(0.3 * $whole->outcome->residuals[0], Nested::number($solver, 'residuals', 0), 'it went on from the checkpoint');
        self::assertSame('checkpoint', Nested::at($solver, 'start', 'from'));
        self::assertGreaterThan(12.5, $run->seconds, 'seconds go on');
        self::assertSame(40, $run->samples()->first()?->iteration, 'and so does the curve');
        self::assertStringContainsString('ended unexpectedly', (string) $run->message);
    }

    public function testACurveIsSentFromWhereTheClientHasIt(): void
    {
        $run = $this->startedRun();
        $ids = array_map(fn (int $n) => $run->samples()->create(['iteration' => $n, 'residual' => 0.1, 'seconds' => $n])->id, [1, 2, 3]);

        $this->getJson("/api/runs/$run->id")->assertJsonCount(3, 'samples');
        $this->getJson("/api/runs/$run->id?after=$ids[1]")->assertJsonCount(1, 'samples')->assertJsonPath('samples.0.iteration', 3);
    }

    public function testARunThatNeedsMoreMemoryThanThereIsSaysSo(): void
    {
        config(['app.worker_memory' => 65]);
        $document = self::duct();
        $document['analysis']['grid']['cells'] = [60, 30, 30];
        $run = $this->startedRun($document);
        $this->work($run);

        self::assertSame(RunState::Failed, $run->refresh()->state);
        self::assertStringContainsString('Out of memory: 54 000 cells need about 1.1 GB, this host gives 0.1', (string) $run->message);
    }

    public function testOldRunsAndProjectsAreRemovedWithTheirFiles(): void
    {
        config(['app.keep.runs' => 2]);
        $first = $this->startedRun();
        $this->work($first);
        $variant = $first->variant;
        foreach (range(1, 3) as $n) {
            $variant->runs()->create(['revision_id' => $first->revision_id, 'grade' => 'scout', 'state' => RunState::Failed]);
        }
        $this->command('foehn:prune')->assertSuccessful();
        self::assertSame(3, $variant->runs()->count(), 'two, and the one that the verdict comes from');
        Storage::disk('fields')->assertExists("runs/$first->id/1/1/result.json");

        $variant->project?->delete();
        $this->command('foehn:prune')->assertSuccessful();
        self::assertSame(3, Run::query()->count(), 'a project can be restored for a while');
        $this->travel(31)->days();
        $this->command('foehn:prune')->assertSuccessful();
        self::assertSame(0, Run::query()->count());
        Storage::disk('fields')->assertMissing("runs/$first->id");
    }

    public function testTemperaturesAloneAreComputedOnTheLastFlow(): void
    {
        $flow = $this->startedRun(self::duct());
        $this->work($flow);
        $hotter = self::duct();
        $hotter['parts'][0]['power'] = '2 W';
        $this->putJson("/api/variants/$flow->variant_id/model", ['document' => $hotter, 'base' => 1, 'step' => 'Edit'])->assertCreated();
        $id = $this->postJson("/api/variants/$flow->variant_id/runs", ['grade' => 'scout', 'keepFlow' => true])->assertCreated()->assertJsonPath('keepFlow', true)->json('id');
        $this->work(Run::query()->whereKey($id)->firstOrFail());

        [$before, $after] = [$this->served($flow->id), $this->served($id)];
        self::assertTrue(Nested::at($after, 'flow', 'regime', 'frozen'));
        $rise = fn (mixed $result): float => Nested::number($result, 'parts', 0, 'temperature', 'max') - 300.0;
        self::assertEqualsWithDelta(2 * $rise($before), $rise($after), 0.03 * $rise($after));
    }

    public function testALivingWorkerIsLeftAlone(): void
    {
        $run = $this->startedRun();
        $run->update(['state' => RunState::Running, 'worker' => WorkerIdentity::current(), 'attempts' => 1]);
        (new RunQueue())->recover();

        $this->getJson("/api/runs/$run->id")->assertJsonPath('state', 'running');
    }

    public function testAModelWithoutAnswerFailsWithItsReason(): void
    {
        $document = Models::block();
        $document['parts'][] = [...$document['parts'][0], 'id' => 'cover', 'name' => 'Cover', 'power' => 0];
        $run = $this->startedRun($document);
        $this->work($run);

        $this->getJson("/api/runs/$run->id")->assertJsonPath('state', 'failed')->assertJsonPath('message', 'part "Block" has 10 W but no volume left: parts after it in the ledger cover it, or it is thinner than the cells of this grid');
    }

    public function testAFullDiskFailsTheRunAndNothingElse(): void
    {
        $run = $this->startedRun();
        // A file where the folder of the run should be: nothing can be written.
        Storage::disk('fields')->put("runs/$run->id/1/1/temperature.f32.partial/x", '');
        $this->work($run);

        self::assertSame(RunState::Failed, $run->refresh()->state);
        self::assertStringContainsString('temperature.f32 could not be written', (string) $run->message);
        $this->getJson("/api/variants/$run->variant_id")->assertOk();
    }

    public function testAResultOfAnOlderRevisionIsNotCalledCurrent(): void
    {
        $run = $this->startedRun();
        $this->work($run);
        $this->putJson("/api/variants/$run->variant_id/model", ['document' => Models::block(['name' => 'Changed']), 'base' => 1, 'step' => 'Edit'])->assertCreated();

        $this->getJson('/api/projects')->assertJsonPath('0.variants.0.verdict.current', false);
        $this->getJson("/api/variants/$run->variant_id/runs")->assertJsonPath('0.revision', 1);
    }

    /** The present result of a run, as it is served. */
    private function served(mixed $run): mixed
    {
        $found = Run::query()->whereKey($run)->firstOrFail();

        return json_decode((string) $this->get("/api/runs/$found->id/pictures/$found->picture/result")->assertOk()->streamedContent(), true);
    }

    private function losesWorker(Run $run, int $attempt): void
    {
        $run->refresh()->update(['state' => RunState::Running, 'worker' => gethostname() . ':999999:1', 'attempts' => $attempt]);
    }
}
