<?php

declare(strict_types=1);

namespace App\Course;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Rounds\Pin;
use Compadre\Core\Teaching\Rounds\Remedy;

/**
 * What a leader asks about: knots moved to other meetings, more minutes or helpers at each, meetings added, or a remedy that the plan named.
 */
final readonly class PlanChange
{
    /**
     * @param  array<string, ?string>  $moves  meeting by knot, null to leave it out
     * @param  array<string, int>  $asked  which of the moves asked for that is, by knot
     */
    public function __construct(public array $moves = [], public int $minutes = 0, public int $checkers = 0, public int $meetings = 0, public ?Remedy $remedy = null, private array $asked = [])
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
        $remedy = $asked->objectOrNull('remedy');

        return new self(
            $moves, $asked->whole('minutes', 0), $asked->whole('checkers', 0), $asked->whole('meetings', 0),
            $remedy === null ? null : new Remedy($remedy->text('kind'), $remedy->text('what'), $remedy->whole('by')), $places,
        );
    }

    /**
     * A pin the planner would not have is a move that was asked for here.
     *
     * @param  list<Pin>  $pins  as the planner had them
     */
    public function told(Refusal $refusal, array $pins): Refusal
    {
        $knot = preg_match('~^/pins/(\d+)~', $refusal->field, $found) === 1 ? $pins[(int) $found[1]]->knot ?? null : array_key_first($this->moves);
        $place = $knot === null ? null : $this->asked[$knot] ?? null;
        if ($place === null) {
            return $refusal;
        }

        return str_starts_with($refusal->field, '/pins/')
            ? $refusal->at("/moves/$place/meeting")
            : Refusal::of("/moves/$place/meeting", $this->moves[(string) $knot], 'course.no_room');
    }
}
