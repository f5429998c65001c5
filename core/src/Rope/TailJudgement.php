<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * The tail asked for (whole mm), how far the measure can be trusted (mm), and what the measured tail comes to.
 */
final readonly class TailJudgement
{
    public function __construct(
        public int $required,
        public float $uncertainty,
        public ?TailVerdict $verdict,
        public Saying $reason,
    ) {
    }

    /** @return array{required_mm: int, uncertainty_mm: float, verdict: ?string, reason: string} */
    public function toArray(Catalogue $words): array
    {
        return [
            'required_mm' => $this->required,
            'uncertainty_mm' => round($this->uncertainty, 3),
            'verdict' => $this->verdict?->value,
            'reason' => $words->say($this->reason),
        ];
    }
}
