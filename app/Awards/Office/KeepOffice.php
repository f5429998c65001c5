<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Awards\GroupKeys;
use App\Models\Group;
use App\Models\Office;
use App\Work\StartWork;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Office\Address;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Trouble;
use Compadre\Core\Awards\Office\What;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/**
 * Which office a group's awards are told to, and which of them.
 */
final readonly class KeepOffice
{
    public function __construct(private GroupKeys $keys, private TellOffice $tell, private StartWork $start)
    {
    }

    /** The office is asked first whether it knows the group; nothing is kept where it does not. */
    public function set(Group $group, Fields $asked): void
    {
        $address = Address::from($asked->text('address'), '/address');
        $client = $asked->text('client');
        $now = Office::of($group);
        if ($now !== null && $now->address !== $address) {
            throw Refusal::of('/address', $address, 'awards.office_stays', ['address' => $now->address]);
        }
        $kept = Office::query()->where('group_id', $group->id)->where('address', $address)->first();
        $secret = $asked->has('secret') ? Crypt::encryptString($asked->text('secret')) : $now?->secret;
        $trial = new Office(['group_id' => $group->id, 'address' => $address, 'client' => $client, 'secret' => $secret ?? throw Refusal::of('/secret', null, 'awards.secret')]);
        try {
            (new HttpCounter($trial, $this->keys->issuer($group)))->signIn();
        } catch (Trouble $trouble) {
            throw $trouble->what === What::TurnedAway
                ? Refusal::of('/secret', null, 'awards.office_unknown', ['trouble' => $trouble->why])
                : Refusal::of('/address', $address, 'awards.office_silent', ['trouble' => $trouble->why]);
        }
        DB::transaction(function () use ($group, $trial, $kept): void {
            ($kept ?? new Office)->fill($trial->only(['group_id', 'address', 'client', 'secret', 'token', 'token_until']) + ['left_at' => null])->save();
            ($this->start)($group, RunErrand::class);
        });
    }

    /** What it has taken stays there; what it has not is told to nobody. */
    public function leave(Group $group): void
    {
        DB::transaction(function () use ($group): void {
            $office = Office::of($group);
            if ($office === null) {
                return;
            }
            $office->submissions()->where('passage', Passage::Waiting)->delete();
            $office->update(['secret' => null, 'token' => null, 'token_until' => null, 'left_at' => CarbonImmutable::now()]);
        });
    }

    /**
     * Puts awards on the list that are not there yet, or that were refused; all of them or none. Without any, only sees at once to what waits.
     */
    public function send(Group $group, Fields $asked): void
    {
        DB::transaction(function () use ($group, $asked): void {
            $office = Office::of($group) ?? throw Refusal::of('/office', null, 'awards.no_office');
            $new = [];
            foreach ($asked->texts('awards') as $place => $id) {
                $award = $group->awards()->whereKey($id)->whereNull('taken_back_on')->first() ?? throw Refusal::of("/awards/$place", $id, 'awards.not_in_force');
                $known = $office->submissions()->where('award_id', $id)->lockForUpdate()->first();
                if ($known === null) {
                    $new[$id] = $award;
                } elseif ($known->passage === Passage::Refused) {
                    $known->update(['passage' => Passage::Waiting, 'list' => null]);
                }
            }
            $new === [] ? ($this->start)($group, RunErrand::class) : $this->tell->held($group, array_values($new));
        });
    }
}
