<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SolveRun;
use App\Models\PointState;
use App\Models\Role;
use App\Models\Run;
use App\Models\RunState;
use App\Models\Study;
use App\Models\StudyPoint;
use App\Models\Variant;
use App\Runs\Claim;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use App\Studies\StudyQueue;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Sweeps: planned, fed to workers, paused, recovered, and their points made variants. */
final class StudyTest extends TestCase
{
    use StartsRuns;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    public function testASweepIsComputedPointByPointBehindAnImpossibleOne(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, -1 mm, 10 mm']]);
        self::assertSame([PointState::Queued, PointState::Impossible, PointState::Queued], $this->states($study));
        Queue::assertPushedOn(RunQueue::STUDIES, SolveRun::class);
        $this->workAll($study);

        $points = Nested::list($this->getJson("/api/studies/$study->id/points")->assertOk()->json(), 'points');
        self::assertSame(['solved', 'impossible', 'solved'], array_column($points, 'state'));
        self::assertStringContainsString('a size of -1 mm is given', (string) json_encode(Nested::at($points, 1, 'message')));
        self::assertEqualsWithDelta(0.01, Nested::number($points, 2, 'numbers', 0), 1e-12);
        self::assertSame('l1', Nested::at($points, 0, 'readings', 0, 'id'));
        self::assertGreaterThan(Nested::number($points, 0, 'readings', 0, 'value'), Nested::number($points, 2, 'readings', 0, 'value'), 'a narrow block has less area to cool it');
        $this->getJson("/api/studies/$study->id")->assertJsonPath('counts.solved', 2)->assertJsonPath('counts.impossible', 1)->assertJsonPath('counts.waiting', 0);
        $this->getJson("/api/projects/$study->project_id/studies")->assertJsonPath('0.names', ['wide']);
        $this->getJson("/api/projects/$study->project_id")->assertJsonCount(1, 'variants');
    }

    public function testOnlyWhatHasChangedSinceIsTold(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, 10 mm']]);
        $this->travel(1)->seconds();
        $now = $this->getJson("/api/studies/$study->id/points")->assertJsonCount(2, 'points')->json('now');
        self::assertIsString($now);
        $this->travel(1)->seconds();
        $this->getJson("/api/studies/$study->id/points?since=$now")->assertJsonCount(0, 'points');
        $this->work($this->runOf($study, 2));
        $this->getJson("/api/studies/$study->id/points?since=$now")->assertJsonCount(1, 'points')->assertJsonPath('points.0.number', 2);
    }

    public function testNoMoreThanAFewPointsAreAheadAndAPausedStudyGoesOnWhereItWas(): void
    {
        $study = $this->started(['grid', ['wide' => '10 mm .. 20 mm : 12']]);
        self::assertSame(8, $study->points()->where('state', PointState::Queued)->count());
        $this->patchJson("/api/studies/$study->id", ['paused' => true])->assertOk()->assertJsonPath('paused', true);
        $this->work($this->runOf($study, 1));
        self::assertSame(7, $study->points()->where('state', PointState::Queued)->count(), 'nothing follows while it is paused');
        $this->patchJson("/api/studies/$study->id", ['paused' => false])->assertOk();
        self::assertSame(8, $study->points()->where('state', PointState::Queued)->count());
        $this->workAll($study);
        self::assertSame(12, $study->points()->where('state', PointState::Solved)->count());
        self::assertSame(12, Run::query()->count(), 'no point is computed twice');
    }

    public function testAPointWhoseWorkerIsKilledIsComputedOnceByAnother(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, 10 mm']]);
        $run = $this->runOf($study, 1);
        self::assertNotNull(Claim::take($run->id));
        Run::query()->whereKey($run->id)->update(['worker' => gethostname() . ':999999:0']);
        $this->command('foehn:recover')->assertSuccessful();
        self::assertSame(RunState::Queued, $run->refresh()->state);
        $this->workAll($study);
        self::assertSame([PointState::Solved, PointState::Solved], $this->states($study));
        self::assertSame(2, Run::query()->count());
    }

    public function testAStudyThatNobodyLooksAtGoesOnWhenTheServerComesBack(): void
    {
        $study = $this->started(['grid', ['wide' => '10 mm .. 20 mm : 10']]);
        // Its runs end while no worker tells the study: as after a power cut.
        foreach ($study->points()->where('state', PointState::Queued)->get() as $point) {
            Run::query()->whereKey($point->run_id)->update(['state' => RunState::Solved]);
        }
        $this->command('foehn:recover')->assertSuccessful();
        self::assertSame([8, 2], [$study->points()->where('state', PointState::Solved)->count(), $study->points()->where('state', PointState::Queued)->count()]);
    }

