<?php

declare(strict_types=1);

namespace Foehn\Preflight;

/** One thing that is missing or suspicious before a run. */
final readonly class Finding
{
    public const MENDS = ['films', 'outlet', 'moving air', 'currents', 'gravity', 'room', 'no watts', 'watts only', 'no face heat', 'no parameter'];

    /**
     * @param string $severity "error" (the answer would be wrong or none) or "warning"
     * @param string $stage where it is mended: Build, Load, Limit or Solve
     * @param list<string> $parts ids of the parts it is about
     * @param ?string $mend what the screen offers to do about it, one of MENDS
     * @param ?string $subject the name that the mend needs: of a parameter, a side of the space or a face
     */
    public function __construct(public string $severity, public string $stage, public string $message, public array $parts = [], public ?string $mend = null, public ?string $subject = null)
    {
    }

    /** @return array{severity: string, stage: string, message: string, parts: list<string>, mend: ?string, subject: ?string} */
    public function toArray(): array
    {
        return ['severity' => $this->severity, 'stage' => $this->stage, 'message' => $this->message, 'parts' => $this->parts, 'mend' => $this->mend, 'subject' => $this->subject];
    }
}
