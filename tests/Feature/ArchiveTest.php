<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\PointState;
use App\Models\Project;
use App\Models\Role;
use App\Models\Study;
use App\Models\StudyPoint;
use App\Models\Variant;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZipArchive;

/** A project in one file: out, in, and what is no such file. */
final class ArchiveTest extends TestCase
{
    use MovesArchives;
    use StartsRuns;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    public function testAProjectComesBackWithNothingLost(): void
    {
        $run = $this->startedRun(self::duct());
        $this->work($run);
        $first = $run->variant;
        $first->update(['note' => 'As built']);
        $second = (int) Nested::number($this->postJson("/api/variants/$first->id/clone", ['name' => 'Hotter', 'revision' => 1])->json(), 'id');
        $hotter = self::duct();
        $hotter['parts'][0]['power'] = '2 W';
        $this->putJson("/api/variants/$second/model", ['document' => $hotter, 'base' => 1, 'step' => 'Block: 2 W'])->assertCreated();
        $this->postJson("/api/projects/$first->project_id/views", ['name' => 'Both', 'content' => ['pose' => ['zoom' => 3], 'compare' => "of=$first->id&of=$second&base=1"]])->assertCreated();

        $archive = $this->archiveOf($first->project_id);
        $other = $this->user('Other');
        $made = $this->actingAs($other)->restore($archive)->assertCreated()->assertJsonPath('name', 'Test box')->assertJsonPath('role', 'owner')
            ->assertJsonPath('variants.0.note', 'As built')->assertJsonPath('variants.0.verdict.current', true)->assertJsonPath('variants.1.revision', 2)->json();
        $project = Project::query()->findOrFail(Nested::number($made, 'id'));
        [$one, $two] = [$project->variants[0], $project->variants[1]];
        self::assertNotNull($one);
        self::assertNotNull($two);
        self::assertNotSame($first->project_id, $project->id);
        self::assertSame([$one->id, 1], [$two->origin_id, $two->origin_revision]);
        self::assertSame(
            Variant::query()->findOrFail($second)->revisions()->orderBy('number')->pluck('document', 'step')->all(),
            $two->revisions()->orderBy('number')->get()->mapWithKeys(fn ($revision) => [str_replace(' (Ada)', '', $revision->step) => $revision->document])->all(),
        );
        $again = $one->runs()->firstOrFail();
        self::assertSame([$run->refresh()->cells, $run->seconds, $run->readings], [$again->cells, $again->seconds, $again->readings]);
        self::assertEquals($run->finished_at?->toIso8601ZuluString(), $again->finished_at?->toIso8601ZuluString());
        foreach (['temperature', 'velocity', 'parts'] as $field) {
            $restored = $this->get("/api/runs/$again->id/pictures/$again->picture/fields/$field")->assertOk()->streamedContent();
            $this->actingAs($first->project()->firstOrFail()->members()->firstOrFail());
            self::assertSame($this->get("/api/runs/$run->id/pictures/$run->picture/fields/$field")->streamedContent(), $restored);
            $this->actingAs($other);
        }
        $this->getJson("/api/projects/$project->id/views")->assertJsonPath('0.content.compare', "of=$one->id&of=$two->id&base=1");
        // What was solved can be gone on from: the checkpoint came along.
        $frozen = $this->postJson("/api/variants/$one->id/runs", ['grade' => 'scout', 'keepFlow' => true])->assertCreated()->json('id');
        $this->work($one->runs()->whereKey($frozen)->firstOrFail());
        $this->getJson('/api/runs/' . (is_int($frozen) ? $frozen : 0))->assertJsonPath('state', 'solved');
    }

    public function testAStudyComesBackWithWhatItsPointsReadAndGoesOn(): void
    {
        $document = Models::block(['parameters' => ['wide' => '20 mm'], 'analysis' => ['grid' => ['cells' => [4, 4, 4]]]]);
        $document['parts'][0]['shape']['size'] = ['wide', '20 mm', '20 mm'];
        $variant = $this->variantOf($this->user(), $document);
        $this->actingAs($variant->project()->firstOrFail()->members()->firstOrFail());
        $plan = ['kind' => 'grid', 'variations' => ['wide' => '20 mm, -1 mm, 12 mm']];
        $id = $this->postJson("/api/variants/$variant->id/studies", ['name' => 'Width', 'revision' => 1, 'grade' => 'scout', 'plan' => $plan])->assertCreated()->json('id');
        $study = Study::query()->whereKey($id)->firstOrFail();
        $this->work($study->points()->where('number', 1)->firstOrFail()->run()->firstOrFail());
        $archive = $this->archiveOf($variant->project_id);
        $made = $this->actingAs($this->user('Other'))->restore($archive)->assertCreated()->json();
        $again = Project::query()->findOrFail(Nested::number($made, 'id'))->studies()->firstOrFail();

        self::assertTrue($again->paused);
        self::assertSame([$study->plan, $study->names], [$again->plan, $again->names]);
        self::assertSame([PointState::Solved, PointState::Impossible, PointState::Waiting], $again->points()->get()->map(fn (StudyPoint $point): PointState => $point->state)->all());
        self::assertSame($study->points()->where('number', 1)->firstOrFail()->readings, $again->points()->where('number', 1)->firstOrFail()->readings);
        $this->postJson("/api/studies/$again->id/points/1/variant", ['name' => 'Wide'])->assertCreated();
        $this->patchJson("/api/studies/$again->id", ['paused' => false])->assertOk()->assertJsonPath('counts.queued', 1);
    }

