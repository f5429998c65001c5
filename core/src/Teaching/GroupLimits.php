<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Refusal;

/**
 * How many a group may have of what a house of many groups counts: learners on its board, and people with access. Nothing is ever taken
 * away by a limit; only what comes on top is refused.
 */
final readonly class GroupLimits
{
    /**
     * @param  ?int  $learners  the most on the board, 1 or more; null: as many as there are
     * @param  ?int  $people  the most with access, 1 or more; null: as many as there are
     */
    public function __construct(public ?int $learners = null, public ?int $people = null)
    {
    }

    /**
     * @param  int  $have  learners on the board, 0 or more
     * @param  int  $more  learners to be added, 0 or more
     *
     * @throws Refusal at /learners, where there would be more than may be
     */
    public function holdLearners(int $have, int $more): void
    {
        self::hold('learners', $this->learners, $have, $more);
    }

    /**
     * @param  int  $have  people with access, 0 or more
     * @param  int  $more  people to be let in, 0 or more
     *
     * @throws Refusal at /people, where there would be more than may be
     */
    public function holdPeople(int $have, int $more): void
    {
        self::hold('people', $this->people, $have, $more);
    }

    private static function hold(string $what, ?int $most, int $have, int $more): void
    {
        if ($most !== null && $more > 0 && $have + $more > $most) {
            $left = max(0, $most - $have);
            throw Refusal::of("/$what", $have + $more, 'teaching.limit', ['most' => $most, 'what' => $what, 'have' => $have, 'left' => $left, 'more' => $more]);
        }
    }
}
