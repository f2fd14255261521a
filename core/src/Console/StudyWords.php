<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;

/** What the commands of studies are given alike: the model, what is varied (NAME=VALUES), and where the points go. */
final readonly class StudyWords
{
    /**
     * @param array<mixed> $document
     * @param array<string, string> $variations
     */
    private function __construct(public string $json, public array $document, public array $variations, public string $out)
    {
    }

    public static function of(Options $options): self
    {
        $words = $options->rest();
        $json = Options::read(array_shift($words) ?? throw ModelException::at('', 'the model document is expected'));
        $document = ModelCodec::parse($json);
        ModelCodec::fromDocument($document);
        $variations = [];
        foreach ($words as $word) {
            [$name, $values] = [...explode('=', $word, 2), ''];
            $variations[trim($name)] = $values;
        }

        return new self($json, $document, $variations, $options->value('out') ?? throw ModelException::at('', '--out DIR is expected: where the points and their table are written'));
    }
}
