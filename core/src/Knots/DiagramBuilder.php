<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Words\Saying;

/**
 * From a method's waypoints and words to a diagram; a method that contradicts itself is refused with the file, the
 * strand and the crossing named.
 */
final readonly class DiagramBuilder
{
    private function __construct(private PackFault $fault)
    {
    }

    public static function loose(Method $method, string $file = ''): Diagram
    {
        return (new self(new PackFault($file, $method)))->build($method, false);
    }

    /** The knot drawn up tight; the loose drawing where the method has none. */
    public static function tight(Method $method, string $file = ''): Diagram
    {
        return (new self(new PackFault($file, $method)))->build($method, $method->hasTight());
    }

    private function build(Method $method, bool $tight): Diagram
    {
        $strands = [];
        foreach ($method->strands as $number => $plan) {
            $points = $plan->layout($tight);
            if (count($points) < 2) {
                throw $this->fault->strand($number, count($points), new Saying('knots.waypoints'));
            }
            $strands[] = new Strand($plan->id, $plan->kind, Spline::through($points, $plan->kind->isClosed()), $plan->width, $plan->word, $plan->bight, $plan->runsOn, $plan->appears);
        }
        $meetings = CrossingFinder::find(array_map(static fn (Strand $strand): Curve => $strand->curve, $strands));
        $onTop = $this->settle($strands, $meetings);
        $crossings = [];
        foreach ($meetings as $number => $meeting) {
            $crossings[] = self::crossing($strands, $meeting, $onTop[$number]);
        }

        return new Diagram($strands, $crossings);
    }

    /**
     * Which of the two lines is on top at each meeting: the first (true) or the second (false).
     *
     * @param  list<Strand>  $strands
     * @param  list<Meeting>  $meetings
     * @return array<int, bool>
     */
    private function settle(array $strands, array $meetings): array
    {
        $onTop = [];
        foreach ($strands as $number => $strand) {
            if (! $strand->kind->isRope()) {
                continue;
            }
            $visits = self::visitsOf($number, $meetings);
            if (strlen($strand->word) !== count($visits)) {
                throw $this->fault->strand($number, $strand->word, new Saying('knots.letters', ['crossings' => count($visits), 'letters' => strlen($strand->word)]));
            }
            foreach ($visits as $order => [$meeting, $isFirst]) {
                $letter = $strand->word[$order];
                $firstOver = ($letter === 'o') === $isFirst;
                if (isset($onTop[$meeting]) && $onTop[$meeting] !== $firstOver) {
                    $partner = $isFirst ? $meetings[$meeting]->second : $meetings[$meeting]->first;
                    throw $this->fault->crossing($number, $order + 1, $letter, new Saying($letter === 'o' ? 'knots.over_too' : 'knots.under_too', ['strand' => $strands[$partner]->id]));
                }
                $onTop[$meeting] = $firstOver;
            }
        }
        foreach ($meetings as $number => $meeting) {
            // Where poles cross, the one written later lies in front.
            $onTop[$number] ??= $meeting->first > $meeting->second;
        }

        return $onTop;
    }

    /**
     * @param  list<Meeting>  $meetings
     * @return list<array{int, bool}> the meeting's number and whether the strand comes first in it, in order of travel
     */
    private static function visitsOf(int $strand, array $meetings): array
    {
        $visits = [];
        foreach ($meetings as $number => $meeting) {
            if ($meeting->first === $strand) {
                $visits[] = [$meeting->firstAt, $number, true];
            }
            if ($meeting->second === $strand) {
                $visits[] = [$meeting->secondAt, $number, false];
            }
        }
        usort($visits, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $visit): array => [$visit[1], $visit[2]], $visits);
    }

    /** @param  list<Strand>  $strands */
    public static function crossing(array $strands, Meeting $meeting, bool $firstOver): Crossing
    {
        $first = $strands[$meeting->first]->curve->directionAt($meeting->firstAt);
        $second = $strands[$meeting->second]->curve->directionAt($meeting->secondAt);
        $turn = $firstOver ? $first->cross($second) : $second->cross($first);
        $bothRopes = $strands[$meeting->first]->kind->isRope() && $strands[$meeting->second]->kind->isRope();

        return new Crossing(
            $firstOver ? $meeting->first : $meeting->second,
            $firstOver ? $meeting->firstAt : $meeting->secondAt,
            $firstOver ? $meeting->second : $meeting->first,
            $firstOver ? $meeting->secondAt : $meeting->firstAt,
            $meeting->at,
            asin(min(1.0, abs($turn))),
            // y points down, so a positive (right-handed) crossing turns the other way than in the textbooks.
            $turn < 0 ? 1 : -1,
            $bothRopes ? ($turn < 0 ? 1 : -1) : null,
        );
    }
}
