<?php

declare(strict_types=1);

namespace App\Bench;

use App\Knots\KnotNames;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\Stamped;
use Compadre\Core\Rigs\RigPack;

/**
 * The rigs there are, by what stands at the end.
 */
final readonly class RigList
{
    /** Meetings that a rope list can go to. */
    private const AHEAD = 6;

    private const SECONDS = 30 * 86400;

    public function __construct(private KnotNames $names)
    {
    }

    /** @return list<array<string, mixed>> */
    public function all(Group $group): array
    {
        $own = $group->rigPacks()->pluck('rig')->all();
        $shelf = $group->rigs();

        return Stamped::of("rig-list-$group->id", $shelf->stamp().$this->names->stamp(), self::SECONDS, fn (): array => array_map(fn (RigPack $rig): array => $this->about($rig, in_array($rig->id, $own, true)), array_values($shelf->all())));
    }

    /** @return array<string, mixed> */
    public function about(RigPack $rig, bool $isOwn = false): array
    {
        return [
            'id' => $rig->id, 'name' => $rig->name, 'kind' => $rig->kind, 'stands' => $rig->stands, 'purpose' => $rig->purpose, 'minutes' => $rig->minutes,
            'ages' => ['from' => $rig->ageFrom, 'to' => $rig->ageTo], 'gated' => $rig->isGated(), 'own' => $isOwn, 'knots' => $this->named($rig->knots()),
        ];
    }

    /**
     * @param  list<string>  $knots
     * @return list<array{id: string, name: string}>
     */
    public function named(array $knots): array
    {
        return array_map(fn (string $knot): array => ['id' => $knot, 'name' => $this->names->of($knot)], $knots);
    }

    /** @return list<array<string, mixed>> of today and after */
    public function meetings(Group $group): array
    {
        return array_values($group->term()->where('date', '>=', $group->today())->limit(self::AHEAD)->get()->map(fn (Meeting $meeting): array => $meeting->about())->all());
    }
}
