<?php

declare(strict_types=1);

use Tests\House\OwnHouse;

/** A group moves from one of these houses to the other, and back. */
function moved(string $house, string $script): string
{
    return (new OwnHouse($house))->run($script);
}

/** A sum of all that a group has and takes along. */
function groupSum(string $house): string
{
    return (new OwnHouse($house))->asked('select md5(concat((select group_concat(id, name, age_band order by id) from learners), (select group_concat(id, learner_id, knot, day, verdict order by id) from check_events), (select group_concat(learner_id, knot, level, day order by learner_id, knot) from standings), (select group_concat(id, name, time_zone) from groups)))');
}

afterAll(function (): void {
    (new OwnHouse('laptop'))->end();
    (new OwnHouse('hosted'))->end();
});

it('moves a group to another installation and back, with every id, and says first what it would do', function (): void {
    (new OwnHouse('laptop'))->found();
    moved('laptop', <<<'SH'
        house_artisan laptop tinker --execute '$g = App\Models\Group::query()->sole(); $by = App\Models\User::query()->sole(); app(App\Check\RecordChecks::class)($by, Compadre\Core\Data\Fields::of(["sent_at" => now()->toIso8601ZuluString(), "events" => $g->learners->map(fn ($one, $n) => ["id" => (string) Str::uuid7(), "schema" => 1, "kind" => "result", "learner" => $one->id, "knot" => "bowline", "device" => "phone", "device_seq" => $n + 1, "observed_at" => now()->toIso8601ZuluString(), "tying" => "yes", "dressing" => "yes", "tail" => "yes", "how" => "attested", "prompts" => 0])->all()])); app(App\Awards\GroupKeys::class)->current($g);'
        SH);
    $sum = groupSum('laptop');
    $zip = sys_get_temp_dir().'/moved-'.bin2hex(random_bytes(6));
    moved('laptop', "mkdir -m 700 $zip; house_artisan laptop compadre:along $zip/open.zip; along_word='harbour lantern 5'; along_password | house_artisan laptop compadre:along $zip/locked.zip --lock");
    moved('hosted', 'house_stop hosted 2>/dev/null; rm -rf "$dir"; house_start hosted');
    // It says what it would do, and does nothing.
    expect(moved('hosted', "house_artisan hosted compadre:take $zip/open.zip"))->toContain('Gullwick Lantern Crew, which is not here yet')->toContain('4 new')->toContain('stay where they are')->not->toContain('is here. People');
    expect(moved('hosted', 'house_groups hosted'))->toBe('0');
    expect(moved('hosted', "house_artisan hosted compadre:take $zip/locked.zip || true"))->toContain('It is locked');
    expect(moved('hosted', "along_word='harbour lantern 5'; house_take hosted $zip/locked.zip --locked --yes"))->toContain('Leads: maren@gullwick.example');
    expect(groupSum('hosted'))->toBe($sum);
    // What is left behind is only looked at.
    moved('laptop', "house_artisan laptop compadre:along $zip/left.zip --leave");
    expect((new OwnHouse('laptop'))->asked('select left_at is not null from groups'))->toBe('1')->and((new OwnHouse('hosted'))->asked('select left_at is not null from groups'))->toBe('0');
    // Nobody is let in by a password of before; a link sets a new one.
    $port = moved('hosted', 'house_setting "$dir" COMPADRE_PORT');
    $phone = new Tests\House\Phone("http://127.0.0.1:$port", 'lead');
    $phone->signIn();
    expect($phone->status)->toBe(422);
    $link = moved('hosted', 'house_artisan hosted compadre:reset-password maren@gullwick.example');
    expect(preg_match('/reset#(\S+)/', $link, $found))->toBe(1);
    $phone->call('POST', '/api/reset', ['token' => $found[1], 'password' => 'lantern-tail-77']);
    expect($phone->signIn())->toHaveKey('user');
    // It can sign badges there; and comes back with what was done there.
    moved('hosted', "house_artisan hosted tinker --execute 'app(App\\Awards\\GroupKeys::class)->current(App\\Models\\Group::query()->sole()); App\\Models\\Learner::query()->where(\"name\", \"Ada P.\")->update([\"name\" => \"Ada Q.\"]);'; house_artisan hosted compadre:along $zip/back.zip");
    expect(moved('laptop', "house_artisan laptop compadre:take $zip/back.zip 2>&1 || true"))->toContain('is in this house already');
    expect(moved('laptop', "house_artisan laptop compadre:take $zip/back.zip --replace"))->toContain('~ Ada Q. (learners)');
    expect(groupSum('laptop'))->toBe($sum);
    moved('laptop', "house_take laptop $zip/back.zip --replace --yes; house_artisan laptop tinker --execute 'app(App\\Awards\\GroupKeys::class)->current(App\\Models\\Group::query()->sole());'; ls \"\$dir\"/backups/before-take-*.7z; rm -rf $zip");
    expect(groupSum('laptop'))->toBe(groupSum('hosted'))->not->toBe($sum)->and((new OwnHouse('laptop'))->asked('select left_at is not null from groups'))->toBe('0');
});
