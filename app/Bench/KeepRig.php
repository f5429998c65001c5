<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Group;
use App\Models\OwnRig;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\RigPack;
use Compadre\Core\Rigs\RigShelf;

/**
 * A group's own rigs: copies of those there are, changed to its liking. What the origin refuses, warns of and has an adult look at stays.
 */
final readonly class KeepRig
{
    /** Own rigs of one group. */
    private const MOST = 60;

    /** What a copy may add to and never take from. */
    private const KEPT = ['cautions', 'gates', 'refuse'];

    public function __construct(private RigShelf $packs)
    {
    }

    /** @return array<mixed> a rig's pack, the group's own or one that comes along */
    public function pack(Group $group, string $rig): array
    {
        return $group->rigs()->pack($rig);
    }

    /** A copy under a name and an id of its own. */
    public function copy(User $by, string $rig): RigPack
    {
        $group = $by->group;
        $this->holdRoom($group, $rig);
        $shelf = $group->rigs();
        $pack = $shelf->pack($rig);
        $own = $group->rigPacks()->where('rig', $rig)->first();
        for ($number = 1; $shelf->has($id = mb_substr($rig, 0, 50)."-own-$number");) {
            $number++;
        }
        $pack = ['id' => $id, 'version' => 1, 'name' => mb_substr($shelf->rig($rig)->name, 0, 60).($number === 1 ? ', ours' : ", ours $number")] + $pack;
        $group->rigPacks()->create(['rig' => $id, 'origin' => $own instanceof OwnRig ? $own->origin : $rig, 'version' => 1, 'pack' => $pack, 'made_by' => $by->id]);

        return $group->rigs()->rig($id);
    }

    /**
     * A rig that another group has made its own, or this one before; one of the same id is changed.
     *
     * @param  array<mixed>  $pack
     */
    public function bring(User $by, string $origin, array $pack): RigPack
    {
        $id = Fields::of($pack)->text('id');
        if (! $this->packs->has($origin)) {
            throw Refusal::of('/origin', $origin, 'bench.origin');
        }
        if ($this->packs->has($id)) {
            throw Refusal::of('/pack/id', $id, 'bench.id_taken');
        }
        if (! $by->group->rigPacks()->where('rig', $id)->exists()) {
            $this->holdRoom($by->group, $id);
            $by->group->rigPacks()->create(['rig' => $id, 'origin' => $origin, 'version' => 0, 'pack' => $pack, 'made_by' => $by->id]);
        }

        return $this->change($by->group, $id, array_diff_key($pack, ['version' => 1]));
    }

    /**
     * @param  array<mixed>  $pack  as packs/schema/rig.schema.json; id and version are set here
     *
     * @throws Refusal naming the field of the pack, for a pack with a fault, or one that drops what its origin keeps people safe by
     */
    public function change(Group $group, string $rig, array $pack): RigPack
    {
        $own = $this->own($group, $rig);
        $pack = ['id' => $rig, 'version' => $own->version + 1] + $pack;
        try {
            Schema::hold(json_decode(Json::write($pack)), Json::arrays(Json::file(config()->string('app.packs').'/schema/rig.schema.json')));
        } catch (Refusal $fault) {
            throw $fault->below('/pack');
        }
        $this->holdKept($own, $pack);
        $read = $this->packs->with([Fields::of($pack, '/pack')])->rig($rig);
        $own->update(['version' => $own->version + 1, 'pack' => $pack]);

        return $read;
    }

    public function remove(Group $group, string $rig): void
    {
        $this->own($group, $rig)->delete();
    }

    private function holdRoom(Group $group, string $rig): void
    {
        if ($group->rigPacks()->count() >= self::MOST) {
            throw Refusal::of('/rig', $rig, 'bench.rigs_full', ['most' => self::MOST]);
        }
    }

    private function own(Group $group, string $rig): OwnRig
    {
        return $group->rigPacks()->where('rig', $rig)->firstOrFail();
    }

    /** @param  array<mixed>  $pack */
    private function holdKept(OwnRig $own, array $pack): void
    {
        $origin = $this->packs->has($own->origin) ? $this->packs->pack($own->origin) : [];
        foreach (self::KEPT as $field) {
            $now = array_map(Json::write(...), is_array($pack[$field] ?? null) ? array_values($pack[$field]) : []);
            foreach (is_array($origin[$field] ?? null) ? $origin[$field] : [] as $kept) {
                if (! in_array(Json::write($kept), $now, true)) {
                    $said = is_array($kept) ? $kept['say'] ?? null : $kept;
                    throw Refusal::of("/pack/$field", $kept, 'bench.kept', ['what' => $field, 'said' => is_string($said) ? $said : '']);
                }
            }
        }
    }
}
