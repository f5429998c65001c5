<?php

declare(strict_types=1);

namespace App\House\People;

use App\Http\LivesElsewhere;
use App\Http\NoGroup;
use App\Models\Invitation;
use App\Models\Membership;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;

/**
 * Lets the holder of a link join its group, once.
 */
final readonly class JoinByLink
{
    public function __construct(private NewPerson $newPerson, private KnownAccount $known)
    {
    }

    /** @return array{group: string, role: string, expires_at: string} */
    public function about(string $token): array
    {
        $link = $this->open($token);

        return ['group' => $link->group->name, 'role' => $link->role->value, 'expires_at' => $link->expires_at->toIso8601ZuluString()];
    }

    public function __invoke(string $token, Fields $person): Membership
    {
        $this->open($token);
        $known = $this->known->prove($person);

        return DB::transaction(function () use ($token, $person, $known): Membership {
            $link = $this->open($token);
            LivesElsewhere::hold($link->group);
            NoGroup::holdOpen($link->group);
            $membership = ($this->newPerson)($link->group, $link->role, $person, $known);
            $link->update(['used_at' => CarbonImmutable::now()]);

            return $membership;
        });
    }

    /** A link that was used, is too old or never was looks the same from outside. */
    private function open(string $token): Invitation
    {
        $query = Invitation::query()->with('group')->where('token_hash', Invitation::hash($token));
        $query->lockForUpdate();
        $link = $query->first();
        if ($link === null || ! $link->open()) {
            throw (new ModelNotFoundException)->setModel(Invitation::class, ['this link']);
        }

        return $link;
    }
}
