<?php

declare(strict_types=1);

namespace Foehn\Tests\Results;

use Closure;
use Foehn\Grid\Grid;
use Foehn\Results\FieldFile;
use Foehn\Results\PictureDifference;
use Foehn\Results\StoredPicture;
use PHPUnit\Framework\TestCase;

final class PictureDifferenceTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/foehn-difference-' . bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*/*") ?: []);
        array_map(rmdir(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    public function testAStraightFieldOnTwoGridsDiffersByWhatItDiffers(): void
    {
        $fluid = fn (): int => 0;
        $here = $this->picture('here', new Grid([[0.1, 0.35, 0.4, 0.9], [0.2, 0.5, 0.8], [0.25, 0.75]]), fn (float $x, float $y, float $z): float => 305.0 + 10.0 * $x - 4.0 * $y + $z, $fluid);
        $base = $this->picture('base', new Grid([[0.0, 0.2, 0.5, 1.0], [0.0, 0.3, 0.7, 1.0], [0.0, 0.5, 1.0]]), fn (float $x, float $y, float $z): float => 300.0 + 10.0 * $x - 4.0 * $y + $z, $fluid);

        self::assertEqualsWithDelta(array_fill(0, 6, 5.0), PictureDifference::of($here, $base, 'temperature'), 1e-4);
    }

    public function testOnlyWhatIsOfOneKindIsCompared(): void
    {
        // A wall that moved from the second to the third of four slices; what lies outside the other space is in nobody's.
        $wall = fn (float $from): Closure => fn (float $x): int => $x > $from && $x < $from + 1.0 ? 1 : 0;
        $lines = [[0.0, 1.0, 2.0, 3.0, 4.0], [0.0, 1.0], [0.0, 1.0]];
        $here = $this->picture('here', new Grid([[0.0, 1.0, 2.0, 3.0, 4.0, 5.0], [0.0, 1.0], [0.0, 1.0]]), fn (): float => 320.0, $wall(2.0));
        $base = $this->picture('base', new Grid($lines), fn (): float => 310.0, $wall(1.0));

        self::assertEquals([10.0, null, null, 10.0, null], PictureDifference::of($here, $base, 'temperature'));
    }

    public function testValuesOfTheOtherBodyAreNotMixedIn(): void
    {
        $grid = new Grid([[0.0, 1.0, 2.0], [0.0, 1.0], [0.0, 1.0]]);
        $halves = fn (float $x): int => $x > 1.0 ? 1 : 0;
        $base = $this->picture('base', $grid, fn (float $x): float => $x > 1.0 ? 400.0 : 300.0, $halves);
        $here = $this->picture('here', new Grid([[0.0, 0.5, 1.0, 1.5, 2.0], [0.0, 1.0], [0.0, 1.0]]), fn (float $x): float => $x > 1.0 ? 401.0 : 301.0, $halves);

        self::assertEquals([1.0, 1.0, 1.0, 1.0], PictureDifference::of($here, $base, 'temperature'));
    }

    /**
     * @param Closure(float, float, float): float $temperature
     * @param Closure(float, float, float): int $owner
     */
    private function picture(string $name, Grid $grid, Closure $temperature, Closure $owner): StoredPicture
    {
        mkdir("$this->folder/$name");
        $centres = array_map(fn (int $cell) => $grid->centre($cell), range(0, $grid->count() - 1));
        file_put_contents("$this->folder/$name/temperature.f32", FieldFile::floats(array_map(fn (array $at) => $temperature(...$at), $centres)));
        file_put_contents("$this->folder/$name/parts.u16", pack('v*', ...array_map(fn (array $at) => $owner(...$at), $centres)));
        file_put_contents("$this->folder/$name/result.json", json_encode(['grid' => ['lines' => $grid->lines], 'parts' => [['id' => 'wall']]], JSON_THROW_ON_ERROR));

        return new StoredPicture("$this->folder/$name");
    }
}
