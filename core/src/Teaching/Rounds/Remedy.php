<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * A change that would mend something missing: what it is done to, by how much, and how many leaves fewer are missing with it; null
 * until it has been tried.
 */
final readonly class Remedy
{
    public function __construct(public string $kind, public string $what, public int $by, public ?int $brings = null)
    {
    }

    public function bringing(int $leaves): self
    {
        return new self($this->kind, $this->what, $this->by, $leaves);
    }

    /** @return array{change: array{kind: string, what: string, by: int}, brings: ?int, tried: bool} */
    public function toArray(): array
    {
        return ['change' => ['kind' => $this->kind, 'what' => $this->what, 'by' => $this->by], 'brings' => $this->brings, 'tried' => $this->brings !== null];
    }
}
