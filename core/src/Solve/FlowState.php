<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Physics\Flow\FlowLayout;

/** A state of flow and heat on a grid, from which another computation can go on, on the same grid or another one. */
final readonly class FlowState
{
    /**
     * @param array{list<float>, list<float>, list<float>} $velocity m/s on upper faces, in the layout of the flow
     * @param list<float> $pressure Pa, in the layout of the flow
     * @param list<float> $temperature K, in the layout of the flow
     * @param array<string, float> $rises Pa, of the fans by part
     */
    public function __construct(
        public FlowLayout $layout,
        public array $velocity,
        public array $pressure,
        public array $temperature,
        public array $rises,
        public bool $turbulent,
    ) {
    }

    /** As bytes: a line of JSON, then float32 values. */
    public function toBytes(): string
    {
        $fields = [...$this->velocity, $this->pressure, $this->temperature];
        $bytes = json_encode(['lines' => $this->layout->grid->lines, 'rises' => (object) $this->rises, 'turbulent' => $this->turbulent], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION) . "\n";
        foreach ($fields as $field) {
            foreach (array_chunk($field, 4096) as $chunk) {
                $bytes .= pack('g*', ...$chunk);
            }
        }

        return $bytes;
    }

    /** Null when the bytes are not those of a state. */
    public static function fromBytes(string $bytes): ?self
    {
        $end = strpos($bytes, "\n");
        $head = $end === false ? null : json_decode(substr($bytes, 0, $end), true);
        if (! is_array($head) || ! isset($head['lines'], $head['rises'], $head['turbulent'])) {
            return null;
        }
        $layout = new FlowLayout(new Grid($head['lines']));
        if (strlen($bytes) - $end - 1 !== 5 * 4 * $layout->length) {
            return null;
        }
        $fields = [];
        for ($n = 0; $n < 5; $n++) {
            $fields[] = array_values((array) unpack('g*', substr($bytes, $end + 1 + 4 * $layout->length * $n, 4 * $layout->length)));
        }

        return new self($layout, [$fields[0], $fields[1], $fields[2]], $fields[3], $fields[4], $head['rises'], $head['turbulent']);
    }

    /** The same state on another grid, by linear interpolation. */
    public function onto(FlowLayout $layout): self
    {
        if ($layout->grid->lines == $this->layout->grid->lines) {
            return $this;
        }
        $velocity = [];
        foreach ([0, 1, 2] as $axis) {
            $velocity[] = $this->transfer($layout, $this->velocity[$axis], $axis);
        }

        return new self($layout, [$velocity[0], $velocity[1], $velocity[2]], $this->transfer($layout, $this->pressure, null), $this->transfer($layout, $this->temperature, null), $this->rises, $this->turbulent);
    }

    /**
     * @param list<float> $values
     * @param ?int $staggered axis along which they lie on the faces
     * @return list<float>
     */
    private function transfer(FlowLayout $to, array $values, ?int $staggered): array
    {
        $tables = [];
        foreach ([0, 1, 2] as $axis) {
            $tables[] = self::places($this->layout->grid, $to->grid, $axis, $axis === $staggered, $this->layout->stride[$axis]);
        }

        // Beyond the ghosts stays what stood there.
        $outside = array_fill(0, $to->length, $values[0]);

        return self::interpolate($to->size, $to->pad, $this->layout->pad, ...$tables[0], ...$tables[1], ...$tables[2], values: $values, to: $outside);
    }

    /**
     * Between which places of the own grid those of another one lie.
     *
     * @return array{list<int>, list<int>, list<float>} steps in the own layout, and the weight of the second
     */
    private static function places(Grid $from, Grid $to, int $axis, bool $faces, int $stride): array
    {
        // Face i is the upper one of cell i; cells count from 1.
        $nodes = $faces ? $from->lines[$axis] : $from->centres[$axis];
        $offset = $faces ? 0 : 1;
        $lines = $to->lines[$axis];
        $end = $lines[count($lines) - 1];
        $wanted = $faces ? [...$lines, $end] : [$lines[0], ...$to->centres[$axis], $end];
        [$first, $second, $weight] = [[], [], []];
        $n = 0;
        $last = count($nodes) - 1;
        foreach ($wanted as $x) {
            while ($n < $last - 1 && $nodes[$n + 1] <= $x) {
                $n++;
            }
            $share = $last === 0 ? 0.0 : ($x - $nodes[$n]) / ($nodes[$n + 1] - $nodes[$n]);
            $first[] = ($n + $offset) * $stride;
            $second[] = (min($n + 1, $last) + $offset) * $stride;
            $weight[] = max(0.0, min(1.0, $share));
        }

        return [$first, $second, $weight];
    }

    /**
     * @param array{int, int, int} $size
     * @param list<int> $a0
     * @param list<int> $a1
     * @param list<float> $a
     * @param list<int> $b0
     * @param list<int> $b1
     * @param list<float> $b
     * @param list<int> $c0
     * @param list<int> $c1
     * @param list<float> $c
     * @param list<float> $values
     * @param list<float> $to
     * @return list<float>
     */
    private static function interpolate(
        array $size, int $pad, int $ownPad, array $a0, array $a1, array $a, array $b0, array $b1, array $b, array $c0, array $c1, array $c, array $values, array $to,
    ): array {
        [$mx, $my, $mz] = $size;
        $n = $pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                $w11 = $b[$j] * $c[$k];
                $w10 = $b[$j] - $w11;
                $w01 = $c[$k] - $w11;
                $w00 = 1.0 - $w10 - $w01 - $w11;
                $r00 = $ownPad + $b0[$j] + $c0[$k];
                $r10 = $ownPad + $b1[$j] + $c0[$k];
                $r01 = $ownPad + $b0[$j] + $c1[$k];
                $r11 = $ownPad + $b1[$j] + $c1[$k];
                for ($i = 0; $i < $mx; $i++) {
                    $p = $a0[$i];
                    $q = $a1[$i];
                    $to[$n++] = (1.0 - $a[$i]) * ($w00 * $values[$r00 + $p] + $w10 * $values[$r10 + $p] + $w01 * $values[$r01 + $p] + $w11 * $values[$r11 + $p])
                        + $a[$i] * ($w00 * $values[$r00 + $q] + $w10 * $values[$r10 + $q] + $w01 * $values[$r01 + $q] + $w11 * $values[$r11 + $q]);
                }
            }
        }

        return $to;
    }
}
