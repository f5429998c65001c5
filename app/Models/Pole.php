<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Rigs\PoleStock;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * Poles of one kind that a group has.
 *
 * @property string $id
 * @property string $group_id
 * @property string $name
 * @property int $diameter_mm
 * @property int $length_mm
 * @property int $count
 */
final class Pole extends Row
{
    use HasUuids;

    protected $table = 'poles';

    protected function casts(): array
    {
        return ['diameter_mm' => 'integer', 'length_mm' => 'integer', 'count' => 'integer'];
    }

    /** @return array{id: string, name: string, diameter_mm: int, length_mm: int, count: int} */
    public function about(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'diameter_mm' => $this->diameter_mm, 'length_mm' => $this->length_mm, 'count' => $this->count];
    }

    public function inHand(): PoleStock
    {
        return new PoleStock($this->id, $this->name, $this->diameter_mm, $this->length_mm, $this->count);
    }
}
