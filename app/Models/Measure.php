<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A knot that was marked, tied, untied and measured.
 *
 * @property string $id
 * @property string $group_id
 * @property string $knot
 * @property float $diameter_mm
 * @property Material $material
 * @property float $measured_mm between the marks
 * @property float $turns round the object
 * @property float $object_mm the object's diameter, 0 where there is none
 * @property float $loop_mm round the inside of the free loop, 0 where there is none
 * @property string $made_by
 * @property CarbonImmutable $created_at
 */
final class Measure extends Row
{
    use HasUuids;

    protected $table = 'calibrations';

    protected function casts(): array
    {
        return ['diameter_mm' => 'float', 'material' => Material::class, 'measured_mm' => 'float', 'turns' => 'float', 'object_mm' => 'float', 'loop_mm' => 'float'];
    }

    /** What it says of the knot, in diameters. */
    public function factor(KnotPack $knot): float
    {
        return Calibration::factor(
            $knot, RopeInHand::of($this->diameter_mm, $this->material)->tiedAs($knot->tailClass), $this->measured_mm,
            $this->turns > 0 ? [['object' => $this->object_mm, 'turns' => $this->turns]] : [], $this->loop_mm,
        );
    }
}
