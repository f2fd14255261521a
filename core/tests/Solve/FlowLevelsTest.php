<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Closure;
use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridLevels;
use Foehn\Observe\GridValues;
use Foehn\Results\Uncertainty;
use Foehn\Solve\FlowState;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

/**
 * Runs of flow from coarse to fine: pictures, stopping, resuming, and what the grids say about each other.
 *
 * @phpstan-import-type Document from Models
 */
final class FlowLevelsTest extends TestCase
{
    public function testGoesFromCoarseToFineAndPublishesAfterEachGrid(): void
    {
        $listener = self::listener(PHP_INT_MAX);
        $solution = (new SteadySolver(ModelCodec::fromDocument(self::box()), $listener))->solve();
        $result = new Solved($solution);

        self::assertTrue($solution->outcome->converged);
        self::assertSame([24 * 12 * 7, 48 * 24 * 7], array_column($result->levels, 'cells'));
        self::assertContains(24 * 12 * 7, $listener->published);
        $sorted = $listener->published;
        sort($sorted);
        self::assertSame($sorted, $listener->published, 'pictures of coarse grids come before those of finer ones');
        self::assertLessThan(1e-3, $result->balance['error']);
        self::assertGreaterThanOrEqual(array_sum(array_column($result->levels, 'seconds')), $result->solver['seconds'], 'the time of all grids');
        self::assertMatchesRegularExpression('/^[0-9a-f]{64}$/', $result->solver['code']);
        self::assertGreaterThan(0.0, $result->watches[0]['plusMinus']);
        self::assertEqualsWithDelta($result->levels[0]['values']['top'], $result->watches[0]['value'], 0.05 * ($result->watches[0]['value'] - 300.0));
    }

    public function testEveryGradeBeginsOnWiderCellsOfTheSameRule(): void
    {
        $document = self::box();
        $document['analysis']['grid'] = ['grade' => 'scout', 'maxCells' => 8000];
        $grids = GridLevels::of(ModelCodec::fromDocument($document));
        self::assertCount(3, $grids);
        foreach ([1, 2] as $n) {
            self::assertLessThan(0.7 * $grids[$n][1]->count(), $grids[$n - 1][1]->count());
        }

        self::assertGreaterThan(0.0, (new Solved($document))->watches[0]['plusMinus']);
    }

    public function testAStoppedFlowIsKeptAndGoesOnFromThere(): void
    {
        $model = ModelCodec::fromDocument(self::box());
        $whole = (new SteadySolver($model))->solve();
        $stopped = (new SteadySolver($model, self::listener(8)))->solve();
        self::assertTrue($stopped->outcome->stopped);
        self::assertFalse($stopped->outcome->converged);
        self::assertNotNull($stopped->checkpoint);
        self::assertGreaterThan(300.0, Values::greatest($stopped->state->temperature));

        $again = FlowState::fromBytes($stopped->checkpoint->toBytes());
        $resumed = (new SteadySolver($model, start: new Start($again, $stopped->levels, resumes: true, seconds: 1000.0)))->solve();
        self::assertTrue($resumed->outcome->converged);
        self::assertEqualsWithDelta(Values::greatest($whole->state->temperature), Values::greatest($resumed->state->temperature), 0.01 * (Values::greatest($whole->state->temperature) - 300.0));
        self::assertSame('checkpoint', $resumed->start->toArray()['from']);
        self::assertGreaterThan(1000.0, $resumed->spent, 'what it took before counts too');
    }

