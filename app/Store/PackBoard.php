<?php

declare(strict_types=1);

namespace App\Store;

use App\Bench\RigsTaken;
use App\Course\Plans;
use App\Http\Words;
use App\Knots\OwnMeasures;
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
    public function __construct(private Plans $plans, private Library $library, private Packs $packs, private RigsTaken $rigs, private OwnMeasures $measures)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, Meeting $meeting): array
    {
        $rope = $group->ropes()->get()->firstOrFail();
        $knots = $this->knots($group, $meeting);
        $learners = self::expected($group, $meeting);
        $list = $this->list($group, $rope, $knots, $learners);
        $rigs = $this->rigs->of($group, $meeting);
        $uses = $this->uses($group, $rope, $list, $rigs);
        $served = array_values($uses);
        $taken = array_merge(...array_map(static fn (StoreUse $use): array => $use->taken, $served));
        $cuts = array_merge(...array_map(static fn (StoreUse $use): array => $use->cuts->cuts, $served));
        $names = $group->stocks()->pluck('name', 'id');
        $words = Words::asked();

        return [
            'meeting' => $meeting->about(), 'learners' => $learners, 'rope' => $rope->about(),
            'pieces' => array_map(fn (array $piece): array => ['length_mm' => $piece['length'], 'count' => $piece['count'], 'for' => $piece['for'], 'knot' => $this->library->knot($piece['knot'])->names[0], 'colours' => $piece['colours'], 'reason' => $words->say($piece['reason'])], $list->pieces),
            'objects' => array_map(fn (array $object): array => ['knots' => array_map(fn (string $id): string => $this->library->knot($id)->names[0], $object['knots'])] + $object, $list->objects),
            'taken' => array_map(fn (array $taken): array => ['stock' => $taken['stock'], 'name' => (string) $names[$taken['stock']], 'length_mm' => $taken['length'], 'count' => $taken['count']], $taken),
            'cuts' => array_map(fn (array $cut): array => ['stock' => self::stockOf($cut['stock']), 'name' => (string) $names[self::stockOf($cut['stock'])], 'pieces' => $cut['pieces'], 'offcut_mm' => $cut['offcut']], $cuts),
            'waste_mm' => array_sum(array_map(static fn (StoreUse $use): int => $use->cuts->waste, $uses)), 'bound_mm' => array_sum(array_map(static fn (StoreUse $use): int => $use->cuts->bound, $uses)),
            'proven' => array_filter($uses, static fn (StoreUse $use): bool => ! $use->cuts->proven) === [],
            'buy' => self::toBuy($uses), 'rigs' => array_map(self::rig(...), $rigs),
            'knots' => array_map(fn (KnotPack $knot): array => ['id' => $knot->id, 'name' => $knot->names[0]], $knots),
        ];
    }

    /** The stock a numbered one of several equal ones belongs to. */
    public static function stockOf(string $numbered): string
    {
        return explode('#', $numbered)[0];
    }

    /** @return list<StoreUse> how the store would serve the meeting, rope by rope */
    public function serve(Group $group, Meeting $meeting): array
    {
        $rope = $group->ropes()->get()->firstOrFail();

        return array_values($this->uses($group, $rope, $this->list($group, $rope, $this->knots($group, $meeting), self::expected($group, $meeting)), $this->rigs->of($group, $meeting)));
    }

    /**
     * @param  list<array{rope: Rope, cut: list<array{length: int, count: int}>}>  $rigs
     * @return non-empty-array<string, StoreUse> by what each rope is called; the first is the usual one
     */
    private function uses(Group $group, Rope $usual, PackList $list, array $rigs): array
    {
        $practice = array_values(array_filter($list->pieces, static fn (array $piece): bool => $piece['count'] > 0));
        $ropes = [self::kind($usual) => $usual];
        $wanted = [self::kind($usual) => array_map(static fn (array $piece): array => ['length' => $piece['length'], 'count' => $piece['count']], $practice)];
        foreach ($rigs as $rig) {
            $ropes += [self::kind($rig['rope']) => $rig['rope']];
            $wanted[self::kind($rig['rope'])] = [...$wanted[self::kind($rig['rope'])] ?? [], ...$rig['cut']];
        }
        $uses = [];
        foreach ($ropes as $kind => $rope) {
            $uses[$rope->name] = StoreUse::of($wanted[$kind], array_map(static fn (Stock $stock): array => ['id' => $stock->id, 'length' => $stock->length_mm, 'count' => $stock->count - $stock->taken], $this->stocks($group, $rope)));
        }

        return $uses;
    }

    /** Ropes of one kind are cut from one another's coils. */
    private static function kind(Rope $rope): string
    {
        return round($rope->diameter_mm, 1).' '.$rope->material->value;
    }

    /**
     * @param  array<string, StoreUse>  $uses
     * @return list<array{length_mm: int, count: int, rope: string}>
     */
    private static function toBuy(array $uses): array
    {
        $buy = [];
        foreach ($uses as $rope => $use) {
            foreach ($use->cuts->unmet as $unmet) {
                $buy[] = ['length_mm' => $unmet['length'], 'count' => $unmet['count'], 'rope' => $rope];
            }
        }

        return $buy;
    }

    /**
     * @param  array{id: string, rig: string, name: string, rope: Rope, cut: list<array{length: int, count: int}>, fault: ?string}  $rig
     * @return array<string, mixed>
     */
    private static function rig(array $rig): array
    {
        return ['cut' => array_map(static fn (array $piece): array => ['length_mm' => $piece['length'], 'count' => $piece['count']], $rig['cut']), 'rope' => $rig['rope']->name] + $rig;
    }

    /** @param  list<KnotPack>  $knots */
    private function list(Group $group, Rope $rope, array $knots, int $learners): PackList
    {
        return PackList::of($knots, $learners, $rope->inHandFor($knots[0] ?? $this->library->knot('overhand')), $this->packs->tails(), $group->tail_school, $group->backup, $this->measures->of($group));
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

    /** @return list<Stock> in the store, of the rope's thickness and material */
    private function stocks(Group $group, Rope $rope): array
    {
        return array_values($group->stocks()->get()->filter(fn (Stock $stock): bool => $stock->count > $stock->taken && abs($stock->diameter_mm - $rope->diameter_mm) < 0.05 && $stock->material === $rope->material)->all());
    }
}
