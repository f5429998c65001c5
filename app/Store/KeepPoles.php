<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Group;
use App\Models\Pole;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * The poles of a group: put in, counted, taken out.
 */
final class KeepPoles
{
    public function add(Group $group, Fields $pole): Pole
    {
        return $group->poles()->create(self::read($group, $pole, null))->refresh();
    }

    public function change(Group $group, Pole $pole, Fields $change): Pole
    {
        $pole->update(self::read($group, Fields::of($change->raw() + $pole->about()), $pole));

        return $pole->refresh();
    }

    public function remove(Pole $pole): void
    {
        $pole->delete();
    }

    /** @return array{name: string, diameter_mm: int, length_mm: int, count: int} */
    private static function read(Group $group, Fields $pole, ?Pole $but): array
    {
        $name = trim($pole->text('name'));
        if ($group->poles()->where('name', $name)->get()->contains(fn (Pole $other): bool => $other->id !== $but?->id)) {
            throw Refusal::of('/name', $name, 'store.poles_name');
        }

        return ['name' => $name, 'diameter_mm' => $pole->whole('diameter_mm'), 'length_mm' => $pole->whole('length_mm'), 'count' => $pole->whole('count', 1)];
    }
}
