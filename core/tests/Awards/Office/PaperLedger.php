<?php

declare(strict_types=1);

namespace Compadre\Core\Tests\Awards\Office;

use Compadre\Core\Awards\Office\Ledger;
use Compadre\Core\Awards\Office\OnList;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Slip;
use Compadre\Core\Awards\Office\Wish;
use Compadre\Core\Data\Fields;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A ledger in memory; its holder may be gone before or after anything is written down. */
final class PaperLedger implements Ledger
{
    /** @var array<string, array{passage: Passage, wish: Wish, key: ?string, receipt: ?string, told: bool}> */
    public array $rows = [];

    private int $keys = 0;

    private Randomizer $lots;

    public function __construct(int $seed, private readonly float $rate)
    {
        $this->lots = new Randomizer(new Mt19937($seed));
    }

    public function decide(string $award): void
    {
        $this->rows[$award] = ['passage' => Passage::Waiting, 'wish' => Wish::Held, 'key' => null, 'receipt' => null, 'told' => true];
    }

    public function wish(string $award, Wish $wish): void
    {
        if (! isset($this->rows[$award])) {
            return;
        }
        if ($this->rows[$award]['passage'] === Passage::Waiting) {
            unset($this->rows[$award]);
        } elseif ($this->rows[$award]['wish'] !== Wish::Forgotten) {
            $this->rows[$award] = ['wish' => $wish, 'told' => false] + $this->rows[$award];
        }
    }

    public function unanswered(): array
    {
        $sent = array_filter($this->rows, static fn (array $row): bool => $row['passage'] === Passage::Sent && $row['wish'] !== Wish::Forgotten);

        return array_map(static fn (string $award): OnList => new OnList($award, (string) $sent[$award]['key']), array_map(strval(...), array_keys($sent)));
    }

    public function nextList(int $most): array
    {
        return $this->kept(function () use ($most): array {
            $waiting = array_slice(array_keys(array_filter($this->rows, static fn (array $row): bool => $row['passage'] === Passage::Waiting)), 0, $most);
            $key = 'key-'.++$this->keys;
            foreach ($waiting as $award) {
                $this->rows[$award] = ['passage' => Passage::Sent, 'key' => $key] + $this->rows[$award];
            }

            return array_map(static fn (string $award): OnList => new OnList($award, $key), array_map(strval(...), $waiting));
        });
    }

    public function slips(array $awards): array
    {
        $there = array_filter($awards, fn (string $award): bool => isset($this->rows[$award]) && $this->rows[$award]['wish'] !== Wish::Forgotten);

        return array_values(array_map(static fn (string $award): Slip => Slip::of(Fields::of(['id' => $award, 'badge' => 'lantern-hand', 'version' => 1, 'name' => 'Lantern Hand', 'decided_on' => '2026-11-24', 'by_hand' => false, 'proof' => []]), 'Ada P.', strval(...)), $there));
    }

    public function answered(array $told): void
    {
        $this->kept(function () use ($told): void {
            foreach ($told as $one) {
                if (isset($this->rows[$one->award]) && $this->rows[$one->award]['passage'] === Passage::Sent) {
                    $this->rows[$one->award] = ['passage' => $one->taken ? Passage::Taken : Passage::Refused, 'receipt' => $one->receipt] + $this->rows[$one->award];
                }
            }
        });
    }

    public function release(array $awards): void
    {
        $this->kept(function () use ($awards): void {
            foreach ($awards as $award) {
                if (($this->rows[$award]['wish'] ?? null) === Wish::Held) {
                    $this->rows[$award] = ['passage' => Passage::Waiting, 'key' => null] + $this->rows[$award];
                } else {
                    unset($this->rows[$award]);
                }
            }
        });
    }

    public function toTakeBack(): array
    {
        return $this->where(static fn (array $row): bool => $row['passage'] === Passage::Taken && $row['wish'] === Wish::TakenBack && ! $row['told']);
    }

    public function tookBack(string $award): void
    {
        $this->kept(fn (): bool => $this->rows[$award]['told'] = true);
    }

    public function toForget(): array
    {
        return $this->where(static fn (array $row): bool => $row['wish'] === Wish::Forgotten);
    }

    public function forgot(string $award): void
    {
        $this->kept(function () use ($award): void {
            unset($this->rows[$award]);
        });
    }

    /**
     * @param  callable(array{passage: Passage, wish: Wish, key: ?string, receipt: ?string, told: bool}): bool  $is
     * @return list<string>
     */
    private function where(callable $is): array
    {
        return array_map(strval(...), array_keys(array_filter($this->rows, $is)));
    }

    /**
     * @template Answer
     *
     * @param  callable(): Answer  $write
     * @return Answer
     */
    private function kept(callable $write): mixed
    {
        if ($this->lots->getInt(0, 999_999) < 1_000_000 * $this->rate) {
            throw new Gone;
        }
        $answer = $write();
        if ($this->lots->getInt(0, 999_999) < 1_000_000 * $this->rate) {
            throw new Gone;
        }

        return $answer;
    }
}
