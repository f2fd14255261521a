<?php

declare(strict_types=1);

namespace Foehn\Tests\Console;

use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use PHPUnit\Framework\TestCase;

/** The command line as an outsider uses it: text, files and exit codes. */
final class CommandLineTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/foehn-test-' . bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        foreach (['/*/*/*/*', '/*/*/*', '/*/*'] as $deep) {
            array_map(unlink(...), array_filter(glob("$this->folder$deep") ?: [], is_file(...)));
            array_map(rmdir(...), glob("$this->folder$deep", GLOB_ONLYDIR) ?: []);
        }
        array_map(rmdir(...), glob("$this->folder/*", GLOB_ONLYDIR) ?: []);
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    public function testSolvesAndWritesResultAndFields(): void
    {
        [$code, $output] = $this->foehn(Models::block(['analysis' => ['grid' => ['cells' => [4, 4, 4]]]]), '--out', "$this->folder/out");

        self::assertSame(0, $code, $output);
        self::assertMatchesRegularExpression('/Block +10\.00 +27\d\.\d\d.+200\.00 +-7\d\.\d\d +MISSED/', $output);
        self::assertStringContainsString('Heat in 10.0000 W, out 10.0000 W', $output);
        $result = json_decode((string) file_get_contents("$this->folder/out/result.json"), true);
        self::assertSame('foehn-result', Nested::at($result, 'format'));
        self::assertSame(4 * 64, filesize("$this->folder/out/temperature.f32"));
    }

    public function testASweepComputesWhatIsNotThereYetAndGoesOnBehindAnImpossiblePoint(): void
    {
        $document = Models::block(['parameters' => ['watts' => '10 W', 'wide' => '20 mm'], 'analysis' => ['grid' => ['cells' => [4, 4, 4]]]]);
        $document['parts'][0]['power'] = 'watts';
        $document['parts'][0]['shape']['size'] = ['wide', '20 mm', '20 mm'];
        $sweep = fn (string $values): array => $this->command('sweep', $document, $values, '--out', "$this->folder/sweep");
        [$code, $output] = $sweep('wide=20 mm, -1 mm, 10 mm');
        self::assertSame(1, $code, $output);
        self::assertStringContainsString('point,wide,state,"worst margin, K","block, K"', $output);
        self::assertMatchesRegularExpression('/^1,"20 mm",solved,/m', $output);
        self::assertMatchesRegularExpression('/^2,"-1 mm",.*size.*$/m', $output);
        self::assertMatchesRegularExpression('/^3,"10 mm",solved,/m', $output);
        $written = (int) filemtime("$this->folder/sweep/00001/result.json") - 100;
        touch("$this->folder/sweep/00001/result.json", $written);

        [$code, $output] = $sweep('wide=20 mm, 12 mm');
        self::assertSame(0, $code, $output);
        clearstatcache();
        self::assertSame($written, filemtime("$this->folder/sweep/00001/result.json"), 'what is there is not computed again');
        self::assertMatchesRegularExpression('/^2,"12 mm",solved,/m', $output);
        [$code, $output] = $this->command('sweep', $document, 'what=5 W', '--out', "$this->folder/sweep");
        self::assertSame([2, true], [$code, str_contains($output, 'no parameter of this name')]);
    }

    public function testASearchPrintsTheLightestBlockThatKeepsTheMargin(): void
    {
        $document = Models::block(['parameters' => ['wide' => '20 mm'], 'analysis' => ['grid' => ['grade' => 'scout']]]);
        $document['parts'][0]['shape']['size'] = ['wide', '20 mm', '20 mm'];
        $document['limits'][0]['atMost'] = '350 degC';
        $search = fn (string $margin): array => $this->command('search', $document, 'wide=10 mm .. 20 mm', '--aim', 'least mass', '--margin', $margin, '--runs', '9', '--out', "$this->folder/search");
        [$code, $output] = $search('10');
        self::assertSame(0, $code, $output);
        self::assertStringContainsString('the best point after 9 runs', $output);
        // Spread from a narrower block to the whole film it has: 10 W / (100 W/m2K * wide * 20 mm) is 320 K for 15.6 mm.
        self::assertMatchesRegularExpression('/^\d+,"1[56]\.\d+ mm",solved,/m', $output);
        [$code, $output] = $search('200');
        self::assertSame([1, true], [$code, str_contains($output, 'no point keeps the margin')], $output);
        self::assertSame(2, $search('wide')[0]);
    }

    public function testOperatingPointsStandBesideTheModelAsItIs(): void
    {
        $document = Models::block(['parameters' => ['watts' => '5 W'], 'operatingPoints' => [['name' => 'Idle', 'values' => ['watts' => '1 W']], ['name' => 'Fault', 'values' => ['watts' => '20 W']]]]);
        $document['parts'][0]['power'] = 'watts';
        [$code, $output] = $this->foehn($document, '--out', "$this->folder/out");
        self::assertSame(0, $code, $output);
        self::assertMatchesRegularExpression('/^Limit or watch +Unit +As it stands +Idle +Fault$/m', $output);
        self::assertMatchesRegularExpression('/^\S.* K +41\d\.\d+ +318\.\d+ +79\d\.\d+ MISSED$/m', $output);
        $points = json_decode((string) file_get_contents("$this->folder/out/points.json"), true);
        self::assertSame(['Idle', 'Fault'], array_column((array) $points, 'name'));
        self::assertSame([0, 1], array_column((array) $points, 'missed'));
        self::assertFileExists("$this->folder/out/points/2/temperature.f32");

        [$code, $page] = $this->command('report', $document, "$this->folder/out");
        self::assertSame(0, $code, $page);
        self::assertMatchesRegularExpression('~Operating points.*As it stands.*Idle.*Fault.*52\d\.\d.*missed~s', $page);
    }

    public function testCheckRefusesWhatSolveRefuses(): void
    {
        $covered = Models::block();
        $covered['parts'][] = ['id' => 'cover', 'name' => 'Cover', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', '20 mm']], 'material' => 'copper'];
        $sealed = Models::block(['physics' => ['flow' => 'laminar', 'buoyancy' => false]]);
        $sealed['space']['sides'] = ['x-' => ['kind' => 'inlet', 'speed' => 1], 'z+' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 100]]];
        $sealed['space']['fluid'] = 'air';
        $sealed['parts'][0]['shape']['size'] = ['10 mm', '10 mm', '10 mm'];
        foreach (['covers' => $covered, 'no outlet' => $sealed, 'no way out' => Models::block(['space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]]]])] as $why => $document) {
            [$solved, $message] = $this->foehn($document, '--out', "$this->folder/out");
            [$checked, $output] = $this->command('check', $document);

            self::assertSame([2, 2], [$solved, $checked], "$why: $message$output");
            self::assertSame(trim($message), trim($output), $why);
        }
    }

    public function testAFlowStartsFromTheFolderOfAnotherAndMayStayFrozen(): void
    {
        $duct = Models::block([
            'physics' => ['flow' => 'laminar'], 'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.03, 0.03]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 0.3, 'temperature' => 300], 'x+' => ['kind' => 'outlet']]],
            'analysis' => ['grid' => ['cells' => [18, 9, 9]]],
        ]);
        [$code, $output] = $this->foehn($duct, '--out', "$this->folder/flow");
        self::assertSame(0, $code, $output);
        self::assertMatchesRegularExpression('/Limit or watch +Value/', $output);
        [$code, $output] = $this->foehn($duct, '--start', "$this->folder/flow", '--frozen', '--out', "$this->folder/heat");
        self::assertSame(0, $code, $output);
        $temperature = fn (string $folder): float => Nested::number(json_decode((string) file_get_contents("$this->folder/$folder/result.json"), true), 'parts', 0, 'temperature', 'max');
        self::assertEqualsWithDelta($temperature('flow'), $temperature('heat'), 0.01 * ($temperature('flow') - 300.0));

        [$code, $output] = $this->foehn($duct, '--start', "$this->folder/nowhere");
        self::assertSame(2, $code);
        self::assertStringContainsString('cannot be read', $output);
    }

    public function testStrictFailsOnAMissedLimit(): void
    {
        self::assertSame(1, $this->foehn(Models::block(), '--strict')[0]);
        self::assertSame(0, $this->foehn(Models::block(['limits' => []]), '--strict')[0]);
    }

    public function testBadInputIsASentenceAndExitTwo(): void
    {
        [$code, $output] = $this->foehn(Models::block(['typo' => 1]));
        self::assertSame(2, $code);
        self::assertStringStartsWith('/typo: unknown field "typo"', $output);
        self::assertStringNotContainsString('Stack trace', $output);

        [$code, $output] = $this->foehn('{"format":');
        self::assertSame(2, $code);
        self::assertStringContainsString('not a JSON document', $output);
    }

    /**
     * @param array<string, mixed>|string $model
     * @return array{int, string}
     */
    private function foehn(array|string $model, string ...$arguments): array
    {
        return $this->command('solve', $model, ...$arguments);
    }

    /**
     * @param array<string, mixed>|string $model
     * @return array{int, string} exit code and what was printed
     */
    private function command(string $name, array|string $model, string ...$arguments): array
    {
        file_put_contents("$this->folder/model.json", is_string($model) ? $model : json_encode($model));
        $command = implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, dirname(__DIR__, 2) . '/bin/foehn', $name, "$this->folder/model.json", ...$arguments]));
        exec("$command 2>&1", $lines, $code);

        return [$code, implode("\n", $lines)];
    }
}
