<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * Standings as a function of the set of check events: the same set in any order gives the same standings.
 *
 * Order, for each learner and knot by itself: by corrected time, but never against the order of one device, which counts
 * its own events; ties by device and number. A retract removes its target, whenever it arrives. An overrule takes its target's place and day.
 * A knot used in a rig is no result, and stands in no level.
 */
final class Standings
{
    /**
     * @param  iterable<CheckEvent>  $events
     * @param  list<string>  $hardKnots
     * @return list<Standing> by learner and knot
     */
    public static function derive(iterable $events, array $hardKnots = [], ?MemoryModel $model = null): array
    {
        $standings = [];
        foreach (self::grouped($events) as $own) {
            $placed = EventOrder::placed($own);
            $entries = self::left(array_column($placed, 1));
            if ($entries !== []) {
                $standings[] = self::one($entries, $hardKnots, $model ?? MemoryModel::usual(), Tally::of($placed));
            }
        }

        return $standings;
    }

    /**
     * What counts of them: nothing that was taken back, and what was decided otherwise in the place and on the day of what it is about.
     *
     * @param  iterable<CheckEvent>  $events
     * @return list<non-empty-list<CheckEvent>> those of one learner and knot together, in order
     */
    public static function inForce(iterable $events): array
    {
        $found = [];
        foreach (self::grouped($events) as $own) {
            $left = self::left(EventOrder::sort($own));
            if ($left !== []) {
                $found[] = $left;
            }
        }

        return $found;
    }

    /**
     * @param  list<CheckEvent>  $events  in order
     * @return list<CheckEvent>
     */
    private static function left(array $events): array
    {
        $byId = [];
        $gone = [];
        foreach ($events as $event) {
            $byId[$event->id] = $event;
        }
        foreach ($events as $event) {
            $aimed = $event->target !== null ? ($byId[$event->target] ?? null) : null;
            if ($event->kind === Kind::Retract && self::sameMatter($event, $aimed)) {
                $gone[(string) $event->target] = true;
            }
        }
        // An overrule stands in its target's place, on its target's day; of several the last one decides.
        $instead = [];
        $placed = [];
        foreach ($events as $event) {
            $aimed = $event->target !== null ? ($byId[$event->target] ?? null) : null;
            if ($event->kind === Kind::Overrule && ! isset($gone[$event->id]) && self::sameMatter($event, $aimed)) {
                $instead[(string) $event->target] = $event;
                $placed[$event->id] = true;
            }
        }
        $left = [];
        foreach ($events as $event) {
            if ($event->kind === Kind::Retract || isset($placed[$event->id]) || (isset($gone[$event->id]) && ! isset($instead[$event->id]))) {
                continue;
            }
            $left[] = self::decided($event, $instead);
        }

        return $left;
    }

    /** @param  array<string, CheckEvent>  $instead  overrules by what they are about */
    private static function decided(CheckEvent $event, array $instead): CheckEvent
    {
        $now = $event;
        // Each overrule is followed once, so that two that name each other come to an end.
        while (isset($instead[$now->id])) {
            $next = $instead[$now->id];
            unset($instead[$now->id]);
            $now = $next;
        }

        return $now->onDay($event->day);
    }

    private static function sameMatter(CheckEvent $event, ?CheckEvent $aimed): bool
    {
        return $aimed instanceof CheckEvent && $aimed->learner === $event->learner && $aimed->knot === $event->knot;
    }

    /**
     * @param  iterable<CheckEvent>  $events
     * @return array<string, non-empty-list<CheckEvent>>
     */
    private static function grouped(iterable $events): array
    {
        $groups = [];
        foreach ($events as $event) {
            if ($event->kind !== Kind::Used) {
                $groups[$event->learner."\0".$event->knot][] = $event;
            }
        }
        ksort($groups, SORT_STRING);

        return $groups;
    }

    /**
     * @param  non-empty-list<CheckEvent>  $events
     * @param  list<string>  $hardKnots
     */
    private static function one(array $events, array $hardKnots, MemoryModel $model, ?Tally $tally): Standing
    {
        $current = $events[count($events) - 1];
        $leaders = [];
        foreach ($events as $event) {
            if ($event->day === $current->day && $event->kind !== Kind::Prior && ! in_array($event->by, $leaders, true)) {
                $leaders[] = $event->by;
            }
        }

        return Standing::of($current, array_map(static fn (CheckEvent $event): DayResult => $event->result(), $events), $leaders, in_array($current->knot, $hardKnots, true), $model, $tally);
    }
}
