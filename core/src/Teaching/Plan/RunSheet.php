<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\TimeModel;

/**
 * Writes the blocks of each meeting of a term: welcome, old knots, lessons with the stations beside them, rigs and time to use
 * the knots, clearing up. Old knots are those someone has to tie on another day and, for what is left of their share, those
 * that fade, likeliest forgotten first.
 */
final readonly class RunSheet
{
    private RigBlocks $rigs;

    private function __construct(private PlanCase $case, private Term $term)
    {
        $this->rigs = new RigBlocks($case, $term);
    }

    /** @return array<string, list<Block>> by meeting id */
    public static function of(PlanCase $case, Term $term): array
    {
        $sheet = new self($case, $term);
        $blocks = [];
        foreach ($case->meetings as $number => $meeting) {
            $blocks[$meeting->id] = $sheet->meeting($number);
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function meeting(int $meeting): array
    {
        $lessons = $this->lessons($meeting);
        $taught = self::sum($lessons);
        $old = $this->oldKnots($meeting, $this->case->room[$meeting] - $taught);
        $whole = max(0.0, (float) ($this->case->meetings[$meeting]->minutes - TimeModel::WELCOME - TimeModel::CLEAR_UP));
        $rigs = $this->rigs->of($meeting, $whole - $taught - self::sum($old));
        $free = $whole - $taught - self::sum($old) - self::sum($rigs);
        $blocks = [
            new Block('welcome', TimeModel::WELCOME, null, [], 'Five minutes to start.'), ...$old, ...$lessons, ...$rigs,
            ...($free >= 1 ? [new Block('free', $free, null, [], $this->use($lessons, $old))] : []),
            new Block('clear_up', TimeModel::CLEAR_UP, null, [], 'Five minutes to clear up and count the rope.'),
        ];
        $start = 0.0;
        foreach ($blocks as $place => $block) {
            $blocks[$place] = $block->startingAt($start);
            $start += $block->minutes;
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function lessons(int $meeting): array
    {
        $stations = [];
        foreach ($this->term->lessons[$meeting] as $number => [$knot, $who, $beside]) {
            $stations[$beside ?? $number][] = [$knot, $who];
        }
        $blocks = [];
        foreach ($stations as $group) {
            $beside = [];
            foreach (array_slice($group, 1) as [$knot, $who]) {
                $teacher = $this->teacher($knot, $meeting, $group);
                $beside[] = new Block('again', $this->case->lessonFor($knot, $who, 1, 'again'), $this->case->knots[$knot], $this->ids($who), self::people($who, 'learner does not have it yet', 'learners do not have it yet').': a station of its own, while the others go on.', teacher: $teacher, checking: TimeModel::checking(Bits::size($who), 1));
            }
            [$knot, $who] = $group[0];
            $new = $this->case->isNew[$knot] && $this->term->taught[$knot][0][0] === $meeting;
            $blocks[] = new Block($new ? 'new' : 'again', $this->case->sideBySide($group, $meeting), $this->case->knots[$knot], $this->ids($who), $new
                ? self::people($who, 'learner needs it', 'learners need it').'; show twice, tie along, first tries.'
                : self::people($who, 'learner does not have it yet', 'learners do not have it yet').'.', beside: $beside, checking: TimeModel::checking(Bits::size($who), max(1, $this->case->meetings[$meeting]->checkers - count($beside))));
        }

        return $blocks;
    }

    /**
     * A learner who is there, has the knot and is in none of these stations: first one who has to teach it, then whoever
     * has it longest.
     *
     * @param  list<array{int, string}>  $group
     */
    private function teacher(int $knot, int $meeting, array $group): ?string
    {
        $busy = array_reduce($group, static fn (string $all, array $one): string => $all | $one[1], $this->case->nobody);
        $best = null;
        foreach ($this->case->learners as $number => $learner) {
            if (! Bits::has($this->case->present[$meeting], $number) || Bits::has($busy, $number) || ! CourseNeeds::holds($learner, $this->case->knots[$knot])) {
                continue;
            }
            $wants = ($this->case->needs->learnersFor($this->case->knots[$knot])[$learner->id] ?? null) === Level::TeachesIt;
            $rank = [$wants ? 0 : 1, -($learner->memories[$this->case->knots[$knot]]->halfLife ?? 0.0), $number];
            if ($best === null || $rank < $best[0]) {
                $best = [$rank, $learner->id];
            }
        }

        return $best[1] ?? null;
    }

    /** @return list<Block> */
    private function oldKnots(int $meeting, float $room): array
    {
        $day = $this->case->meetings[$meeting]->date;
        $keepers = [];
        foreach ($this->term->revisits[$meeting] as [$knot, $who]) {
            $keepers[$this->case->knots[$knot]] = $who;
        }
        [$faded, $chances] = $this->faded($day, $meeting);
        $minutes = 0.0;
        $blocks = [];
        // Second days were promised a place when the term was laid out; fading knots take what is left of the share.
        foreach ($keepers as $knot => $who) {
            $minutes += $this->case->revisit($who, $meeting);
        }
        foreach ([...array_fill_keys(array_keys($keepers), 0.0), ...array_diff_key($chances, $keepers)] as $knot => $chance) {
            $keep = $keepers[$knot] ?? $this->case->nobody;
            $who = $keep | ($faded[$knot] ?? $this->case->nobody);
            $more = $this->case->revisit($who, $meeting) - ($keep === $this->case->nobody ? 0.0 : $this->case->revisit($keep, $meeting));
            if ($minutes + $more > min($room, $this->case->share[$meeting]) + 1e-9) {
                if ($keep === $this->case->nobody) {
                    continue;
                }
                [$who, $more] = [$keep, 0.0];
            }
            $minutes += $more;
            $blocks[] = new Block('old', $this->case->revisit($who, $meeting), (string) $knot, $this->ids($who), $keep !== $this->case->nobody
                ? sprintf('%d can show that they kept it.', Bits::size($keep))
                : sprintf('Fading: the longest unseen has a chance of %d %% left.', (int) round(100 * $chance)));
        }

        return $blocks;
    }

    /** @return array{array<string, string>, array<string, float>} learners for whom each knot is due, and the least chance left, likeliest forgotten first */
    private function faded(string $day, int $meeting): array
    {
        $faded = $chances = [];
        foreach ($this->case->learners as $number => $learner) {
            foreach (Bits::has($this->case->present[$meeting], $number) ? $learner->memories : [] as $knot => $memory) {
                if ($memory->due($day) && ! $this->seenSince((string) $knot, $number, $meeting)) {
                    $faded[$knot] = ($faded[$knot] ?? $this->case->nobody) | Bits::of(count($this->case->learners), [$number]);
                    $chances[$knot] = min($chances[$knot] ?? 1.0, $memory->chance($day));
                }
            }
        }
        uksort($chances, static fn (string $a, string $b): int => [$chances[$a], $a] <=> [$chances[$b], $b]);

        return [$faded, $chances];
    }

    /** Whether the plan has the learner tie the knot before or at this meeting. */
    private function seenSince(string $knot, int $learner, int $meeting): bool
    {
        $number = array_search($knot, $this->case->knots, true);
        foreach ($number === false ? [] : [...$this->term->taught[$number], ...$this->term->tiedAgain[$number]] as [$when, $who]) {
            if ($when <= $meeting && Bits::has($who, $learner)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<Block>  $lessons
     * @param  list<Block>  $old
     */
    private function use(array $lessons, array $old): string
    {
        $uses = [
            'lashing' => 'Lash a frame and stand it up.', 'hitch' => 'Guy a pole with it, pull, and see whether it holds.',
            'bend' => 'Join every piece in the room into one line, and pull.', 'loop' => 'Hang something up with it.',
            'binding' => 'Tie up a bundle and carry it once round.', 'stopper' => 'Reeve a line and see that it stops.',
        ];
        foreach ([...$lessons, ...$old] as $block) {
            $use = $uses[$this->case->needs->knot((string) $block->knot)->family->value] ?? null;
            if ($use !== null) {
                return 'Time to use the knots, or to finish what runs over. '.$use;
            }
        }

        return 'Time to use the knots, or to finish what runs over.';
    }

    /** @return list<string> */
    private function ids(string $who): array
    {
        return array_map(fn (int $learner): string => $this->case->learners[$learner]->id, Bits::members($who));
    }

    private static function people(string $who, string $one, string $many): string
    {
        return Bits::size($who).' '.(Bits::size($who) === 1 ? $one : $many);
    }

    /** @param  list<Block>  $blocks */
    private static function sum(array $blocks): float
    {
        return array_sum(array_map(static fn (Block $block): float => $block->minutes, $blocks));
    }
}