    public function testWhereAFlowComesFromDoesNotDecideWhetherItIsTurbulent(): void
    {
        $document = self::box();
        $document['physics']['flow'] = 'auto';
        $document['analysis']['grid'] = ['cells' => [24, 12, 7]];
        $slow = ModelCodec::fromDocument($document);
        $document['space']['sides']['x-']['speed'] = 40.0;
        $fast = ModelCodec::fromDocument($document);
        $regime = fn (Solution $solution): mixed => (new Solved($solution))->flow()['regime']['model'];

        $early = (new SteadySolver($slow, self::listener(2)))->solve();
        $goesOn = (new SteadySolver($slow, start: new Start($early->checkpoint)))->solve();
        self::assertTrue($early->outcome->stopped && $goesOn->outcome->converged);
        self::assertSame(['turbulent', 'laminar'], [$regime($early), $regime($goesOn)], 'stopped before that was found, it is found on going on');

        $faster = (new SteadySolver($fast, self::listener(20), new Start($goesOn->checkpoint)))->solve();
        self::assertSame('turbulent', $regime($faster));
        self::assertSame('laminar', $regime((new SteadySolver($slow, self::listener(20), new Start($faster->checkpoint)))->solve()));
    }

    public function testAFlowStartsFromThatOfAnotherGrid(): void
    {
        $coarse = self::box();
        $coarse['analysis']['grid'] = ['cells' => [20, 12, 6]];
        $start = (new SteadySolver(ModelCodec::fromDocument($coarse)))->solve();
        $fromRest = (new SteadySolver(ModelCodec::fromDocument(self::box())))->solve();
        $started = (new SteadySolver(ModelCodec::fromDocument(self::box()), start: new Start($start->checkpoint, model: 'abc')))->solve();

        self::assertLessThan($fromRest->levels[0]->iterations, $started->levels[0]->iterations);
        self::assertSame([['from' => 'rest', 'model' => null, 'frozen' => false], ['from' => 'flow', 'model' => 'abc', 'frozen' => false]], [$fromRest->start->toArray(), $started->start->toArray()]);
        self::assertEqualsWithDelta(Values::greatest($fromRest->state->temperature), Values::greatest($started->state->temperature), 0.2);
    }

    public function testBytesThatAreNoStateAreNotTakenForOne(): void
    {
        self::assertNull(FlowState::fromBytes(''));
        self::assertNull(FlowState::fromBytes("{}\n"));
        self::assertNull(FlowState::fromBytes('{"lines":[[0,1],[0,1],[0,1]],"rises":{},"turbulent":false}' . "\nshort"));
    }

    public function testTheUncertaintyOfConductionFollowsTheObservedOrder(): void
    {
        // f = 10 + h^2 on grids of 1, 1/2, 1/4: the finest is off by 1/16.
        $levels = [self::level(1000, 11.0), self::level(8000, 10.25), self::level(64000, 10.0625)];
        $found = Uncertainty::of($levels, 'w', false);
        self::assertEqualsWithDelta(2.0, $found['order'], 1e-6);
        self::assertEqualsWithDelta(1.25 / 16, $found['plusMinus'], 1e-6);

        $two = Uncertainty::of(array_slice($levels, 1), 'w', false);
        self::assertNull($two['order']);
        self::assertEqualsWithDelta(1.25 * 0.1875, $two['plusMinus'], 1e-9);
    }

    /** Widths halve, and the value moves by 0.9, then by 0.1: an order of 3.2, which no equation here has. */
    public function testAnOrderBeyondThatOfTheEquationsIsNotBelievedInConduction(): void
    {
        $levels = [self::level(1000, 11.0), self::level(8000, 10.1), self::level(64000, 10.0)];
        // No less than what an order of two would leave of the change before: 0.9 / 4.
        $left = 0.9 / 4.0 / (2 ** 2 - 1.0);

        self::assertEqualsWithDelta(3.0 * $left, Uncertainty::of($levels, 'w', false)['plusMinus'], 1e-9);
        self::assertEqualsWithDelta(0.5 * 0.9, Uncertainty::of($levels, 'w', true)['plusMinus'], 1e-9, 'a flow has half of the change before');
    }

