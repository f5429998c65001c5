<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * Another group whose badges are believed here, with the keys it signs them with.
 *
 * @property string $id
 * @property string $group_id
 * @property string $issuer as it stands in their badges
 * @property string $name
 * @property array<string, mixed> $jwks
 */
final class TrustedIssuer extends Row
{
    use HasUuids;

    protected $table = 'trusted_issuers';

    protected function casts(): array
    {
        return ['jwks' => 'array'];
    }
}
