<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * What a knot tied wrong comes to.
 */
final readonly class Outcome
{
    private function __construct(public string $kind, public ?string $knot)
    {
    }

    public static function same(): self
    {
        return new self('same', null);
    }

    public static function equallyGood(): self
    {
        return new self('equally-good', null);
    }

    public static function knot(string $id): self
    {
        return new self('knot', $id);
    }

    public static function fallsOut(?string $id = null): self
    {
        return new self('falls-out', $id);
    }

    public static function unnamed(): self
    {
        return new self('unnamed', null);
    }

    /** Whether nothing is wrong with it. */
    public function isGood(): bool
    {
        return $this->kind === 'same' || $this->kind === 'equally-good';
    }

    /** @return array{kind: string, knot: ?string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'knot' => $this->knot];
    }
}
