<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Figure;
use Compadre\Core\Data\Schema;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Formula\RopeAtWork;
use Compadre\Core\Rigs\Formula\Unit;
use Compadre\Core\Rigs\Pack\MemberPlan;
use Compadre\Core\Rigs\Pack\Place;
use Compadre\Core\Rigs\Pack\PlaceKnot;
use Compadre\Core\Rigs\Sketch\Sketch;
use Compadre\Core\Words\Filled;
use Compadre\Core\Words\Saying;

/**
 * Works a rig out: what it takes rope by rope, how it stands, what to look out for.
 */
final class Rigging
{
    /** Ropes are cut to the next centimetre. */
    private const CUT_TO = 10.0;

    /** @var array<string, float|bool|string> by name */
    private array $values;

    /** @var array<string, list<array<string, float|bool|string>>> of answers with several entries */
    private array $lists = [];

    /** @var array<string, StandingKnot> by place */
    private array $standing = [];

    /** @param  array<string, string>  $chosen  knots by place */
    private function __construct(private readonly RigPack $rig, private readonly Fields $answers, private readonly RopeAtWork $rope, private readonly array $chosen)
    {
        $this->values = ['d' => $rope->diameter(), 'wet' => $rope->rope->wet];
    }

    /**
     * @param  Fields  $answers  as they stand in what was asked, at /answers
     * @param  array<string, string>  $chosen  the knot in a place, where it is not the first that may stand there
     *
     * @throws Refusal for answers that are out of range, or that nothing can stand by
     */
    public static function of(RigPack $rig, Fields $answers, RopeAtWork $rope, array $chosen = []): Rigged
    {
        return (new self($rig, $answers, $rope, $chosen))->worked();
    }

    private function worked(): Rigged
    {
        $this->readAnswers();
        $this->holdThickness();
        $this->placeKnots();
        $this->reckonLets();
        $figures = [];
        foreach ($this->rig->figures as $figure) {
            if ($figure->when === null || $figure->when->holds($this->values, $this->rope)) {
                $figures[$figure->id] = round($figure->is->number($this->values, $this->rope), 3);
            }
        }
        $members = array_merge(...array_map($this->members(...), $this->rig->members));
        $advice = [];
        foreach ($this->rig->advice as $rule) {
            if ($rule->when === null || $rule->when->holds($this->values, $this->rope)) {
                $advice[] = Saying::just($this->filled($rule->say));
            }
        }
        $cut = self::cut($members);

        return new Rigged(
            $this->rig, $members, $figures, array_values($this->standing), $cut, [...$advice, ...array_map(Saying::just(...), $this->rig->cautions)],
            Sketch::of($this->rig->sketch, $this->values, $this->lists, $this->rope), $this->reason($cut),
        );
    }

    private function readAnswers(): void
    {
        // Held as they stand in what was asked, so that a fault is named by its whole place.
        $answers = $this->answers->raw() === [] ? new \stdClass : $this->answers->raw();
        Schema::hold(['answers' => $answers], ['type' => 'object', 'properties' => ['answers' => $this->rig->answers()]]);
        foreach ($this->rig->questions as $question) {
            $this->values += $question->values($this->answers);
            if ($question->isList()) {
                $this->lists[$question->id] = $question->list($this->answers);
            }
        }
        foreach ($this->rig->defaults as $name => $formula) {
            if (! isset($this->values[$name])) {
                $this->values[$name] = $formula->number($this->values, $this->rope);
            }
        }
    }

    /** Nothing is tied to a pole or a branch that is thinner than the rope. */
    private function holdThickness(): void
    {
        foreach ($this->rig->questions as $question) {
            if ($question->isRound) {
                $this->holdThick($question->id, $this->values[$question->id] ?? null);
            }
            foreach ($this->lists[$question->id] ?? [] as $index => $own) {
                if ($question->isRound) {
                    $this->holdThick("$question->id/$index", $own['each'] ?? null);
                }
                foreach ($question->fields as $field) {
                    if ($field->isRound) {
                        $this->holdThick("$question->id/$index/$field->id", $own[$field->id] ?? null);
                    }
                }
            }
        }
    }

    private function holdThick(string $answer, float|bool|string|null $diameter): void
    {
        if (is_float($diameter) && $diameter < $this->rope->diameter()) {
            $d = Figure::of($this->rope->diameter());
            throw Refusal::of("{$this->answers->at}/$answer", $diameter, 'rigs.thin_pole', ['rope' => $d, 'pole' => Figure::of($diameter)]);
        }
    }

    private function placeKnots(): void
    {
        foreach ($this->chosen as $place => $knot) {
            if (! isset($this->rig->places[$place])) {
                throw Refusal::of("/knots/$place", $knot, 'rigs.place_of_rig', ['list' => array_keys($this->rig->places)]);
            }
        }
        foreach ($this->rig->places as $id => $place) {
            $taken = $this->taken($place);
            $wraps = $taken->wraps?->number($this->values, $this->rope);
            $others = array_values(array_unique(array_map(static fn (PlaceKnot $one): string => $one->knot, array_filter($place->knots, static fn (PlaceKnot $one): bool => $one->knot !== $taken->knot))));
            $this->standing[$id] = new StandingKnot($id, $place->where, $taken->knot, $taken->method, $wraps === null ? null : (int) round($wraps), $taken->counts, $taken->why, $others);
            $round = $place->object === null ? 0.0 : $this->rope->turns($taken->turns, $place->object->number($this->values, $this->rope));
            $this->values["{$id}_knot"] = $this->rope->used($taken->knot) + $round;
            $this->values["{$id}_tail"] = $this->rope->tail($taken->knot);
            $this->values["{$id}_tied"] = $taken->knot;
        }
    }

