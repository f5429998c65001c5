<?php

declare(strict_types=1);

namespace Compadre\Core\Tests\Awards\Office;

use Closure;
use Compadre\Core\Awards\Office\Counter;
use Compadre\Core\Awards\Office\Slip;
use Compadre\Core\Awards\Office\Trouble;
use Compadre\Core\Words\Saying;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * An office whose answers are lost, doubled, cut short and late, drawn by lot. A list may land long after whoever sent it has given up; while it is
 * on its way, the office says under its key that it is being read. It forgets keys, too.
 */
final class FaultyOffice implements Counter
{
    /** @var list<array{award: string, key: string, taken: bool}> all that was ever written down */
    public array $entries = [];

    /** @var array<string, true> */
    public array $takenBack = [];

    /** @var array<string, true> */
    public array $forgotten = [];

    /** @var array<string, array{list<string>, array<mixed>, int}> what was answered under a key: the awards that were on it, the answer, and at which call */
    private array $keys = [];

    /** @var array<string, array{list<Slip>, int}> lists that are still on their way, and for how many calls */
    private array $underWay = [];

    private int $calls = 0;

    private Randomizer $lots;

    /** @param  Closure(string): bool  $refuses */
    public function __construct(int $seed, private readonly float $rate, private readonly Closure $refuses)
    {
        $this->lots = new Randomizer(new Mt19937($seed));
    }

    public function handIn(string $key, array $slips): array
    {
        $this->call();
        if (isset($this->underWay[$key])) {
            throw Trouble::later(new Saying('any.just', ['text' => 'It is being read.']), 1);
        }
        if ($this->befalls()) {
            $this->underWay[$key] = [$slips, $this->lots->getInt(1, 4)];
            throw $this->befalls() ? new Gone : Trouble::later(new Saying('any.just', ['text' => 'Nothing came back.']));
        }

        return $this->answer($this->read($key, $slips));
    }

    public function ask(array $awards): array
    {
        $this->call();
        $known = [];
        foreach ($awards as $award) {
            $of = array_values(array_filter($this->entries, static fn (array $entry): bool => $entry['award'] === $award));
            if ($of !== [] && ! isset($this->forgotten[$award])) {
                $last = $of[count($of) - 1];
                $state = isset($this->takenBack[$award]) ? 'taken_back' : ($last['taken'] ? 'taken' : 'refused');
                $known[] = ['award' => $award, 'state' => $state, 'receipt' => $last['taken'] ? "R-$award" : null, 'requirement' => 'Bowline', 'reason' => 'No.', 'key' => $last['key']];
            }
        }

        return $this->answer(['awards' => $known]);
    }

    public function takeBack(string $award): void
    {
        $this->call();
        $this->takenBack[$award] = true;
        $this->answer([]);
    }

    public function forget(string $award): void
    {
        $this->call();
        $this->forgotten[$award] = true;
        $this->answer([]);
    }

    /** Whatever is still on its way lands. */
    public function land(): void
    {
        foreach ($this->underWay as $key => [$slips]) {
            unset($this->underWay[$key]);
            $this->landed($key, $slips);
        }
    }

    private function call(): void
    {
        $this->calls++;
        foreach ($this->underWay as $key => [$slips, $calls]) {
            $this->underWay[$key] = [$slips, $calls - 1];
            if ($calls === 0) {
                unset($this->underWay[$key]);
                $this->landed($key, $slips);
            }
        }
        if ($this->befalls()) {
            throw match ($this->lots->getInt(0, 2)) {
                0 => Trouble::later(new Saying('any.just', ['text' => 'It is down.'])), 1 => Trouble::signedOut(), 2 => new Gone,
            };
        }
    }

    /** @param  list<Slip>  $slips */
    private function landed(string $key, array $slips): void
    {
        try {
            $this->read($key, $slips);
        } catch (Trouble) {
            // Nobody is there to hear it.
        }
    }

    /**
     * @param  list<Slip>  $slips
     * @return array<mixed>
     */
    private function read(string $key, array $slips): array
    {
        $awards = array_map(static fn (Slip $slip): string => $slip->award, $slips);
        if (isset($this->keys[$key])) {
            return $this->keys[$key][0] === $awards ? $this->keys[$key][1] : throw Trouble::keyReused();
        }
        $part = $this->befalls() ? array_slice($awards, 0, intdiv(count($awards), 2)) : $awards;
        $answer = ['receipts' => [], 'refused' => []];
        foreach ($part as $award) {
            $taken = ! isset($this->forgotten[$award]) && ! ($this->refuses)($award);
            $this->entries[] = ['award' => $award, 'key' => $key, 'taken' => $taken];
            $answer[$taken ? 'receipts' : 'refused'][] = $taken ? ['award' => $award, 'receipt' => "R-$award"] : ['award' => $award, 'requirement' => 'Bowline', 'reason' => 'No.'];
        }
        $this->keys[$key] = [$awards, $answer, $this->calls];
        if (count($part) < count($awards) && $this->befalls()) {
            throw Trouble::signedOut();
        }

        return $answer;
    }

    /**
     * @param  array<mixed>  $answer
     * @return array<mixed>
     */
    private function answer(array $answer): array
    {
        if ($this->befalls()) {
            // No office forgets at once, nor while more of it arrives: against that nobody could do anything.
            $this->keys = array_filter($this->keys, fn (array $kept, string $key): bool => $kept[2] > $this->calls - 2 || isset($this->underWay[$key]), ARRAY_FILTER_USE_BOTH);
        }
        if ($this->befalls()) {
            throw $this->befalls() ? new Gone : Trouble::later(new Saying('any.just', ['text' => 'The answer was lost.']));
        }

        return $this->befalls() ? array_map(static fn (mixed $list): array => [...(array) $list, ...(array) $list], $answer) : $answer;
    }

    private function befalls(): bool
    {
        return $this->lots->getInt(0, 999_999) < 1_000_000 * $this->rate;
    }
}
