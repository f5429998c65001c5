<?php

declare(strict_types=1);

use App\Check\DeriveStandings;
use App\Models\Group;
use App\Models\Membership;
use App\Models\Standing;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Symfony\Component\Process\Process;
use Tests\TestHouse;

/** What was kept of an app of before, each read into a schema of its own and brought up to today. */
function upgraded(string $dump): void
{
    $house = TestHouse::settings();
    DB::statement('drop database if exists compadre_upgrade');
    DB::statement('create database compadre_upgrade');
    $command = 'zcat '.escapeshellarg($dump)." | mariadb --no-defaults --host=127.0.0.1 --port={$house['DB_PORT']} --user={$house['DB_USERNAME']} compadre_upgrade";
    Process::fromShellCommandline($command, null, ['MYSQL_PWD' => $house['DB_PASSWORD']], timeout: TestHouse::PATIENCE)->mustRun();
    config(['database.connections.upgrade' => ['database' => 'compadre_upgrade'] + config('database.connections.mariadb')]);
    DB::setDefaultConnection('upgrade');
}

afterEach(function (): void {
    DB::setDefaultConnection('mariadb');
    DB::purge('upgrade');
    DB::statement('drop database if exists compadre_upgrade');
});

/** @return list<array<string, mixed>> */
function standingRows(): array
{
    return Standing::query()->orderBy('learner_id')->orderBy('knot')->get(array_diff(Standing::SHOWN, ['group_id']))->map(fn (Standing $row): array => $row->getAttributes())->all();
}

it('takes in what an app of before kept, with the same standings and nothing lost', function (string $dump): void {
    upgraded($dump);
    $count = fn (): array => array_map(fn (string $table): int => DB::table($table)->count(), ['groups', 'users', 'learners', 'meetings', 'attendances', 'pursuits', 'check_events', 'badge_ticks', 'badge_packs', 'block_runs', 'stocks', 'gone_learners']);
    $before = [standingRows(), $count()];
    $places = DB::table('plan_places')->whereNotNull('meeting_id')->count();
    expect($places)->toBeGreaterThan(0);
    expect(count($before[0]))->toBeGreaterThan(50)->and(min($before[1]))->toBeGreaterThan(0);
    $roles = Schema::hasColumn('users', 'role') ? DB::table('users')->orderBy('id')->pluck('role', 'id')->all() : null;
    expect(Artisan::call('migrate', ['--force' => true, '--database' => 'upgrade']))->toBe(0);
    expect([standingRows(), $count()])->toBe($before);
    // Where knots were shown is promised from now on to those who pursue something, and pins stay pins.
    expect(DB::table('plan_places')->whereNotNull('meeting_id')->count() + DB::table('plan_parts')->count())->toBe($places)->and(DB::table('plan_people')->count())->toBeGreaterThan($places);
    if ($roles !== null) {
        expect(Membership::query()->whereNull('until')->orderBy('user_id')->pluck('role', 'user_id')->map(fn ($role): string => $role->value)->all())->toBe($roles);
    }
    // Derived anew from the checks, they are the same to the letter.
    app(DeriveStandings::class)->rebuild(Group::query()->sole());
    expect(standingRows())->toBe($before[0]);
})->with(fn (): array => glob(dirname(__DIR__).'/data/demo-*.sql.gz') ?: throw new RuntimeException('No dump is kept to upgrade from.'));
