<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Group;
use App\Models\Meeting;
use App\Models\Stock;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\CutPlan;
use Compadre\Core\Rope\Material;
use Illuminate\Support\Facades\DB;

/**
 * The rope store: coils and pieces put in, counted, taken out and cut.
 */
final readonly class KeepStore
{
    public function __construct(private PackBoard $pack)
    {
    }

    public function add(Group $group, Fields $stock): Stock
    {
        $about = self::read($stock);
        $this->holdName($group, $about['name'], null);

        return $group->stocks()->create($about)->refresh();
    }

    public function remove(Stock $stock): void
    {
        $stock->delete();
    }

    public function change(Group $group, Stock $stock, Fields $change): Stock
    {
        $about = self::read(Fields::of($change->raw() + $stock->about()));
        $this->holdName($group, $about['name'], $stock);
        if ($about['taken'] > $about['count']) {
            throw Refusal::of('/taken', $about['taken'], 'store.taken', ['count' => $about['count']]);
        }
        $stock->update($about);

        return $stock->refresh();
    }

    /** Takes and cuts what a meeting wants; offcuts worth keeping stay, shorter ones are gone. */
    public function cutFor(Group $group, Meeting $meeting): void
    {
        DB::transaction(function () use ($group, $meeting): void {
            DB::table('stocks')->where('group_id', $group->id)->lockForUpdate()->get();
            foreach ($this->pack->serve($group, $meeting) as $use) {
                foreach ($use->taken as $taken) {
                    $stock = $group->stocks()->findOrFail($taken['stock']);
                    $stock->update(['taken' => $stock->taken + $taken['count']]);
                }
                foreach ($use->cuts->cuts as $cut) {
                    $stock = $group->stocks()->findOrFail(PackBoard::stockOf($cut['stock']));
                    $this->cut($group, $stock, $cut['pieces'], $cut['offcut']);
                }
            }
        });
    }

    /** @param  list<int>  $pieces */
    private function cut(Group $group, Stock $stock, array $pieces, int $offcut): void
    {
        foreach (array_count_values($pieces) as $length => $count) {
            $this->put($group, $stock, $length, $count, $count);
        }
        if ($stock->count > 1) {
            $stock->update(['count' => $stock->count - 1]);
            if ($offcut >= CutPlan::KEEP) {
                $this->put($group, $stock, $offcut, 1, 0);
            }
        } elseif ($offcut >= CutPlan::KEEP) {
            $stock->update(['length_mm' => $offcut]);
        } else {
            $stock->delete();
        }
    }

    /** Pieces of one length cut from a stock, beside those of that rope and length there are. */
    private function put(Group $group, Stock $from, int $length, int $count, int $taken): void
    {
        $like = $from->only('diameter_mm', 'material', 'colour');
        $same = $group->stocks()->get()->first(fn (Stock $one): bool => $one->kind === 'piece' && $one->length_mm === $length && $one->only('diameter_mm', 'material', 'colour') === $like);
        if ($same !== null) {
            $same->update(['count' => $same->count + $count, 'taken' => $same->taken + $taken]);

            return;
        }
        $name = mb_strimwidth($from->name, 0, 44).', '.number_format($length / 1000, 2, '.', '').' m';
        $group->stocks()->create($like + [
            'name' => $group->stocks()->where('name', $name)->exists() ? $name.' '.substr(uniqid(), -4) : $name,
            'kind' => 'piece', 'lay' => $from->lay, 'ends' => 'bare', 'length_mm' => $length, 'count' => $count, 'taken' => $taken,
        ]);
    }

    private function holdName(Group $group, string $name, ?Stock $but): void
    {
        foreach ($group->stocks()->where('name', $name)->get() as $other) {
            if ($other->id !== $but?->id) {
                throw Refusal::of('/name', $name, 'store.name');
            }
        }
    }

    /** @return array{name: string, kind: string, diameter_mm: float, material: Material, lay: string, colour: ?string, ends: string, length_mm: int, count: int, taken: int} */
    private static function read(Fields $stock): array
    {
        return [
            'name' => trim($stock->text('name')), 'kind' => $stock->text('kind'), 'diameter_mm' => $stock->number('diameter_mm'), 'material' => Material::from($stock->text('material')),
            'lay' => $stock->text('lay'), 'colour' => $stock->textOrNull('colour'), 'ends' => $stock->text('ends'), 'length_mm' => $stock->whole('length_mm'),
            'count' => $stock->whole('count', 1), 'taken' => $stock->whole('taken', 0),
        ];
    }
}