    private function taken(Place $place): PlaceKnot
    {
        $wanted = $this->chosen[$place->id] ?? null;
        foreach ($place->knots as $knot) {
            if ($wanted === null ? $knot->when === null || $knot->when->holds($this->values, $this->rope) : $knot->knot === $wanted) {
                return $knot;
            }
        }
        if ($wanted === null) {
            return $place->knots[0];
        }

        throw Refusal::of("/knots/$place->id", $wanted, 'any.one_of', ['list' => array_map(static fn (PlaceKnot $one): string => $one->knot, $place->knots)]);
    }

    private function reckonLets(): void
    {
        // What cannot stand is refused as soon as all that the refusal speaks of is known, before the rest is reckoned from it.
        foreach ($this->rig->lets as $name => $let) {
            $this->refuse();
            $this->values[$name] = $let->unit->is(Unit::of('yes')) ? $let->holds($this->values, $this->rope) : $let->number($this->values, $this->rope);
        }
        $this->refuse();
    }

    private function refuse(): void
    {
        foreach ($this->rig->refusals as $rule) {
            if ($rule->when !== null && $rule->isKnown($this->values) && $rule->when->holds($this->values, $this->rope)) {
                $given = $this->answers->raw()[$rule->answer] ?? $this->values[$rule->answer] ?? null;
                throw Refusal::of($this->answers->at.'/'.$rule->answer, $given, 'rigs.rule', ['allowed' => $this->filled($rule->allowed), 'say' => $this->filled($rule->say)]);
            }
        }
    }

    /** @return list<Member> */
    private function members(MemberPlan $plan): array
    {
        $members = [];
        foreach ($plan->each === null ? [[]] : $this->lists[$plan->each] as $index => $own) {
            $values = $own + $this->values;
            $count = (int) round($plan->count->number($values, $this->rope));
            if ($count < 1 || $plan->when !== null && ! $plan->when->holds($values, $this->rope)) {
                continue;
            }
            $length = $plan->length?->number($values, $this->rope);
            $diameter = $plan->diameter?->number($values, $this->rope) ?? ($plan->kind === 'rope' ? $this->rope->diameter() : null);
            $knots = array_values(array_unique(array_map(fn (string $place): string => $this->standing[$place]->knot, $plan->at)));
            // Entries that come to the same are one member several times.
            $same = "$length $diameter";
            $members[$same] = new Member($plan->each === null ? $plan->id : $plan->id.'-'.($index + 1), $plan->kind, $plan->name, $count + ($members[$same]->count ?? 0), $length === null ? null : round($length, 1), $diameter, $plan->at, $knots);
        }

        return array_values($members);
    }

    /**
     * @param  list<Member>  $members
     * @return list<array{length_mm: float, count: int}>
     */
    private static function cut(array $members): array
    {
        $counts = [];
        foreach ($members as $member) {
            if ($member->kind === 'rope' && $member->length !== null) {
                $length = (int) (self::CUT_TO * ceil($member->length / self::CUT_TO));
                $counts[$length] = ($counts[$length] ?? 0) + $member->count;
            }
        }
        krsort($counts);

        return array_map(static fn (int $length, int $count): array => ['length_mm' => (float) $length, 'count' => $count], array_keys($counts), $counts);
    }

    /** @param  list<array{length_mm: float, count: int}>  $cut */
    private function reason(array $cut): Saying
    {
        $pieces = array_sum(array_column($cut, 'count'));
        $whole = array_sum(array_map(static fn (array $one): float => $one['length_mm'] * $one['count'], $cut));

        return new Saying('rigs.pieces', ['pieces' => $pieces, 'rope' => $this->rope->rope->said(), 'whole' => round($whole / 1000, 2)]);
    }

    /** A sentence with its names filled in. */
    private function filled(string $sentence): Filled
    {
        preg_match_all('/\{(\w+)\}/', $sentence, $names);

        return new Filled($sentence, array_combine($names[1], array_map($this->shown(...), $names[1])));
    }

    private function shown(string $name): string|float|Saying
    {
        $value = $this->values[$name] ?? '';
        $unit = $this->rig->units[$name] ?? Unit::of('ratio');

        return match (true) {
            is_bool($value) => new Saying($value ? 'any.yes' : 'any.no'),
            is_string($value) => $value,
            $unit->is(Unit::of('mm')) => $value >= 1000 ? new Saying('any.metres', ['number' => round($value / 1000, 2)]) : new Saying('any.millimetres', ['number' => round($value)]),
            $unit->is(Unit::of('n')) => new Saying('any.newtons', ['number' => round($value)]),
            $unit->is(Unit::of('n_per_m')) => new Saying('any.newtons_per_metre', ['number' => round($value * 1000, 1)]),
            $unit->is(Unit::of('deg')) => new Saying('any.degrees', ['number' => round($value)]),
            default => round($value, 2),
        };
    }
}
