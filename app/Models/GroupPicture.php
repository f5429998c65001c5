<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A group's own picture, drawn anew when it came in: nothing of the file that was sent is left in it.
 *
 * @property string $group_id
 * @property int $width
 * @property int $height
 * @property string $hash
 * @property string $png in base64
 */
final class GroupPicture extends Row
{
    public $incrementing = false;

    protected $primaryKey = 'group_id';

    protected $keyType = 'string';

    protected $table = 'group_pictures';

    protected function casts(): array
    {
        return ['width' => 'integer', 'height' => 'integer'];
    }
}
