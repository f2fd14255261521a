<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Model\Model;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;
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

    /** Radiation to the surroundings is linear about the temperatures, and sunlight is a given heat. */
    public function testAgreesWithFiniteDifferencesInTheSun(): void
    {
        $heat = (new SteadySolver(Models::read(self::inTheSun())))->linearised();
        $kinds = $this->compare($heat, ['hot'], fn (Model $changed): State => (new SteadySolver($changed))->solve()->state);

        self::assertEqualsCanonicalizing(['ambient', 'power', 'emissivity', 'absorptivity', 'convectionCoefficient'], $kinds['hot']);
        $helps = (new Sensitivities($heat))->of($heat->state->model->limits[0]);
        $faces = array_map(fn (array $row): string => "$row[kind] $row[of] $row[face]", $helps);
        foreach (['emissivity block ', 'emissivity block z+', 'absorptivity block z+'] as $finish) {
            self::assertContains($finish, $faces);
        }
    }

    /** Two plates in a closed box light each other and its walls: their light follows every temperature. */
    public function testAgreesWithFiniteDifferencesBetweenSurfaces(): void
    {
        $links = new LinkStore();
        $heat = (new SteadySolver(Models::read(self::plates()), links: $links))->linearised();
        $kinds = $this->compare($heat, ['hot', 'cold'], fn (Model $changed): State => (new SteadySolver($changed, links: $links))->solve()->state, every: 4, far: 0.4);

        self::assertEqualsCanonicalizing(['power', 'emissivity', 'convectionCoefficient'], $kinds['cold']);
    }

    /** @return array<string, mixed> */
    private static function plates(): array
    {
        $plate = fn (string $id, float $z, float $emissivity): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.06, 0.06, 0.005]], 'at' => [0.02, 0.02, $z], 'material' => 'aluminium-6063', 'surface' => ['emissivity' => $emissivity]];
        $limit = fn (string $id): array => ['id' => $id, 'name' => $id, 'of' => ['part' => $id], 'atMost' => '90 degC'];

        return [
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Plates', 'physics' => ['flow' => 'none', 'radiation' => 'surfaces'],
            'materials' => ['gas' => ['fluid' => true, 'conductivity' => 0.026, 'density' => 1.2, 'viscosity' => 1.8e-5, 'specificHeat' => 1005, 'expansion' => 0.0034]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.06]], 'fluid' => 'gas', 'sides' => array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 8], 'surface' => ['emissivity' => 0.8]])],
            'parts' => [[...$plate('hot', 0.02, 0.5), 'power' => '5 W'], $plate('cold', 0.04, 0.3)],
            'limits' => [$limit('hot'), $limit('cold')],
            'analysis' => ['grid' => ['cells' => [10, 10, 12]]],
        ];
    }

    /** @return array<string, mixed> a block in the noon sun, white above and bare elsewhere */
    private static function inTheSun(): array
    {
        $film = ['heat' => ['kind' => 'film', 'coefficient' => 5]];

        return [
            'format' => 'foehn-model', 'version' => 1, 'name' => 'In the sun', 'physics' => ['flow' => 'none', 'radiation' => 'surroundings'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.08, 0.06, 0.02]]],
            'surroundings' => ['sun' => ['direction' => [0.3, 0.2, 1], 'flux' => 900, 'diffuse' => 100]],
            'parts' => [[
                'id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.08, 0.06, 0.02]], 'at' => [0, 0, 0], 'material' => 'aluminium-6063', 'power' => '3 W',
                'surface' => ['emissivity' => 0.5, 'absorptivity' => 0.6],
                'faces' => ['z+' => [...$film, 'surface' => ['emissivity' => 0.9, 'absorptivity' => 0.3]], 'x+' => $film, 'y+' => $film],
            ]],
            'limits' => [['id' => 'hot', 'name' => 'Hot', 'of' => ['part' => 'block'], 'atMost' => '80 degC']],
            'analysis' => ['grid' => ['cells' => [12, 9, 6]]],
        ];
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
     * @param float $far how far each parameter is moved to both sides, as a share of its step
     * @return array<string, list<string>> kinds of parameters that do something, by limit
     */
    private function compare(LinearHeat $heat, array $ids, callable $solve, int $every = 1, float $far = 0.05): array
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
            $by = $far * abs($parameter->step);
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