    public function testASearchAsksForMoreUntilItsRunsAreSpent(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user, self::document());
        $asked = ['revision' => 1, 'grade' => 'scout', 'plan' => ['kind' => 'search', 'variations' => ['wide' => '10 mm .. 20 mm'], 'count' => 9, 'margin' => -200.0, 'aims' => [['kind' => 'formula', 'of' => '2 * wide', 'most' => false]]]];
        $this->actingAs($user)->postJson("/api/variants/$variant->id/studies/check", $asked)->assertOk()->assertJsonPath('count', 9)->assertJsonPath('names', ['wide']);
        $id = $this->postJson("/api/variants/$variant->id/studies", ['name' => 'Search', ...$asked])->assertCreated()->assertJsonPath('growing', true)->assertJsonPath('plan.aims.0.unit', 'm')->json('id');
        $study = Study::query()->whereKey($id)->firstOrFail();
        $address = "/api/studies/$study->id";
        $first = $study->points()->count();
        self::assertLessThan(9, $first);
        $this->patchJson($address, ['paused' => true])->assertOk();
        $this->workAll($study);
        $this->command('foehn:recover');
        self::assertSame($first, $study->points()->count(), 'a paused search asks for nothing');
        $this->patchJson($address, ['paused' => false])->assertOk();
        $this->command('foehn:recover');
        $this->command('foehn:recover');
        self::assertGreaterThan($first, $study->points()->count());
        do {
            $this->workAll($study);
            $this->command('foehn:recover');
        } while ($study->refresh()->growing);
        $this->workAll($study);

