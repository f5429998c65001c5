<?php

declare(strict_types=1);

namespace App\Practice;

use App\Http\PlainCode;
use App\Models\Group;
use App\Models\PracticeCard;
use App\Work\StartWork;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Makes a card for the practice corner, changes it, and ends it.
 */
final readonly class KeepCard
{
    private const LENGTH = 6;

    /** Where no meeting is planned a card is good for so many days, and never for more than a year. */
    private const USUAL_DAYS = 84;

    private const MOST_DAYS = 366;

    public function __construct(private StartWork $startWork)
    {
    }

    public function make(Group $group, Fields $card): PracticeCard
    {
        $learner = $card->textOrNull('learner');
        // A group's card opens what anybody may see: hints need somebody whose they are.
        $own = $learner === null ? null : ($group->learners()->whereKey($learner)->first() ?? throw Refusal::of('/learner', $learner, 'crew.learner'));
        $code = PlainCode::make(self::LENGTH);

        return DB::transaction(function () use ($group, $card, $own, $code): PracticeCard {
            $made = PracticeCard::query()->create([
                'group_id' => $group->id, 'learner_id' => $own?->id, 'code' => $code, 'code_hash' => PracticeCard::hash($code),
                'hand' => $card->textOrNull('hand') ?? $own->hand ?? 'right', 'ends_on' => $this->lastDay($group, $card->textOrNull('ends_on')),
            ])->refresh();
            ($this->startWork)($group, MakeKits::class);

            return $made;
        });
    }

    /** @throws Refusal for hints on a card that is nobody's own */
    public function hint(PracticeCard $card, bool $hints): PracticeCard
    {
        if ($hints && $card->learner_id === null) {
            throw Refusal::of('/hints', true, 'practice.nobodys_own');
        }
        $card->update(['hints' => $hints]);

        return $card;
    }

    public function withdraw(PracticeCard $card): void
    {
        $card->delete();
    }

    /** With the term, unless another day is asked for. */
    private function lastDay(Group $group, ?string $asked): string
    {
        $today = CarbonImmutable::parse($group->today());
        $latest = $today->addDays(self::MOST_DAYS)->format('Y-m-d');
        if ($asked !== null && ($asked < $group->today() || $asked > $latest)) {
            throw Refusal::of('/ends_on', $asked, 'any.days', ['first' => $group->today(), 'last' => $latest]);
        }
        $last = $group->term()->where('date', '>', $group->today())->max('date');

        return min($asked ?? (is_string($last) ? $last : $today->addDays(self::USUAL_DAYS)->format('Y-m-d')), $latest);
    }
}
