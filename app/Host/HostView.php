<?php

declare(strict_types=1);

namespace App\Host;

use App\Models\Group;
use App\Models\Place;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * A house of many groups as whoever hosts it sees it: how many of each, how much, how it fares. No name but those of groups.
 */
final class HostView
{
    /** Days that count as lately. */
    private const LATELY = 28;

    /** For so many seconds the house's checks of late are not counted again: there may be millions. */
    private const COUNTED = 600;

    /** @return array<string, mixed> */
    public static function look(string $find, GroupsShown $shown, GroupsOrder $order, int $page): array
    {
        $since = CarbonImmutable::now()->subDays(self::LATELY)->format('Y-m-d');

        return [
            'days' => self::LATELY,
            'sums' => [
                'groups' => Group::query()->count(), 'learners' => DB::table('learners')->whereNull('archived_at')->count(),
                'checks' => Cache::store(config()->string('cache.kept'))->remember("host-checks-$since", self::COUNTED, static fn (): int => DB::table('check_events')->where('day', '>=', $since)->count()),
            ],
            ...(new HostedGroups($since))->look($find, $shown, $order, $page),
            'places' => Place::open()->get()->map(static fn (Place $one): array => [
                'id' => $one->id, 'name' => $one->name, 'learners_most' => $one->learners_most, 'people_most' => $one->people_most, 'expires_at' => $one->expires_at->toIso8601ZuluString(),
            ])->values()->all(),
            'health' => self::health(),
        ];
    }

    /** @return array<string, mixed> */
    private static function health(): array
    {
        $waiting = DB::table('works')->where('state', '!=', 'done');
        $oldest = (clone $waiting)->min('created_at');

        return [
            'works_waiting' => $waiting->count(), 'works_troubled' => (clone $waiting)->whereNotNull('trouble')->count(),
            'oldest_minutes' => is_string($oldest) ? (int) CarbonImmutable::parse($oldest)->diffInMinutes(CarbonImmutable::now()) : null,
            'disk_free_mb' => (int) (((float) disk_free_space(storage_path())) / 1_000_000), 'left_checks' => DB::table('left_checks')->count(),
        ];
    }
}