    public function testTheUncertaintyOfAFlowIsNoLessThanItsLastChangesLeave(): void
    {
        $levels = [self::level(1000, 11.0), self::level(8000, 10.25), self::level(64000, 10.0625)];
        self::assertEqualsWithDelta(2.0 * 0.1875, Uncertainty::of([self::level(1000, 10.7), ...array_slice($levels, 1)], 'w', true)['plusMinus'], 1e-9, 'twice the last change, where the order says less');
        self::assertEqualsWithDelta(0.5 * 0.9, Uncertainty::of([self::level(1000, 11.15), ...array_slice($levels, 1)], 'w', true)['plusMinus'], 1e-9, 'or half of the one before');
        $slow = [self::level(1000, 12.0 + 2 ** 0.6), self::level(8000, 12.0), self::level(64000, 11.0)];
        self::assertEqualsWithDelta(1.25 / (2 ** 0.6 - 1.0), Uncertainty::of($slow, 'w', true)['plusMinus'], 1e-6, 'more, where the order says so');
        self::assertEqualsWithDelta(2.0, Uncertainty::of([self::level(1000, 10.0), self::level(8000, 12.0), self::level(64000, 11.0)], 'w', true)['plusMinus'], 1e-9, 'and where they disagree');
        self::assertEqualsWithDelta(4.0, Uncertainty::of([self::level(1000, 10.0), self::level(8000, 12.0), self::level(64000, 14.0)], 'w', true)['plusMinus'], 1e-9, 'twice the last change');
        self::assertEqualsWithDelta(3.0 * 0.1875, Uncertainty::of(array_slice($levels, 1), 'w', true)['plusMinus'], 1e-9, 'on two grids');
        // 1.1 against 1.26 times as wide: to first order the change shows 0.1 where it would show 0.26.
        self::assertEqualsWithDelta(2.0 * 2.0 * 2.6, Uncertainty::of([self::level(1000, 10.0), self::level(8000, 10.0), self::level(10648, 12.0)], 'w', true)['plusMinus'], 1e-6, 'grids that are near to each other');
        self::assertSame(4.0, Uncertainty::of($levels, 'w', true, 0.0, 4.0)['plusMinus'], 'what swings is not known better than it swings');
    }

    /** A plane case has one cell across: 1 to 4 cells is a grid twice as fine, not 4^(1/3) times. */
    public function testOnlyRefinedAxesCount(): void
    {
        $plane = fn (int $n, float $value): GridValues => new GridValues($n * $n, [$n, $n, 1], 1, 1.0, ['w' => $value]);
        $found = Uncertainty::of([$plane(10, 11.0), $plane(20, 10.25), $plane(40, 10.0625)], 'w', false);

        self::assertEqualsWithDelta(2.0, $found['order'], 1e-6);
        self::assertEqualsWithDelta(1.25 / 16, $found['plusMinus'], 1e-6);
    }

    public function testTwoGridsThatAgreeInAllDigitsSayNothingAndThreeDo(): void
    {
        foreach ([340.0, 340.00001] as $last) {
            self::assertUnknown('agree in all digits', Uncertainty::of([self::level(1000, 340.0), self::level(8000, $last)], 'w', false));
            self::assertUnknown('agree in all digits', Uncertainty::of([self::level(1000, 340.0), self::level(8000, $last)], 'w', true));
        }
        self::assertEqualsWithDelta(3.4e-4, Uncertainty::of([self::level(1000, 340.0), self::level(8000, 340.0), self::level(64000, 340.0)], 'w', true)['plusMinus'], 1e-12, 'as far as iterations go');

        // The change from 341 to 340 leaves a quarter kelvin to the next grid at second order; that it shows none is chance.
        $found = Uncertainty::of([self::level(1000, 341.0), self::level(8000, 340.0), self::level(64000, 340.0)], 'w', false);
        self::assertEqualsWithDelta(1.25 * 0.25 / 3, $found['plusMinus'], 1e-9);
    }

    public function testWhatIsNotKnownBesideTheGridIsAdded(): void
    {
        $levels = [self::level(1000, 10.0), self::level(8000, 12.0), self::level(64000, 13.0)];
        $grid = Uncertainty::of($levels, 'w', true)['plusMinus'] ?? NAN;
        self::assertEqualsWithDelta($grid + 0.3, Uncertainty::of($levels, 'w', true, 0.3)['plusMinus'], 1e-12);
        self::assertSame(9.0, Uncertainty::of($levels, 'w', true, 0.3, 9.0)['plusMinus'], 'a swing is at least the ±');
    }

