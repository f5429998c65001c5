<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A diagram as it lies while it is being tied: each rope only as far as its end has travelled, a bight closed where its two
 * sides have come to.
 */
final class PartialDiagram
{
    /** The tip of a bight reaches ahead by this share of the way between its sides. */
    public const AHEAD = 0.7;

    /**
     * @param  array<string, float>  $reach length along each rope, by id
     * @param  array<string, float>  $far where the far side of a bight begins, by id
     */
    public static function of(Diagram $diagram, array $reach, array $far = []): Diagram
    {
        $strands = [];
        $shift = [];
        foreach ($diagram->strands as $number => $strand) {
            $to = $reach[$strand->id] ?? $strand->curve->length();
            [$curve, $shift[$number]] = self::upTo($strand->curve, $to, $far[$strand->id] ?? INF);
            $strands[] = new Strand($strand->id, $strand->kind, $curve, $strand->width, $strand->word, null, $strand->runsOn);
        }
        $there = static fn (int $strand, float $at): bool => $at <= ($reach[$diagram->strands[$strand]->id] ?? INF) || $at >= ($far[$diagram->strands[$strand]->id] ?? INF);
        $moved = static fn (int $strand, float $at): float => $at <= ($reach[$diagram->strands[$strand]->id] ?? INF) ? $at : $at + $shift[$strand];
        $crossings = [];
        foreach ($diagram->crossings as $crossing) {
            if ($there($crossing->over, $crossing->overAt) && $there($crossing->under, $crossing->underAt)) {
                $crossings[] = new Crossing($crossing->over, $moved($crossing->over, $crossing->overAt), $crossing->under, $moved($crossing->under, $crossing->underAt), $crossing->at, $crossing->angle, $crossing->turn, $crossing->sign);
            }
        }

        return new Diagram($strands, $crossings);
    }

    /** @return array{Curve, float} the rope so far, and by how much places on the far side of a bight have moved along it */
    private static function upTo(Curve $curve, float $to, float $far): array
    {
        if ($to >= min($far, $curve->length()) - 1e-9) {
            return [$curve, 0.0];
        }
        $near = $curve->between(0.0, max($to, 1e-3));
        if ($far === INF) {
            return [new Curve($near, false), 0.0];
        }
        $tip = self::tip($curve, $to, $far);

        return [new Curve([...$near, $tip, ...$curve->between($far, $curve->length())], false), $to + (new Curve([$tip], false))->length() - $far];
    }

    /** The tip of a bight whose sides have come to two places. */
    public static function tip(Curve $curve, float $to, float $far): Cubic
    {
        [$a, $b] = [$curve->pointAt($to), $curve->pointAt($far)];
        $ahead = self::AHEAD * max(1.0, $a->distance($b));

        return new Cubic($a, $a->plus($curve->directionAt($to)->times($ahead)), $b->minus($curve->directionAt($far)->times($ahead)), $b);
    }
}
