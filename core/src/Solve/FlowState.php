<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Numerics\BoxInterpolation;
use Foehn\Numerics\LineTable;
use Foehn\Physics\Flow\FlowLayout;

/** A state of flow and heat on a grid, from which another computation can go on, on the same grid or another one. */
final readonly class FlowState
{
    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s on upper faces, in the layout of the flow
     * @param array<int, float> $pressure Pa, in the layout of the flow
     * @param array<int, float> $temperature K, in the layout of the flow
     * @param array<string, float> $rises Pa, of the fans by part
     * @param array<string, float> $speeds of fans that follow a sensor by part, as shares of their full speed
     */
    public function __construct(
        public FlowLayout $layout,
        public array $velocity,
        public array $pressure,
        public array $temperature,
        public array $rises,
        public bool $turbulent,
        public array $speeds = [],
    ) {
    }

    /** As bytes: a line of JSON, then float32 values. */
    public function toBytes(): string
    {
        $fields = [...$this->velocity, $this->pressure, $this->temperature];
        $bytes = json_encode(['lines' => $this->layout->grid->lines, 'rises' => (object) $this->rises, 'turbulent' => $this->turbulent, 'speeds' => (object) $this->speeds], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION) . "\n";
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
        if ($end === false) {
            return null;
        }
        /** @var array{lines?: array{array<int, float>, array<int, float>, array<int, float>}, rises?: array<string, float>, turbulent?: bool, speeds?: array<string, float>}|null $head as toBytes() writes it */
        $head = json_decode(substr($bytes, 0, $end), true);
        if (! is_array($head) || ! isset($head['lines'], $head['rises'], $head['turbulent'])) {
            return null;
        }
        $layout = new FlowLayout(new Grid($head['lines']));
        if (strlen($bytes) - $end - 1 !== 5 * 4 * $layout->length) {
            return null;
        }
        $field = function (int $n) use ($bytes, $end, $layout): array {
            /** @var array<int, float> $values */
            $values = (array) unpack('g*', substr($bytes, $end + 1 + 4 * $layout->length * $n, 4 * $layout->length));

            return array_values($values);
        };

        return new self($layout, [$field(0), $field(1), $field(2)], $field(3), $field(4), $head['rises'], $head['turbulent'], $head['speeds'] ?? []);
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

        return new self($layout, [$velocity[0], $velocity[1], $velocity[2]], $this->transfer($layout, $this->pressure, null), $this->transfer($layout, $this->temperature, null), $this->rises, $this->turbulent, $this->speeds);
    }

    /**
     * @param array<int, float> $values
     * @param ?int $staggered axis along which they lie on the faces
     * @return array<int, float>
     */
    private function transfer(FlowLayout $to, array $values, ?int $staggered): array
    {
        $tables = [];
        foreach ([0, 1, 2] as $axis) {
            $tables[] = self::places($this->layout->grid, $to->grid, $axis, $axis === $staggered, $this->layout->stride[$axis]);
        }

        // Beyond the ghosts stays what stood there.
        $outside = array_fill(0, $to->length, $values[0]);

        return (new BoxInterpolation($to->size, $to->pad, $this->layout->pad, [$tables[0], $tables[1], $tables[2]]))->values($values, $outside);
    }

    /** Between which places of the own grid those of another one lie. */
    private static function places(Grid $from, Grid $to, int $axis, bool $faces, int $stride): LineTable
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
            $along = $last === 0 ? 0.0 : ($x - $nodes[$n]) / ($nodes[$n + 1] - $nodes[$n]);
            $first[] = ($n + $offset) * $stride;
            $second[] = (min($n + 1, $last) + $offset) * $stride;
            $weight[] = max(0.0, min(1.0, $along));
        }

        return new LineTable($first, $second, $weight);
    }
}
