<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\Fallen;
use Compadre\Core\Mistakes\Judge;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\OutcomeKind;
use Compadre\Core\Refusal;
use Compadre\Core\Topology\ContractionOrder;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Words\Saying;

/**
 * Says what somebody has drawn who was asked for a knot: it, it in the other hand, another one that has a name, or something else, and
 * where it first parts from what was asked for.
 *
 * @phpstan-type Said array{kind: string, says: Saying, parts_at: ?int}
 */
final readonly class Drawn
{
    /** More than a hand draws; beyond it the reckoning takes longer than anybody waits. */
    public const MOST_CROSSINGS = 60;

    private const MOST_COST = 60_000.0;

    public function __construct(private Library $library, private KnotIndex $index)
    {
    }

    /**
     * @param  array<string, list<array{int, bool}>>  $visits  by strand, in order of travel: a crossing, and whether the strand is on top
     * @param  list<int>  $turns  +1 or -1 by crossing, as in Crossing
     * @return Said  `parts_at`: a crossing, null where there is none to show
     *
     * @throws Refusal for strands that are not on the table, a crossing that is not met once over and once under, or what no plane holds
     */
    public function says(KnotPack $knot, Method $method, View $view, array $visits, array $turns): array
    {
        $diagram = KnotIndex::diagram($knot, $method);
        $right = $diagram->code();
        $code = self::code(array_map(static fn (Strand $strand): string => $strand->id, $diagram->strands), $right, $visits, $turns);

        return $this->told($knot, new Judge($this->library, $this->index, $knot, $right), $right, $view === View::Left ? $code->mirrored() : $code);
    }

    /**
     * What can be said without reckoning: by key, every form of this outline that has a name.
     *
     * @param  list<list<int>>  $wrong  crossings that go the other way, for each usual mistake
     * @return array<string, Said>
     */
    public function known(KnotPack $knot, Method $method, View $view, array $wrong): array
    {
        $right = KnotIndex::code($knot, $method);
        $judge = new Judge($this->library, $this->index, $knot, $right);
        $known = [];
        foreach ([$right, $right->mirrored(), ...array_map($right->flipped(...), $wrong)] as $code) {
            $said = $this->told($knot, $judge, $right, $code);
            // The crossing it parts at has a number of its own in every drawing.
            $known[self::key($view === View::Left ? $code->mirrored() : $code)] ??= ['parts_at' => $said['parts_at'] === null ? null : self::labels($code)[$said['parts_at']]] + $said;
        }

        return $known;
    }

    /**
     * A drawing told the same way however its crossings are numbered: strand by strand, crossings by when they are first met.
     */
    public static function key(GaussCode $code): string
    {
        $labels = self::labels($code);
        $told = [];
        foreach ($code->strands as $strand) {
            $told[] = implode('', array_map(static fn (array $visit): string => $labels[$visit[0]].($visit[1] ? 'o' : 'u'), $strand->visits));
        }
        $turns = [];
        foreach ($labels as $crossing => $label) {
            $turns[$label] = $code->turns[$crossing] > 0 ? '+' : '-';
        }

        return implode('|', $told).' '.implode('', $turns);
    }

    /** The same of all drawings that differ by overs and unders alone. */
    private static function outline(GaussCode $code): string
    {
        return (string) preg_replace('/[ou]/', ' ', strtok(self::key($code), ' ') ?: '');
    }

    /** @return array<int, int> by crossing, from 0, in the order in which they are first met */
    private static function labels(GaussCode $code): array
    {
        $labels = [];
        foreach ($code->strands as $strand) {
            foreach ($strand->visits as [$crossing]) {
                $labels[$crossing] ??= count($labels);
            }
        }

        return $labels;
    }

    /** @return Said */
    private function told(KnotPack $knot, Judge $judge, GaussCode $right, GaussCode $code): array
    {
        $name = Sample::called($knot);
        if ($code->turns === []) {
            return ['kind' => OutcomeKind::FallsOut->value, 'says' => new Saying('practice.nothing_crosses'), 'parts_at' => null];
        }
        $outcome = $judge->outcome($code);
        if ($outcome->kind === OutcomeKind::Same) {
            return ['kind' => $outcome->kind->value, 'says' => new Saying('practice.that_is', ['knot' => $name]), 'parts_at' => null];
        }
        if ($outcome->kind === OutcomeKind::EquallyGood) {
            return ['kind' => $outcome->kind->value, 'says' => new Saying('practice.as_good', ['knot' => $name]), 'parts_at' => null];
        }
        if ($judge->outcome($code->mirrored())->isGood()) {
            return ['kind' => 'other-hand', 'says' => new Saying('practice.other_hand', ['knot' => $name]), 'parts_at' => null];
        }
        $parts = self::partsAt($right, $code);
        // What lies on the right outline falls as that does; another outline has to be tried for itself.
        $falls = $outcome->kind === OutcomeKind::FallsOut || self::outline($code) !== self::outline($right) && isset(Fallen::keys($code)[Fingerprint::of($code)->key()]);

        $says = match (true) {
            $falls && $outcome->knot === null => new Saying('practice.falls', ['knot' => $name]),
            $outcome->knot !== null => new Saying('practice.another', ['other' => Sample::called($this->library->knot($outcome->knot)), 'knot' => $name]),
            default => new Saying('practice.something_else', ['knot' => $name]),
        };

        return [
            'kind' => $falls ? OutcomeKind::FallsOut->value : $outcome->kind->value,
            'says' => $parts === null ? $says : Saying::sentences([$says, new Saying('practice.at_ring')]),
            'parts_at' => $parts,
        ];
    }

    /**
     * The crossing at which the ropes, followed in order of travel, first do something else than in the right form.
     */
    private static function partsAt(GaussCode $right, GaussCode $code): ?int
    {
        [$rightly, $drawn] = [self::labels($right), self::labels($code)];
        foreach ($code->strands as $number => $strand) {
            if (! $strand->isRope) {
                continue;
            }
            foreach ($strand->visits as $place => [$crossing, $over]) {
                [$other, $otherOver] = $right->strands[$number]->visits[$place] ?? [null, null];
                if ($other === null || $rightly[$other] !== $drawn[$crossing] || $otherOver !== $over) {
                    return $crossing;
                }
            }
        }

        return array_key_last($drawn);
    }

    /**
     * @param  list<string>  $ids  of the strands on the table
     * @param  array<string, list<array{int, bool}>>  $visits
     * @param  list<int>  $turns
     */
    private static function code(array $ids, GaussCode $right, array $visits, array $turns): GaussCode
    {
        $count = count($turns);
        if ($count > self::MOST_CROSSINGS) {
            throw Refusal::of('/turns', $count, 'practice.most_crossings', ['most' => self::MOST_CROSSINGS]);
        }
        foreach (array_diff(array_keys($visits), $ids) as $id) {
            throw Refusal::of('/strands', $id, 'any.one_of', ['list' => $ids]);
        }
        $met = array_fill(0, $count, [0, 0]);
        $strands = [];
        foreach ($right->strands as $number => $strand) {
            foreach ($visits[$ids[$number]] ?? [] as $place => [$crossing, $over]) {
                if (! isset($met[$crossing])) {
                    throw Refusal::of("/strands/{$ids[$number]}/$place", $crossing, ...($count === 0 ? ['practice.no_crossing'] : ['practice.crossing', ['last' => $count - 1]]));
                }
                $met[$crossing][$over ? 0 : 1]++;
            }
            $strands[] = $strand->with($visits[$ids[$number]] ?? []);
        }
        foreach ($met as $crossing => $times) {
            if ($times !== [1, 1]) {
                throw Refusal::of('/strands', $crossing, 'practice.over_under');
            }
        }
        $code = new GaussCode($strands, $turns);
        if (! $code->isPlanar()) {
            throw Refusal::of('/turns', $turns, 'practice.flat');
        }
        if (ContractionOrder::of($code->tangle())->cost > self::MOST_COST) {
            throw Refusal::of('/turns', $count, 'practice.fewer');
        }

        return $code;
    }
}
