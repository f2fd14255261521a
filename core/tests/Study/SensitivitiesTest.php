<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Model\Model;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\LinearHeat;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Parameters;
use Foehn\Study\Sensitivities;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** The adjoint against what comes out when the parameter is changed a little, up and down, and everything is solved again on the same flow. */
final class SensitivitiesTest extends TestCase
{
    public function testAgreesWithFiniteDifferencesOnAFlow(): void
    {
        $warms = ['ambient', 'conductivity', 'convectionCoefficient', 'givenTemperature', 'power'];
        $kinds = $this->compare(Duct::heat(Duct::model()), ['junction', 'top', 'hottest'], fn (Model $model): State => Duct::heat($model)->state);

        self::assertEqualsCanonicalizing([...$warms, 'junctionToBoard', 'junctionToCase'], $kinds['junction']);
        self::assertEqualsCanonicalizing([...$warms, 'contactResistance'], $kinds['top']);
        self::assertEqualsCanonicalizing([...$warms, 'contactResistance'], $kinds['hottest']);
    }

    public function testAgreesWithFiniteDifferencesWhereNothingMoves(): void
    {
        $document = Models::demo();
        $document['analysis'] = ['grid' => ['grade' => 'scout']];
        $heat = (new SteadySolver(Models::read($document)))->linearised();

        $this->compare($heat, ['l-converter-b', 'l-lid'], fn (Model $changed): State => (new SteadySolver($changed))->solve()->state, every: 16);
    }

    public function testNamesTheLimitWithTheLeastMargin(): void
    {
        $heat = Duct::heat(Duct::model());
        $readings = new Readings($heat->state);
        $margins = [];
        foreach ($heat->state->model->limits as $limit) {
            $margins[$limit->id] = $limit->margin((float) $readings->of($limit));
        }
        asort($margins);

        self::assertSame(array_key_first($margins), (new Sensitivities($heat))->worst()?->id);
    }

    public function testSaysWhatHasNoSensitivities(): void
    {
        $heat = Duct::heat(Duct::model(changes: ['limits' => [['id' => 'air', 'name' => 'Air', 'of' => ['point' => ['60 mm', '20 mm', '25 mm']], 'atMost' => '60 degC']]]));
        $sensitivities = new Sensitivities($heat);
        self::assertNull($sensitivities->worst());

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('what the limit "Air" sees has no sensitivities');
        $sensitivities->of($heat->state->model->limits[0]);
    }

    /**
     * @param non-empty-list<string> $ids of limits
     * @param callable(Model): State $solve
     * @return array<string, list<string>> kinds of parameters that do something, by limit
     */
    private function compare(LinearHeat $heat, array $ids, callable $solve, int $every = 1): array
    {
        $sensitivities = new Sensitivities($heat);
        $limits = $rows = [];
        $kinds = array_fill_keys($ids, []);
        foreach ($heat->state->model->limits as $limit) {
            if (in_array($limit->id, $ids, true)) {
                $limits[$limit->id] = $limit;
                foreach ($sensitivities->of($limit) as $row) {
                    $rows[$limit->id][self::key($row['kind'], $row['of'], $row['face'], $row['value'])] = $row['change'] / $row['step'];
                }
            }
        }
        foreach ((new Parameters($heat->state->model))->all() as $n => $parameter) {
            if ($n % $every !== 0) {
                continue;
            }
            $key = self::key($parameter->kind, $parameter->of, $parameter->face, $parameter->value);
            $by = 0.05 * abs($parameter->step);
            [$more, $less] = [new Readings($solve(($parameter->changed)($by))), new Readings($solve(($parameter->changed)(-$by)))];
            foreach ($limits as $id => $limit) {
                $told = $rows[$id][$key] ?? 0.0;
                // What does nothing to speak of is not told, and its difference is that of two errors of solution.
                if (abs($told * $parameter->step) > 0.02) {
                    $kinds[$id][$parameter->kind] = $parameter->kind;
                    self::assertEqualsWithDelta(((float) $more->of($limit) - (float) $less->of($limit)) / (2.0 * $by), $told, 0.02 * abs($told), "$key to $id");
                }
            }
        }
        self::assertNotContains([], $kinds);

        return array_map(array_values(...), $kinds);
    }

    private static function key(string $kind, ?string $of, ?string $face, ?float $value): string
    {
        return "$kind $of $face" . ($kind === 'givenTemperature' ? " $value" : '');
    }
}
