<?php

declare(strict_types=1);

namespace Foehn\Tests\Exchange;

use DOMDocument;
use DOMXPath;
use Foehn\Console\SolveFiles;
use Foehn\Exchange\Vtk;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Results\StoredPicture;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

final class VtkTest extends TestCase
{
    private string $folder;

    private Solution $solution;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/foehn-vtk-' . bin2hex(random_bytes(6));
        $this->solution = (new SteadySolver(Models::read(Models::block(['analysis' => ['grid' => ['cells' => [2, 3, 4]]]]))))->solve();
        SolveFiles::write($this->folder, ['result.json' => (string) json_encode(ResultBuilder::build($this->solution, 'x')), ...FieldFile::of($this->solution->state)]);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    public function testTheGridHasItsLinesAndEveryFieldInItsCells(): void
    {
        $page = self::read(Vtk::grid(new StoredPicture($this->folder)));
        self::assertSame('0 2 0 3 0 4', $page->evaluate('string(//Piece/@Extent)'));
        self::assertEqualsWithDelta([0.0, 0.01, 0.02], self::values($page, 'x', 'e'), 1e-12);
        self::assertEqualsWithDelta(array_values($this->solution->state->temperature), self::values($page, 'temperature [K]', 'g'), 1e-3);
        self::assertSame(array_fill(0, 24, 1), self::values($page, 'part', 'V'));
        // Heat rises: the third component of every vector is upwards, whichever cell.
        self::assertSame('3', $page->evaluate('string(//DataArray[@Name="heatFlux [W/m2]"]/@NumberOfComponents)'));
        foreach (array_chunk(self::values($page, 'heatFlux [W/m2]', 'g'), 3) as [$x, $y, $z]) {
            self::assertEqualsWithDelta([0.0, 0.0], [$x, $y], 1e-2);
            self::assertGreaterThan(0.0, $z);
        }
    }

    public function testTheSurfacesAreQuadsOfTheSizeOfTheBlock(): void
    {
        $page = self::read(Vtk::surfaces(new StoredPicture($this->folder)));
        $points = array_chunk(self::values($page, 'points', 'g'), 3);
        $count = intdiv(count(self::values($page, 'connectivity', 'V')), 4);
        self::assertCount(4 * $count, $points);
        self::assertSame(range(4, 4 * $count, 4), self::values($page, 'offsets', 'V'));
        self::assertCount($count, self::values($page, 'surfaceTemperature [K]', 'g'));
        $area = 0.0;
        foreach (array_chunk($points, 4) as [$a, $b, $c]) {
            $area += array_product(array_map(fn (float $side): float => max($side, 0.0), array_filter([abs($b[0] - $a[0]) + abs($b[1] - $a[1]) + abs($b[2] - $a[2]), abs($c[0] - $b[0]) + abs($c[1] - $b[1]) + abs($c[2] - $b[2])])));
        }
        // A side in contact with nothing is a surface too: the whole block, or the one side that is cooled.
        self::assertEqualsWithDelta(round($area / 4e-4) * 4e-4, $area, 1e-9);
        self::assertGreaterThan(3.9e-4, $area);
    }

    public function testTheFormatsOwnLibraryReadsWhatIsWritten(): void
    {
        exec('/usr/bin/python3 -c "import vtkmodules.vtkIOXML" 2>/dev/null', result_code: $code);
        if ($code !== 0) {
            self::markTestSkipped('python3-vtk9 is not installed');
        }
        $picture = new StoredPicture($this->folder);
        $streams = [[[0.001, 0.001, 0.001, -0.5], [0.001, 0.001, 0.01, 0.0], [0.001, 0.001, 0.019, 0.5]], [[0.015, 0.01, 0.001, 0.0], [0.015, 0.01, 0.01, 1.0]]];
        $files = ['grid.vtr' => Vtk::grid($picture), 'surfaces.vtp' => Vtk::surfaces($picture), 'lines.vtp' => Vtk::streamlines($picture, $streams)];
        SolveFiles::write($this->folder, $files);
        exec('/usr/bin/python3 ' . implode(' ', array_map(escapeshellarg(...), [__DIR__ . '/read_vtk.py', ...array_map(fn (string $name): string => "$this->folder/$name", array_keys($files))])) . ' 2>&1', $lines);
        $found = json_decode(implode("\n", $lines), true);
        self::assertIsArray($found, implode("\n", $lines));
        self::assertSame([24, ['part', 'temperature [K]', 'heatFlux [W/m2]', 'conductivity [W/m/K]', 'cellsAcross', 'heatResidual [W]']], [$found['cells'], $found['fields']]);
        self::assertEqualsWithDelta(max([0.0, ...$this->solution->state->temperature]), $found['hottest'], 1e-3);
        self::assertEqualsWithDelta([0.0, 0.02, 0.0, 0.02, 0.0, 0.02], $found['bounds'], 1e-7);
        self::assertSame([[3, 2], ['time [s]', 'temperature [K]']], [$found['lines'], $found['atPoints']]);
        // All that the block is given leaves by its surfaces.
        self::assertEqualsWithDelta(10.0, $found['watts'], 1e-4);
    }

    private static function read(string $xml): DOMXPath
    {
        $document = new DOMDocument();
        self::assertTrue($document->loadXML($xml, LIBXML_PARSEHUGE));

        return new DOMXPath($document);
    }

    /** @return list<int|float> */
    private static function values(DOMXPath $page, string $name, string $code): array
    {
        $bytes = (string) base64_decode(self::text($page->evaluate("string(//DataArray[@Name=\"$name\"])")), true);
        $length = unpack('P', $bytes)[1] ?? 0;
        self::assertSame(strlen($bytes) - 8, $length);

        /** @var list<int|float> */
        return array_values((array) unpack("$code*", substr($bytes, 8)));
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
