<?php

declare(strict_types=1);

namespace App\Store;

use App\Knots\Packs;
use App\Models\Group;
use App\Models\Rope;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Rope\RopeInHand;

/**
 * The tails each of the group's ropes asks for, class by class, to print as strips.
 */
final readonly class GaugeBoard
{
    public function __construct(private Packs $packs)
    {
    }

    /** @return list<array<string, mixed>> */
    public function of(Group $group): array
    {
        return array_values($group->ropes()->get()->map(fn (Rope $rope): array => [
            'rope' => $rope->name, 'diameter_mm' => $rope->diameter_mm,
            'strips' => array_map(fn (TailClass $class): array => [
                'class' => $class->value,
                'tail_mm' => $this->packs->tails()->required($class, RopeInHand::of($rope->diameter_mm, $rope->material), $group->tail_school, $group->backup)->millimetres,
            ], array_values(array_filter(TailClass::cases(), fn (TailClass $class): bool => $class !== TailClass::Tape))),
        ])->all());
    }
}