    /** @param array{plusMinus: ?float, order: ?float, unknown: ?string} $found */
    private static function assertUnknown(string $why, array $found): void
    {
        self::assertNull($found['plusMinus']);
        self::assertStringContainsString($why, (string) $found['unknown']);
    }

    public function testOneGridSaysNothing(): void
    {
        self::assertUnknown('only one grid', Uncertainty::of([self::level(1000, 10.0)], 'w', true));
        self::assertUnknown('no value', Uncertainty::of([self::level(1000, 10.0), self::level(8000, 12.0)], 'other', true));
        self::assertUnknown('as fine as the last', Uncertainty::of([self::level(1000, 10.0), self::level(1000, 12.0)], 'w', true));
    }

    public function testGivenLinesAreHalvedAndKeepTheirEnds(): void
    {
        $document = self::box();
        $document['analysis']['grid'] = ['cells' => [49, 40, 25]];
        [[, $coarse], [, $fine]] = GridLevels::of(ModelCodec::fromDocument($document));

        self::assertSame([49, 40, 25], $fine->cells);
        self::assertSame([24, 20, 12], $coarse->cells);
        self::assertEqualsWithDelta(0.12, $coarse->lines[0][24], 1e-12);
    }

    public function testAGridThatCannotShowTheFlowIsLeftOut(): void
    {
        $document = self::box();
        $document['analysis']['grid'] = ['cells' => [40, 30, 20]];
        self::assertCount(1, GridLevels::of(ModelCodec::fromDocument($document)), '3000 cells are too few to begin with');
        $document['analysis']['grid'] = ['cells' => [80, 80, 1]];
        self::assertCount(2, GridLevels::of(ModelCodec::fromDocument($document)), 'an axis that is not divided does not count');
    }

    public function testLookingAtAFlowChangesNothingInIt(): void
    {
        $model = ModelCodec::fromDocument(self::box());
        $watched = (new SteadySolver($model, self::listener(PHP_INT_MAX, true)))->solve();
        $alone = (new SteadySolver($model))->solve();

        self::assertSame($alone->outcome->residuals, $watched->outcome->residuals);
        self::assertSame($alone->state->temperature, $watched->state->temperature);
    }

    private static function level(int $cells, float $value): GridValues
    {
        $along = (int) round($cells ** (1 / 3));

        return new GridValues($cells, [$along, $along, $along], 1, 1.0, ['w' => $value]);
    }

    /** @return ProgressListener&object{published: list<int>} */
    private static function listener(int $stopAfter, bool $looks = false): ProgressListener
    {
        return new class ($stopAfter, $looks) implements ProgressListener {
            /** @var list<int> cells of what was published */
            public array $published = [];

            public function __construct(private int $left, private readonly bool $looks)
            {
            }

            public function report(Progress $progress): void
            {
            }

            public function publish(Solution $solution): void
            {
                $this->published[] = $solution->state->grid->count();
            }

            public function offer(Closure $picture, Closure $checkpoint): void
            {
                if ($this->looks) {
                    $picture();
                }
            }

            public function shouldStop(): bool
            {
                return $this->left-- <= 0;
            }
        };
    }

    /** @return Document a hot block in a stream through a box */
    private static function box(): array
    {
        return [
            'format' => 'foehn-model', 'version' => 1,
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1.1, 'viscosity' => 2e-4, 'conductivity' => 0.2, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.12, 0.06, 0.04]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 0.4, 'temperature' => 300], 'x+' => ['kind' => 'outlet']]],
            'parts' => [['id' => 'b', 'name' => 'Block', 'shape' => ['kind' => 'block', 'size' => [0.03, 0.03, 0.01]], 'at' => [0.03, 0.015, 0], 'material' => 'aluminium-6063', 'power' => 5]],
            'watches' => [['id' => 'top', 'name' => 'Block', 'of' => ['part' => 'b'], 'quantity' => 'temperature', 'reduce' => 'max']],
            'analysis' => ['grid' => ['cells' => [48, 24, 7]]],
        ];
    }
}
