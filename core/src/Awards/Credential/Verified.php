<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * The answer, its reason in words, and what the badge says of itself: of one that was altered nothing that could be believed.
 */
final readonly class Verified
{
    /** @param  ?array{issuer: string, group: string, name: string, about: string, criteria: string, subject: string, learner: ?string, from: string}  $says */
    public function __construct(public Answer $answer, public Saying $why, public ?array $says = null)
    {
    }

    /** @return array{answer: string, why: string, says: ?array<string, mixed>} */
    public function toArray(Catalogue $words): array
    {
        return ['answer' => $this->answer->value, 'why' => $words->say($this->why), 'says' => $this->says];
    }
}
