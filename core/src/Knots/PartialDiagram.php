<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A diagram as it lies while it is being tied: each rope only as far as its end has travelled.
 */
final class PartialDiagram
{
    /** @param  array<string, float>  $reach length along each rope, by id */
    public static function of(Diagram $diagram, array $reach): Diagram
    {
        $strands = [];
        foreach ($diagram->strands as $strand) {
            $to = $reach[$strand->id] ?? $strand->curve->length();
            $curve = $to >= $strand->curve->length() - 1e-9 ? $strand->curve : new Curve($strand->curve->between(0.0, max($to, 1e-3)), false);
            $strands[] = new Strand($strand->id, $strand->kind, $curve, $strand->width, $strand->word);
        }
        $there = static fn (int $strand, float $at): bool => $at <= ($reach[$diagram->strands[$strand]->id] ?? INF);

        return new Diagram($strands, array_values(array_filter(
            $diagram->crossings,
            static fn (Crossing $crossing): bool => $there($crossing->over, $crossing->overAt) && $there($crossing->under, $crossing->underAt),
        )));
    }
}
