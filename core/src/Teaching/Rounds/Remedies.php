<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Tries changes on whole plans: a pin lifted, ten minutes in one meeting, one more checker, a date a week later, one more meeting, an optional knot
 * dropped. The first that leaves fewer missing is offered: the first that mends the very thing, where one does.
 */
final class Remedies
{
    /** Learners x knots x meetings up to which changes are tried at once. */
    public const AT_ONCE = 600;

    /** How many are tried at the most. */
    private const TRIES = 40;

    /** @var list<array{Remedy, array<string, true>}> those that bring something, and what is missing with each */
    private array $found = [];

    private function __construct(private readonly Course $course, private readonly int $unmet)
    {
    }

    /**
     * @param  list<Missing>  $missing
     * @return list<Missing>
     */
    public static function for(Course $course, Found $found, array $missing): array
    {
        return count($course->learners) * count($course->knots) * count($course->meetings) > self::AT_ONCE
            ? self::likely($course, $missing)
            : self::tried($course, $found, $missing);
    }

    /**
     * For each the first change that brings something, on whole plans.
     *
     * @param  list<Missing>  $missing
     * @return list<Missing>
     */
    public static function tried(Course $course, Found $found, array $missing): array
    {
        if ($missing === []) {
            return [];
        }
        $remedies = new self($course, $found->outcome->score->unmet);
        $remedies->try();

        return array_map($remedies->mended(...), $missing);
    }

    /**
     * For each the change to try first; nobody has tried it yet.
     *
     * @param  list<Missing>  $missing
     * @return list<Missing>
     */
    public static function likely(Course $course, array $missing): array
    {
        $remedies = new self($course, count($missing));

        return array_map(static fn (Missing $one): Missing => $one->with($remedies->first($one)), $missing);
    }

    private function mended(Missing $missing): Missing
    {
        $key = $this->key($this->course, $missing);
        foreach ($this->found as [$remedy, $still]) {
            if (! isset($still[$key])) {
                return $missing->with($remedy);
            }
        }

        return $missing->with($this->found[0][0] ?? null);
    }

    private function key(Course $course, Missing $missing): string
    {
        $leaf = $course->targets[$missing->target]->leaf;

        return implode(' ', [$course->learners[$missing->learner]->id, $course->pursuits[$missing->pursuit]->badge, $leaf->knot, $leaf->level->value, $leaf->in ?? '']);
    }

    private function try(): void
    {
        $tries = 0;
        foreach ($this->changes() as [$remedy, $change]) {
            if (++$tries > self::TRIES) {
                break;
            }
            $course = $change();
            $plan = Search::quickly($course);
            if ($plan === null || $plan->outcome->score->unmet >= $this->unmet) {
                continue;
            }
            $still = [];
            foreach (Causes::of($course, $plan) as $one) {
                $still[$this->key($course, $one)] = true;
            }
            $this->found[] = [$remedy->bringing($this->unmet - $plan->outcome->score->unmet), $still];
        }
    }

    /** The change to try first for its cause. */
    private function first(Missing $missing): ?Remedy
    {
        $kinds = match ($missing->cause) {
            Cause::Pin => ['unpin'],
            Cause::Date => ['date', 'meeting'],
            Cause::Room => ['minutes'],
            default => ['meeting'],
        };
        $first = null;
        foreach ($this->changes() as [$remedy]) {
            $fits = in_array($remedy->kind, $kinds, true) && match ($remedy->kind) {
                'unpin' => $remedy->what === $this->course->knots[$this->course->targets[$missing->target]->knot]->id,
                'date' => $remedy->what === $this->course->pursuits[$missing->pursuit]->badge,
                default => true,
            };
            if ($fits) {
                return $remedy;
            }
            $first ??= $remedy;
        }

        return $first;
    }

    /** @return iterable<array{Remedy, \Closure(): Course}> in the order in which they are tried; a term is made anew only when it is asked for */
    private function changes(): iterable
    {
        $wishes = $this->course->wishes;
        foreach ($wishes->pins as $place => $pin) {
            yield [new Remedy('unpin', $pin->knot, 1), fn (): Course => $this->with(wishes: $wishes->withPins(array_values(array_diff_key($wishes->pins, [$place => true]))))];
        }
        foreach (['minutes' => [10, 0], 'checker' => [0, 1]] as $kind => [$minutes, $checkers]) {
            foreach ($this->course->meetings as $place => $meeting) {
                yield [new Remedy($kind, $meeting->id, $minutes + $checkers), fn (): Course => $this->with(meetings: array_values(array_replace($this->course->meetings, [$place => $meeting->with($minutes, $checkers)])))];
            }
        }
        foreach ($this->course->aims as $id => $aim) {
            if ($aim->dueOn !== null && $aim->isFirm) {
                $later = (new \DateTimeImmutable($aim->dueOn))->modify('+7 days')->format('Y-m-d');
                yield [new Remedy('date', (string) $id, 7), fn (): Course => $this->with(aims: array_replace($this->course->aims, [$id => new Aim($aim->badge, $later, true, $aim->preferences)]))];
            }
        }
        $last = $this->course->meetings[count($this->course->meetings) - 1] ?? null;
        if ($last instanceof Evening) {
            $date = (new \DateTimeImmutable($last->date))->modify('+7 days')->format('Y-m-d');
            yield [new Remedy('meeting', $date, 1), fn (): Course => $this->with(meetings: [...$this->course->meetings, new Evening("one more on $date", $date, $last->minutes, $last->checkers, $last->objects, $last->opening, $last->closing)])];
        }
        foreach ($this->optional() as $knot) {
            yield [new Remedy('drop', $knot, 1), fn (): Course => $this->with(wishes: $wishes->withPins([...$wishes->pins, new Pin($knot, null)]))];
        }
    }

    /** @return list<string> knots that a badge asks for as one of several, and none for itself */
    private function optional(): array
    {
        $optional = $needed = [];
        foreach ($this->course->aims as $aim) {
            foreach ($aim->badge->requirement->choices() as [$leaf, $choice]) {
                $choice === null ? $needed[$leaf->knot] = true : $optional[$leaf->knot] = true;
            }
        }

        return array_map(strval(...), array_keys(array_diff_key($optional, $needed)));
    }

    /**
     * @param  ?array<string, Aim>  $aims
     * @param  ?list<Evening>  $meetings
     */
    private function with(?array $aims = null, ?array $meetings = null, ?Wishes $wishes = null): Course
    {
        return new Course($this->course->library, $this->course->now, $this->course->learners, $aims ?? $this->course->aims, $meetings ?? $this->course->meetings, $wishes ?? $this->course->wishes);
    }
}
