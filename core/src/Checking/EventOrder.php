<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * The one order of a set of events. A device's own count is never contradicted: an event that its clock puts before
 * an earlier one of the same device moves up to that one's time.
 */
final class EventOrder
{
    /**
     * @param  iterable<CheckEvent>  $events
     * @return list<CheckEvent>
     */
    public static function sort(iterable $events): array
    {
        return array_column(self::placed($events), 1);
    }

    /**
     * @param  iterable<CheckEvent>  $events
     * @return list<array{array{string, string, int, string}, CheckEvent}> each with its place, in order
     */
    public static function placed(iterable $events): array
    {
        $byDevice = [];
        foreach ($events as $event) {
            $byDevice[$event->device][] = $event;
        }
        $timed = [];
        foreach ($byDevice as $own) {
            usort($own, static fn (CheckEvent $a, CheckEvent $b): int => $a->deviceSeq <=> $b->deviceSeq ?: strcmp($a->id, $b->id));
            $latest = '';
            foreach ($own as $event) {
                $latest = max($latest, $event->correctedAt);
                $timed[] = [[$latest, $event->device, $event->deviceSeq, $event->id], $event];
            }
        }
        usort($timed, static fn (array $a, array $b): int => self::compare($a[0], $b[0]));

        return $timed;
    }

    /**
     * Which of two places comes first: below, at or above 0. As text, never as numbers: a device may be called 1e3.
     *
     * @param  array{string, string, int, string}  $a  corrected time, device, number, id
     * @param  array{string, string, int, string}  $b
     */
    public static function compare(array $a, array $b): int
    {
        return strcmp($a[0], $b[0]) ?: strcmp($a[1], $b[1]) ?: $a[2] <=> $b[2] ?: strcmp($a[3], $b[3]);
    }
}
