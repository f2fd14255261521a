<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Run;
use App\Runs\RunFiles;
use Foehn\Codec\ModelCodec;
use Foehn\Exchange\Report;
use Foehn\Exchange\ReportPoints;
use Foehn\Exchange\ReportUnits;
use Foehn\Results\ResultBuilder;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

/**
 * The report of a run as one page, with the pictures and further tables that the interface has made.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type Picture from Report
 * @phpstan-import-type Table from Report
 */
final class ReportController
{
    /** Bytes of one picture. */
    private const MOST = 4_000_000;

    public function __invoke(Request $request, Run $run, RunFiles $files): Response
    {
        $request->validate([
            'sections' => ['required', 'array', 'min:1'], 'sections.*' => [Rule::in(Report::SECTIONS)],
            'units' => ['required', 'string', 'regex:' . ReportUnits::SET],
            'text' => ['nullable', 'string', 'max:20000'],
            'pictures' => ['array', 'max:40'], 'pictures.*.title' => ['required', 'string', 'max:200'], 'pictures.*.caption' => ['nullable', 'string', 'max:2000'],
            'pictures.*.source' => ['required', 'string', 'regex:#^data:image/(png|jpeg);base64,[A-Za-z0-9+/=]+$#', 'max:' . self::MOST],
            'tables' => ['array', 'max:20'], 'tables.*.title' => ['required', 'string', 'max:200'], 'tables.*.rows' => ['required', 'array', 'min:1', 'max:2000'], 'tables.*.rows.*' => ['array', 'max:40'], 'tables.*.rows.*.*' => ['nullable', 'string', 'max:500'],
        ]);
        abort_if($run->picture === 0, 422, 'This run has no result yet; a report is made of one.');
        /** @var Result $result */
        $result = $files->picture($run, $run->picture)->result();
        $run->load(['variant.project', 'revision.user', 'revisionNumber']);
        $title = [
            'project' => (string) $run->variant->project?->name, 'variant' => $run->variant->name, 'revision' => (string) $run->revisionNumber->number, 'grade' => ucfirst($run->grade),
            'author' => (string) $run->revision->user?->name, 'date' => ($run->finished_at ?? $run->created_at)?->toDateString() ?? '', 'text' => $request->string('text')->toString(),
        ];
        /** @var list<Picture> $pictures */
        $pictures = array_map(fn (mixed $picture): array => array_map(strval(...), ['caption' => '', ...array_filter((array) $picture, is_string(...))]), array_values($request->array('pictures')));
        /** @var list<Table> $tables */
        $tables = array_map(fn (mixed $table): array => ['title' => is_array($table) && is_string($table['title'] ?? null) ? $table['title'] : '', 'rows' => array_map(fn (mixed $row): array => array_map(fn (mixed $cell): string => is_string($cell) ? $cell : '', array_values((array) $row)), array_values((array) (is_array($table) ? $table['rows'] ?? [] : [])))], array_values($request->array('tables')));
        /** @var list<string> $sections */
        $sections = array_values($request->array('sections'));
        $units = $request->string('units')->toString();
        $points = ReportPoints::tables($result, $run->points ?? [], new ReportUnits($units));
        $html = (new Report(ModelCodec::fromJson($run->revision->document)->withGrade($run->grade), $result, $title, $pictures, [...$points, ...$tables], $sections, $units))->html();

        return response($html, headers: ['Content-Type' => 'text/html; charset=utf-8', 'Content-Disposition' => 'attachment; filename="report.html"']);
    }
}
