<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Awards\GroupKeys;
use App\Knots\KnotNames;
use App\Models\Group;
use App\Models\Office;
use App\Work\Hold;
use App\Work\LongWork;
use App\Work\TryLater;
use Compadre\Core\Awards\Office\Errand;
use Compadre\Core\Awards\Office\Patience;
use Compadre\Core\Awards\Office\Trouble;
use Compadre\Core\Awards\Office\What;

/**
 * Tells a group's office what it does not know yet.
 */
final readonly class RunErrand implements LongWork
{
    /** Seconds until somebody who is turned away knocks again: a lead has to see to it. */
    private const TURNED_AWAY = 21_600;

    public function __construct(private GroupKeys $keys, private KnotNames $names)
    {
    }

    public static function kind(): string
    {
        return 'office';
    }

    public function patience(int $tries): int
    {
        return Patience::after($tries);
    }

    public function do(Group $group, Hold $hold): void
    {
        $office = Office::of($group);
        // Where the group lives now, the office is told.
        if ($office === null || $group->left_at !== null) {
            return;
        }
        $ledger = new KeptLedger($office, $this->names);
        $step = static fn () => $hold->at(...$ledger->progress());
        $step();
        try {
            (new Errand($ledger, new HttpCounter($office, $this->keys->issuer($group))))->run($step);
        } catch (Trouble $trouble) {
            throw new TryLater($trouble->getMessage(), $trouble->what === What::TurnedAway ? self::TURNED_AWAY : $trouble->seconds ?? 0);
        }
        $step();
    }
}
