<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

/**
 * Gives a rig's poles from those a group has. One serves where it is long enough, and as thick as was reckoned with: a thinner one
 * bears less, a thicker one takes more rope than was cut.
 */
final readonly class PolesInHand
{
    /** No pole is the same thickness from end to end: so far from what was reckoned with it is as thick. */
    private const AS_THICK = 0.1;

    /** @param  list<PoleStock>  $stocks */
    public function __construct(public array $stocks)
    {
    }

    /**
     * No way of giving them out makes up more of what is wanted; a shorter pole is tried before a longer one.
     *
     * @param  list<Member>  $members  of a rig; what is no pole is passed over
     * @return array<int, PolesServed> by the member's place in the list
     */
    public function serve(array $members): array
    {
        $wanted = array_filter($members, static fn (Member $member): bool => $member->kind === 'pole' && $member->length !== null && $member->diameter !== null);
        $stocks = $this->stocks;
        usort($stocks, static fn (PoleStock $a, PoleStock $b): int => [$a->length, $a->diameter, $a->id] <=> [$b->length, $b->diameter, $b->id]);
        $given = array_fill_keys(array_keys($wanted), array_fill(0, count($stocks), 0));
        // Each pole that is wanted takes one that is free, or sends another on to one that is.
        foreach ($wanted as $index => $member) {
            for ($n = 0; $n < $member->count; $n++) {
                $tried = [];
                if (! self::give($index, $wanted, $stocks, $given, $tried)) {
                    break;
                }
            }
        }
        $served = [];
        foreach ($wanted as $index => $member) {
            $taken = [];
            foreach ($given[$index] as $stock => $count) {
                if ($count > 0) {
                    $taken[] = ['pole' => $stocks[$stock], 'count' => $count];
                }
            }
            $served[$index] = new PolesServed($taken, $member->count - array_sum($given[$index]));
        }

        return $served;
    }

    public static function does(PoleStock $pole, Member $for): bool
    {
        return $for->length !== null && $for->diameter !== null && $pole->length >= $for->length && abs($pole->diameter - $for->diameter) <= self::AS_THICK * $for->diameter;
    }

    /**
     * @param  array<int, Member>  $wanted
     * @param  list<PoleStock>  $stocks
     * @param  array<int, array<int, int>>  $given  how many of each stock, by member
     * @param  array<int, true>  $tried  stocks that were asked already
     */
    private static function give(int $to, array $wanted, array $stocks, array &$given, array &$tried): bool
    {
        foreach ($stocks as $stock => $pole) {
            if (isset($tried[$stock]) || ! self::does($pole, $wanted[$to])) {
                continue;
            }
            $tried[$stock] = true;
            if (array_sum(array_column($given, $stock)) < $pole->count) {
                $given[$to][$stock]++;

                return true;
            }
            foreach ($given as $other => $has) {
                if ($has[$stock] > 0 && $other !== $to && self::give($other, $wanted, $stocks, $given, $tried)) {
                    $given[$other][$stock]--;
                    $given[$to][$stock]++;

                    return true;
                }
            }
        }

        return false;
    }
}
