<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\Words;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;

/**
 * What every knot is called, kept until a pack changes: lists need no more of a pack than that.
 */
final class KnotNames
{
    /** @var ?array<string, string> */
    private ?array $names = null;

    public function __construct(private readonly Library $library, private readonly Drawings $drawings)
    {
    }

    /** @return array<string, string> by id; what is for leaders only is no name a screen needs */
    public function all(): array
    {
        return $this->names ??= $this->drawings->kept('open-names', fn (): array => array_map(static fn (KnotPack $knot): string => $knot->names[0], array_filter($this->library->all(), static fn (KnotPack $knot): bool => $knot->isForAll())));
    }

    /** What the packs and the code that reads them are at, and in which language. */
    public function stamp(): string
    {
        return $this->library->stamp().config()->string('app.engine').Words::language();
    }

    public function of(string $id): string
    {
        return $this->all()[$id] ?? $id;
    }
}
