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
        $byDevice = [];
        foreach ($events as $event) {
            $byDevice[$event->device][] = $event;
        }
        $timed = [];
        foreach ($byDevice as $own) {
            usort($own, static fn (CheckEvent $a, CheckEvent $b): int => [$a->deviceSeq, $a->id] <=> [$b->deviceSeq, $b->id]);
            $latest = '';
            foreach ($own as $event) {
                $latest = max($latest, $event->correctedAt);
                $timed[] = [[$latest, $event->device, $event->deviceSeq, $event->id], $event];
            }
        }
        usort($timed, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(static fn (array $entry): CheckEvent => $entry[1], $timed);
    }
}
