<?php

declare(strict_types=1);

namespace App\Practice;

use App\Http\LivesElsewhere;
use App\Models\PracticeCard;
use App\Models\PracticeDay;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

/**
 * Takes in the days on which a learner says to have practised. They are shown to leaders as what they are; no standing knows of them.
 */
final readonly class HintDays
{
    public function __construct(private Library $library)
    {
    }

    /**
     * @param  list<Fields>  $days
     * @return int how many were taken in; none where the lead has not asked for them
     *
     * @throws Refusal for a day to come, or a knot that is not learned; then nothing is kept
     */
    public function __invoke(PracticeCard $card, array $days): int
    {
        if (! $card->hints || $card->learner_id === null) {
            return 0;
        }
        LivesElsewhere::hold($card->group);
        $today = $card->group->today();
        $rows = [];
        foreach ($days as $number => $one) {
            $day = $one->text('day');
            if ($day > $today) {
                throw Refusal::of("/days/$number/day", $day, 'practice.until_today', ['today' => $today]);
            }
            $rows[] = ['learner_id' => $card->learner_id, 'knot' => $this->library->forLearners($one->text('knot'), "/days/$number/knot")->id, 'day' => $day, 'group_id' => $card->group_id, 'felt' => $one->text('felt')];
        }
        PracticeDay::query()->upsert($rows, PracticeDay::keyColumns(), ['felt']);

        return count($rows);
    }
}
