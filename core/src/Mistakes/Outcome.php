<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * What a knot tied wrong comes to.
 */
final readonly class Outcome
{
    private function __construct(public OutcomeKind $kind, public ?string $knot)
    {
    }

    public static function same(): self
    {
        return new self(OutcomeKind::Same, null);
    }

    public static function equallyGood(): self
    {
        return new self(OutcomeKind::EquallyGood, null);
    }

    public static function knot(string $id): self
    {
        return new self(OutcomeKind::Knot, $id);
    }

    public static function fallsOut(?string $id = null): self
    {
        return new self(OutcomeKind::FallsOut, $id);
    }

    public static function unnamed(): self
    {
        return new self(OutcomeKind::Unnamed, null);
    }

    /** Whether nothing is wrong with it. */
    public function isGood(): bool
    {
        return $this->kind === OutcomeKind::Same || $this->kind === OutcomeKind::EquallyGood;
    }

    /** Says by one word what it comes to, so that two that come to the same are told. */
    public function key(): string
    {
        return $this->kind->value.' '.$this->knot;
    }

    /** @return array{kind: string, knot: ?string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'knot' => $this->knot];
    }
}
