<?php

declare(strict_types=1);

use Symfony\Component\Process\Exception\ProcessSignaledException;
use Tests\House\OwnHouse;
use Tests\TestHouse;

/** A house whose backups are put back, damaged, and broken into. */
function kept(string $script, float $seconds = TestHouse::PATIENCE): string
{
    return (new OwnHouse('kept'))->run($script, $seconds);
}

function keptRows(string $sql): string
{
    return (new OwnHouse('kept'))->asked($sql);
}

/** All that a group keeps, as one figure. */
function keptState(): string
{
    return keptRows('select md5(concat((select group_concat(id, name order by id) from learners), (select group_concat(id, name order by id) from \`groups\`), (select group_concat(id, email order by id) from users where email is not null), (select count(*) from check_events)))');
}

/** A plain dump of the house as it is, with something done to it, for a restore to refuse. */
function spoiledDump(string $sed): string
{
    $file = kept('mktemp -u "$dir/run/spoiled.XXXXXX"').'.sql.gz';
    kept(<<<SH
        mariadb-dump --no-defaults --protocol=socket --socket="\$(cat "\$dir/run/sockets")/mariadb.sock" -u root "\$(house_database kept)" >"\$dir/run/plain.sql"
        cd "\$dir/run"
        $sed
        gzip -c plain.sql >$file
        SH);

    return $file;
}

beforeAll(fn () => (new OwnHouse('kept'))->found());
afterAll(fn () => (new OwnHouse('kept'))->end());

it('writes one locked file that opens with the six words alone, and shows them once', function (): void {
    $file = kept('house_backup kept 2>"$dir/run/said"');
    expect($file)->toEndWith('.7z')->and(fileperms($file) & 0o777)->toBe(0o600);
    $words = kept('cat "$dir/backup-words"');
    expect(explode(' ', $words))->toHaveCount(6)->and(kept('cat "$dir/run/said"'))->toContain($words);
    expect(kept('house_backup kept 2>&1 >/dev/null'))->not->toContain($words);
    // Without the words not even the names inside are seen; with them anybody reads it, by 7z alone.
    expect(kept("7zz l $file </dev/null 2>&1 || true"))->not->toContain('compadre.sql');
    expect(kept("printf 'six wrong words are no good\n' | 7zz x -so $file compadre.sql 2>/dev/null | wc -c || true"))->toBe('0');
    $sql = kept("7zz x -so $file compadre.sql <\"\$dir/backup-words\" 2>/dev/null");
    expect($sql)->toContain('Ada P.')->toContain('Dump completed')->not->toContain('INSERT INTO `sessions`');
    // In no log, and on no command line's record.
    expect(kept('grep -rlF "$(cat "$dir/backup-words")" "$dir" --include="*" | grep -v -e backup-words -e run/said || true'))->toBe('');
});

it('puts a backup back in one step, signs everybody out, and keeps the state before', function (): void {
    $before = keptState();
    $file = kept('house_backup kept');
    keptRows("update learners set name = 'Changed since' where name = 'Ada P.'; insert into sessions (id, payload, last_activity) values ('x', 'y', 1)");
    expect(keptState())->not->toBe($before);
    kept("house_restore kept $file");
    expect(keptState())->toBe($before)->and(keptRows('select count(*) from sessions'))->toBe('0');
    expect(kept('ls "$dir"/backups/before-restore-*.7z'))->not->toBe('');
    $port = kept('house_setting "$dir" COMPADRE_PORT');
    expect(kept("curl -s -o /dev/null -w '%{http_code}' http://127.0.0.1:$port/api/house"))->toBe('200');
    // One schema is left, and no clear copy.
    expect(kept('database_root "$(cat "$dir/run/sockets")" -N -e "select count(*) from information_schema.schemata where schema_name like \'compadre%\'"'))->toBe('1');
    expect(kept('ls -d "$dir"/run/backup.* 2>/dev/null || true'))->toBe('');
});

