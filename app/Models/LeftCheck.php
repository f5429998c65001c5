<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A check that waits for a lead: it came from a phone whose access had ended.
 *
 * @property string $id of the check event
 * @property string $group_id
 * @property string $user_id who tapped it
 * @property string $learner_id
 * @property array<string, mixed> $event as the device sent it
 * @property CarbonImmutable $sent_at
 * @property CarbonImmutable $received_at
 */
final class LeftCheck extends Row
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $table = 'left_checks';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['event' => 'array', 'sent_at' => 'immutable_datetime', 'received_at' => 'immutable_datetime'];
    }
}
