<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\View;
use Compadre\Core\Knots\Visit;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * What the tasks of one knot show, seen from one side, each form drawn once; and the same in words, for whoever is read to.
 */
final class Pictures
{
    /** The form as it is to be. */
    public const RIGHT = 'right';

    /** @var array<string, ?array<string, mixed>> by key; null where a form cannot lie flat */
    private array $forms = [];

    /** @var list<StepState> */
    private readonly array $states;

    public function __construct(private readonly Sample $sample, private readonly View $view)
    {
        $this->states = StepStates::of($sample->method, $sample->diagram, $sample->knot->file);
    }

    /** @return array<string, array<string, mixed>> */
    public function drawn(): array
    {
        return array_filter($this->forms, static fn (?array $form): bool => $form !== null);
    }

    /**
     * @param  array<string, string>  $words  a form, by rope
     * @return ?string its key; null where it cannot be drawn
     */
    public function ofWords(array $words): ?string
    {
        $flips = [];
        foreach ($this->sample->diagram->strands as $number => $strand) {
            foreach ($this->sample->diagram->visits($number) as $place => $visit) {
                if ($strand->kind->isRope() && (($words[$strand->id][$place] ?? '') === 'o') !== $visit->over) {
                    $flips[$visit->crossing] = $visit->crossing;
                }
            }
        }

        return $this->ofFlips(array_values($flips));
    }

    /**
     * @param  list<int>  $flips  crossings that go the other way
     */
    public function ofFlips(array $flips): ?string
    {
        sort($flips);
        $key = $flips === [] ? self::RIGHT : 'other-'.implode('-', $flips);
        if (! array_key_exists($key, $this->forms)) {
            try {
                $this->forms[$key] = Drawing::loose($this->view->of($flips === [] ? $this->sample->diagram : $this->sample->diagram->flipped($flips)))->toArray();
            } catch (Refusal) {
                // Overs and unders go round in a circle: no rope lies undermost.
                $this->forms[$key] = null;
            }
        }

        return $this->forms[$key] === null ? null : $key;
    }

    /** @return array{float, float} where a crossing lies */
    public function place(int $crossing): array
    {
        $at = $this->view->point($this->sample->diagram->crossings[$crossing]->at);

        return [round($at->x, 3), round($at->y, 3)];
    }

    /**
     * The tying, stopped as the end comes to a crossing.
     *
     * @param  int  $step  from 1, that makes the crossing
     * @return array{reach: object, moved: object, far: object}
     */
    public function before(int $crossing, int $step, float $room): array
    {
        $drawn = $this->sample->diagram->crossings[$crossing];
        $isOver = $this->sample->order->overIsLater[$crossing] === true;
        $comes = $this->sample->diagram->strands[$isOver ? $drawn->over : $drawn->under];
        $at = ($isOver ? $drawn->overAt : $drawn->underAt) - $room;
        $state = $this->states[$step - 1];
        $reach = $state->reach;
        $moved = $state->moved;
        $far = array_map(static fn (array $span): float => $span[1], $state->far);
        if (isset($state->far[$comes->id])) {
            // A bight is pushed through as a whole: it is shown as it lay before.
            $reach[$comes->id] = $moved[$comes->id][0] ?? 0.0;
            $far[$comes->id] = $state->far[$comes->id][0];
            unset($moved[$comes->id]);
        } else {
            $reach[$comes->id] = max(0.0, min($reach[$comes->id] ?? $at, $at));
            $from = $moved[$comes->id][0] ?? 0.0;
            $moved[$comes->id] = [min($from, $reach[$comes->id]), $reach[$comes->id]];
        }
        $plain = static fn (float $length): float => round($length, 3);

        return ['reach' => (object) array_map($plain, $reach), 'moved' => (object) array_map(static fn (array $span): array => array_map($plain, $span), $moved), 'far' => (object) array_map($plain, $far)];
    }

    /**
     * A form told along its ropes.
     *
     * @param  array<string, string>  $words
     */
    public function spoken(array $words): Saying
    {
        $told = [];
        foreach ($words as $rope => $word) {
            $ways = array_map(static fn (string $letter): Saying => new Saying($letter === 'o' ? 'practice.spoken_over' : 'practice.spoken_under'), str_split($word));
            $told[] = count($words) > 1 ? new Saying('practice.spoken_rope', ['rope' => $this->sample->told($rope), 'ways' => $ways]) : new Saying('practice.spoken_ways', ['ways' => $ways]);
        }

        return $told === [] ? Saying::just('') : new Saying('practice.just_said', ['say' => Saying::joined('practice.and_others', $told)]);
    }

    /** A crossing told by when a rope comes to it for the first time. */
    public function spokenPlace(int $crossing): Saying
    {
        foreach ($this->sample->diagram->strands as $number => $strand) {
            $met = array_map(static fn (Visit $visit): int => $visit->crossing, $this->sample->diagram->visits($number));
            $place = array_search($crossing, $met, true);
            if ($strand->kind->isRope() && $place !== false) {
                return $strand->id === 'rope' ? new Saying('practice.crossing_of_rope', ['place' => $place + 1]) : new Saying('practice.crossing_of', ['place' => $place + 1, 'rope' => $strand->id]);
            }
        }

        return new Saying('practice.a_crossing');
    }
}
