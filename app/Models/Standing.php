<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Tally;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;

/**
 * A derived row: where one learner stands with one knot. Rebuilt from check events at any time.
 *
 * @property string $learner_id
 * @property string $knot
 * @property string $group_id
 * @property ?Level $level
 * @property string $verdict
 * @property string $tying
 * @property string $dressing
 * @property string $tail
 * @property int $prompts
 * @property string $day
 * @property string $event_id
 * @property bool $two_leaders
 * @property ?string $has_it_since
 * @property ?string $kept_since
 * @property ?float $half_life_days
 * @property ?string $last_day
 * @property ?string $tally what a later check is added to; null where all events have to be read
 */
final class Standing extends Row
{
    use KeyedByColumns;

    public const SHOWN = ['learner_id', 'knot', 'group_id', 'level', 'verdict', 'tying', 'dressing', 'tail', 'prompts', 'day', 'event_id', 'two_leaders', 'has_it_since', 'kept_since', 'half_life_days', 'last_day'];

    public $timestamps = false;

    protected $table = 'standings';

    protected function casts(): array
    {
        return ['level' => Level::class, 'prompts' => 'integer', 'two_leaders' => 'boolean', 'half_life_days' => 'float'];
    }

    /**
     * The tallies of some learners and knots, as they are now.
     *
     * @param  list<array{string, string}>  $pairs  learner and knot
     * @return array<string, ?Tally> by learner and knot, as one text
     */
    public static function tallies(array $pairs): array
    {
        if ($pairs === []) {
            return [];
        }
        $tallies = [];
        foreach (Pairs::in('standings', $pairs)->lockForUpdate()->get(['learner_id', 'knot', 'tally']) as $row) {
            $tallies["$row->learner_id $row->knot"] = $row->tally === null ? null : Tally::from(Fields::of(Json::arrays(Json::read($row->tally))), $row->learner_id, $row->knot);
        }

        return $tallies;
    }

    public static function keyColumns(): array
    {
        return ['learner_id', 'knot'];
    }
}
