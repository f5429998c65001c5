<?php

declare(strict_types=1);

namespace App\Practice;

use App\Http\PlainCode;
use App\Http\Tries;
use App\Models\PracticeCard;
use Compadre\Core\Refusal;

/**
 * The card a code is printed on. One that has ended is no other than one that never was.
 */
final readonly class OpenCorner
{
    /** Tries a minute from one network address, right ones not counted: a hall full of tablets is one address. */
    private const TRIES = 60;

    public function __construct(private Tries $tries)
    {
    }

    /** @throws Refusal for a code that is on no card */
    public function card(string $typed, string $address): PracticeCard
    {
        $from = "practice from $address";
        $this->tries->take($from, self::TRIES, 60);
        $card = PracticeCard::query()->with('group')->where('code_hash', PracticeCard::hash(PlainCode::read($typed)))->first();
        if ($card !== null && $card->group->closed_at === null && $card->ends_on >= $card->group->today()) {
            $this->tries->giveBack($from);

            return $card;
        }

        throw Refusal::of('/code', $typed, 'practice.card_code');
    }
}
