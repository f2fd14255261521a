<?php

declare(strict_types=1);

namespace Foehn\Preflight;

/** One thing that is missing or suspicious before a run. */
final readonly class Finding
{
    /**
     * @param string $severity "error" (the answer would be wrong or none) or "warning"
     * @param string $stage where it is mended: Build, Load, Limit or Solve
     * @param list<string> $parts ids of the parts it is about
     */
    public function __construct(public string $severity, public string $stage, public string $message, public array $parts = [])
    {
    }

    /** @return array{severity: string, stage: string, message: string, parts: list<string>} */
    public function toArray(): array
    {
        return ['severity' => $this->severity, 'stage' => $this->stage, 'message' => $this->message, 'parts' => $this->parts];
    }
}
