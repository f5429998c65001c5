<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/**
 * What the group has written down of its dealings with the office. Everything is kept before a call returns: whoever runs the errand may be gone
 * after any of them.
 */
interface Ledger
{
    /** @return list<OnList> awards that were sent and not answered, list by list, but for those to be forgotten */
    public function unanswered(): array;

    /**
     * Puts waiting awards on a list with a new key, and writes that down; to be forgotten or taken back ones are not among them.
     *
     * @return list<OnList> none where nothing waits
     */
    public function nextList(int $most): array;

    /**
     * @param  list<string>  $awards
     * @return list<Slip> of those that still are there, in that order
     */
    public function slips(array $awards): array;

    /** @param  list<Told>  $told */
    public function answered(array $told): void;

    /**
     * They never reached the office: they wait again, or are struck off where they were taken back since.
     *
     * @param  list<string>  $awards
     */
    public function release(array $awards): void;

    /** @return list<string> awards that the office took and that were taken back since, without its knowing */
    public function toTakeBack(): array;

    public function tookBack(string $award): void;

    /** @return list<string> awards of learners who were erased, that the office may know */
    public function toForget(): array;

    public function forgot(string $award): void;
}
