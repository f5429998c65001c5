<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;

/**
 * Makes a link by which one person joins, within 24 hours. Only its hash is kept.
 */
final class InvitePerson
{
    /** @return array{token: string, role: string, expires_at: string} */
    public function __invoke(User $by, Role $role): array
    {
        $token = bin2hex(random_bytes(24));
        $expires = CarbonImmutable::now()->addDay();
        Invitation::query()->create([
            'group_id' => $by->group->id, 'created_by' => $by->id, 'role' => $role,
            'token_hash' => Invitation::hash($token), 'expires_at' => $expires,
        ]);

        return ['token' => $token, 'role' => $role->value, 'expires_at' => $expires->toIso8601ZuluString()];
    }

    public function withdraw(Invitation $invitation): void
    {
        $invitation->delete();
    }
}
