<?php

declare(strict_types=1);

require_once __DIR__.'/Gone.php';
require_once __DIR__.'/FaultyOffice.php';
require_once __DIR__.'/PaperLedger.php';

use Compadre\Core\Awards\Office\Counter;
use Compadre\Core\Awards\Office\Errand;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Patience;
use Compadre\Core\Awards\Office\Trouble;
use Compadre\Core\Awards\Office\What;
use Compadre\Core\Awards\Office\Wish;
use Compadre\Core\Tests\Awards\Office\FaultyOffice;
use Compadre\Core\Tests\Awards\Office\Gone;
use Compadre\Core\Tests\Awards\Office\PaperLedger;
use Compadre\Core\Words\Saying;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Runs the errand over and over until a run comes to its end; how often it did not. */
function errands(PaperLedger $ledger, FaultyOffice $office, ?Closure $between = null): int
{
    $broken = 0;
    while (true) {
        try {
            (new Errand($ledger, $office))->run(static fn (): null => null);

            return $broken;
        } catch (Trouble|Gone $ended) {
            if ($ended instanceof Trouble && $ended->what !== What::Later) {
                throw $ended;
            }
            if (++$broken > 5000) {
                throw new RuntimeException('It never comes to an end.');
            }
            $between === null || $between();
        }
    }
}

it('loses and doubles nothing, whatever is lost, late, cut short or killed on the way', function (float $rate): void {
    $broken = 0;
    foreach (range(1, 300) as $seed) {
        $lots = new Randomizer(new Mt19937($seed));
        $refused = static fn (string $award): bool => crc32($award) % 5 === 0;
        $ledger = new PaperLedger($seed, $rate / 2);
        $office = new FaultyOffice($seed + 7, $rate, $refused);
        $held = $back = $gone = [];
        $decide = static function () use ($ledger, $lots, &$held): void {
            foreach (range(1, $lots->getInt(1, 9)) as $ignored) {
                $ledger->decide($held[] = bin2hex($lots->getBytes(8)));
            }
        };
        // While the errand is run, more is decided, taken back and erased.
        $between = static function () use ($lots, $decide, $ledger, &$held, &$back, &$gone): void {
            if (count($held) > 120 || $lots->getInt(0, 3) > 0) {
                return;
            }
            $lots->getInt(0, 2) > 0 || $decide();
            $one = $held[$lots->getInt(0, count($held) - 1)];
            if ($lots->getInt(0, 1) === 0 && ! isset($back[$one])) {
                $ledger->wish($one, Wish::TakenBack);
                $back[$one] = true;
            } else {
                $ledger->wish($one, Wish::Forgotten);
                $gone[$one] = true;
            }
        };
        $decide();
        $broken += errands($ledger, $office, $between);
        $office->land();
        errands($ledger, $office);
        $times = array_count_values(array_column($office->entries, 'award'));
        // What a second list brought under another key would stand there twice.
        expect(array_filter($times, static fn (int $count): bool => $count > 1))->toBe([]);
        foreach ($held as $award) {
            $row = $ledger->rows[$award] ?? null;
            $known = isset($times[$award]);
            if (isset($gone[$award])) {
                expect($row)->toBeNull()->and(! $known || isset($office->forgotten[$award]))->toBeTrue();
            } elseif (isset($back[$award])) {
                expect($row === null ? $known : $row['passage'] === Passage::Taken && ! isset($office->takenBack[$award]))->toBeFalse();
            } else {
                expect($row['passage'])->toBe($refused($award) ? Passage::Refused : Passage::Taken)->and($known)->toBeTrue()->and(isset($office->takenBack[$award]) || isset($office->forgotten[$award]))->toBeFalse();
            }
        }
    }
    expect($broken)->toBeGreaterThan($rate > 0 ? 100 : -1);
})->with([0.0, 0.05, 0.15, 0.3]);

it('asks before it sends what an older ledger knows nothing of', function (): void {
    $ledger = new PaperLedger(1, 0.0);
    $office = new FaultyOffice(1, 0.0, static fn (string $award): bool => $award === 'c');
    array_map($ledger->decide(...), ['a', 'b', 'c']);
    errands($ledger, $office);
    array_map($ledger->decide(...), ['a', 'b', 'c', 'd']);
    errands($ledger, $office);
    // Only what was refused is looked at again.
    expect(array_column($office->entries, 'award'))->toBe(['a', 'b', 'c', 'c', 'd'])->and($ledger->rows['b']['receipt'])->toBe('R-b')->and($ledger->rows['d']['passage'])->toBe(Passage::Taken);
});

it('gives up on an office that says nothing, and on one that lets nobody in', function (): void {
    $mute = new class implements Counter
    {
        public int $lists = 0;

        public function handIn(string $key, array $slips): array
        {
            $this->lists++;

            return ['receipts' => [], 'refused' => []];
        }

        public function ask(array $awards): array
        {
            return ['awards' => []];
        }

        public function takeBack(string $award): void
        {
        }

        public function forget(string $award): void
        {
            throw Trouble::signedOut();
        }
    };
    $ledger = new PaperLedger(1, 0.0);
    $ledger->decide('a');
    expect(fn () => (new Errand($ledger, $mute))->run(static fn (): null => null))->toThrow(Trouble::class, 'says nothing');
    expect($mute->lists)->toBeLessThan(10)->and($ledger->rows['a']['passage'])->toBe(Passage::Waiting);
    $ledger->nextList(9);
    $ledger->wish('a', Wish::Forgotten);
    expect(fn () => (new Errand($ledger, $mute))->run(static fn (): null => null))->toThrow(Trouble::class, 'ended each way in');
});

it('leaves out what an office cannot read, and hands in the rest', function (): void {
    $strict = new class implements Counter
    {
        /** @var list<string> */
        public array $taken = [];

        public function handIn(string $key, array $slips): array
        {
            foreach ($slips as $place => $slip) {
                if ($slip->award === 'b') {
                    throw Trouble::unreadable(new Saying('any.just', ['text' => 'A name.']), $place);
                }
            }
            $this->taken = array_map(static fn ($slip): string => $slip->award, $slips);

            return ['receipts' => array_map(static fn (string $award): array => ['award' => $award, 'receipt' => "R-$award"], $this->taken), 'refused' => []];
        }

        public function ask(array $awards): array
        {
            return ['awards' => []];
        }

        public function takeBack(string $award): void
        {
        }

        public function forget(string $award): void
        {
        }
    };
    $ledger = new PaperLedger(1, 0.0);
    array_map($ledger->decide(...), ['a', 'b', 'c']);
    (new Errand($ledger, $strict))->run(static fn (): null => null);
    expect($strict->taken)->toBe(['a', 'c'])->and(array_map(static fn (array $row): Passage => $row['passage'], $ledger->rows))->toEqual(['a' => Passage::Taken, 'b' => Passage::Refused, 'c' => Passage::Taken]);
});

it('waits twice as long each time, at least as long as it is asked to, and an hour at the most', function (): void {
    expect(array_map(Patience::after(...), [0, 1, 2, 3, 5, 9, 40]))->toBe([15, 15, 30, 60, 240, 3600, 3600]);
    expect(Patience::after(1, 90))->toBe(90)->and(Patience::after(6, 90))->toBe(480)->and(Patience::after(1, 100_000))->toBe(3600);
});
