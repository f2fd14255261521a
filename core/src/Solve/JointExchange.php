<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Drive;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\PhysicsException;

/**
 * Currents in boards and in parts that are joined to them. Each joint is at one voltage on both sides: copper and parts are solved at given voltages of all,
 * which are raised and lowered until what leaves one side enters the other (the nodal analysis of networks, with the conductors as its branches). How
 * currents answer voltages is found once for a grid, and again where it no longer leads to a balance.
 */
final class JointExchange implements Exchange
{
    /** Of the greatest current at any terminal: what a joint may lack. */
    private const BALANCE = 1e-6;

    /** Corrections after which the answer is found anew, and after which none helps. */
    private const ANEW = 5;

    /** Of the greatest current at any terminal: what an excess needs to have for its correction to teach anything. */
    private const LEARNED = 1e-4;

    private const MOST = 12;

    private ?JointNetwork $network = null;

    /** How many times what the network says voltages are corrected by: resistivities have risen since. */
    private float $times = 1.0;

    /** @var array<string, float> V by name */
    private array $voltages;

    /** @param array<int, BoardState> $begun copper on another grid, whose joints are begun at */
    public function __construct(private readonly CopperExchange $copper, private readonly CurrentExchange $parts, array $begun)
    {
        $this->voltages = self::voltages($begun);
    }

    public function followsTemperature(): bool
    {
        return $this->copper->followsTemperature() || $this->parts->followsTemperature();
    }

    public function follow(?array $temperature): float
    {
        $before = $this->power();
        $last = [];
        for ($n = 0; $n < self::MOST; $n++) {
            $excess = $this->excess($temperature);
            if (max([0.0, ...array_map(abs(...), array_values($excess))]) <= self::BALANCE * $this->greatest()) {
                return $before === 0.0 ? INF : abs($this->power() - $before) / max(abs($this->power()), 1e-300);
            }
            $this->learn($last, $excess);
            if ($this->network === null || $n % self::ANEW === self::ANEW - 1) {
                $this->network = $this->network($temperature, array_keys($excess));
                $this->times = 1.0;
            }
            foreach ($this->network->correction($excess) as $joint => $more) {
                $this->voltages[$joint] += $this->times * $more;
            }
            $last = $excess;
        }
        throw new PhysicsException('the currents through the joints of boards and parts do not come to a balance; look for contacts with a resistance of nearly nothing');
    }

    /**
     * Where all conductances have changed alike, a correction leaves one share of every excess.
     *
     * @param array<string, float> $before A by joint; none: no correction yet
     * @param array<string, float> $after A by joint
     */
    private function learn(array $before, array $after): void
    {
        [$left, $whole] = [0.0, 0.0];
        foreach ($before as $joint => $excess) {
            [$left, $whole] = [$left + $after[$joint] * $excess, $whole + $excess * $excess];
        }
        if (sqrt($whole) > self::LEARNED * $this->greatest() && abs($left) < 0.5 * $whole) {
            $this->times /= 1.0 - $left / $whole;
        }
    }

    /**
     * Solves both sides at the voltages of the joints.
     *
     * @param ?array<int, float> $temperature of the cells, K
     * @return array<string, float> A that enter both sides together, by joint
     */
    private function excess(?array $temperature): array
    {
        $this->copper->drive = $this->parts->drive = new Drive(1.0, $this->voltages);
        $this->copper->follow($temperature);
        $this->parts->follow($temperature);
        $excess = self::sum(CopperExchange::throughJoints($this->copper->states()), $this->parts->throughJoints($this->currents()));
        $this->voltages += array_fill_keys(array_keys($excess), 0.0);

        return $excess;
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K
     * @param list<string> $joints
     */
    private function network(?array $temperature, array $joints): JointNetwork
    {
        return JointNetwork::of($joints, function (array $voltages) use ($temperature): array {
            $drive = new Drive(0.0, $voltages);

            return self::sum($this->copper->response($temperature, $drive), $this->parts->response($temperature, $drive));
        });
    }

    /** W in copper and parts. */
    private function power(): float
    {
        return $this->copper->heat->sum() + ($this->parts->currents()->power ?? 0.0);
    }

    /** Greatest current at a terminal or joint, A. */
    private function greatest(): float
    {
        $all = array_column($this->currents()->terminals, 'current');
        foreach ($this->copper->states() as $board) {
            array_push($all, ...array_column($board->currents->contacts, 'current'));
        }

        return max(0.0, ...array_map(abs(...), $all));
    }

    private function currents(): Currents
    {
        return $this->parts->currents() ?? throw new \LogicException('parts with joints carry currents once they are followed');
    }

    /**
     * @param array<int, BoardState> $boards
     * @return array<string, float> V of their joints
     */
    private static function voltages(array $boards): array
    {
        $voltages = [];
        foreach ($boards as $board) {
            foreach ($board->copper->terminals as $terminal) {
                if ($terminal->condition->joining !== null) {
                    $voltages[$terminal->condition->joining->name] = $terminal->condition->voltage();
                }
            }
        }

        return $voltages;
    }

    /**
     * @param array<string, float> $one
     * @param array<string, float> $other
     * @return array<string, float>
     */
    private static function sum(array $one, array $other): array
    {
        foreach ($other as $joint => $current) {
            $one[$joint] = ($one[$joint] ?? 0.0) + $current;
        }

        return $one;
    }
}