    /** @param callable(ZipArchive): mixed $spoil */
    #[DataProvider('spoilt')]
    public function testWhatIsNoArchiveIsRefusedInWordsAndLeavesNothing(callable $spoil, string $said): void
    {
        $variant = $this->variantOf($this->user());
        $this->actingAs($variant->project()->firstOrFail()->members()->firstOrFail());
        $archive = $this->archiveOf($variant->project_id);
        $zip = new ZipArchive();
        $path = (string) tempnam(sys_get_temp_dir(), 'spoilt');
        file_put_contents($path, $archive);
        $zip->open($path);
        $spoil($zip);
        $zip->close();
        $answer = $this->restore((string) file_get_contents($path))->assertUnprocessable();
        unlink($path);
        self::assertStringContainsString($said, (string) json_encode($answer->json()));
        self::assertSame(1, Project::query()->count());
    }

    /** @return iterable<string, array{callable(ZipArchive): mixed, string}> */
    public static function spoilt(): iterable
    {
        $told = fn (string $from, string $to): callable => function (ZipArchive $zip) use ($from, $to): void {
            $zip->addFromString('archive.json', str_replace($from, $to, (string) $zip->getFromName('archive.json')));
        };
        yield 'a zip of something else' => [fn (ZipArchive $zip) => $zip->deleteName('archive.json'), 'no archive of a project'];
        yield 'another format' => [$told('foehn-archive', 'holiday-pictures'), 'of another format'];
        yield 'a newer version' => [$told('"version": 1', '"version": 7'), 'has version 7; this installation reads version 1'];
        yield 'a missing model' => [fn (ZipArchive $zip) => $zip->deleteName('variants/0/1.json'), 'variants\/0\/1.json is missing'];
        yield 'a model that is none' => [fn (ZipArchive $zip) => $zip->addFromString('variants/0/1.json', '{"format": "foehn-model", "version": 1}'), 'A model of this archive cannot be used'];
        yield 'a model that is no text of one' => [fn (ZipArchive $zip) => $zip->addFromString('variants/0/1.json', 'hello'), 'not a JSON document'];
        yield 'no variants' => [$told('"variants": [', '"other": ['), 'no variant in it'];
    }

    public function testWhatIsNoZipIsRefusedAndAStrangerGetsNothing(): void
    {
        $variant = $this->variantOf($this->user());
        $this->actingAs($this->user('Other'))->restore('no zip at all')->assertUnprocessable()->assertJsonPath('message', 'This file is no zip archive.');
        $this->get("/api/projects/$variant->project_id/archive")->assertForbidden();
        $viewer = $this->user('Viewer');
        $variant->project()->firstOrFail()->members()->attach($viewer->id, ['role' => Role::Viewer->value]);
        $this->actingAs($viewer)->get("/api/projects/$variant->project_id/archive")->assertOk()->assertDownload('test-box.zip');
    }

    public function testAReportIsOnePageWithPicturesAndTables(): void
    {
        $run = $this->startedRun();
        $asked = ['sections' => ['verdict', 'pictures', 'tables'], 'units' => 'mm', 'text' => 'Signed', 'pictures' => [['title' => 'Hot', 'caption' => 'from above', 'source' => 'data:image/png;base64,AAAA']], 'tables' => [['title' => 'Variants', 'rows' => [['Limit', 'First'], ['l1', '80 °C']]]]];
        $this->postJson("/api/runs/$run->id/report", $asked)->assertUnprocessable();
        $this->work($run);
        $page = (string) $this->postJson("/api/runs/$run->id/report", $asked)->assertOk()->assertHeader('Content-Type', 'text/html; charset=utf-8')->getContent();
        foreach (['Test box', 'First design', '1 of 1 limits missed', 'Signed', 'data:image/png;base64,AAAA', '80 °C'] as $part) {
            self::assertStringContainsString($part, $page);
        }
        self::assertSame($page, $this->postJson("/api/runs/$run->id/report", $asked)->getContent());
        $this->postJson("/api/runs/$run->id/report", [...$asked, 'sections' => ['gossip']])->assertUnprocessable();
        $this->postJson("/api/runs/$run->id/report", [...$asked, 'pictures' => [['title' => 'x', 'source' => 'https://example.org/a.png']]])->assertUnprocessable();
    }
}
