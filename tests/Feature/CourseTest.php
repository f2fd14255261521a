<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Run;
use App\Models\RunState;
use App\Runs\RunFiles;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use Tests\TestCase;

final class CourseTest extends TestCase
{
    use StartsRuns;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    private function started(): Run
    {
        return $this->startedRun(Models::block(['analysis' => ['grid' => ['cells' => [2, 2, 4]], 'time' => ['kind' => 'transient', 'end' => '10 min', 'start' => ['uniform' => '20 degC'], 'keep' => ['1 min', '10 min']]]]));
    }

    /** @return array{time: array{times: non-empty-list<float>, frames: list<array{time: float, parts: list<array{mean: float}>}>}, limits: list<array{overTime: array{max: float}}>} */
    private function resultOf(Run $run): array
    {
        /** @var array{time: array{times: non-empty-list<float>, frames: list<array{time: float, parts: list<array{mean: float}>}>}, limits: list<array{overTime: array{max: float}}>} */
        return json_decode((string) $this->get("/api/runs/$run->id/pictures/1/result")->assertOk()->streamedContent(), true, 64, JSON_THROW_ON_ERROR);
    }

    public function testACourseIsSolvedAndItsMomentsAreServed(): void
    {
        $run = $this->started();
        $this->work($run);

        $sample = $this->getJson("/api/runs/$run->id")->assertOk()->assertJsonPath('state', 'solved')->json('samples.0.moment');
        self::assertGreaterThan(0.0, $sample);
        $result = $this->resultOf($run);
        self::assertEqualsWithDelta([60.0, 600.0], array_column($result['time']['frames'], 'time'), 1e-9);
        self::assertGreaterThan(293.15, $result['limits'][0]['overTime']['max']);
        self::assertSame(4 * 16, strlen((string) $this->get("/api/runs/$run->id/pictures/1/fields/temperatureAt0")->assertOk()->streamedContent()));
        $this->get("/api/runs/$run->id/pictures/1/fields/temperatureAt2")->assertNotFound();
        self::assertEqualsWithDelta(600.0, (new RunFiles())->course($run)->now->time ?? NAN, 1e-9);
    }

    public function testAStoppedCourseIsKeptAndGoesOnWithTheNextRun(): void
    {
        $run = $this->started();
        $run->update(['stop_requested' => true]);
        $this->work($run);

        self::assertSame(RunState::Stopped, $run->refresh()->state);
        self::assertStringContainsString('of 600 s: the course so far is kept', (string) $run->message);
        $before = $this->resultOf($run)['time']['times'];
        $id = $this->postJson("/api/variants/$run->variant_id/runs", ['grade' => 'scout'])->assertCreated()->json('id');
        $next = Run::query()->whereKey($id)->firstOrFail();
        $this->work($next);

        self::assertSame(RunState::Solved, $next->refresh()->state);
        $times = $this->resultOf($next)['time']['times'];
        self::assertSame($before, array_slice($times, 0, count($before)));
        self::assertEqualsWithDelta(600.0, max($times), 1e-9);
        self::assertSame($run->samples()->count() + 1, $next->samples()->count());
    }

    public function testACourseBeginsWithARunOfItsProject(): void
    {
        $run = $this->started();
        $this->work($run);
        $ended = $this->resultOf($run);
        /** @var array{analysis: array{time: array<string, mixed>}} $document */
        $document = json_decode($run->revision->document, true, 64, JSON_THROW_ON_ERROR);
        $begins = function (int $with) use ($document, $run): Run {
            $document['analysis']['time']['start'] = ['run' => $with];
            $base = $run->variant->revisions()->max('number');
            $this->putJson("/api/variants/$run->variant_id/model", ['document' => $document, 'base' => $base, 'step' => 'Start from a run'])->assertCreated();
            $id = $this->postJson("/api/variants/$run->variant_id/runs", ['grade' => 'scout'])->assertCreated()->json('id');
            $next = Run::query()->whereKey($id)->firstOrFail();
            $this->work($next);

            return $next->refresh();
        };
        $next = $begins($run->id);
        $last = $ended['time']['frames'][1]['parts'][0]['mean'];

        self::assertSame(RunState::Solved, $next->state);
        self::assertGreaterThan($last - 1.0, $this->resultOf($next)['time']['frames'][0]['parts'][0]['mean']);
        self::assertGreaterThan($ended['time']['frames'][0]['parts'][0]['mean'] + 1.0, $last);
        $other = $begins($run->id + 1000);
        self::assertSame(RunState::Failed, $other->state);
        self::assertStringContainsString('which the course begins with, are not there', (string) $other->message);
    }