it('refuses a file that is not, or not only, a backup, and leaves all as it was', function (string $sed, string $why): void {
    $file = spoiledDump($sed);
    $before = keptState();
    expect(fn () => kept("house_restore kept $file none"))->toThrow(RuntimeException::class, $why);
    expect(keptState())->toBe($before);
    expect(file_exists('/tmp/compadre-obeyed'))->toBeFalse();
    expect(kept('database_root "$(cat "$dir/run/sockets")" -N -e "select group_concat(User) from mysql.global_priv where User not in (\'root\', \'compadre\', \'mariadb.sys\', \'PUBLIC\', \'mysql\')"'))->toBe('NULL');
    kept("rm -f $file");
})->with([
    'a command of the client' => ['sed -i "1i \\\\\\\\! touch /tmp/compadre-obeyed" plain.sql', 'could not be read in'],
    'another command of the client' => ['sed -i "1i system touch /tmp/compadre-obeyed" plain.sql', 'could not be read in'],
    'an account made' => ['sed -i "1i create user intruder@localhost;" plain.sql', 'could not be read in'],
    'a file written' => ['sed -i "1i select 1 into outfile \'/tmp/compadre-obeyed\';" plain.sql', 'could not be read in'],
    'a look at other data' => ['sed -i "1i use mysql;" plain.sql', 'could not be read in'],
    'a trigger' => ['sed -i "\$ i create trigger t before insert on learners for each row set new.name = \'x\';" plain.sql', 'could not be read in'],
    'a view' => ['sed -i "\$ i create view v as select 1;" plain.sql', 'could not be read in'],
    'a table nobody knows' => ['sed -i "\$ i create table pictures (id int primary key);" plain.sql', 'pictures'],
    'a column nobody knows' => ['sed -i "\$ i alter table learners add column address text;" plain.sql', 'address'],
    'a row that hangs in the air' => ['sed -i "/INSERT INTO .users. VALUES/,/;$/d" plain.sql', 'missing'],
    'nothing but its end' => ['echo "select 1; -- Dump completed" >plain.sql', 'not a backup of a group'],
    'no group' => ['sed -i "/INSERT INTO .migrations./,/;$/b; /INSERT INTO /,/;$/d" plain.sql', 'no group in it'],
    'half of it' => ['head -c "$(($(wc -c <plain.sql) / 2))" plain.sql >half; mv half plain.sql', 'its end is missing'],
    'a table left out' => ['sed -i "\$ i drop table badge_ticks;" plain.sql', 'badge_ticks'],
]);

it('refuses what is no archive, and one that is damaged', function (): void {
    $before = keptState();
    $file = kept('house_backup kept');
    kept("printf 'hello' >\"\$dir/run/text.7z\"; head -c 2000 $file >\"\$dir/run/half.7z\"");
    foreach (['text.7z' => 'not a backup', 'half.7z' => 'damaged', 'none.7z' => 'no file'] as $name => $why) {
        expect(fn () => kept("house_restore kept \"\$dir/run/$name\" </dev/null"))->toThrow(RuntimeException::class, $why);
    }
    expect(keptState())->toBe($before);
});

it('keeps out who was erased since, and makes the dumps anew without them', function (): void {
    kept('rm -f "$dir"/backups/*.7z');
    $ada = keptRows("select id from learners where name = 'Ada P.'");
    $file = kept('house_backup kept');
    kept('mkdir -p "$dir/elsewhere"; house_backup kept "$dir/../kept-elsewhere.7z"');
    kept("cp $file \"\$dir/older.7z\"");
    kept("house_artisan kept tinker --execute 'app(App\\Crew\\EraseLearner::class)(App\\Models\\Group::query()->sole(), App\\Models\\Learner::query()->find(\"$ada\"));'");
    expect(kept('ls "$dir/storage/app"'))->toContain('sweep-due');
    // The keeper does so by itself beside a group that is served.
    kept('start_keeper kept; for n in $(seq 300); do [ -e "$dir/storage/app/sweep-due" ] || break; sleep 0.2; done; exec 8<"$dir/storage"; for n in $(seq 300); do 7zz x -so "'.$file.'" compadre.sql <"$dir/backup-words" 2>/dev/null | grep -q "Ada P." || break; sleep 0.2; done; service_stop "$dir" keeper TERM');
    foreach (array_filter(explode("\n", kept('find "$dir/backups" -name "*.7z"'))) as $dump) {
        $sql = kept("7zz x -so $dump compadre.sql <\"\$dir/backup-words\" 2>/dev/null");
        expect($sql)->not->toContain('Ada P.')->toContain('Bram K.')->toContain('Dump completed');
        expect(kept("7zz x -so $dump gone.tsv <\"\$dir/backup-words\" 2>/dev/null"))->toContain($ada);
    }
    // A copy that nobody here reaches brings nobody back, and is named.
    kept('house_restore kept "$dir/older.7z"');
    expect(keptRows("select count(*) from learners where id = '$ada'"))->toBe('0')->and(keptRows("select count(*) from gone_learners where id = '$ada'"))->toBe('1');
    expect(kept('cat "$dir/backups/elsewhere.txt"; rm -f "$dir/../kept-elsewhere.7z"'))->toContain('kept-elsewhere.7z');
});

