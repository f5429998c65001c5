<?php

declare(strict_types=1);

namespace App\House;

use App\Models\Group;
use App\Models\OwnBadge;
use App\Models\Rope;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Illuminate\Database\Eloquent\Collection;

/**
 * A group's own ways, and the badges it works toward or could.
 */
final readonly class HouseView
{
    public function __construct(private BadgeShelf $shelf, private Library $library)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $several = array_filter($this->library->all(), static fn (KnotPack $knot): bool => $knot->isTaught() && count($knot->ways()) > 1);

        return [
            'name' => $group->name, 'units' => $group->units, 'words' => $group->words, 'time_zone' => $group->time_zone, 'tail_school' => $group->tail_school->value, 'backup' => $group->backup,
            'old_share' => $group->old_share, 'new_knots' => $group->new_knots, 'methods' => (object) ($group->methods ?? []), 'calendar' => $group->calendar_hash !== null, 'calendar_places' => $group->calendar_places,
            'ropes' => $group->ropes()->get()->map(fn (Rope $rope): array => $rope->about())->values()->all(),
            'schools' => array_values(array_map(static fn (KnotPack $knot): array => ['knot' => $knot->id, 'name' => $knot->names[0], 'methods' => array_map(static fn (Method $method): array => ['id' => $method->id, 'name' => $method->name], $knot->ways())], $several)),
            'badges' => $this->badges($group),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function badges(Group $group): array
    {
        $written = $group->badgePacks()->get();
        $own = array_values($written->map(fn (OwnBadge $one): BadgePack => $one->read())->all());
        $mine = array_map(static fn (BadgePack $badge): string => $badge->id, $own);
        $chosen = $group->badges()->get()->keyBy('badge');
        $packs = [];
        foreach ($this->shelf->with($own)->offered(config()->string('app.house') !== 'group', array_values(array_map(strval(...), $chosen->keys()->all()))) as $badge) {
            $packs[] = [
                'id' => $badge->id, 'name' => $badge->name, 'about' => $badge->about, 'version' => $badge->version, 'age_from' => $badge->ageFrom, 'age_to' => $badge->ageTo, 'after' => $badge->after,
                'own' => in_array($badge->id, $mine, true), 'chosen' => isset($chosen[$badge->id]), 'due_on' => $chosen[$badge->id]->due_on ?? null, 'firm' => $chosen[$badge->id]->firm ?? true, 'pack' => (object) self::pack($written, $badge),
            ];
        }

        return $packs;
    }

    /** @return array<string, mixed> the latest version of a badge, as it is written */
    public function packOf(Group $group, string $id): array
    {
        return self::pack($group->badgePacks()->get(), $group->shelf()->badge($id));
    }

    /**
     * @param  Collection<int, OwnBadge>  $written
     * @return array<string, mixed> as it is written
     */
    private static function pack(Collection $written, BadgePack $badge): array
    {
        $own = $written->where('badge', $badge->id)->sortBy('version')->last();

        return $own === null ? Json::arrays(Json::file(config()->string('app.packs')."/badges/{$badge->id}.json")) : $own->pack;
    }
}
