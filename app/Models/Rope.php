<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * @property string $id
 * @property string $group_id
 * @property string $name
 * @property float $diameter_mm
 * @property Material $material
 * @property bool $is_usual
 */
final class Rope extends Row
{
    use HasUuids;

    /** Of the tape a group is taken to have, in mm. */
    private const TAPE_THICKNESS = 2.0;

    protected $table = 'ropes';

    protected function casts(): array
    {
        return ['diameter_mm' => 'float', 'material' => Material::class, 'is_usual' => 'boolean'];
    }

    /** @return array{id: string, name: string, diameter_mm: float, material: string, is_usual: bool} what is shown of it */
    public function about(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'diameter_mm' => $this->diameter_mm, 'material' => $this->material->value, 'is_usual' => $this->is_usual];
    }

    /** What a knot is tied in: this rope, or for knots in tape the usual tape. */
    public function inHandFor(KnotPack $knot): RopeInHand
    {
        return RopeInHand::of($knot->tailClass === TailClass::Tape ? self::TAPE_THICKNESS : $this->diameter_mm, $this->material)->tiedAs($knot->tailClass);
    }
}
