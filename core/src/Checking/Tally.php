<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * What the checks of one learner and knot have come to, so that another is taken in without reading those before, whichever of them
 * it comes after. Kept with the standing, and a function of the same set of events: of checks in which one leader says the same on
 * the same day only the first is kept, since neither level nor memory tells how often it was said. There is none where something
 * was taken back or decided otherwise.
 */
final readonly class Tally
{
    /**
     * @param  list<array{DayResult, string, array{string, string, int, string}}>  $seen  each result once, who recorded it, and where it first stands
     * @param  array{string, string, int, string}  $last  where the current event stands
     * @param  array<string, array{int, string}>  $devices  the last number of each, and where its clock had come to
     */
    private function __construct(private array $seen, public CheckEvent $current, private array $last, private array $devices)
    {
    }

    /**
     * @param  list<array{array{string, string, int, string}, CheckEvent}>  $placed  all events of one learner and knot, in order
     * @return ?self null where there are none, or one of them is about another
     */
    public static function of(array $placed): ?self
    {
        $tally = null;
        foreach ($placed as [$place, $event]) {
            if (! self::isPlain($event)) {
                return null;
            }
            $devices = [$event->device => [$event->deviceSeq, $place[0]]] + ($tally->devices ?? []);
            $tally = new self(self::inserted($tally->seen ?? [], $event, $place), $event, $place, $devices);
        }

        return $tally;
    }

    /**
     * The same with one more check.
     *
     * @return ?self null where it is about one of them, or its device has counted on already: then they all have to be read
     */
    public function with(CheckEvent $event): ?self
    {
        [$counted, $clock] = $this->devices[$event->device] ?? [-1, ''];
        if (! self::isPlain($event) || $event->deviceSeq <= $counted) {
            return null;
        }
        $place = [max($event->correctedAt, $clock), $event->device, $event->deviceSeq, $event->id];
        $devices = [$event->device => [$event->deviceSeq, $place[0]]] + $this->devices;
        $isLast = EventOrder::compare($place, $this->last) > 0;

        return new self(self::inserted($this->seen, $event, $place), $isLast ? $event : $this->current, $isLast ? $place : $this->last, $devices);
    }

    /** @return list<DayResult> in order, those that say the same on the same day once */
    public function results(): array
    {
        return array_column($this->seen, 0);
    }

    /** @return list<string> who recorded results on the current result's day */
    public function leaders(): array
    {
        $leaders = [];
        foreach ($this->seen as [$result, $by]) {
            if ($result->day === $this->current->day && ! $result->prior && ! in_array($by, $leaders, true)) {
                $leaders[] = $by;
            }
        }

        return $leaders;
    }

    /** @return array<string, mixed> as from() reads it */
    public function toArray(): array
    {
        $devices = $this->devices;
        ksort($devices, SORT_STRING);
        $now = $this->current;

        return [
            'seen' => array_map(static fn (array $one): array => [$one[0]->day, $one[0]->verdict->value, $one[0]->prior, $one[1], ...$one[2]], $this->seen),
            'current' => [
                'id' => $now->id, 'kind' => $now->kind->value, 'device_seq' => $now->deviceSeq, 'device' => $now->device, 'at' => $now->correctedAt, 'day' => $now->day, 'by' => $now->by,
                'verdict' => $now->verdict->value, 'tying' => $now->tying->value, 'dressing' => $now->dressing->value, 'tail' => $now->tail->value, 'prompts' => $now->prompts,
            ],
            'last' => $this->last[0],
            'devices' => array_map(static fn (int|string $device, array $at): array => [(string) $device, ...$at], array_keys($devices), $devices),
        ];
    }

    /** @throws Refusal for what toArray did not write */
    public static function from(Fields $kept, string $learner, string $knot): self
    {
        $seen = [];
        foreach ($kept->list('seen') as $index => $one) {
            [$day, $verdict, $prior, $by, $time, $device, $number, $id] = array_pad(is_array($one) ? array_values($one) : [], 8, null);
            if (! is_string($day) || ! is_string($verdict) || ! is_bool($prior) || ! is_string($by) || ! is_string($time) || ! is_string($device) || ! is_int($number) || ! is_string($id)) {
                throw Refusal::of($kept->place('seen').'/'.$index, $one, 'checking.standing');
            }
            $seen[] = [new DayResult($day, Verdict::from($verdict), $prior), $by, [$time, $device, $number, $id]];
        }
        $devices = [];
        foreach ($kept->list('devices') as $index => $one) {
            [$device, $number, $clock] = array_pad(is_array($one) ? array_values($one) : [], 3, null);
            if (! is_string($device) || ! is_int($number) || ! is_string($clock)) {
                throw Refusal::of($kept->place('devices').'/'.$index, $one, 'checking.device');
            }
            $devices[$device] = [$number, $clock];
        }
        $now = $kept->object('current');
        $current = new CheckEvent(
            $now->text('id'), Kind::from($now->text('kind')), $learner, $knot, $now->text('device'), $now->whole('device_seq'), $now->text('at'), $now->text('day'), $now->text('by'),
            Verdict::from($now->text('verdict')), Seen::from($now->text('tying')), Seen::from($now->text('dressing')), Seen::from($now->text('tail')), $now->whole('prompts'),
        );

        return new self($seen, $current, [$kept->text('last'), $current->device, $current->deviceSeq, $current->id], $devices);
    }

    private static function isPlain(CheckEvent $event): bool
    {
        return $event->kind === Kind::Result || $event->kind === Kind::Prior;
    }

    /**
     * @param  list<array{DayResult, string, array{string, string, int, string}}>  $seen
     * @param  array{string, string, int, string}  $place
     * @return list<array{DayResult, string, array{string, string, int, string}}> in order
     */
    private static function inserted(array $seen, CheckEvent $event, array $place): array
    {
        $result = $event->result();
        foreach ($seen as $number => [$known, $by, $first]) {
            if ($by === $event->by && $known->day === $result->day && $known->verdict === $result->verdict && $known->prior === $result->prior) {
                if (EventOrder::compare($first, $place) <= 0) {
                    return $seen;
                }
                unset($seen[$number]);
                break;
            }
        }
        $seen[] = [$result, $event->by, $place];
        usort($seen, static fn (array $a, array $b): int => EventOrder::compare($a[2], $b[2]));

        return $seen;
    }
}
