<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * The rope that a knot drawn up tight takes, in diameters: of each rope what runs from touch to touch. What runs free for longer
 * than a few diameters, as the legs of a loop and the way to a post do, and what lies round the thing it is tied to, is not in
 * the knot; where a rope goes on at both ends, neither is the straight way between its first touch and its last.
 */
final class InKnot
{
    /** From its surface to the middle of a rope that lies on it. */
    private const LIES_ON = 0.58;

    /** A longer way from one touch to the next is free. */
    private const FREE = 4.0;

    /** @param  list<array{FreeEnd, FreeEnd}>  $ends */
    public static function of(Form $form, array $ends): float
    {
        $ropes = $form->tight();
        $touched = array_fill(0, count($ropes), []);
        foreach (Nearness::contacts($ropes) as $contact) {
            $touched[$contact->a][] = $contact->s;
            $touched[$contact->b][] = $contact->t;
        }
        $sum = 0.0;
        foreach ($ropes as $number => $rope) {
            $round = self::lying($rope, $form->solids);
            $places = [...$touched[$number], ...$round];
            sort($places);
            $step = $rope->step();
            for ($k = 1; $k < count($places); $k++) {
                $way = $places[$k] - $places[$k - 1];
                $sum += $way > self::FREE ? 0.0 : $way;
            }
            $sum -= $step * count($round);
            if ($places !== [] && $ends[$number][0]->isLoaded && $ends[$number][1]->isLoaded) {
                $sum -= self::straight($rope, $places[0], $places[count($places) - 1]);
            }
        }

        return max(0.0, $sum);
    }

    /**
     * Lengths along a rope at which it lies on something.
     *
     * @param  list<Solid>  $solids
     * @return list<float>
     */
    private static function lying(SpaceStrand $rope, array $solids): array
    {
        $places = [];
        $step = $rope->step();
        foreach ($rope->points as $k => $point) {
            foreach ($solids as $solid) {
                if ($solid->distance($point) < self::LIES_ON) {
                    $places[] = $k * $step;
                    break;
                }
            }
        }

        return $places;
    }

    private static function straight(SpaceStrand $rope, float $first, float $last): float
    {
        $step = $rope->step();
        $most = count($rope->points) - 1;

        return Vector::distance($rope->points[max(0, min($most, (int) round($first / $step)))], $rope->points[max(0, min($most, (int) round($last / $step)))]);
    }
}
