<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/**
 * Where awards are handed in: an office that keeps a register. Every call may be lost on the way there or back.
 */
interface Counter
{
    /**
     * @param  string  $key  under which the office knows the list again
     * @param  list<Slip>  $slips  at most Errand::MOST
     * @return array<mixed> receipts and refusals, as it answered
     *
     * @throws Trouble
     */
    public function handIn(string $key, array $slips): array;

    /**
     * @param  list<string>  $awards  at most Errand::MOST
     * @return array<mixed> what it knows of them
     *
     * @throws Trouble
     */
    public function ask(array $awards): array;

    /**
     * That it was taken back; an award that the office does not know is no fault.
     *
     * @throws Trouble
     */
    public function takeBack(string $award): void;

    /**
     * That nothing is to be kept of it.
     *
     * @throws Trouble
     */
    public function forget(string $award): void;
}
