<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

use Compadre\Core\Data\Fields;
use Compadre\Core\Words\Saying;

/**
 * Sees to it that an office knows what it is to know: nothing twice, nothing lost, whatever becomes of a call or of the one who makes it.
 *
 * A list is written down with its key before it is sent. Every award is asked for by its id before it is sent, the first time too: a backup that
 * was put back knows less than the office. What was sent and not answered is sent again under the same key: an office that is still reading the
 * first says so. What it passes over under that key is asked for once more, and sent under another.
 */
final readonly class Errand
{
    /** Awards on one list, and asked for at once. */
    public const MOST = 50;

    /** So often in a row a way in may end without anything being done. */
    private const IN_A_ROW = 8;

    /** So many lists in a row may be passed over in silence. */
    private const IN_VAIN = 3;

    public function __construct(private Ledger $ledger, private Counter $counter)
    {
    }

    /**
     * @param  callable(): void  $step  called after each answer
     *
     * @throws Trouble what is left can be done another time
     */
    public function run(callable $step): void
    {
        $ended = 0;
        while (true) {
            try {
                $this->once(function () use ($step, &$ended): void {
                    $ended = 0;
                    $step();
                });

                return;
            } catch (Trouble $trouble) {
                if ($trouble->what !== What::SignedOut) {
                    throw $trouble;
                }
                // Some of it may have been done: all is looked at anew, with a new way in.
                if (++$ended > self::IN_A_ROW) {
                    throw Trouble::later(new Saying('awards.trouble_ended'));
                }
            }
        }
    }

    /** @param  callable(): void  $step */
    private function once(callable $step): void
    {
        foreach ($this->ledger->toForget() as $award) {
            $this->counter->forget($award);
            $this->ledger->forgot($award);
            $step();
        }
        $this->settle($step);
        $inVain = 0;
        while ($this->ledger->nextList(self::MOST) !== []) {
            $inVain = $this->settle($step) > 0 ? 0 : $inVain + 1;
            if ($inVain === self::IN_VAIN) {
                throw Trouble::later(new Saying('awards.trouble_says_nothing'));
            }
        }
        foreach ($this->ledger->toTakeBack() as $award) {
            $this->counter->takeBack($award);
            $this->ledger->tookBack($award);
            $step();
        }
    }

    /**
     * Whatever was sent and not answered: asked for, else sent again.
     *
     * @param  callable(): void  $step
     * @return int how many were answered
     */
    private function settle(callable $step): int
    {
        $answered = 0;
        foreach ($this->lists() as $list) {
            $left = $this->asked($list, $step);
            $answered += count($list) - count($left);
            if ($left !== []) {
                $answered += $this->send($left, $step);
                // What it passes over now, it will not take under this key: it is sent anew, under another.
                $answered += $this->releaseUnknown($left, $step);
            }
        }

        return $answered;
    }

    /** @return list<non-empty-list<OnList>> what has not been answered, by list */
    private function lists(): array
    {
        $lists = [];
        foreach ($this->ledger->unanswered() as $entry) {
            $lists[$entry->key][] = $entry;
        }

        return array_merge(...array_map(static fn (array $list): array => array_chunk($list, self::MOST), array_values($lists)));
    }

    /**
     * @param  non-empty-list<OnList>  $list
     * @param  callable(): void  $step
     * @return list<OnList> those that the office does not know
     */
    private function asked(array $list, callable $step): array
    {
        $told = Reply::ofAsking(Fields::of($this->counter->ask(self::awards($list))), $list);
        $this->ledger->answered($told);
        $step();

        return self::without($list, $told);
    }

    /**
     * @param  non-empty-list<OnList>  $list
     * @param  callable(): void  $step
     * @return int how many were answered
     */
    private function send(array $list, callable $step): int
    {
        $slips = $this->ledger->slips(self::awards($list));
        if ($slips === []) {
            return 0;
        }
        try {
            $told = Reply::ofList(Fields::of($this->counter->handIn($list[0]->key, $slips)), self::awards($list));
        } catch (Trouble $trouble) {
            $told = $this->notTaken($trouble, $slips);
        }
        $this->ledger->answered($told);
        $step();

        return count($told);
    }

    /**
     * @param  non-empty-list<Slip>  $slips
     * @return list<Told>
     */
    private function notTaken(Trouble $trouble, array $slips): array
    {
        if ($trouble->what === What::KeyReused) {
            return [];
        }
        $stumbled = $trouble->what === What::Unreadable && $trouble->place !== null ? $slips[$trouble->place] ?? null : null;

        return $stumbled === null ? throw $trouble : [new Told($stumbled->award, false, null, null, $trouble->getMessage())];
    }

    /**
     * @param  non-empty-list<OnList>  $list
     * @param  callable(): void  $step
     * @return int how many were answered after all
     */
    private function releaseUnknown(array $list, callable $step): int
    {
        $keys = array_flip(self::awards($list));
        $still = array_values(array_filter($this->ledger->unanswered(), static fn (OnList $entry): bool => isset($keys[$entry->award])));
        if ($still === []) {
            return 0;
        }
        $unknown = $this->asked($still, $step);
        $this->ledger->release(self::awards($unknown));

        return count($still) - count($unknown);
    }

    /**
     * @param  list<OnList>  $list
     * @return list<string>
     */
    private static function awards(array $list): array
    {
        return array_map(static fn (OnList $entry): string => $entry->award, $list);
    }

    /**
     * @param  list<OnList>  $list
     * @param  list<Told>  $told
     * @return list<OnList>
     */
    private static function without(array $list, array $told): array
    {
        $known = array_flip(array_map(static fn (Told $one): string => $one->award, $told));

        return array_values(array_filter($list, static fn (OnList $entry): bool => ! isset($known[$entry->award])));
    }
}
