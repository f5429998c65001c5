<?php

declare(strict_types=1);

namespace App\Knots;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Illuminate\Support\Facades\Cache;

/**
 * What every knot is called, kept until a pack changes: lists need no more of a pack than that.
 */
final class KnotNames
{
    /** @var ?array<string, string> */
    private ?array $names = null;

    public function __construct(private readonly Library $library)
    {
    }

    /** @return array<string, string> by id; what is for leaders only is no name a screen needs */
    public function all(): array
    {
        return $this->names ??= Cache::store('drawings')->remember('open-names-'.$this->library->stamp(), 86400, fn (): array => array_map(static fn (KnotPack $knot): string => $knot->names[0], array_filter($this->library->all(), static fn (KnotPack $knot): bool => $knot->isForAll())));
    }

    /** What the packs and the code that reads them are at. */
    public function stamp(): string
    {
        return $this->library->stamp().config()->string('app.engine');
    }

    public function of(string $id): string
    {
        return $this->all()[$id] ?? $id;
    }
}
