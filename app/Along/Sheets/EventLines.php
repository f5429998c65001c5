<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\User;
use Compadre\Core\Checking\ResultSheet;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * The record of checks, one event a line; and what a phone that could not send has kept, which has the same events.
 */
final readonly class EventLines implements Listing
{
    public function __construct(private Checks $checks)
    {
    }

    public function form(): string
    {
        return 'ndjson';
    }

    public function write(Group $group, string $between): string
    {
        $lines = '';
        foreach ($this->checks->all($group) as $event) {
            $lines .= json_encode(Checks::sent($event), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
        }

        return $lines;
    }

    public function look(User $by, string $bytes): Looked
    {
        [$events, $faults] = self::read($bytes);
        if ($events === [] && $faults === []) {
            throw Refusal::of('/bytes', '', 'along.no_checks');
        }
        if (count($events) + count($faults) > ResultSheet::MOST) {
            throw Refusal::of('/bytes', count($events) + count($faults), 'along.many_checks', ['most' => ResultSheet::MOST]);
        }

        return new Looked($this->checks->rows($by, $events, $faults));
    }

    public function take(User $by, array $rows): void
    {
        $this->checks->take($by, $rows);
    }

    /** @return array{array<int, array<string, mixed>>, array<int, Saying>} events by line, and what is wrong with others */
    private static function read(string $bytes): array
    {
        $kept = self::keptByPhone($bytes);
        if ($kept !== null) {
            return [$kept, []];
        }
        $events = $faults = [];
        foreach (explode("\n", str_replace("\r\n", "\n", $bytes)) as $at => $line) {
            if (trim($line) === '') {
                continue;
            }
            try {
                $event = Json::arrays(Json::read($line));
                is_array($event) && ! array_is_list($event) ? $events[$at + 1] = $event : $faults[$at + 1] = new Saying('along.no_check');
            } catch (Refusal $fault) {
                $faults[$at + 1] = ApiRow::said($fault);
            }
        }

        return [$events, $faults];
    }

    /** @return ?array<int, array<string, mixed>> the events of a file that a phone has kept, by their number; null for another file */
    private static function keptByPhone(string $bytes): ?array
    {
        $file = json_decode($bytes, true);
        if (! is_array($file) || ! isset($file['kept_at']) || ! is_array($file['events'] ?? null)) {
            return null;
        }
        $events = [];
        foreach (array_values($file['events']) as $at => $event) {
            if (is_array($event)) {
                // What the phone noted for whoever reads the file.
                $events[$at + 1] = array_diff_key($event, ['who' => 1, 'fault' => 1]);
            }
        }

        return $events;
    }
}