it('takes in a plain dump of before, on another laptop too once it is said who was erased since', function (): void {
    $demo = glob(dirname(__DIR__).'/data/demo-*.sql.gz')[0];
    $other = new OwnHouse('otherlaptop');
    $other->run('house_stop otherlaptop 2>/dev/null; rm -rf "$dir"; house_start otherlaptop');
    $carried = $other->run('echo "$dir/run/demo.sql.gz"');
    file_put_contents($carried, (string) file_get_contents($demo));
    chmod($carried, 0644);
    expect(fn () => $other->run("house_restore otherlaptop $carried"))->toThrow(RuntimeException::class, 'this backup is of 2026-11-28');
    expect($other->asked('select count(*) from \`groups\`'))->toBe('0');
    // A newer list from the old laptop keeps out one more.
    $first = fn (string $table): string => preg_match("/INSERT INTO `$table` VALUES\s*\('([0-9a-f-]{36})'/", (string) gzdecode((string) file_get_contents($demo)), $found) === 1 ? $found[1] : throw new RuntimeException("No $table in $demo.");
    $learner = $first('learners');
    $other->run("printf 'learner\\t$learner\\t{$first('groups')}\\t\\n' >\"\$dir/run/list.tsv\"; house_restore otherlaptop $carried \"\$dir/run/list.tsv\"");
    expect($other->asked("select (select count(*) from learners where id = '$learner'), (select count(*) from gone_learners where id = '$learner'), (select count(*) from memberships where role = 'lead')"))->toBe("0\t1\t1");
    expect($other->asked('select (select count(*) from sessions), (select count(*) from devices), (select count(*) from invitations), (select count(*) from remembered)'))->toBe("0\t0\t0\t0");
    $other->end();
});

it('is whole, the old or the new, whenever a restore is killed outright', function (): void {
    $new = keptState();
    $file = kept('house_backup kept');
    keptRows("insert into learners (id, group_id, name, age_band) select uuid(), id, 'Only before', '8-10' from \`groups\`");
    $old = keptState();
    $house = new OwnHouse('kept');
    mt_srand(7);
    $seen = [];
    for ($n = 0; $n < 8; $n++) {
        $restore = $house->process("echo \$\$ >\"\$dir/run/restoring\"; exec setsid bash ops/house-do.sh house_restore kept $file");
        $restore->start();
        // All over its length, and a little beyond.
        usleep(mt_rand(100, 700) * 1000 + $n * 750_000);
        $done = ! $restore->isRunning();
        kept('pid="$(cat "$dir/run/restoring")"; kill -KILL -- "-$pid" 2>/dev/null || kill -KILL "$pid" 2>/dev/null || true');
        try {
            $restore->wait();
        } catch (ProcessSignaledException) {
            // As it should be.
        }
        kept('house_start kept; house_sweep_strays kept');
        $seen[] = $state = keptState();
        expect($state)->toBeIn([$old, $new]);
        $port = kept('house_setting "$dir" COMPADRE_PORT');
        expect(kept("curl -s -o /dev/null -w '%{http_code}' http://127.0.0.1:$port/api/house"))->toBe('200');
        expect(kept('database_root "$(cat "$dir/run/sockets")" -N -e "select count(*) from information_schema.schemata where schema_name like \'compadre%\'"'))->toBe('1');
        if ($done) {
            break;
        }
    }
    // It was killed early enough to be the old one at least once.
    expect($seen)->toContain($old);
});
