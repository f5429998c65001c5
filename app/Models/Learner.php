<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\RigUse;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $group_id
 * @property string $name
 * @property AgeBand $age_band
 * @property ?string $hand left, right or not said
 * @property ?string $patrol whose members are not taught at one station with another's
 * @property ?CarbonImmutable $archived_at
 * @property Collection<int, Award> $awards in force
 * @property Collection<int, BadgeTick> $ticks
 * @property Collection<int, CheckEvent> $uses
 * @property Collection<int, Standing> $standings
 * @property Collection<int, Pursuit> $pursuits
 */
final class Learner extends Row
{
    use HasUuids;

    protected $table = 'learners';

    /** @var array<string, Level> */
    private array $levels = [];

    /** @var ?Collection<int, Standing> those that these levels were taken from */
    private ?Collection $levelsOf = null;

    protected function casts(): array
    {
        return ['age_band' => AgeBand::class, 'archived_at' => 'immutable_datetime'];
    }

    /** @return HasMany<Pursuit, $this> */
    public function pursuits(): HasMany
    {
        return $this->hasMany(Pursuit::class);
    }

    /** @return HasMany<Award, $this> badges decided, and not taken back; what met them is read where it is shown */
    public function awards(): HasMany
    {
        $awards = $this->hasMany(Award::class);
        $awards->select(Award::SHOWN)->whereNull('taken_back_on')->orderBy('decided_on')->orderBy('badge');

        return $awards;
    }

    /** @return list<string> the badges it holds, by id */
    public function held(): array
    {
        return array_values(array_map(strval(...), $this->awards->pluck('badge')->all()));
    }

    public function holds(string $badge): bool
    {
        return in_array($badge, $this->held(), true);
    }

    /** @return array<string, BadgeTick|CheckEvent> what is ticked off beside the ladder, by its names in records: by hand, or else by a knot used in a rig */
    public function credited(): array
    {
        $credited = [];
        foreach ($this->ticks as $tick) {
            $credited[$tick->note] = $tick;
        }
        foreach ($this->uses as $use) {
            $credited += array_fill_keys((new RigUse((string) $use->rig, (string) $use->rig_name, $use->knot))->keys(), $use);
        }

        return $credited;
    }

    /** @return HasMany<BadgeTick, $this> */
    public function ticks(): HasMany
    {
        return $this->hasMany(BadgeTick::class);
    }

    /** @return HasMany<CheckEvent, $this> knots tied in a rig that stood, and not taken back */
    public function uses(): HasMany
    {
        $uses = $this->hasMany(CheckEvent::class);
        $uses->select(['id', 'learner_id', 'knot', 'rig', 'rig_name', 'meeting_id', 'day', 'by'])->where('kind', Kind::Used->value)
            ->whereNotExists(CheckEvent::takenBack(...));

        return $uses;
    }

    /** @return HasMany<Standing, $this> all that is shown of them: the tally is for the next check alone */
    public function standings(): HasMany
    {
        $standings = $this->hasMany(Standing::class);
        $standings->select(Standing::SHOWN);

        return $standings;
    }

    /** @return array{id: string, name: string, age_band: string, hand: ?string, patrol: ?string} what is shown of them wherever they are named */
    public function about(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'age_band' => $this->age_band->value, 'hand' => $this->hand, 'patrol' => $this->patrol];
    }

    /** @return array<string, Level> the level reached with each knot, from the standings that were read with the learner */
    public function levels(): array
    {
        if ($this->levelsOf !== $this->standings) {
            $this->levelsOf = $this->standings;
            $this->levels = [];
            foreach ($this->standings as $standing) {
                $level = $standing->getAttributes()['level'];
                if (is_string($level)) {
                    $this->levels[$standing->knot] = Level::from($level);
                }
            }
        }

        return $this->levels;
    }
}
