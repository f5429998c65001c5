<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Rope\TailJudgement;

/**
 * What a check came to: the verdict, the tail as judged, and the judgement when a length was measured.
 */
final readonly class Finding
{
    public function __construct(public Verdict $verdict, public Seen $tail, public ?TailJudgement $judgement)
    {
    }
}