    public function testALaterEndGoesOnFromTheEndOfTheLastRun(): void
    {
        $run = $this->started();
        $this->work($run);
        $before = $this->resultOf($run)['time']['times'];
        /** @var array{analysis: array{time: array<string, mixed>}} $document */
        $document = json_decode($run->revision->document, true, 64, JSON_THROW_ON_ERROR);
        $document['analysis']['time'] = [...$document['analysis']['time'], 'end' => '20 min', 'keep' => ['20 min']];
        $this->putJson("/api/variants/$run->variant_id/model", ['document' => $document, 'base' => 1, 'step' => 'End at 20 min'])->assertCreated();
        $id = $this->postJson("/api/variants/$run->variant_id/runs", ['grade' => 'scout'])->assertCreated()->json('id');
        $next = Run::query()->whereKey($id)->firstOrFail();
        $this->work($next);
        $time = $this->resultOf($next)['time'];

        self::assertSame(RunState::Solved, $next->refresh()->state);
        self::assertSame($before, array_slice($time['times'], 0, count($before)));
        self::assertEqualsWithDelta([60.0, 600.0, 1200.0], array_column($time['frames'], 'time'), 1e-9);
    }

    public function testAThermalImpedanceIsReadFromAVariantMadeForIt(): void
    {
        $run = $this->startedRun(Models::block(['watches' => [['id' => 'mean', 'of' => ['part' => 'block']]], 'analysis' => ['grid' => ['cells' => [2, 2, 4]]]]));
        $this->work($run);
        $this->getJson("/api/runs/$run->id/impedance?watch=mean")->assertUnprocessable()->assertJsonPath('problems.0.message', 'a thermal impedance is read from a course in time that begins at one temperature, with one part heated; here it begins otherwise');
        $this->postJson("/api/variants/$run->variant_id/impedance", ['revision' => 1, 'source' => 'none', 'end' => 600])->assertUnprocessable();

        $made = $this->postJson("/api/variants/$run->variant_id/impedance", ['revision' => 1, 'source' => 'block', 'end' => 600])->assertCreated()->assertJsonPath('name', 'Zth of Block');
        $id = (int) Nested::number($made->json(), 'id');
        $this->postJson("/api/variants/$run->variant_id/impedance", ['revision' => 1, 'source' => 'block', 'end' => 600])->assertCreated()->assertJsonPath('name', 'Zth of Block (2)');
        $this->postJson("/api/variants/$id/runs", ['grade' => 'scout'])->assertCreated();
        $own = Run::query()->where('variant_id', $id)->firstOrFail();
        $this->getJson("/api/runs/$own->id/impedance?watch=mean")->assertUnprocessable();
        $this->work($own);

        $impedance = $this->getJson("/api/runs/$own->id/impedance?watch=mean")->assertOk()->assertJsonPath('source', 'block');
        // The block has 19.35 J/K and loses 0.04 W/K at its top.
        self::assertEqualsWithDelta(25.0 * (1.0 - exp(-600.0 * 0.04 / 19.35)), Nested::number($impedance->json(), 'curve', count((array) $impedance->json('curve')) - 1, 1), 0.4);
        $this->getJson("/api/runs/$own->id/impedance?watch=no")->assertUnprocessable();
    }
}
