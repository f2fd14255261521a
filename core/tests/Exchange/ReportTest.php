<?php

declare(strict_types=1);

namespace Foehn\Tests\Exchange;

use DOMDocument;
use DOMNode;
use DOMXPath;
use Foehn\Exchange\Report;
use Foehn\Exchange\ReportUnits;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Analysis;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** @phpstan-import-type Result from ResultBuilder */
final class ReportTest extends TestCase
{
    private const TITLE = ['project' => 'Box <1> & more', 'variant' => 'First design', 'revision' => '3', 'grade' => 'Scout', 'author' => 'Ada', 'date' => '2026-11-29', 'text' => "One.\n\nTwo <b>not bold</b>."];

    private const PIXEL = 'data:image/png;base64,AAAA';

    public function testTheReportHasVerdictPartsConditionsBalanceAndTraceability(): void
    {
        [$model, $result] = $this->solved();
        $page = $this->page(new Report($model, $result, self::TITLE));
        $value = (float) $result['limits'][0]['value'] - 273.15;
        self::assertSame('Box <1> & more', $page->evaluate('string(//h1)'));
        self::assertSame(['One.', 'Two <b>not bold</b>.'], self::texts($page, '//header/p[not(@class)]'));
        self::assertSame('1 of 1 limits missed.', $page->evaluate('string(//p[contains(@class, "verdict")])'));
        self::assertSame(['block', '≤ 200.0 °C', sprintf('%.1f °C', $value), sprintf('−%.1f K', $value - 200.0), '± unknown', 'missed'], self::texts($page, '//section[h2="Verdict"]//tbody/tr[1]/td'));
        self::assertSame(['Block', 'block', '20 × 20 × 20 mm', 'Aluminium 6061-T6', '10.00 W'], array_slice(self::texts($page, '//section[h2="Parts"]//tbody/tr[1]/td'), 0, 5));
        self::assertContains('convection 100 W/m²/K to 20.0 °C', self::texts($page, '//section[h2="Conditions"]//td'));
        self::assertSame(['10.00 W', '10.00 W'], array_slice(self::texts($page, '//section[h2="Where the heat leaves"]//dd'), 0, 2));
        self::assertMatchesRegularExpression('/^[0-9a-f]{64}$/', self::texts($page, '//section[h2="Traceability"]//dd')[2]);
        self::assertSame(0.0, $page->evaluate('count(//script | //link | //*[@src and not(starts-with(@src, "data:"))])'), 'the page needs nothing else');
    }

    public function testSectionsArePickedPicturesAndTablesAddedAndUnitsChosen(): void
    {
        [$model, $result] = $this->solved();
        $page = $this->page(new Report($model, $result, self::TITLE, [['title' => 'Hot', 'caption' => 'seen from above', 'source' => self::PIXEL]], [['title' => 'Compared', 'rows' => [['Limit', 'First'], ['l1', '80 °C']]]], ['pictures', 'tables', 'verdict'], 'us'));
        self::assertSame(['Verdict', 'Pictures', 'Compared'], self::texts($page, '//h2'));
        self::assertSame(self::PIXEL, $page->evaluate('string(//img/@src)'));
        self::assertSame(['l1', '80 °C'], self::texts($page, '//section[h2="Compared"]//tbody//td'));
        self::assertStringContainsString('°F', implode(' ', self::texts($page, '//section[h2="Verdict"]//td')));
    }

    public function testACourseInTimeIsToldWithItsMomentsAndItsHeat(): void
    {
        $document = Models::block(['analysis' => ['grid' => ['cells' => [2, 2, 4]], 'time' => ['kind' => 'transient', 'end' => 3000, 'start' => ['uniform' => '20 degC'], 'keep' => 1]]]);
        $result = ResultBuilder::build(Analysis::solve($document), str_repeat('0', 64));
        $page = $this->page(new Report(Models::read($document), $result, self::TITLE));

        self::assertSame(['block', '20.0 °C', '0 s', sprintf('%.1f °C', (float) $result['limits'][0]['value'] - 273.15), '3000 s'], array_slice(self::texts($page, '//section[h2="Over time"]//tbody/tr[1]/td'), 0, 5));
        self::assertStringContainsString('30000 J', implode(' ', self::texts($page, '//section[h2="Over time"]//dd')));
    }

    public function testTheSameInputGivesTheSameText(): void
    {
        [$model, $result] = $this->solved();
        self::assertSame((new Report($model, $result, self::TITLE))->html(), (new Report($model, $result, self::TITLE))->html());
    }

    public function testARunThatDidNotConvergeIsToldFirst(): void
    {
        [$model, $result] = $this->solved();
        $result['solver']['converged'] = false;
        self::assertStringContainsString('did not converge', (new Report($model, $result, self::TITLE))->html());
    }

    public function testNumbersHaveTheUnitsOfTheSet(): void
    {
        $told = fn (string $set): array => [(new ReportUnits($set))->temperature(353.15), (new ReportUnits($set))->difference(-5.0), (new ReportUnits($set))->lengths([0.0254, 0.0508]), (new ReportUnits($set))->reading(0.002, 'volumeFlow'), (new ReportUnits($set))->spread(null, 'temperature')];
        self::assertSame(['80.0 °C', '−5.0 K', '25.4 × 50.8 mm', '2 l/s', 'unknown'], $told('mm'));
        self::assertSame(['353.15 K', '−5.0 K', '0.0254 × 0.0508 m', '2 l/s', 'unknown'], $told('si'));
        self::assertSame(['176.0 °F', '−9.0 °F', '1 × 2 in', '4.238 cfm', 'unknown'], $told('us'));
    }

    /** @return array{\Foehn\Model\Model, Result} */
    private function solved(): array
    {
        $model = Models::read(Models::block(['analysis' => ['grid' => ['cells' => [4, 4, 8]]]]));

        /** @var Result $result */
        $result = json_decode((string) json_encode(ResultBuilder::build((new SteadySolver($model))->solve(), str_repeat('0', 64))), true);

        return [$model, $result];
    }

    private function page(Report $report): DOMXPath
    {
        $document = new DOMDocument();
        $document->loadHTML('<?xml encoding="utf-8">' . $report->html(), LIBXML_NOERROR);

        return new DOMXPath($document);
    }

    /** @return list<string> */
    private static function texts(DOMXPath $page, string $path): array
    {
        $texts = [];
        foreach ($page->query($path) ?: [] as $node) {
            $texts[] = $node instanceof DOMNode ? $node->textContent : '';
        }

        return $texts;
    }
}
