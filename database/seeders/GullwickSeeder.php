<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Awards\KeepAward;
use App\Check\RecordChecks;
use App\Course\AcceptPlan;
use App\Course\AddMeeting;
use App\Course\Plans;
use App\Crew\AddLearners;
use App\House\People\NewPerson;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use App\Session\MarkAttendance;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Rope\Material;
use DateTimeZone;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

/**
 * The Gullwick Lantern Crew, an invented group in a harbour town that never was: a term of ten meetings, the sixth
 * of them today.
 */
final class GullwickSeeder
{
    private int $seq = 0;

    public function __construct(
        private readonly NewPerson $newPerson,
        private readonly AddLearners $addLearners,
        private readonly AddMeeting $addMeeting,
        private readonly MarkAttendance $mark,
        private readonly AcceptPlan $accept,
        private readonly KeepAward $keepAward,
    ) {
    }

    /** One password for the demo's people, random per installation. */
    public static function password(): string
    {
        $file = storage_path('app/demo-password');
        if (! File::exists($file)) {
            File::put($file, GullwickTerm::WORDS[random_int(0, 7)].'-'.GullwickTerm::WORDS[random_int(8, 15)].'-'.random_int(1000, 9999));
            chmod($file, 0600);
        }

        return trim(File::get($file));
    }

    public function run(): void
    {
        $clock = CarbonImmutable::getTestNow();
        DB::transaction(function (): void {
            $group = $this->group();
            $people = $this->people($group);
            $learners = $this->learners($group);
            foreach ($this->meetings($group) as $number => $meeting) {
                if ($number < 5) {
                    $this->evening($number, $meeting, $learners, $people);
                }
            }
        });
        CarbonImmutable::setTestNow($clock);
        $this->awards();
        $this->plan();
    }

    /** The older ones have their first badge from the year before. */
    private function awards(): void
    {
        $group = Group::query()->firstOrFail();
        $day = static fn (int $days): string => CarbonImmutable::parse($group->today())->subDays($days)->format('Y-m-d');
        ($this->keepAward)->byHand(User::of($group)->orderBy('name')->firstOrFail(), Fields::of([
            'badge' => 'lantern-hand', 'learners' => $group->learners()->whereIn('name', GullwickTerm::LANTERN_HANDS)->pluck('id')->all(),
            'why' => GullwickTerm::WHY, 'decided_on' => $day(350), 'handed_on' => $day(343),
        ]));
        if (config()->string('app.office_port') !== '') {
            Office::query()->create([
                'group_id' => $group->id, 'address' => 'http://127.0.0.1:'.config()->string('app.office_port'), 'client' => 'gullwick', 'secret' => Crypt::encryptString(config()->string('app.office_secret')),
            ]);
        }
    }

    /** The plan as it stands today is the group's. */
    private function plan(): void
    {
        $group = Group::query()->firstOrFail();
        ($this->accept)($group, app(Plans::class)->of($group)->anew());
    }

    private function group(): Group
    {
        $zone = is_readable('/etc/timezone') ? trim((string) file_get_contents('/etc/timezone')) : '';
        $group = Group::query()->create([
            'name' => 'Gullwick Lantern Crew', 'time_zone' => in_array($zone, DateTimeZone::listIdentifiers(), true) ? $zone : 'UTC',
            'units' => 'mm', 'age_from' => 8, 'age_to' => 15,
        ])->refresh();
        $group->ropes()->create(['name' => 'Practice rope, hemp', 'diameter_mm' => 10, 'material' => Material::Natural, 'is_usual' => true]);
        $group->ropes()->create(['name' => 'Blue guy line', 'diameter_mm' => 6, 'material' => Material::Polypropylene]);
        foreach (GullwickTerm::STORE as [$name, $kind, $diameter, $material, $lay, $colour, $ends, $length, $count]) {
            $group->stocks()->create(['name' => $name, 'kind' => $kind, 'diameter_mm' => $diameter, 'material' => $material, 'lay' => $lay, 'colour' => $colour, 'ends' => $ends, 'length_mm' => $length, 'count' => $count]);
        }
        foreach (GullwickTerm::POLES as [$name, $diameter, $length, $count]) {
            $group->poles()->create(['name' => $name, 'diameter_mm' => $diameter, 'length_mm' => $length, 'count' => $count]);
        }
        $walk = CarbonImmutable::parse($group->today())->addDays(28)->format('Y-m-d');
        $group->badges()->create(['badge' => 'lantern-hand', 'due_on' => $walk]);
        $group->badges()->create(['badge' => 'rigger', 'due_on' => $walk]);
        $group->badges()->create(['badge' => 'green-captain', 'due_on' => $walk]);

        return $group;
    }

    /** @return list<User> */
    private function people(Group $group): array
    {
        $people = [];
        foreach (GullwickTerm::LEADERS as [$name, $email, $role]) {
            $people[] = ($this->newPerson)($group, Role::from($role), Fields::of(['name' => $name, 'email' => $email, 'password' => self::password()]), null)->user;
        }

        return $people;
    }

    /** @return array<string, Learner> by name */
    private function learners(Group $group): array
    {
        $entries = array_map(fn (array $learner): Fields => Fields::of(['name' => $learner[0], 'age_band' => $learner[1], 'hand' => $learner[2] ?? null]), GullwickTerm::LEARNERS);
        $learners = [];
        foreach (($this->addLearners)($group, $entries) as $learner) {
            $learners[$learner->name] = $learner;
        }

        return $learners;
    }

    /** @return list<Meeting> */
    private function meetings(Group $group): array
    {
        $today = CarbonImmutable::parse($group->today());
        $meetings = [];
        for ($number = 0; $number < 10; $number++) {
            $date = $today->addWeeks($number - 5)->format('Y-m-d');
            $meetings[] = $this->addMeeting->write($group, $date, '18:30', 75, 2, $number % 3 === 2 ? 'On the green' : 'Net loft', '/date');
        }

        return $meetings;
    }

    /**
     * @param  array<string, Learner>  $learners
     * @param  list<User>  $people
     */
    private function evening(int $number, Meeting $meeting, array $learners, array $people): void
    {
        $time = CarbonImmutable::parse("{$meeting->date} 18:40", $people[0]->group->time_zone);
        CarbonImmutable::setTestNow($time);
        $away = GullwickTerm::AWAY[$number];
        foreach ($learners as $name => $learner) {
            ($this->mark)($meeting, $learner, $people[0], ! in_array($name, $away, true));
        }
        foreach (GullwickTerm::evening($number) as [$name, $knot, $outcome]) {
            if (in_array($name, $away, true)) {
                continue;
            }
            $time = $time->addSeconds(35);
            CarbonImmutable::setTestNow($time);
            $this->check($people[$this->seq % 2], $learners[$name], $meeting, $time, $knot, $outcome);
        }
    }

    /** @param  array<string, mixed>  $outcome */
    private function check(User $by, Learner $learner, Meeting $meeting, CarbonImmutable $time, string $knot, array $outcome): void
    {
        $event = $outcome + [
            'id' => (string) Str::uuid7($time), 'schema' => 1, 'kind' => 'result', 'learner' => $learner->id, 'knot' => $knot, 'meeting' => $meeting->id,
            'device' => 'demo-'.$by->role->value, 'device_seq' => ++$this->seq, 'observed_at' => $time->toIso8601ZuluString(),
            'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'how' => 'attested', 'prompts' => 0,
        ];
        app(RecordChecks::class)($by, Fields::of(['sent_at' => $time->toIso8601ZuluString(), 'events' => [$event]]));
    }
}
