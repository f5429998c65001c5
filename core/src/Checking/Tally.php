<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * What the checks of one learner and knot have come to, so that a later one is taken in without reading those before. Kept with the
 * standing, and a function of the same set of events: of checks that say the same on the same day only the first is kept, since
 * neither level nor memory tells how often it was said. There is none where something was taken back or decided otherwise.
 */
final readonly class Tally
{
    /**
     * @param  list<array{DayResult, string}>  $seen  each result once, with who recorded it, in order
     * @param  array{string, string, int, string}  $last  where the last event stands: corrected time, device, number, id
     * @param  array<string, int>  $counted  the last number of each device
     */
    private function __construct(private array $seen, private array $last, private array $counted)
    {
    }

    /**
     * @param  list<CheckEvent>  $ordered  all events of one learner and knot, in order
     * @return ?self null where there are none, or one of them is about another
     */
    public static function of(array $ordered): ?self
    {
        if ($ordered === []) {
            return null;
        }
        $seen = [];
        $time = '';
        $counted = [];
        foreach ($ordered as $event) {
            if (! self::isPlain($event)) {
                return null;
            }
            $seen = self::seen($seen, $event);
            $time = max($time, $event->correctedAt);
            $counted[$event->device] = $event->deviceSeq;
        }
        $last = $ordered[count($ordered) - 1];

        return new self($seen, [$time, $last->device, $last->deviceSeq, $last->id], $counted);
    }

    /**
     * The same with one more check.
     *
     * @return ?self null where it does not come after all the others, or is about one of them: then they all have to be read
     */
    public function with(CheckEvent $event): ?self
    {
        $place = [$event->correctedAt, $event->device, $event->deviceSeq, $event->id];
        if (! self::isPlain($event) || $event->deviceSeq <= ($this->counted[$event->device] ?? -1) || EventOrder::compare($place, $this->last) <= 0) {
            return null;
        }

        return new self(self::seen($this->seen, $event), $place, [$event->device => $event->deviceSeq] + $this->counted);
    }

    /** @param  CheckEvent  $current  the last event that was taken in */
    public function standing(CheckEvent $current, bool $hard, MemoryModel $model): Standing
    {
        $leaders = [];
        foreach ($this->seen as [$result, $by]) {
            if ($result->day === $current->day && ! $result->prior && ! in_array($by, $leaders, true)) {
                $leaders[] = $by;
            }
        }

        return Standing::of($current, array_column($this->seen, 0), $leaders, $hard, $model, $this);
    }

    /** @return array{seen: list<array{string, string, bool, string}>, last: array{string, string, int, string}, counted: list<array{string, int}>} */
    public function toArray(): array
    {
        $counted = $this->counted;
        ksort($counted, SORT_STRING);

        return [
            'seen' => array_map(static fn (array $one): array => [$one[0]->day, $one[0]->verdict->value, $one[0]->prior, $one[1]], $this->seen),
            'last' => $this->last,
            'counted' => array_map(static fn (int|string $device, int $number): array => [(string) $device, $number], array_keys($counted), $counted),
        ];
    }

    /** @throws Refusal for what toArray did not write */
    public static function from(Fields $kept): self
    {
        $seen = [];
        foreach ($kept->list('seen') as $index => $one) {
            [$day, $verdict, $prior, $by] = is_array($one) && count($one) === 4 ? array_values($one) : [null, null, null, null];
            if (! is_string($day) || ! is_string($verdict) || ! is_bool($prior) || ! is_string($by)) {
                throw Refusal::of($kept->place('seen').'/'.$index, $one, 'a day, a verdict, whether it was had before, and who recorded it');
            }
            $seen[] = [new DayResult($day, Verdict::from($verdict), $prior), $by];
        }
        $counted = [];
        foreach ($kept->list('counted') as $index => $one) {
            [$device, $number] = is_array($one) ? array_pad(array_values($one), 2, null) : [null, null];
            if (! is_string($device) || ! is_int($number)) {
                throw Refusal::of($kept->place('counted').'/'.$index, $one, 'a device and its last number');
            }
            $counted[$device] = $number;
        }
        [$time, $device, $number, $id] = array_pad($kept->list('last'), 4, null);
        if (! is_string($time) || ! is_string($device) || ! is_int($number) || ! is_string($id)) {
            throw Refusal::of($kept->place('last'), $kept->list('last'), 'a time, a device, its number and an id');
        }

        return new self($seen, [$time, $device, $number, $id], $counted);
    }

    private static function isPlain(CheckEvent $event): bool
    {
        return $event->kind === Kind::Result || $event->kind === Kind::Prior;
    }

    /**
     * @param  list<array{DayResult, string}>  $seen
     * @return list<array{DayResult, string}>
     */
    private static function seen(array $seen, CheckEvent $event): array
    {
        $result = $event->result();
        foreach ($seen as [$known, $by]) {
            if ($by === $event->by && $known->day === $result->day && $known->verdict === $result->verdict && $known->prior === $result->prior) {
                return $seen;
            }
        }
        $seen[] = [$result, $event->by];

        return $seen;
    }
}
