<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $group_id
 * @property string $name
 * @property float $diameter_mm
 * @property Material $material
 * @property bool $is_usual
 */
final class Rope extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['diameter_mm' => 'float', 'material' => Material::class, 'is_usual' => 'boolean'];
    }

    public function inHand(): RopeInHand
    {
        return RopeInHand::of($this->diameter_mm, $this->material);
    }
}
