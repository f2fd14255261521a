<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use ErrorException;
use Foehn\Codec\ModelCodec;
use Foehn\Codec\ModelOutline;
use Foehn\FoehnException;
use Foehn\Grid\GridLevels;
use Foehn\Grid\GridReport;
use Foehn\Model\ModelException;
use Foehn\Preflight\Preflight;
use Foehn\Tests\MutatedDocuments;
use PHPUnit\Framework\TestCase;

/**
 * Spoilt documents are read, or refused with a sentence and a JSON pointer; no error, warning or crash of PHP.
 */
final class FuzzTest extends TestCase
{
    public function testSpoiltDocumentsAreReadOrRefusedWithASentence(): void
    {
        set_error_handler(fn (int $level, string $message, string $file, int $line) => throw new ErrorException($message, 0, $level, $file, $line));
        try {
            $refused = 0;
            foreach (MutatedDocuments::some(400) as $what => $json) {
                try {
                    $document = ModelCodec::parse($json);
                    $model = ModelCodec::fromDocument($document)->withGrade('scout');
                    ModelOutline::of($model);
                    Preflight::of($model, $document);
                    $levels = GridLevels::of($model);
                    GridReport::of(...end($levels));
                } catch (ModelException $e) {
                    $refused++;
                    foreach ($e->problems as $problem) {
                        self::assertMatchesRegularExpression('~^(/([^/\~]|\~[01])*)*$~u', $problem->pointer, $what);
                        self::assertNotSame('', trim($problem->message), $what);
                    }
                } catch (FoehnException $e) {
                    $refused++;
                    self::assertNotSame('', trim($e->getMessage()), $what);
                } catch (\Throwable $e) {
                    self::fail("$what: " . $e->getMessage() . ' at ' . $e->getFile() . ':' . $e->getLine());
                }
            }
        } finally {
            restore_error_handler();
        }

        self::assertGreaterThan(100, $refused);
    }

    /** Two short fields ask for a million parts. */
    public function testAMillionCopiesAreCountedAndNotMade(): void
    {
        $row = [['count' => 1000, 'step' => [1e-3, 0, 0]]];
        self::assertRefused('/parts', 'there are 1000000 parts', [
            'assemblies' => ['a' => ['repeat' => $row]],
            'parts' => [['id' => 'p', 'group' => 'a', 'shape' => ['kind' => 'block', 'size' => [1e-4, 1e-4, 1e-4]], 'material' => 'copper', 'repeat' => $row]],
        ]);
    }

    public function testThreeShortListsOfLinesMakeTooManyCells(): void
    {
        $lines = array_map(fn (int $i): float => $i / 4000, range(0, 400));
        self::assertRefused('/analysis/grid/lines', 'more than the 5000000 cells', ['analysis' => ['grid' => ['lines' => ['x' => $lines, 'y' => $lines, 'z' => $lines]]]]);
    }

    public function testALongChainOfParametersEnds(): void
    {
        $chain = ['p0' => 1];
        foreach (range(1, 1500) as $n) {
            $chain['p' . $n] = 'p' . ($n - 1);
        }
        self::assertInstanceOf(\Foehn\Model\Model::class, ModelCodec::fromDocument(self::document(['parameters' => $chain])));
        self::assertRefused('/parameters/p1500', 'in a chain', ['parameters' => array_reverse($chain)]);
        self::assertRefused('/parameters', '20000 parameters are given', ['parameters' => array_fill_keys(array_map(fn (int $n) => "q$n", range(1, 20_000)), 1)]);
    }

    public function testNamesWithANulOrNumbersBeyondAllAreRefused(): void
    {
        foreach (['{"format":"foehn-model","mat\u0000erials":{}}' => '', '{"format":"foehn-model","version":1,"space":{"box":{"min":[0,0,0],"max":[1e400,1,1]}}}' => '/space/box/max/0'] as $json => $pointer) {
            try {
                ModelCodec::fromJson($json);
                self::fail('was accepted');
            } catch (ModelException $e) {
                self::assertContains($pointer, array_column($e->problems, 'pointer'));
            }
        }
        self::assertRefused('/space/box/max', 'within 100000 m of the origin', ['space' => ['box' => ['min' => [-1e308, 0, 0], 'max' => [1e308, 1, 1]]]]);
        self::assertRefused('/materials/a~1b~0', 'an object { } is expected', ['materials' => ['a/b~' => 3]]);
    }

    /** @param array<string, mixed> $changes */
    private static function assertRefused(string $pointer, string $message, array $changes): void
    {
        try {
            ModelCodec::fromDocument(self::document($changes));
            self::fail('was accepted');
        } catch (ModelException $e) {
            $found = array_filter($e->problems, fn ($p) => $p->pointer === $pointer && str_contains($p->message, $message));
            self::assertNotEmpty($found, $e->getMessage());
        }
    }

    /**
     * @param array<string, mixed> $changes
     * @return array<string, mixed>
     */
    private static function document(array $changes): array
    {
        return ['format' => 'foehn-model', 'version' => 1, 'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.1]]], ...$changes];
    }
}
