<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Rope\Material;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A coil, or pieces of one length, in the group's rope store.
 *
 * @property string $id
 * @property string $group_id
 * @property string $name
 * @property string $kind coil or piece
 * @property float $diameter_mm
 * @property Material $material
 * @property string $lay right, left or braided
 * @property ?string $colour
 * @property string $ends whipped, taped, sealed or bare
 * @property int $length_mm of each
 * @property int $count
 * @property int $taken of the count, out of the store
 */
final class Stock extends Row
{
    use HasUuids;

    protected $table = 'stocks';

    protected function casts(): array
    {
        return ['diameter_mm' => 'float', 'material' => Material::class, 'length_mm' => 'integer', 'count' => 'integer', 'taken' => 'integer'];
    }

    /** @return array<string, mixed> */
    public function about(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'kind' => $this->kind, 'diameter_mm' => $this->diameter_mm, 'material' => $this->material->value, 'lay' => $this->lay,
            'colour' => $this->colour, 'ends' => $this->ends, 'length_mm' => $this->length_mm, 'count' => $this->count, 'taken' => $this->taken,
        ];
    }
}
