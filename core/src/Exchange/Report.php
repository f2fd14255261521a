<?php

declare(strict_types=1);

namespace Foehn\Exchange;

use Foehn\Model\HeatCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Results\ResultBuilder;
use Foehn\Shapes\Turned;

/**
 * A report of one result as one HTML page that needs nothing else: printed, it is a PDF with page numbers. The same input gives the same
 * text; nothing of it depends on when or where it is made.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-type Picture array{title: string, caption: string, source: string}
 * @phpstan-type Title array{project: string, variant: string, revision: string, grade: string, author: string, date: string, text: string}
 * @phpstan-type Table array{title: string, rows: non-empty-list<list<string>>}
 */
final readonly class Report
{
    /** What a report may have, in its order. */
    public const SECTIONS = ['verdict', 'question', 'pictures', 'parts', 'conditions', 'heat', 'air', 'tables', 'grid', 'trace'];

    private ReportUnits $units;

    /**
     * @param Result $result
     * @param Title $title "text" is what the author has to say, in paragraphs
     * @param list<Picture> $pictures "source" is a data address of a PNG or JPEG picture
     * @param list<Table> $tables further ones, as of comparisons and studies; the first row is the head
     * @param list<string> $sections those of SECTIONS that are wanted
     */
    public function __construct(private Model $model, private array $result, private array $title, private array $pictures = [], private array $tables = [], private array $sections = self::SECTIONS, string $units = 'mm')
    {
        $this->units = new ReportUnits($units);
    }

    public function html(): string
    {
        $written = [
            'verdict' => fn (): string => $this->verdict() . ReportCourse::section($this->result, $this->units), 'question' => $this->question(...), 'pictures' => $this->shown(...), 'parts' => $this->parts(...), 'conditions' => $this->conditions(...),
            'heat' => fn (): string => $this->heat() . ReportCurrents::section($this->result['electric'], $this->units), 'air' => $this->air(...), 'tables' => $this->further(...), 'grid' => $this->grid(...), 'trace' => $this->trace(...),
        ];
        $body = implode("\n", array_map(fn (string $section): string => $written[$section](), array_values(array_intersect(self::SECTIONS, $this->sections))));
        $name = Html::text($this->title['project'] . ', ' . $this->title['variant']);

        return "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n<title>$name: thermal report</title>\n<style>\n" . Html::STYLE . "\n</style>\n</head>\n<body>\n<main>\n{$this->head()}\n$body\n</main>\n</body>\n</html>\n";
    }

    private function head(): string
    {
        $title = $this->title;
        $facts = array_filter(['Variant' => $title['variant'], 'Revision' => $title['revision'], 'Grade' => $title['grade'], 'Author' => $title['author'], 'Date' => $title['date']], fn (string $text) => $text !== '');
        $text = implode('', array_map(fn (string $paragraph) => '<p>' . nl2br(Html::text(trim($paragraph)), false) . '</p>', array_filter(preg_split('/\R{2,}/', $title['text']) ?: [], fn (string $one) => trim($one) !== '')));

        return '<header><h1>' . Html::text($title['project']) . '</h1><p class="quiet">Thermal report</p>' . Html::facts($facts) . "$text</header>";
    }

    private function verdict(): string
    {
        $verdict = $this->result['verdict'];
        $open = ! $this->result['solver']['converged'];
        $counts = match (true) {
            $verdict['limits'] === 0 => 'No limits are stated.',
            $verdict['missed'] > 0 => sprintf('%d of %d limits missed%s.', $verdict['missed'], $verdict['limits'], $verdict['undecided'] > 0 ? ", $verdict[undecided] undecided" : ''),
            $verdict['undecided'] > 0 => sprintf('%d of %d limits undecided: their margin is smaller than its uncertainty.', $verdict['undecided'], $verdict['limits']),
            default => sprintf('All %d limits met.', $verdict['limits']),
        };
        $class = $verdict['missed'] > 0 ? 'missed' : ($verdict['undecided'] > 0 ? 'undecided' : 'met');
        $rows = [];
        foreach ($this->result['limits'] as $limit) {
            $quantity = $limit['quantity'];
            $rows[] = [
                $limit['name'], $limit['atMost'] !== null ? '≤ ' . $this->units->reading($limit['atMost'], $quantity) : '≥ ' . $this->units->reading($limit['atLeast'], $quantity),
                $this->units->reading($limit['value'], $quantity), $this->units->spread($limit['margin'], $quantity), '± ' . ltrim($this->units->spread($limit['plusMinus'], $quantity), '+'), $limit['verdict'],
            ];
        }
        $watches = array_map(fn (array $watch) => [$watch['name'], $this->units->reading($watch['value'], $watch['quantity'], $watch['reduce']), '± ' . ltrim($this->units->spread($watch['plusMinus'], $watch['quantity'], $watch['reduce']), '+')], $this->result['watches']);

        return Html::section('Verdict', "<p class=\"verdict $class\">" . Html::text($counts) . '</p>' . ($open ? '<p class="missed">This run did not converge: its numbers are those of an intermediate state.</p>' : '')
            . Html::table([['Limit', 'Bound', 'Value', 'Margin', 'Uncertainty', 'Verdict'], ...$rows], [1, 2, 3, 4]) . Html::table([['Watch', 'Value', 'Uncertainty'], ...$watches], [1, 2]) . $this->warnings());
    }

    private function warnings(): string
    {
        return $this->result['warnings'] === [] ? '' : '<h3>Warnings</h3><ul>' . implode('', array_map(fn (string $warning) => '<li>' . Html::text($warning) . '</li>', $this->result['warnings'])) . '</ul>';
    }

    private function question(): string
    {
        $around = $this->model->surroundings;
        $physics = $this->model->physics;
        $gravity = sqrt(array_sum(array_map(fn (float $g) => $g * $g, $around->gravity)));

        return Html::section('Question and surroundings', Html::facts([
            'Computed' => implode(', ', array_filter([$physics->heat ? 'temperatures' : '', $physics->hasFlow() ? 'flow' : 'no flow', $physics->electric ? 'electric currents' : ''])),
            'Ambient temperature' => $this->units->temperature($around->temperature),
            'Altitude' => ReportUnits::digits($around->altitude, 4) . ' m',
            'Gravity' => $gravity > 0.0 ? sprintf('%s m/s² along %s', ReportUnits::digits($gravity, 3), implode(', ', array_map(fn (float $g) => ReportUnits::digits($g / $gravity, 3), $around->gravity))) : 'none',
            'Space' => $this->units->lengths(array_map(fn (int $axis) => $this->model->space->box->size($axis), [0, 1, 2])) . ', ' . ($this->model->space->fluid === null ? 'solids only' : 'filled with ' . $this->materialOf($this->model->space->fluid)),
        ]));
    }

    private function shown(): string
    {
        $figures = array_map(fn (array $picture) => '<figure><img alt="' . Html::text($picture['title']) . '" src="' . Html::text($picture['source']) . '"><figcaption><b>' . Html::text($picture['title']) . '</b> ' . Html::text($picture['caption']) . '</figcaption></figure>', $this->pictures);

        return $figures === [] ? '' : Html::section('Pictures', implode('', $figures));
    }

    private function parts(): string
    {
        $found = array_column($this->result['parts'], null, 'id');
        $rows = [];
        foreach ($this->model->parts as $part) {
            $result = $found[$part->id] ?? null;
            $box = $part->shape instanceof Turned ? $part->shape->ownBounds() : $part->shape->bounds();
            $nodes = $result['nodes'] ?? null;
            $rows[] = [
                $part->name, $part->shape->kind(), $this->units->lengths(array_map(fn (int $axis): float => $box->size($axis), [0, 1, 2])), $part->material === null ? '' : ($part->material === Part::FLUID ? 'cut-out' : $this->materialOf($part->material)), $part->power === 0.0 ? '–' : $this->units->watts($part->power),
                $this->units->temperature($result['temperature']['max'] ?? null), $nodes === null ? '' : $this->units->temperature($nodes['junction']),
            ];
        }

        return Html::section('Parts', Html::table([['Part', 'Shape', 'Size', 'Material', 'Watts', 'Hottest', 'Junction'], ...$rows], [4, 5, 6]));
    }

    private function conditions(): string
    {
        $rows = [];
        foreach ($this->model->space->sides as $name => $side) {
            foreach ([['', $side->flow->kind, $side->heat], ...array_map(fn ($patch, int $n) => [', opening ' . ($n + 1), $patch->flow->kind, $patch->heat], $side->patches, array_keys($side->patches))] as [$where, $flow, $heat]) {
                $rows[] = ["Side $name$where", $flow, $this->heatOf($heat)];
            }
        }
        foreach ($this->model->parts as $part) {
            foreach ($part->faces as $face => $heat) {
                $rows[] = ["$part->name, " . ($face === 'bare' ? 'bare faces' : "face $face"), '', $this->heatOf($heat)];
            }
        }

        return Html::section('Conditions', Html::table([['Where', 'Flow', 'Heat'], ...$rows], []));
    }

    private function heatOf(HeatCondition $heat): string
    {
        $value = $heat->value->isConstant() ? $heat->value->constant : null;
        $amount = fn (string $unit): string => $value === null ? 'by place' : ReportUnits::digits($value, 4) . " $unit";

        return match ($heat->kind) {
            'adiabatic' => 'adiabatic',
            'temperature' => $value === null ? 'temperature by place' : $this->units->temperature($value),
            'flux' => $amount('W/m²'), 'power' => $amount('W'), 'contact' => 'contact resistance ' . $amount('m²K/W'),
            default => 'convection ' . $amount('W/m²/K') . ($heat->ambient->isConstant() ? ' to ' . $this->units->temperature($heat->ambient->constant) : ''),
        };
    }

    private function heat(): string
    {
        $rows = [];
        foreach ($this->result['sides'] as $side => $sum) {
            if ($sum !== null) {
                $rows[] = ["Side $side", $this->units->watts($sum['heat']), $this->units->temperature($sum['temperature'])];
            }
        }
        foreach ($this->result['flow'] === null ? [] : $this->result['flow']['openings'] as $opening) {
            $rows[] = [$opening['name'], $this->units->watts($opening['heat']), $this->units->temperature($opening['temperature'])];
        }
        $balance = $this->result['balance'];

        return Html::section('Where the heat leaves', Html::table([['Way out', 'Heat', 'Temperature'], ...$rows], [1, 2]) . Html::facts([
            'Heat in' => $this->units->watts($balance['in']), 'Heat out' => $this->units->watts($balance['out']), 'Balance open by' => ReportUnits::digits(100.0 * $balance['error'], 2) . ' %',
        ]));
    }

    private function air(): string
    {
        $flow = $this->result['flow'];
        if ($flow === null) {
            return '';
        }
        $volume = fn (float $value): string => $this->units->reading($value, 'volumeFlow');

        return Html::section('Air', Html::table([['Fan', 'Flow', 'Pressure rise'], ...array_map(fn (array $fan) => [$fan['name'], $volume($fan['flow']), ReportUnits::digits($fan['rise'], 4) . ' Pa'], $flow['fans'])], [1, 2])
            . Html::table([['Opening', 'Flow out of the space', 'Mass in', 'Mass out'], ...array_map(fn (array $opening) => [$opening['name'], $volume($opening['volume']), ReportUnits::digits(1e3 * $opening['in'], 4) . ' g/s', ReportUnits::digits(1e3 * $opening['out'], 4) . ' g/s'], $flow['openings'])], [1, 2, 3])
            . Html::table([['Heat sink', 'Through its gaps', 'Bypass'], ...array_map(fn (array $sink) => [$sink['name'], $volume($sink['through']), $volume($sink['beside'])], $flow['sinks'])], [1, 2])
            . Html::facts(['Greatest speed' => $this->units->reading($flow['largestVelocity'], 'speed'), 'Mass balance open by' => ReportUnits::digits(100.0 * $flow['balance']['error'], 2) . ' %']));
    }

    private function further(): string
    {
        return implode('', array_map(fn (array $table) => Html::section($table['title'], Html::table($table['rows'], range(1, max(1, count($table['rows'][0]) - 1)))), $this->tables));
    }

    private function grid(): string
    {
        [$grid, $solver] = [$this->result['grid'], $this->result['solver']];

        return Html::section('Grid and solver', Html::facts([
            'Grade' => ucfirst($grid['grade']), 'Cells' => sprintf('%d (%s)', $grid['cells'], implode(' × ', $grid['shape'])), 'Asked for by the grade' => (string) $grid['asked'],
            'Smallest and largest cell' => $this->units->lengths([$grid['smallest']]) . ', ' . $this->units->lengths([$grid['largest']]), 'Residual' => sprintf('%.1e', $solver['residual']),
            'Iterations' => (string) $solver['iterations'], 'Convergence criterion' => $solver['converged'] ? 'reached' : 'not reached',
        ]) . ($grid['shortfall'] === null ? '' : '<p>' . Html::text($grid['shortfall']) . '</p>'));
    }

    private function trace(): string
    {
        return Html::section('Traceability', Html::facts(['Model (SHA-256)' => $this->result['model']['hash'], 'Solver' => $this->result['solver']['version'], 'Code (SHA-256)' => $this->result['solver']['code']]));
    }

    private function materialOf(string $id): string
    {
        return $this->model->materials->get($id)->title ?? $id;
    }
}
