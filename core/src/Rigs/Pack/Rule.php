<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * Something a rig says when a formula holds: advice, or a refusal of one of the answers.
 */
final readonly class Rule
{
    /**
     * @param  ?Formula  $when  null: always
     * @param  string  $say  with names in braces, which are filled with their values
     * @param  string  $answer  which is refused; empty for advice
     */
    public function __construct(public ?Formula $when, public string $say, public string $answer = '', public string $allowed = '')
    {
    }

    /** @param  array<string, float|bool|string>  $values  whether all that it asks and says is among them */
    public function isKnown(array $values): bool
    {
        preg_match_all('/\{(\w+)\}/', $this->say.$this->allowed, $found);

        return ($this->when === null || $this->when->knows($values)) && array_diff($found[1], array_keys($values)) === [];
    }
}
