<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Data\HandOut;

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
        $given = HandOut::most(
            array_map(static fn (Member $member): int => $member->count, $wanted), array_map(static fn (PoleStock $stock): int => $stock->count, $stocks),
            static fn (int $member, int $stock): bool => self::does($stocks[$stock], $wanted[$member]),
        );
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
}
