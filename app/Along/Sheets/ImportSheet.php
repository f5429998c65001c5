<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\User;
use Compadre\Core\Data\Base64;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\Facades\DB;

/**
 * Lists brought in from a file: first to look at, with every row said; then in, all of it, or the good rows alone when that is asked for.
 */
final readonly class ImportSheet
{
    /** @var array<string, class-string<Listing>> */
    public const KINDS = [
        'roster' => RosterList::class, 'meetings' => MeetingList::class, 'results' => ResultList::class, 'events' => EventLines::class, 'store' => RopeList::class, 'poles' => PoleList::class,
        'badges' => BadgeFile::class, 'rigs' => RigFile::class, 'ways' => WaysFile::class,
    ];

    public function __construct(private Container $container)
    {
    }

    public function listing(string $kind): Listing
    {
        return $this->container->make(self::KINDS[$kind]);
    }

    public function look(User $by, string $kind, Fields $sheet): Looked
    {
        return $this->listing($kind)->look($by, Base64::read($sheet->text('bytes'), '/bytes'));
    }

    /** @return int how many rows were new, or otherwise */
    public function take(User $by, string $kind, Fields $sheet): int
    {
        return DB::transaction(function () use ($by, $kind, $sheet): int {
            $found = $this->look($by, $kind, $sheet);
            $bad = $found->count('bad');
            if ($bad > 0 && ! $sheet->flag('leave_bad')) {
                throw Refusal::of('/bytes', "$bad rows", 'along.rows_at_fault', ['bad' => $bad, 'rows' => count($found->rows)]);
            }
            $this->listing($kind)->take($by, $found->toTake());

            return count($found->toTake());
        });
    }
}
