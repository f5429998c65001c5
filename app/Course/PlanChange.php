<?php

declare(strict_types=1);

namespace App\Course;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * What a leader asks "what if" about: knots moved (no meeting: left out), minutes more a meeting, checkers more, meetings more.
 */
final readonly class PlanChange
{
    private const PINS = '/pins/';

    /**
     * @param  array<string, ?string>  $moves  meeting by knot
     * @param  array<string, int>  $asked  which of the moves asked for that is, by knot
     */
    public function __construct(public array $moves = [], public int $minutes = 0, public int $checkers = 0, public int $meetings = 0, private array $asked = [])
    {
    }

    public static function from(Fields $asked): self
    {
        $moves = [];
        $places = [];
        foreach ($asked->objects('moves') as $place => $move) {
            $moves[$move->text('knot')] = $move->textOrNull('meeting');
            $places[$move->text('knot')] = $place;
        }

        return new self($moves, $asked->whole('minutes', 0), $asked->whole('checkers', 0), $asked->whole('meetings', 0), $places);
    }

    /** A pin the planner would not have is a move that was asked for here. */
    public function told(Refusal $refusal): Refusal
    {
        $place = str_starts_with($refusal->field, self::PINS) ? $this->asked[substr($refusal->field, strlen(self::PINS))] ?? null : null;

        return $place === null ? $refusal : Refusal::of("/moves/$place/meeting", $refusal->value, $refusal->allowed);
    }
}
