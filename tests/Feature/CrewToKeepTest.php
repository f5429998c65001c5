<?php

declare(strict_types=1);

use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\User;

it('gives what a device keeps of the learners in one answer, each as it is at its own address', function (): void {
    $this->artisan('compadre:seed-demo')->assertSuccessful();
    $group = Group::query()->sole();
    $gone = $group->learners()->get()->last();
    $gone->update(['archived_at' => now()]);
    $other = $this->group('Harbour Lantern Crew');
    [$stranger] = $this->learners($other, 'Ada P.');
    $this->actingAs(User::query()->whereRelation('membership', 'group_id', $group->id)->whereRelation('membership', 'role', 'helper')->sole());
    $tonight = Meeting::query()->where('date', $group->today())->sole()->id;
    $crew = $this->api('GET', '/api/crew')->assertOk()->json();
    foreach (['' => '', "?meeting=$tonight" => "?meeting=$tonight"] as $asked => $meeting) {
        $answers = array_column($this->api('GET', "/api/crew-to-keep$asked")->assertOk()->json('answers'), 'answer', 'address');
        expect(array_keys($answers))->toEqualCanonicalizing([
            ...array_map(fn (array $knot): string => "/api/check/{$knot['id']}$meeting", $crew['knots']),
            ...array_map(fn (array $learner): string => "/api/learners/{$learner['id']}", $crew['learners']),
            ...array_map(fn (array $learner): string => "/api/learners/{$learner['id']}/check", $crew['learners']),
        ]);
        expect(array_keys($answers))->not->toContain("/api/learners/$gone->id", "/api/learners/$stranger->id");
        foreach ($answers as $address => $answer) {
            expect($answer)->toEqual($this->api('GET', $address)->assertOk()->json(), $address);
        }
    }
    expect(count($crew['knots']))->toBeGreaterThan(9)->and($crew['learners'])->toHaveCount(15)->and(Learner::query()->count())->toBe(17);
});

it('asks the database as often for many learners as for few, but for their own history', function (): void {
    $group = $this->group();
    $this->actingAs($this->person($group));
    $asked = function (): int {
        $count = 0;
        Illuminate\Support\Facades\DB::listen(function () use (&$count): void {
            $count++;
        });
        $this->api('GET', '/api/crew-to-keep')->assertOk();

        return $count;
    };
    $this->learners($group, 'Ada P.', 'Bram K.');
    $few = $asked();
    $this->learners($group, ...array_map(fn (int $number): string => "Learner $number", range(1, 10)));
    // Each learner's events, days of practice and credit: a handful.
    expect(($asked() - $few) / 10)->toBeLessThanOrEqual(8);
});

it('keeps a meeting of another group from what is kept', function (): void {
    $group = $this->group();
    $this->actingAs($this->person($group));
    $this->learners($group, 'Ada P.');
    $foreign = $this->meeting($this->group('Harbour Lantern Crew'));
    $this->refused($this->api('GET', "/api/crew-to-keep?meeting=$foreign->id"), '/meeting', 'of your group');
    $this->refused($this->api('GET', '/api/crew-to-keep?meeting=tonight'), '/meeting');
    $this->flushSession();
    $this->app['auth']->forgetGuards();
    $this->api('GET', '/api/crew-to-keep')->assertUnauthorized();
});
