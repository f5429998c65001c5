<?php

declare(strict_types=1);

namespace App\Course;

use Compadre\Core\Data\Fields;

/**
 * What a leader asks "what if" about: knots moved (no meeting: left out), minutes more a meeting, checkers more, meetings more.
 */
final readonly class PlanChange
{
    /** @param  array<string, ?string>  $moves  meeting by knot */
    public function __construct(public array $moves = [], public int $minutes = 0, public int $checkers = 0, public int $meetings = 0)
    {
    }

    public static function from(Fields $asked): self
    {
        $moves = [];
        foreach ($asked->objects('moves') as $move) {
            $moves[$move->text('knot')] = $move->textOrNull('meeting');
        }

        return new self($moves, $asked->whole('minutes', 0), $asked->whole('checkers', 0), $asked->whole('meetings', 0));
    }
}
