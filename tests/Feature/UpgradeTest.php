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

/** @return list<array<string, mixed>> every index and reference of a schema */
function keysOf(string $schema): array
{
    $rows = DB::select('select table_name as of, index_name as name, group_concat(column_name order by seq_in_index) as columns from information_schema.statistics where table_schema = ? group by table_name, index_name
        union all select table_name, constraint_name, concat(referenced_table_name, " ", delete_rule) from information_schema.referential_constraints where constraint_schema = ? order by 1, 2, 3', [$schema, $schema]);
    expect(count($rows))->toBeGreaterThan(200);

    return array_map(static fn (object $row): array => (array) $row, $rows);
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
    foreach (['attendances', 'block_runs', 'pursuits', 'badge_ticks', 'status_places'] as $table) {
        expect(DB::table($table)->whereNull('group_id')->count())->toBe(0, $table);
    }
    // Its keys and references are those of a schema made today: a backup of it is held against one.
    expect(keysOf('compadre_upgrade'))->toBe(keysOf('compadre_feature'));
    // Where knots were shown is promised from now on to those who pursue something, and pins stay pins.
    expect(DB::table('plan_places')->whereNotNull('meeting_id')->count() + DB::table('plan_parts')->count())->toBe($places)->and(DB::table('plan_people')->count())->toBeGreaterThan($places);
    if ($roles !== null) {
        expect(Membership::query()->whereNull('until')->orderBy('user_id')->pluck('role', 'user_id')->map(fn ($role): string => $role->value)->all())->toBe($roles);
    }
    // Derived anew from the checks, they are the same to the letter.
    app(DeriveStandings::class)->rebuild(Group::query()->sole());
    expect(standingRows())->toBe($before[0]);
})->with(fn (): array => glob(dirname(__DIR__).'/data/demo-*.sql.gz') ?: throw new RuntimeException('No dump is kept to upgrade from.'));

/** @return list<string> what in a migration an app of before, or whoever else writes meanwhile, would have to wait for or be refused by */
function holdsUp(string $migration): array
{
    $up = stristr($migration, 'function down(', true) ?: $migration;
    preg_match_all('/\balter table\b[^;]*?;|Schema::(table|drop\w*|rename)\b/i', $up, $found);

    return array_values(array_filter($found[0], static fn (string $one): bool => preg_match('/algorithm\s*=\s*(instant|inplace)/i', $one) !== 1));
}

it('changes what is there only so that an app of before goes on beside it', function (): void {
    // Since a house can be on several machines, one of which is brought up to date before the others.
    $since = array_filter(glob(dirname(__DIR__, 2).'/database/migrations/*.php') ?: [], static fn (string $file): bool => basename($file) >= '2026_12_06');
    expect(count($since))->toBeGreaterThan(1);
    foreach ($since as $file) {
        expect(holdsUp((string) file_get_contents($file)))->toBe([], basename($file));
    }
    expect(holdsUp('public function up() { DB::statement("alter table `x` add column `y` int null"); DB::statement("alter table `x` drop foreign key `z`, algorithm=inplace"); Schema::table("x"); } public function down() { Schema::drop("x"); }'))
        ->toBe(['alter table `x` add column `y` int null");', 'Schema::table']);
});