        self::assertSame(9, $study->points()->where('state', PointState::Solved)->count());
        $answer = $this->getJson("$address/points")->assertOk()->assertJsonCount(1, 'best')->json();
        $best = Nested::number($answer, 'best', 0) - 1;
        self::assertGreaterThanOrEqual(-200.0, Nested::number($answer, 'points', (int) $best, 'worstMargin'));
        self::assertEqualsWithDelta(2.0 * Nested::number($answer, 'points', (int) $best, 'numbers', 0), Nested::number($answer, 'points', (int) $best, 'aims', 0), 1e-12);
    }

    public function testBuildsAreDrawnWithinTheTolerancesWhichDoNotMakeAResultOld(): void
    {
        $user = $this->user();
        $variant = $this->variantOf($user, self::document());
        $builds = fn (int $revision): array => ['revision' => $revision, 'grade' => 'scout', 'plan' => ['kind' => 'builds', 'count' => 5, 'seed' => 1]];
        $refused = $this->actingAs($user)->postJson("/api/variants/$variant->id/studies/check", $builds(1))->assertUnprocessable();
        self::assertStringContainsString('the model has no tolerances', (string) $refused->getContent());
        $document = [...self::document(), 'parameters' => ['wide' => '15 mm'], 'tolerances' => [['of' => 'wide', 'by' => '1 mm'], ['of' => 'parts/block/power', 'by' => '10 %', 'distribution' => 'normal']]];
        $before = $variant->head()->firstOrFail()->hash;
        $this->putJson("/api/variants/$variant->id/model", ['base' => 1, 'document' => $document, 'step' => 'Tolerances'])->assertSuccessful();
        self::assertNotSame($before, $now = $variant->head()->firstOrFail()->hash, 'narrower');
        $this->putJson("/api/variants/$variant->id/model", ['base' => 2, 'document' => [...$document, 'tolerances' => []], 'step' => 'None'])->assertSuccessful();
        self::assertSame($now, $variant->head()->firstOrFail()->hash, 'the same design');
        $id = $this->postJson("/api/variants/$variant->id/studies", ['name' => 'Builds', ...$builds(2)])->assertCreated()->assertJsonPath('names', ['wide', 'parts/block/power'])->json('id');
        $study = Study::query()->whereKey($id)->firstOrFail();
        $this->workAll($study);
        self::assertSame(5, $study->points()->where('state', PointState::Solved)->count());
        foreach ($study->points as $point) {
            self::assertEqualsWithDelta(0.015, $point->numbers[0], 0.001);
            self::assertEqualsWithDelta(10.0, $point->numbers[1], 1.5);
        }
    }

    public function testFailedPointsAloneAreTriedAgain(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, 10 mm']]);
        $this->work($this->runOf($study, 1));
        (new RunQueue())->stop($this->runOf($study, 2));
        $this->command('foehn:recover');
        self::assertSame([PointState::Solved, PointState::Stopped], $this->states($study));
        $this->patchJson("/api/studies/$study->id", ['retry' => true])->assertOk()->assertJsonPath('counts.queued', 1);
        $this->workAll($study);
        self::assertSame([PointState::Solved, PointState::Solved], $this->states($study));
        self::assertSame(3, Run::query()->count());
        self::assertSame(2, Variant::query()->where('study_id', $study->id)->count(), 'a point keeps its model');
    }

    public function testAPointStartsFromTheNearestSolvedFlowAndTellsIt(): void
    {
        $duct = ['parameters' => ['watts' => '1 W'], ...self::duct()];
        $duct['parts'][0]['power'] = 'watts';
        $study = $this->started(['grid', ['watts' => '1 W, 9 W, 8 W']], $duct);
        foreach ([1, 2, 3] as $number) {
            $this->work($this->runOf($study, $number));
        }
        $start = fn (int $number): mixed => Nested::at(json_decode((string) $this->get("/api/runs/{$this->runOf($study, $number)->id}/pictures/{$this->runOf($study, $number)->picture}/result")->streamedContent(), true), 'solver', 'start', 'model');
        self::assertNull($start(1), 'the first starts from rest');
        self::assertSame($this->runOf($study, 2)->revision->hash, $start(3), '8 W is nearer to 9 W than to 1 W');
    }

    public function testAPointBecomesAVariantAndOutlivesItsStudy(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, -1 mm, 10 mm']]);
        $this->workAll($study);
        $this->postJson("/api/studies/$study->id/points/2/variant", ['name' => 'Impossible'])->assertUnprocessable();
        $this->postJson("/api/studies/$study->id/points/3/variant", ['name' => 'First design'])->assertUnprocessable();
        $made = (int) Nested::number($this->postJson("/api/studies/$study->id/points/3/variant", ['name' => 'Narrow'])->assertCreated()->assertJsonPath('origin.variant', $study->variant_id)->json(), 'id');
        $this->postJson("/api/studies/$study->id/points/3/variant", ['name' => 'Twice'])->assertUnprocessable();
        $this->deleteJson("/api/studies/$study->id")->assertNoContent();
        self::assertSame(2, Variant::query()->count());
        $this->getJson("/api/variants/$made")->assertOk()->assertJsonPath('document.parameters.wide', '10 mm');
        $this->getJson("/api/variants/$made/runs")->assertJsonPath('0.state', 'solved');
    }

    public function testAStudyThatIsDeletedStopsItsRuns(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, 10 mm']]);
        $run = $this->runOf($study, 1);
        $claim = Claim::take($run->id);
        $this->deleteJson("/api/studies/$study->id")->assertNoContent();
        self::assertNull(Run::query()->find($run->id));
        self::assertNotNull($claim);
        (new SolveRun($run->id))->handle(new RunFiles(), new RunQueue(), new StudyQueue(new RunQueue()));
        self::assertSame(0, StudyPoint::query()->count());
    }

    /** @param array<string, mixed> $plan */
    #[DataProvider('wrongPlans')]
    public function testAPlanThatCannotBeIsRefusedInWords(array $plan, string $said): void
    {
        $variant = $this->variantOf($this->user(), self::document());
        $this->actingAs($this->user('Other'))->postJson("/api/variants/$variant->id/studies/check", ['revision' => 1, 'grade' => 'scout', 'plan' => $plan])->assertForbidden();
        $this->actingAs($variant->project()->firstOrFail()->members()->firstOrFail());
        $answer = $this->postJson("/api/variants/$variant->id/studies", ['name' => 'Sweep', 'revision' => 1, 'grade' => 'scout', 'plan' => $plan])->assertUnprocessable();
        self::assertStringContainsString($said, (string) json_encode($answer->json(), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE));
        self::assertSame(0, Study::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongPlans(): iterable
    {
        yield 'a deleted name' => [['kind' => 'grid', 'variations' => ['gone' => '1 mm, 2 mm']], 'no parameter of this name'];
        yield 'a wrong unit' => [['kind' => 'grid', 'variations' => ['wide' => '1 W, 2 W']], 'but the parameter is a length'];
        yield 'no count' => [['kind' => 'latin', 'variations' => ['wide' => '1 mm .. 2 mm']], 'count'];
        yield 'nothing varied' => [['kind' => 'grid', 'variations' => []], 'varied'];
        yield 'a table of nothing' => [['kind' => 'table', 'table' => 'wide'], '1 to 10000 points'];
        yield 'no aim' => [['kind' => 'search', 'variations' => ['wide' => '1 mm .. 2 mm'], 'count' => 9, 'aims' => []], 'aims'];
        yield 'an aim of no reading' => [['kind' => 'search', 'variations' => ['wide' => '1 mm .. 2 mm'], 'count' => 9, 'aims' => [['kind' => 'reading', 'of' => 'gone', 'most' => false]]], 'no limit or watch'];
        yield 'another kind' => [['kind' => 'random'], 'kind'];
    }

    public function testWhatAPlanComesToIsToldBefore(): void
    {
        $variant = $this->variantOf($this->user(), self::document());
        $this->actingAs($variant->project()->firstOrFail()->members()->firstOrFail());
        $this->postJson("/api/variants/$variant->id/studies/check", ['revision' => 1, 'grade' => 'scout', 'plan' => ['kind' => 'table', 'table' => "wide\n5 mm\n6 mm"]])
            ->assertOk()->assertExactJson(['count' => 2, 'names' => ['wide'], 'examples' => [['5 mm'], ['6 mm']]]);
        self::assertSame(0, Study::query()->count());
    }

    public function testAViewerLooksAndAStrangerSeesNothing(): void
    {
        $study = $this->started(['grid', ['wide' => '20 mm, 10 mm']]);
        $viewer = $this->user('Viewer');
        $study->project()->firstOrFail()->members()->attach($viewer->id, ['role' => Role::Viewer->value]);
        foreach ([[$viewer, 200, 403], [$this->user('Stranger'), 403, 403]] as [$user, $look, $change]) {
            $this->actingAs($user)->getJson("/api/studies/$study->id")->assertStatus($look);
            $this->getJson("/api/studies/$study->id/points")->assertStatus($look);
            $this->patchJson("/api/studies/$study->id", ['paused' => true])->assertStatus($change);
            $this->postJson("/api/studies/$study->id/points/1/variant", ['name' => 'Mine'])->assertStatus($change);
            $this->deleteJson("/api/studies/$study->id")->assertStatus($change);
        }
    }

    public function testTenThousandPointsAreListedWithoutTheirModels(): void
    {
        $study = $this->started(['latin', ['wide' => '10 mm .. 20 mm'], 10_000]);
        DB::enableQueryLog();
        $this->getJson("/api/studies/$study->id/points")->assertOk()->assertJsonCount(10_000, 'points');
        self::assertSame([], array_filter(array_column(DB::getQueryLog(), 'query'), fn (string $query) => str_contains($query, '`revisions`')));
    }

    /**
     * @param array{0: string, 1: array<string, string>, 2?: int} $plan kind, variations and count
     * @param array<string, mixed>|null $document
     */
    private function started(array $plan, ?array $document = null): Study
    {
        $user = $this->user();
        $variant = $this->variantOf($user, $document ?? self::document());
        [$kind, $variations] = $plan;
        $id = $this->actingAs($user)->postJson("/api/variants/$variant->id/studies", ['name' => 'Sweep', 'revision' => 1, 'grade' => 'scout', 'plan' => ['kind' => $kind, 'variations' => $variations, 'count' => $plan[2] ?? 0, 'seed' => 3]])->assertCreated()->json('id');

        return Study::query()->whereKey($id)->firstOrFail();
    }

    private function runOf(Study $study, int $number): Run
    {
        return Run::query()->findOrFail($study->points()->where('number', $number)->firstOrFail()->run_id);
    }

    private function workAll(Study $study): void
    {
        while (($point = $study->points()->where('state', PointState::Queued)->first()) !== null) {
            $this->work(Run::query()->findOrFail($point->run_id));
        }
    }

    /** @return list<PointState> */
    private function states(Study $study): array
    {
        return array_values($study->points()->get()->map(fn (StudyPoint $point): PointState => $point->state)->all());
    }

    /** @return array<string, mixed> a block that is as wide as a parameter says */
    private static function document(): array
    {
        $block = Models::block(['parameters' => ['wide' => '20 mm'], 'analysis' => ['grid' => ['cells' => [4, 4, 4]]]]);
        $block['parts'][0]['shape']['size'] = ['wide', '20 mm', '20 mm'];

        return $block;
    }
}
