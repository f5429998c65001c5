<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\Group;
use App\Models\PracticeCard;

/**
 * A group's cards that are still good, its own first, what it has set for home, and what it gets wrong most.
 */
final readonly class CardList
{
    public function __construct(private HomeKnots $home, private OftenWrong $wrong)
    {
    }

    /** @return array{cards: list<array<string, mixed>>, home: list<string>, wrong: list<array<string, mixed>>} */
    public function of(Group $group): array
    {
        $cards = PracticeCard::query()->with('learner')->where('group_id', $group->id)->where('ends_on', '>=', $group->today())->oldest()->get();

        return [
            'cards' => array_values($cards->sortBy(static fn (PracticeCard $card): string => $card->learner->name ?? '')->map(self::card(...))->all()),
            'home' => $this->home->of($group),
            'wrong' => $this->wrong->of($group),
        ];
    }

    /** @return array<string, mixed> */
    public static function card(PracticeCard $card): array
    {
        return [
            'id' => $card->id, 'code' => $card->code, 'learner' => $card->learner === null ? null : ['id' => $card->learner->id, 'name' => $card->learner->name],
            'hand' => $card->hand, 'ends_on' => $card->ends_on, 'hints' => $card->hints,
        ];
    }
}
