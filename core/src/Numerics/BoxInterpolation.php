<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Interpolation between two arrays over boxes of places, linear along each axis: the value at (i, j, k) is the sum over the eight
 * places around it of the products of their weights along x, y and z. The transposed operation sums values onto those places.
 * Places of the one array lie at pad + i + nx (j + ny k), those of the other where the tables say.
 */
final readonly class BoxInterpolation
{
    /**
     * @param array{int, int, int} $size places of this side along each axis
     * @param int $pad of this side
     * @param int $otherPad of the other side
     * @param array{LineTable, LineTable, LineTable} $tables along x, y and z
     */
    public function __construct(private array $size, private int $pad, private int $otherPad, private array $tables)
    {
    }

    /**
     * @param array<int, float> $values of the other side
     * @param array<int, float> $to of this side: what it holds within the box is replaced
     * @return array<int, float>
     */
    public function values(array $values, array $to): array
    {
        [$mx, $my, $mz] = $this->size;
        [$a0, $a1, $a] = [$this->tables[0]->first, $this->tables[0]->second, $this->tables[0]->weight];
        [$b0, $b1, $b] = [$this->tables[1]->first, $this->tables[1]->second, $this->tables[1]->weight];
        [$c0, $c1, $c] = [$this->tables[2]->first, $this->tables[2]->second, $this->tables[2]->weight];
        $other = $this->otherPad;
        $n = $this->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                $w11 = $b[$j] * $c[$k];
                $w10 = $b[$j] - $w11;
                $w01 = $c[$k] - $w11;
                $w00 = 1.0 - $w10 - $w01 - $w11;
                $r00 = $other + $b0[$j] + $c0[$k];
                $r10 = $other + $b1[$j] + $c0[$k];
                $r01 = $other + $b0[$j] + $c1[$k];
                $r11 = $other + $b1[$j] + $c1[$k];
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

    /**
     * @param array<int, float> $values of the other side
     * @param array<int, float> $where of this side: only places where it is positive take part
     * @param array<int, float> $to of this side
     * @return array<int, float> $to with the values added
     */
    public function addTo(array $values, array $where, array $to): array
    {
        [$mx, $my, $mz] = $this->size;
        [$a0, $a1, $a] = [$this->tables[0]->first, $this->tables[0]->second, $this->tables[0]->weight];
        [$b0, $b1, $b] = [$this->tables[1]->first, $this->tables[1]->second, $this->tables[1]->weight];
        [$c0, $c1, $c] = [$this->tables[2]->first, $this->tables[2]->second, $this->tables[2]->weight];
        $other = $this->otherPad;
        $n = $this->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                $r00 = $other + $b0[$j] + $c0[$k];
                $r10 = $other + $b1[$j] + $c0[$k];
                $r01 = $other + $b0[$j] + $c1[$k];
                $r11 = $other + $b1[$j] + $c1[$k];
                $w11 = $b[$j] * $c[$k];
                $w10 = $b[$j] - $w11;
                $w01 = $c[$k] - $w11;
                $w00 = 1.0 - $w10 - $w01 - $w11;
                for ($i = 0; $i < $mx; $i++, $n++) {
                    if ($where[$n] > 0.0) {
                        $m = $a0[$i];
                        $value = $w00 * $values[$r00 + $m] + $w10 * $values[$r10 + $m] + $w01 * $values[$r01 + $m] + $w11 * $values[$r11 + $m];
                        if ($a[$i] > 0.0) {
                            $m = $a1[$i];
                            $value += $a[$i] * ($w00 * $values[$r00 + $m] + $w10 * $values[$r10 + $m] + $w01 * $values[$r01 + $m] + $w11 * $values[$r11 + $m] - $value);
                        }
                        $to[$n] += $value;
                    }
                }
            }
        }

        return $to;
    }

    /**
     * The transposed operation where only one of the three axes interpolates: every value goes to two places at most.
     *
     * @param array<int, float> $values of this side
     * @param array<int, array<int, float>> $scale factors along x, y and z
     * @param array<int, float> $to of the other side
     * @return array<int, float> $to with the sums added
     */
    public function sums(array $values, array $scale, array $to): array
    {
        [$mx, $my, $mz] = $this->size;
        [$x, $y, $z] = $scale;
        [$a0, $a1, $a] = [$this->tables[0]->first, $this->tables[0]->second, $this->tables[0]->weight];
        [$b0, $b1, $b] = [$this->tables[1]->first, $this->tables[1]->second, $this->tables[1]->weight];
        [$c0, $c1, $c] = [$this->tables[2]->first, $this->tables[2]->second, $this->tables[2]->weight];
        $other = $this->otherPad;
        $n = $this->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                $row = $other + $b0[$j] + $c0[$k];
                $jump = $b1[$j] - $b0[$j] + $c1[$k] - $c0[$k];
                $far = $b[$j] + $c[$k];
                $factor = $y[$j] * $z[$k];
                if ($factor === 0.0) {
                    $n += $mx;

                    continue;
                }
                for ($i = 0; $i < $mx; $i++, $n++) {
                    $value = $factor * $x[$i] * $values[$n];
                    if ($value !== 0.0) {
                        $w = $a[$i] + $far;
                        $m = $row + $a0[$i];
                        if ($w > 0.0) {
                            $to[$m] += (1.0 - $w) * $value;
                            $to[$m + $a1[$i] - $a0[$i] + $jump] += $w * $value;
                        } else {
                            $to[$m] += $value;
                        }
                    }
                }
            }
        }

        return $to;
    }
}
