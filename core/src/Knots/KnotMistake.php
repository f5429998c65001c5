<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * A usual mistake as a pack words it: how it shows, what causes it, what mends it. Which crossing it is and what
 * the knot becomes is computed, never read from here: its id names the knot whose words these are, or "of" the error or the
 * kind of outcome.
 */
final readonly class KnotMistake
{
    public function __construct(public string $id, public string $sign, public string $cause, public string $fix, public ?string $of = null)
    {
    }

    public static function from(Fields $fields): self
    {
        return new self($fields->text('id'), rtrim($fields->text('sign'), '.'), rtrim($fields->text('cause'), '.'), rtrim($fields->text('fix'), '.'), $fields->textOrNull('of'));
    }

    /** In words as they read beside a drawing seen like this. */
    public function told(View $view, Sides $sides): self
    {
        return new self($this->id, $sides->told($view, $this->sign), $sides->told($view, $this->cause), $sides->told($view, $this->fix), $this->of);
    }

    /** @return array{id: string, sign: string, cause: string, fix: string} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'sign' => $this->sign, 'cause' => $this->cause, 'fix' => $this->fix];
    }
}
