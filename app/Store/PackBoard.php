<?php

declare(strict_types=1);

namespace App\Store;

use App\Course\Plans;
use App\Knots\Packs;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\Rope;
use App\Models\Stock;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Packing\PackList;
use Compadre\Core\Rope\StoreUse;
use Compadre\Core\Teaching\Block;

/**
 * Tonight's rope: what each learner needs, what the store has of it, what to cut and what to buy.
 */
final readonly class PackBoard
{
    public function __construct(private Plans $plans, private Library $library, private Packs $packs)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, Meeting $meeting): array
    {
        $rope = $group->ropes()->get()->firstOrFail();
        $knots = $this->knots($group, $meeting);
        $learners = self::expected($group, $meeting);
        $list = $this->list($group, $rope, $knots, $learners);
        $use = $this->use($list, $this->stocks($group, $rope));
        $names = $group->stocks()->pluck('name', 'id');

        return [
            'meeting' => $meeting->about(), 'learners' => $learners, 'rope' => $rope->about(),
            'pieces' => array_map(fn (array $piece): array => ['length_mm' => $piece['length'], 'count' => $piece['count'], 'for' => $piece['for'], 'knot' => $this->library->knot($piece['knot'])->names[0], 'colours' => $piece['colours'], 'reason' => $piece['reason']], $list->pieces),
            'objects' => array_map(fn (array $object): array => ['knots' => array_map(fn (string $id): string => $this->library->knot($id)->names[0], $object['knots'])] + $object, $list->objects),
            'taken' => array_map(fn (array $taken): array => ['stock' => $taken['stock'], 'name' => (string) $names[$taken['stock']], 'length_mm' => $taken['length'], 'count' => $taken['count']], $use->taken),
            'cuts' => array_map(fn (array $cut): array => ['stock' => self::stockOf($cut['stock']), 'name' => (string) $names[self::stockOf($cut['stock'])], 'pieces' => $cut['pieces'], 'offcut_mm' => $cut['offcut']], $use->cuts->cuts),
            'waste_mm' => $use->cuts->waste, 'bound_mm' => $use->cuts->bound, 'proven' => $use->cuts->proven,
            'buy' => array_map(fn (array $unmet): array => ['length_mm' => $unmet['length'], 'count' => $unmet['count']], $use->cuts->unmet),
            'knots' => array_map(fn (KnotPack $knot): array => ['id' => $knot->id, 'name' => $knot->names[0]], $knots),
        ];
    }

    /** The stock a numbered one of several equal ones belongs to. */
    public static function stockOf(string $numbered): string
    {
        return explode('#', $numbered)[0];
    }

    /** How the store would serve the meeting. */
    public function serve(Group $group, Meeting $meeting): StoreUse
    {
        $rope = $group->ropes()->get()->firstOrFail();

        return $this->use($this->list($group, $rope, $this->knots($group, $meeting), self::expected($group, $meeting)), $this->stocks($group, $rope));
    }

    /** @param  list<KnotPack>  $knots */
    private function list(Group $group, Rope $rope, array $knots, int $learners): PackList
    {
        return PackList::of($knots, $learners, $rope->inHandFor($knots[0] ?? $this->library->knot('overhand')), $this->packs->tails(), $group->tail_school, $group->backup);
    }

    /** How many learners are expected: all but those marked away. */
    private static function expected(Group $group, Meeting $meeting): int
    {
        return max(0, $group->learners()->count() - $meeting->attendances()->where('present', false)->count());
    }

    /** @return list<KnotPack> of the day, in order, each once */
    private function knots(Group $group, Meeting $meeting): array
    {
        $ids = array_filter(array_map(static fn (Block $block): ?string => $block->knot, $this->plans->of($group)->kept()->stations($meeting->id)));

        return array_map(fn (string $id): KnotPack => $this->library->knot($id), array_values(array_unique($ids)));
    }

    /** @param  list<Stock>  $stocks */
    private function use(PackList $list, array $stocks): StoreUse
    {
        return StoreUse::of(
            array_map(static fn (array $piece): array => ['length' => $piece['length'], 'count' => $piece['count']], array_values(array_filter($list->pieces, static fn (array $piece): bool => $piece['count'] > 0))),
            array_map(static fn (Stock $stock): array => ['id' => $stock->id, 'length' => $stock->length_mm, 'count' => $stock->count - $stock->taken], $stocks),
        );
    }

    /** @return list<Stock> in the store, of the rope's thickness and material */
    private function stocks(Group $group, Rope $rope): array
    {
        return array_values($group->stocks()->get()->filter(fn (Stock $stock): bool => $stock->count > $stock->taken && abs($stock->diameter_mm - $rope->diameter_mm) < 0.05 && $stock->material === $rope->material)->all());
    }
}
