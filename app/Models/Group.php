<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Data\Fields;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Teaching\GroupLimits;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $name
 * @property string $time_zone
 * @property string $units mm or inches
 * @property string $words leaders or learners: whose words knots are explained in
 * @property int $age_from
 * @property int $age_to
 * @property TailSchool $tail_school
 * @property bool $backup
 * @property float $old_share of a meeting, kept for old knots
 * @property ?int $new_knots the most in a meeting; null: as many as the youngest can take
 * @property string $pace soon: badges as soon as can be; keep: as much as can be still known afterwards
 * @property ?array<string, string> $methods the house method by knot
 * @property ?array<string, float> $memory_model how its learners forget, where it has taken over its own figures
 * @property ?string $calendar_hash
 * @property bool $calendar_places
 * @property ?string $certificate_words
 * @property ?string $certificate_colour as #1f4e5f
 * @property ?string $issuer_id who it is where its badges are shown
 * @property ?CarbonImmutable $left_at since then it lives in another house, and is only looked at here
 * @property ?int $learners_most that whoever hosts the house lets it have
 * @property ?int $people_most
 * @property ?CarbonImmutable $closed_at since then whoever hosts the house lets nobody in
 * @property ?CarbonImmutable $removing_at since then its rows are being removed
 * @property ?CarbonImmutable $created_at
 */
final class Group extends Row
{
    use HasUuids;
    use KeptAsHash;

    protected $table = 'groups';

    protected function casts(): array
    {
        return ['backup' => 'boolean', 'old_share' => 'float', 'new_knots' => 'integer', 'methods' => 'array', 'memory_model' => 'array', 'calendar_places' => 'boolean', 'age_from' => 'integer', 'age_to' => 'integer', 'tail_school' => TailSchool::class, 'left_at' => 'immutable_datetime', 'learners_most' => 'integer', 'people_most' => 'integer', 'closed_at' => 'immutable_datetime', 'removing_at' => 'immutable_datetime'];
    }

    /** @return HasMany<Learner, $this> */
    public function learners(): HasMany
    {
        $relation = $this->hasMany(Learner::class);
        $relation->whereNull('archived_at')->orderBy('name')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Learner, $this> */
    public function archived(): HasMany
    {
        $relation = $this->hasMany(Learner::class);
        $relation->whereNotNull('archived_at')->orderBy('name');

        return $relation;
    }

    /** @return HasMany<Meeting, $this> */
    public function meetings(): HasMany
    {
        $relation = $this->hasMany(Meeting::class);
        $relation->orderBy('date')->orderBy('starts_at');

        return $relation;
    }

    /** @return HasMany<Meeting, $this> those not called off */
    public function term(): HasMany
    {
        $relation = $this->meetings();
        $relation->whereNull('cancelled_at');

        return $relation;
    }

    /** @return HasMany<Rope, $this> */
    public function ropes(): HasMany
    {
        $relation = $this->hasMany(Rope::class);
        $relation->orderByDesc('is_usual')->orderBy('name');

        return $relation;
    }

    /** @return HasMany<GroupBadge, $this> */
    public function badges(): HasMany
    {
        $relation = $this->hasMany(GroupBadge::class);
        $relation->orderBy('due_on')->orderBy('badge');

        return $relation;
    }

    /** @return HasMany<Membership, $this> of those who have access */
    public function memberships(): HasMany
    {
        $relation = $this->hasMany(Membership::class);
        $relation->whereNull('until');

        return $relation;
    }

    /** @return HasMany<PlanPlace, $this> */
    public function places(): HasMany
    {
        return $this->hasMany(PlanPlace::class);
    }

    /** @return HasMany<Stock, $this> */
    public function stocks(): HasMany
    {
        $relation = $this->hasMany(Stock::class);
        $relation->orderBy('diameter_mm')->orderBy('name');

        return $relation;
    }

    /** @return HasMany<Pole, $this> the thinnest first */
    public function poles(): HasMany
    {
        $relation = $this->hasMany(Pole::class);
        $relation->orderBy('diameter_mm')->orderBy('length_mm')->orderBy('name');

        return $relation;
    }

    /** @return HasMany<Award, $this> those that were taken back, too */
    public function awards(): HasMany
    {
        return $this->hasMany(Award::class);
    }

    /** @return HasMany<OwnBadge, $this> */
    public function badgePacks(): HasMany
    {
        return $this->hasMany(OwnBadge::class);
    }

    /** @return list<BadgePack> every version of the badges it has made */
    public function ownBadges(): array
    {
        return array_values($this->badgePacks()->get()->map(fn (OwnBadge $own): BadgePack => $own->read())->all());
    }

    /** All badges there are for it: those of the packs, and its own. */
    public function shelf(): BadgeShelf
    {
        return app(BadgeShelf::class)->with($this->ownBadges());
    }

    /** @return HasMany<OwnRig, $this> */
    public function rigPacks(): HasMany
    {
        return $this->hasMany(OwnRig::class);
    }

    /** @return HasMany<Measure, $this> the latest first */
    public function measures(): HasMany
    {
        $relation = $this->hasMany(Measure::class);
        $relation->orderByDesc('created_at')->orderByDesc('id');

        return $relation;
    }

    /** All rigs there are for it: those of the packs, and its own. */
    public function rigs(): RigShelf
    {
        return app(RigShelf::class)->with(array_values($this->rigPacks()->get()->map(fn (OwnRig $own): Fields => Fields::of($own->pack))->all()));
    }

    /** Whoever comes second waits here, until the transaction of whoever came first has ended. */
    public function takeTurns(): void
    {
        Turn::at('groups', $this->id);
    }

    /** How many it may have in this house. */
    public function limits(): GroupLimits
    {
        return new GroupLimits($this->learners_most, $this->people_most);
    }

    /** How its learners forget. */
    public function memory(): MemoryModel
    {
        return $this->memory_model === null ? MemoryModel::usual() : MemoryModel::from(Fields::of($this->memory_model));
    }

    /** The day from which on checks can be: that on which it began here, or its first meeting, whichever was earlier. */
    public function firstDay(): string
    {
        $began = CarbonImmutable::parse($this->created_at ?? 'now')->setTimezone($this->time_zone)->format('Y-m-d');
        $first = $this->meetings()->min('date');

        return is_string($first) ? min($first, $began) : $began;
    }

    /** Today's date where the group meets. */
    public function today(): string
    {
        return CarbonImmutable::now($this->time_zone)->format('Y-m-d');
    }
}
