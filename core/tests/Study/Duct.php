<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Model\Model;
use Foehn\Solve\FlowState;
use Foehn\Solve\LinearHeat;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;

/** A board with a package and two blocks in a stream, one of them behind a pad with a contact resistance, and a film on the floor outside. */
final class Duct
{
    /**
     * @param array<string, array<string, mixed>> $parts changes of parts by id
     * @param array<string, mixed> $changes of the document
     */
    public static function model(array $parts = [], array $changes = []): Model
    {
        return Models::read(self::document($parts, $changes));
    }

    /**
     * @param array<string, array<string, mixed>> $parts
     * @param array<string, mixed> $changes
     * @return array<string, mixed>
     */
    public static function document(array $parts = [], array $changes = []): array
    {
        $own = [
            ['id' => 'board', 'shape' => ['kind' => 'block', 'size' => ['80 mm', '36 mm', '2 mm']], 'at' => ['15 mm', '2 mm', 0], 'material' => 'b', 'power' => '0.4 W'],
            ['id' => 'chip', 'shape' => ['kind' => 'package', 'size' => ['16 mm', '16 mm', '4 mm'], 'junctionToCase' => '3 K/W', 'junctionToBoard' => '7 K/W', 'boardFace' => 'z-'], 'at' => ['25 mm', '10 mm', '2 mm'], 'power' => '1.5 W'],
            ['id' => 'block', 'shape' => ['kind' => 'block', 'size' => ['16 mm', '16 mm', '6 mm']], 'at' => ['60 mm', '12 mm', '2 mm'], 'material' => 'm', 'power' => '2 W',
                'faces' => ['z-' => ['heat' => ['kind' => 'contact', 'resistance' => '2 K*cm^2/W']]]],
        ];

        return [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '25 degC', 'gravity' => [0, 0, 0]], 'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1.1, 'viscosity' => 1.9e-5, 'conductivity' => 0.027, 'specificHeat' => 1006], 'b' => ['conductivity' => [8, 8, 0.4]], 'm' => ['conductivity' => 30]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['120 mm', '40 mm', '30 mm']], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => '0.4 m/s'], 'x+' => ['kind' => 'outlet'], 'z-' => ['heat' => ['kind' => 'film', 'coefficient' => '12 W/m^2/K', 'temperature' => '35 degC']]]],
            'parts' => array_map(fn (array $part): array => [...$part, ...$parts[$part['id']] ?? []], $own),
            'limits' => [['id' => 'junction', 'of' => ['part' => 'chip'], 'atMost' => '85 degC'], ['id' => 'top', 'of' => ['part' => 'block', 'face' => 'z+'], 'reduce' => 'max', 'atMost' => '120 degC'],
                ['id' => 'hottest', 'of' => ['part' => 'board'], 'reduce' => 'max', 'atMost' => '130 degC']],
            'analysis' => ['grid' => ['cells' => [24, 20, 15]]],
            ...$changes,
        ];
    }

    private static ?FlowState $flow = null;

    public static function flow(): ?FlowState
    {
        return self::$flow ??= (new SteadySolver(self::model()))->solve()->checkpoint;
    }

    public static function heat(Model $model): LinearHeat
    {
        return (new SteadySolver($model, start: new Start(self::flow(), frozen: true)))->linearised();
    }
}
