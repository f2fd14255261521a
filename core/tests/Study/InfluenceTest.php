<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Influence;
use PHPUnit\Framework\TestCase;

/** @phpstan-import-type InfluenceRow from Influence */
final class InfluenceTest extends TestCase
{
    public function testPredictsOtherWattsOnTheFlowThatIsKept(): void
    {
        $influence = new Influence(Duct::heat(Duct::model()));
        self::assertSame(['board', 'chip', 'block'], array_column($influence->sources, 'part'));
        $watts = [1.5, 0.5, 3.0];
        $changed = Duct::model(['board' => ['power' => '1.5 W'], 'chip' => ['power' => '0.5 W'], 'block' => ['power' => '3 W']]);
        $again = Duct::heat($changed)->state;

        // A thousandth of the greatest rise: the limiter of the convection scheme may take another slope.
        self::assertNull($this->worst($influence, $watts, $again, 0.1));
        // A watt cools nothing, but for the small ripples that a scheme of second order makes.
        self::assertGreaterThan(-1e-3 * max([0.0, ...$influence->answers[2]]), min([0.0, ...$influence->answers[2]]));
    }

    public function testAGreatestTemperatureThatMovesIsFound(): void
    {
        // A long bar that conducts badly: the warmer end is that of the stronger of two sources.
        $document = fn (string $left, string $right): Model => ModelCodec::fromJson(json_encode([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], 'materials' => ['bar' => ['conductivity' => 0.5], 'spot' => ['conductivity' => 0.5]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['100 mm', '10 mm', '10 mm']], 'fluid' => null, 'sides' => ['z+' => ['heat' => ['kind' => 'film', 'coefficient' => '50 W/m^2/K']]]],
            'parts' => [['id' => 'bar', 'shape' => ['kind' => 'block', 'size' => ['100 mm', '10 mm', '10 mm']], 'material' => 'bar'],
                ['id' => 'left', 'shape' => ['kind' => 'block', 'size' => ['10 mm', '10 mm', '5 mm']], 'material' => 'spot', 'power' => $left],
                ['id' => 'right', 'shape' => ['kind' => 'block', 'size' => ['10 mm', '10 mm', '5 mm']], 'at' => ['90 mm', 0, 0], 'material' => 'spot', 'power' => $right]],
            'analysis' => ['grid' => ['cells' => [40, 4, 8]]],
        ], JSON_THROW_ON_ERROR));
        $heat = (new SteadySolver($document('1 W', '0.2 W')))->linearised();
        $other = (new SteadySolver($document('0.2 W', '1 W')))->solve()->state;
        $influence = new Influence($heat);

        self::assertNull($this->worst($influence, [0.2, 1.0], $other, 1e-3));
    }

    public function testPredictsAFullRunOfTheFanDemoWithMoreWatts(): void
    {
        $model = ModelCodec::fromJson((string) file_get_contents(__DIR__ . '/../../../examples/ridge-radar-fan.json'))->withGrade('scout');
        $flow = (new SteadySolver($model))->solve()->checkpoint;
        $heat = (new SteadySolver($model, start: new Start($flow, frozen: true)))->linearised();
        $influence = new Influence($heat);
        $watts = array_column($influence->sources, 'power');
        $strongest = (int) array_search(max([0.0, ...$watts]), $watts, true);
        $watts = array_map(fn (float $power, int $source): float => $source === $strongest ? 1.3 * $power : $power, $watts, array_keys($watts));
        $hotter = $model->withParts(fn (Part $part): Part => $part->id === $influence->sources[$strongest]['part'] ? $part->withPower(1.3 * $part->power) : $part);
        $again = (new SteadySolver($hotter, start: new Start($flow)))->solve()->state;

        self::assertLessThan(1.0, $heat->richardson, 'a fan drives, not the warmth');
        self::assertNull($this->worst($influence, $watts, $again, 0.5));
    }

    /**
     * @param list<float> $watts by source
     * @return ?string the first value that is farther off than allowed, K
     */
    private function worst(Influence $influence, array $watts, State $again, float $allowed): ?string
    {
        $readings = new Readings($again);
        $asked = [];
        foreach ([...$again->model->limits, ...$again->model->watches] as $one) {
            $asked[$one->id] = $one;
        }
        $index = array_flip(array_column($again->model->parts, 'id'));
        foreach ($influence->rows as $row) {
            if ($row['reduce'] === 'min') {
                // The coldest place of a body lies where nothing warms it, and wanders with every change.
                continue;
            }
            $part = $index[$row['part'] ?? ''] ?? -1;
            $now = match (true) {
                $row['id'] !== null => $readings->of($asked[$row['id']]),
                $row['node'] !== null => $again->system->packages->state($part, $again->temperature)[$row['node']] ?? null,
                default => $readings->temperatures[$part][$row['reduce']] ?? null,
            };
            $told = self::told($row, $influence->sources, $watts);
            if ($now === null || abs($told - $now) > $allowed) {
                return sprintf('%s %s: %.3f K instead of %.3f K', $row['part'], $row['id'], $told, $now ?? NAN);
            }
        }

        return null;
    }

    /**
     * @param InfluenceRow $row
     * @param list<array{part: string, power: float}> $sources
     * @param list<float> $watts
     */
    private static function told(array $row, array $sources, array $watts): float
    {
        $values = array_map(function (array $place) use ($sources, $watts): float {
            foreach ($place['perWatt'] as $source => $kelvin) {
                $place['value'] += $kelvin * ($watts[$source] - $sources[$source]['power']);
            }

            return $place['value'];
        }, $row['places']);

        return $row['reduce'] === 'min' ? min($values) : max($values);
    }
}
