<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Models\Variant;
use App\Runs\RunQueue;
use Foehn\Codec\ModelCodec;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Loads the demo projects once and queues their first runs. */
final class LoadDemo extends Command
{
    /** The housing of the mast gateway, its first part, with another finish. */
    private const WHITE = ['parts' => [['surface' => ['finish' => 'painted-white']]]];

    /** The sun at noon, south and high. */
    private const NOON = ['surroundings' => ['sun' => ['direction' => [0, -0.34, 0.94], 'flux' => '950 W/m^2', 'diffuse' => '80 W/m^2']]];

    /** More vias for the winch and for its return. */
    private const VIAS = ['parts' => [['copper' => ['vias' => [
        ['name' => 'Winch', 'at' => ['47.6 mm', '32 mm'], 'columns' => 2, 'rows' => 4, 'pitch' => '0.8 mm', 'drill' => '0.3 mm', 'joins' => ['Inner 2', 'Top'], 'clearance' => '0.35 mm'],
        ['name' => 'Winch return', 'at' => ['53 mm', '36.5 mm'], 'columns' => 3, 'rows' => 1, 'pitch' => '1.2 mm', 'drill' => '0.3 mm', 'joins' => ['Bottom', 'Inner 1', 'Top'], 'clearance' => '0.35 mm'],
    ]]]]];

    /** A smaller hysteresis of the thermostat. */
    private const EARLIER = ['parameters' => ['off_at' => ['value' => '8 degC']]];

    /** A third of the watts soon after the fan has failed, and so cooler air in the box. */
    private const THROTTLED = ['parameters' => ['throttled' => ['value' => 0.33], 'still_air' => ['value' => '59 degC']]];

    private const RIBBONS = ['parameters' => ['ribbons' => ['value' => 5]]];

    protected $signature = 'foehn:demo {--only-first : queue the run of the first project only}';

    protected $description = 'Load the demo projects once';

    public function handle(RunQueue $queue): int
    {
        $user = User::query()->firstOrCreate(['demo' => true], ['name' => 'Demo engineer', 'email' => 'demo@foehn.example', 'password' => Str::random(40)]);
        if ($user->projects()->exists()) {
            $this->line('Demo: already loaded.');

            return self::SUCCESS;
        }
        $variants = DB::transaction(fn (): array => $this->projects($user));
        foreach ($this->option('only-first') ? [$variants[0]] : $variants as $variant) {
            $queue->start($variant, 'scout', $user);
        }
        $this->line('Demo: loaded, first run queued.');

        return self::SUCCESS;
    }

    /** @return non-empty-list<Variant> the first of each, all or none */
    private function projects(User $user): array
    {
        return [
            $this->load($user, 'Ridge radar processor, convection coefficients', 'Signal processing box of the avalanche radar on the ridge, with convection coefficients on its surfaces instead of air: a first estimate in seconds.', ['First design' => 'ridge-radar-processor']),
            $this->load($user, 'Ridge radar processor', 'The box with its fan and vents, 27 W at 45 °C ambient: most of the air bypasses the heat sink. The second variant guides it.', ['First design' => 'ridge-radar-fan', 'Baffle and taller fins' => 'ridge-radar-baffle']),
            $this->load($user, 'Mast gateway', 'Sealed aluminium box on a mast: 9 W, no fan, cooled by the air that circulates in it, by its walls and by radiation. Bare it misses its limits, painted white it meets them, and at noon the sun decides. The last variant carries the heat of the radio into the floor.', [
                'First design' => 'mast-gateway', 'Painted white' => ['mast-gateway', self::WHITE], 'Bare, noon sun' => ['mast-gateway', self::NOON],
                'Painted white, noon sun' => ['mast-gateway', [...self::WHITE, ...self::NOON]], 'A pillar under the radio' => 'mast-gateway-pillars',
            ]),
            $this->load($user, 'Battery tap board', 'Four layers take 20 A of a battery to a winch, a lamp and a radio. The vias of the winch carry more than they may; more of them mend it.', ['First design' => 'battery-tap-board', 'More vias' => ['battery-tap-board', self::VIAS]]),
            $this->load($user, 'Winch inverter leg', 'One leg of the winch inverter while the winch is stalled: a switch conducts 100 A and bond ribbons take it from its chip. Two of them get too hot, five do not.', ['Two ribbons' => 'winch-inverter-leg', 'Five ribbons' => ['winch-inverter-leg', self::RIBBONS]]),
            $this->load($user, 'Fuse on a tap board', 'A strip of zinc between two tracks of the battery tap board: it holds 10 A and melts at 15 A. Above 19 A it has no steady temperature at all.', ['Between tracks' => 'tap-board-fuse', 'Joined to the copper of a board' => 'tap-board-fuse-joined']),
            $this->load($user, 'Heated anemometer', 'An anemometer on the ridge is thawed from -20 °C: a thermostat whose sensor sits below the head switches its heater off late, and the grease of the bearing gets too warm. With a smaller hysteresis it stays below its limit.', ['Off at 12 °C' => 'heated-anemometer', 'Off at 8 °C' => ['heated-anemometer', self::EARLIER]]),
            $this->load($user, 'Ridge radar processor, fan fails', 'The box with convection coefficients is switched on at 45 °C and its fan fails after 10 minutes: the first limit is missed 13 s later, the processor holds for five minutes. Throttled to a third of its watts within 10 s it stays below all of them.', ['Full watts' => 'ridge-radar-fan-fails', 'Throttled' => ['ridge-radar-fan-fails', self::THROTTLED]]),
        ];
    }

    /**
     * @param array<string, string|array{string, array<string, mixed>}> $examples by name of the variant, with what differs from the example where anything does
     * @return Variant the first one
     */
    private function load(User $user, string $name, string $summary, array $examples): Variant
    {
        $project = Project::query()->create(['name' => $name, 'summary' => $summary]);
        $project->members()->attach($user->id, ['role' => Role::Owner->value]);
        foreach ($examples as $title => $example) {
            $first = $project->variants()->oldest('id')->first();
            $variant = $project->variants()->create(['name' => $title, 'origin_id' => $first?->id, 'origin_revision' => $first === null ? null : 1]);
            [$file, $change] = is_array($example) ? $example : [$example, []];
            $document = (string) file_get_contents(base_path("examples/$file.json"));
            if ($change !== []) {
                $changed = array_replace_recursive(ModelCodec::parse($document), $change);
                // An empty list leaves a recursive replacement as it was.
                $changed = array_diff_key($changed, array_filter($change, fn (mixed $value): bool => $value === []));
                $document = json_encode($changed, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
            }
            $variant->saveModel($document, 0, 'Loaded the demo', $user);
        }

        return $project->variants()->oldest('id')->firstOrFail();
    }
}
