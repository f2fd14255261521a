<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\Grid;

/**
 * Keeps what patches see of each other while the geometry and its grid are unchanged: within a computation, and, with a folder, across
 * runs and variants. A file is named after everything that the links follow from, and is written whole or not at all.
 */
final class LinkStore
{
    private const VERSION = 3;

    /** Files that a folder may have; the oldest go. */
    private const MOST = 40;

    /** @var array<string, Links> */
    private array $known = [];

    /** @param ?string $folder null: only in memory */
    public function __construct(private readonly ?string $folder = null)
    {
    }

    public function of(Grid $grid, CavityFaces $faces): Links
    {
        $name = hash('sha256', self::VERSION . serialize([$grid->lines, $faces->cell, $faces->direction, $faces->area, $faces->patch, $faces->stepOf]));
        if (! isset($this->known[$name])) {
            // Those of another grid are not asked for again in the same computation.
            $this->known = [$name => $this->kept($name) ?? $this->keep($name, Links::of($grid, $faces))];
        }

        return $this->known[$name];
    }

    private function kept(string $name): ?Links
    {
        $bytes = $this->folder === null ? false : @file_get_contents("$this->folder/$name.links");
        $links = $bytes === false ? null : Links::fromBytes($bytes);
        if ($links !== null) {
            @touch("$this->folder/$name.links");
        }

        return $links;
    }

    private function keep(string $name, Links $links): Links
    {
        if ($this->folder === null || (! is_dir($this->folder) && ! @mkdir($this->folder, 0o755, true) && ! is_dir($this->folder))) {
            return $links;
        }
        $files = glob("$this->folder/*.links") ?: [];
        usort($files, fn (string $a, string $b): int => (int) @filemtime($a) <=> (int) @filemtime($b));
        array_map(fn (string $old): bool => @unlink($old), array_slice($files, 0, max(0, count($files) - self::MOST + 1)));
        $part = "$this->folder/$name." . bin2hex(random_bytes(4));
        // A full disk keeps no file; the links are found anew next time.
        if (@file_put_contents($part, $links->toBytes()) === false || ! @rename($part, "$this->folder/$name.links")) {
            @unlink($part);
        }

        return $links;
    }
}
