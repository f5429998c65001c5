<?php

declare(strict_types=1);

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Checking\Verdict;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/*
 * Where a learner stands, held against reading the record line by line, with nothing crossed out until it is asked whether it is.
 */

/** The record of one learner and knot, read slowly. Its lines are in the order of their times; each device tells the truth about when. */
final class ReadSlowly
{
    /** @param  list<CheckEvent>  $lines  in order */
    public function __construct(private readonly array $lines)
    {
    }

    /** @return ?array{level: string, current: string, since: ?string, kept: ?string, leaders: list<string>, days: list<string>} null: nothing is left */
    public function standing(): ?array
    {
        $left = [];
        foreach ($this->lines as $line) {
            if ($line->kind === Kind::Retract || $this->standsElsewhere($line)) {
                continue;
            }
            $said = $this->lastWordOn($line, []);
            if ($said !== null) {
                $left[] = ['says' => $said, 'day' => $line->day];
            }
        }
        if ($left === []) {
            return null;
        }
        $clean = array_values(array_filter($left, static fn (array $one): bool => $one['says']->verdict === Verdict::HasIt));
        // What was had before the app was had on a day of its own, whichever.
        $ownDay = static fn (array $one): string => $one['says']->kind === Kind::Prior ? 'before' : $one['day'];
        $later = array_values(array_filter($clean, static fn (array $one): bool => $ownDay($one) !== $ownDay($clean[0])));
        $helped = array_filter($left, static fn (array $one): bool => $one['says']->verdict === Verdict::WithHelp);
        $current = end($left);
        $leaders = array_map(static fn (array $one): string => $one['says']->by, array_filter($left, static fn (array $one): bool => $one['day'] === $current['day'] && $one['says']->kind !== Kind::Prior));

        return [
            'level' => match (true) {
                $later !== [] => 'kept',
                $clean !== [] => 'has_it',
                $helped !== [] => 'with_help',
                default => 'seen',
            },
            'current' => $current['says']->id, 'since' => $clean[0]['day'] ?? null, 'kept' => $later[0]['day'] ?? null,
            'leaders' => array_values(array_unique($leaders)), 'days' => array_column($left, 'day'),
        ];
    }

    private function isTakenBack(CheckEvent $line): bool
    {
        foreach ($this->lines as $other) {
            if ($other->kind === Kind::Retract && $other->target === $line->id) {
                return true;
            }
        }

        return false;
    }

    /** @return list<CheckEvent> that decide otherwise about a line, and were not taken back themselves */
    private function decisionsOn(CheckEvent $line): array
    {
        return array_values(array_filter($this->lines, fn (CheckEvent $one): bool => $one->kind === Kind::Overrule && $one->target === $line->id && ! $this->isTakenBack($one)));
    }

    /** A decision about a line that is there stands in that line's place. */
    private function standsElsewhere(CheckEvent $line): bool
    {
        foreach ($this->lines as $other) {
            if ($line->kind === Kind::Overrule && $line->target === $other->id) {
                return ! $this->isTakenBack($line);
            }
        }

        return false;
    }

    /** @param  list<string>  $asked  about what was asked on the way */
    private function lastWordOn(CheckEvent $line, array $asked): ?CheckEvent
    {
        $decisions = $this->decisionsOn($line);
        if ($decisions === [] || in_array($line->id, $asked, true)) {
            return $asked === [] && $this->isTakenBack($line) ? null : $line;
        }

        return $this->lastWordOn(end($decisions), [...$asked, $line->id]);
    }
}

it('says where a learner stands as reading the record line by line does, in whatever order it came in', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(55));
    $seen = [];
    for ($case = 0; $case < 1500; $case++) {
        $lines = [];
        $count = $random->getInt(1, 10);
        $at = new DateTimeImmutable('2026-11-03 18:00:00');
        for ($n = 1; $n <= $count; $n++) {
            $at = $at->modify('+'.[3, 7, 60, 1440, 10080][$random->getInt(0, 4)].' minutes');
            // One in three is about another: one that is there, one that is not, or one still to come.
            $kind = [Kind::Result, Kind::Result, Kind::Result, Kind::Result, Kind::Prior, Kind::Retract, Kind::Overrule, Kind::Overrule][$random->getInt(0, 7)];
            $target = in_array($kind, [Kind::Retract, Kind::Overrule], true) ? 'e'.$random->getInt(1, $count + 1) : null;
            $target = $target === "e$n" ? 'elsewhere' : $target;
            $verdict = $kind === Kind::Prior ? Verdict::HasIt : Verdict::cases()[$random->getInt(0, count(Verdict::cases()) - 1)];
            $lines[] = new CheckEvent(
                "e$n", $kind, 'ada', 'bowline', 'phone', $n, $at->format('Y-m-d H:i:s'), $at->format('Y-m-d'), ['maren', 'tobin', 'wren'][$random->getInt(0, 2)],
                $verdict, Seen::Yes, Seen::Yes, Seen::Yes, 0, $target,
            );
        }
        $slow = (new ReadSlowly($lines))->standing();
        $found = Standings::derive($random->shuffleArray($lines));
        $told = json_encode(array_map(static fn (CheckEvent $line): array => [$line->id, $line->kind->value, $line->verdict->value, $line->day, $line->by, $line->target], $lines));
        if ($slow === null) {
            expect($found)->toBe([], $told);
            $seen['nothing'] = ($seen['nothing'] ?? 0) + 1;

            continue;
        }
        expect($found)->toHaveCount(1, $told);
        $one = $found[0];
        expect([
            'level' => $one->level?->value, 'current' => $one->current->id, 'since' => $one->hasItSince, 'kept' => $one->keptSince,
            'leaders' => $one->leaders, 'days' => array_map(static fn ($result): string => $result->day, $one->results),
        ])->toBe($slow, $told);
        $seen[$slow['level']] = ($seen[$slow['level']] ?? 0) + 1;
    }
    expect(array_keys($seen))->toContain('nothing', 'seen', 'with_help', 'has_it', 'kept')->and(min($seen))->toBeGreaterThan(20);
});
