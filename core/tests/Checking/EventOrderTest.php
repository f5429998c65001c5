<?php

declare(strict_types=1);

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\EventOrder;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;

function eventOf(string $id, string $device, int $seq, string $at): CheckEvent
{
    return new CheckEvent($id, Kind::Result, 'ada', 'bowline', $device, $seq, $at, substr($at, 0, 10), 'maren', Verdict::HasIt, Seen::Yes, Seen::Yes, Seen::Yes, 0);
}

/** @return list<CheckEvent> of a few devices, whose clocks jump, with moments and numbers that are often the same */
function jumbled(int $many): array
{
    $events = [];
    for ($n = 0; $n < $many; $n++) {
        // Two of the devices are one and the same number, and are two devices.
        $device = ['1e3', '1000', 'phone', 'Phone'][mt_rand(0, 3)];
        $events[] = eventOf(sprintf('%02x-%d', mt_rand(0, 40), $n), $device, mt_rand(1, 9), sprintf('2026-11-24 18:%02d:00', mt_rand(0, 12)));
    }

    return $events;
}

/**
 * The slow way: each event stands at the latest time that its device's clock had shown by its number, and the least of those that are left
 * is taken out again and again.
 *
 * @param  list<CheckEvent>  $events
 * @return list<string> ids
 */
function oneAfterTheOther(array $events): array
{
    $isBy = static fn (CheckEvent $one, CheckEvent $other): bool => $one->device === $other->device
        && ($one->deviceSeq < $other->deviceSeq || $one->deviceSeq === $other->deviceSeq && strcmp($one->id, $other->id) <= 0);
    $timeOf = static fn (CheckEvent $event): string => max(array_map(static fn (CheckEvent $one): string => $one->correctedAt, array_filter($events, static fn (CheckEvent $one): bool => $isBy($one, $event))));
    $left = [];
    foreach ($events as $event) {
        $left[$event->id] = sprintf("%s\0%s\0%04d\0%s", $timeOf($event), $event->device, $event->deviceSeq, $event->id);
    }
    $order = [];
    while ($left !== []) {
        $least = null;
        foreach ($left as $id => $place) {
            if ($least === null || strcmp($place, $left[$least]) < 0) {
                $least = $id;
            }
        }
        $order[] = (string) $least;
        unset($left[$least]);
    }

    return $order;
}

it('puts events in the order that the slow way puts them in, however they come', function (): void {
    mt_srand(71);
    for ($case = 0; $case < 400; $case++) {
        $events = jumbled(mt_rand(1, 14));
        $ids = static fn (array $all): array => array_map(static fn (CheckEvent $one): string => $one->id, EventOrder::sort($all));
        $order = oneAfterTheOther($events);
        expect($ids($events))->toBe($order);
        shuffle($events);
        expect($ids($events))->toBe($order);
    }
});

it('never contradicts a device’s own count, and gives no event an earlier time than its own', function (): void {
    mt_srand(72);
    for ($case = 0; $case < 300; $case++) {
        $last = $before = [];
        foreach (EventOrder::placed(jumbled(mt_rand(1, 20))) as [$place, $event]) {
            expect($event->deviceSeq)->toBeGreaterThanOrEqual($last[$event->device] ?? 0)->and(strcmp($place[0], $event->correctedAt))->toBeGreaterThanOrEqual(0);
            $last[$event->device] = $event->deviceSeq;
            expect($before === [] || EventOrder::compare($before, $place) < 0)->toBeTrue();
            $before = $place;
        }
    }
});

it('takes the names of devices for text, and a clock that jumped back for no later than what came before', function (): void {
    $at = static fn (string $minute): string => "2026-11-24 18:$minute:00";
    $events = [eventOf('c', '1000', 1, $at('05')), eventOf('b', '1e3', 1, $at('05')), eventOf('x', 'phone', 2, $at('01')), eventOf('y', 'phone', 1, $at('09')), eventOf('z', 'tablet', 1, $at('08'))];
    expect(array_map(static fn (CheckEvent $one): string => $one->id, EventOrder::sort($events)))->toBe(['c', 'b', 'z', 'y', 'x']);
});
