<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\Group;
use App\Models\PracticeCard;
use App\Work\Hold;
use App\Work\LongWork;
use Compadre\Core\Knots\View;

/**
 * What a group's cards open, computed ahead: a hall full of phones opens the same kits in the same minute. What is kept already costs nothing.
 */
final readonly class MakeKits implements LongWork
{
    /** Seconds until it is tried again. */
    private const PATIENCE = 60;

    public function __construct(private Corner $corner)
    {
    }

    public static function kind(): string
    {
        return 'kits';
    }

    public function patience(int $tries): int
    {
        return min($tries, 20) * self::PATIENCE;
    }

    public function do(Group $group, Hold $hold): void
    {
        $hands = PracticeCard::query()->where('group_id', $group->id)->distinct()->pluck('hand')->all();
        $knots = $hands === [] ? [] : $this->corner->knotsOf($group);
        $done = 0;
        foreach ($hands as $hand) {
            $view = View::forHand($hand)->value;
            $this->corner->pictures($view);
            foreach ($knots as ['id' => $id, 'method' => $method]) {
                $this->corner->kit($id, $method, $view);
                $hold->at(++$done, count($hands) * count($knots));
            }
        }
    }
}
