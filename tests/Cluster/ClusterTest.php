<?php

declare(strict_types=1);

use Tests\Cluster\Cluster;
use Tests\Cluster\Phones;

/*
 * Three databases, two installations of the app and a proxy, and what happens when one of them goes. Nothing that was answered may be
 * lost or be there twice, and what is derived from the checks must be what would be derived anew, on every database.
 */

/** Holds that every check that was answered is there, none more than those that were sent, and that it all fits together. */
function holdAll(Phones $phones): void
{
    expect($phones->figures['refused'])->toBe([])->and($phones->figures['acknowledged'])->toBe($phones->figures['sent'])
        ->and(array_unique($phones->acknowledged))->toHaveCount($phones->figures['sent']);
    foreach (['db1', 'db2', 'db3'] as $node) {
        $there = array_flip(explode("\n", Cluster::asked($node, 'select id from check_events')));
        expect(array_values(array_filter($phones->acknowledged, static fn (string $id): bool => ! isset($there[$id]))))->toBe([], "on $node");
        $known = array_flip(explode("\n", Cluster::asked($node, 'select id from learners')));
        expect(array_values(array_filter($phones->walkIns, static fn (string $id): bool => ! isset($known[$id]))))->toBe([], "on $node")
            ->and(Cluster::asked($node, 'select name, count(*) from learners group by name having count(*) > 1'))->toBe('');
    }
    expect(Cluster::holdsOneTruth())->toBeTrue();
}

beforeAll(function (): void {
    Cluster::run('cluster_stop');
    Cluster::unmountSmallDisk();
    Cluster::run('rm -rf "$(cluster_dir)" "$(cluster_kept)"');
    Cluster::mountSmallDisk();
    Cluster::run('cluster_up');
});

afterAll(function (): void {
    $names = ['cluster-third', 'cluster-again', 'cluster-test'];
    foreach ($names as Cluster::$name) {
        Cluster::run('cluster_stop');
    }
    // It lies in the last of them: until all are stopped it is in use.
    Cluster::unmountSmallDisk();
    foreach ($names as Cluster::$name) {
        Cluster::run('rm -rf "$(cluster_dir)" "$(cluster_kept)"');
    }
});

it('serves the same house from both installations, and writes to one database alone', function (): void {
    expect(Cluster::run('cluster_status'))->toContain('db1')->not->toContain('down')
        ->and(substr_count(Cluster::run('cluster_status'), '"ready":true'))->toBe(2)
        ->and(Cluster::asked('db2', 'select count(*) from learners'))->toBe(Cluster::asked('db1', 'select count(*) from learners'))->not->toBe('0');
    $written = Cluster::run('for name in db1 db2 db3; do cluster_sql "$name" -e "select count(*) from information_schema.processlist where user = \'compadre\'"; done');
    expect(count(array_filter(explode("\n", $written))))->toBeLessThanOrEqual(1);
});

it('says of itself what whoever watches over it needs, and nothing of anybody', function (): void {
    $said = Cluster::run('for port in db1-health db2-health db3-health figures; do curl -fsS "http://127.0.0.1:$(cluster_port "$port")/metrics"; done');
    foreach (['compadre_database_ready 1' => 3, 'compadre_database_members 3' => 3, 'compadre_database_behind 0' => 3, 'compadre_work_waiting 0' => 3, 'compadre_left_checks 0' => 3] as $line => $times) {
        expect(preg_match_all('/^'.preg_quote($line, '/').'$/m', $said))->toBe($times, $line);
    }
    // Each line is one that Prometheus reads.
    $lines = array_filter(explode("\n", $said), static fn (string $line): bool => $line !== '' && $line[0] !== '#');
    expect(preg_grep('/^[a-z_]+(\{[a-z_]+="[^"]*"(,[a-z_]+="[^"]*")*\})? ([-+]?[0-9.]+(e[-+]?[0-9]+)?|NaN)$/', $lines, PREG_GREP_INVERT))->toBe([])
        ->and($said)->toMatch('/^haproxy_backend_http_responses_total\{proxy="people",code="2xx"\} [1-9]/m')->not->toContain('gullwick');
    expect(Cluster::run('curl -s -o /dev/null -w "%{http_code}" "http://127.0.0.1:$(cluster_port figures)/"'))->toBe('404');
});

it('counts tries by who tries, wherever they are answered, and not by the proxy', function (): void {
    $script = <<<'SH'
        jar="$(mktemp)" address="http://127.0.0.1:$(cluster_port web)"
        curl -fsS --interface FROM -c "$jar" -o /dev/null "$address/sanctum/csrf-cookie"
        token="$(sed -n 's/.*XSRF-TOKEN\t//p' "$jar" | sed 's/%3D/=/g')"
        for n in $(seq 1 34); do
            curl -sS --interface FROM -b "$jar" -o /dev/null -w '%{http_code} ' -H "Origin: $address" -H "Referer: $address/" -H "X-Forwarded-For: 10.0.0.$n" -H 'Accept: application/json' \
                -H "X-XSRF-TOKEN: $token" -H 'Content-Type: application/json' --data "{\"email\":\"nobody$n@gullwick.example\",\"password\":\"wrong lantern 5\"}" "$address/api/sign-in"
        done
        rm -f "$jar"
        SH;
    // Two who guess: each may as often as one address may, whatever they say of where they are.
    foreach (['127.0.0.2', '127.0.0.3'] as $from) {
        $answers = array_count_values(explode(' ', Cluster::run(str_replace('FROM', $from, $script))));
        expect($answers)->toBe([422 => 30, 429 => 4], $from);
    }
});

it('is written to elsewhere before a disk is full, and a database leaves rather than hold up all', function (): void {
    $first = Cluster::writer();
    expect(is_dir(Cluster::SMALL))->toBeTrue()->and($first)->toBe(basename(Cluster::SMALL));
    $leave = static function (int $megabytes): void {
        Cluster::run('dd if=/dev/zero of='.Cluster::SMALL.'/filler bs=1M oflag=append conv=notrunc status=none count='.((int) (disk_free_space(Cluster::SMALL) / 1e6) - $megabytes));
    };
    $phones = new Phones(24, Cluster::address());
    $phones->waitFor(100);
    $leave(150);
    // It says that it has little room: who writes goes elsewhere, and it keeps in step.
    $phones->waitFor(150);
    Cluster::run("until [ \"\$(cluster_writer)\" != $first ] && [ -n \"\$(cluster_writer)\" ]; do sleep 0.2; done");
    expect(Cluster::run("cluster_is_joined $first && echo in"))->toBe('in');
    $leave(40);
    Cluster::run("while service_alive \"\$(cluster_dir $first)\" mariadb; do sleep 0.2; done");
    $phones->waitFor(150);
    unlink(Cluster::SMALL.'/filler');
    Cluster::run('cluster_heal');
    $phones->waitFor(100);
    $phones->end();
    holdAll($phones);
})->skip(fn (): bool => ! Cluster::hasSmallDisk(), 'a disk of a size of its own needs root, and mounts');

it('keeps one truth even while two databases are written to', function (): void {
    Cluster::run('for pair in app1:db1-sql app2:db2-sql; do cluster_app_stop "${pair%:*}"; cluster_app_start "${pair%:*}" "${pair#*:}"; done');
    $phones = new Phones(24, Cluster::address('app1'), Cluster::address('app2'));
    $phones->waitFor(600);
    $phones->end();
    // They did get into each other's way: else nothing was shown.
    $again = (int) Cluster::run('cat "$(cluster_dir app1)"/storage/logs/*.log "$(cluster_dir app2)"/storage/logs/*.log 2>/dev/null | grep -c "done again: Conflict" || true');
    Cluster::run('for name in app1 app2; do cluster_app_stop "$name"; cluster_app_start "$name"; done');
    holdAll($phones);
    expect($again)->toBeGreaterThan(0);
});

it('goes on by another database when the one that is written to is killed, and the one that comes back waits', function (): void {
    $first = Cluster::writer();
    $phones = new Phones(40, Cluster::address());
    $phones->waitFor(150);
    Cluster::run("cluster_kill $first");
    $phones->waitFor(150);
    $second = Cluster::writer();
    Cluster::run('cluster_heal');
    $phones->waitFor(150);
    expect($second)->not->toBe($first)->and(Cluster::writer())->toBe($second);
    $phones->end();
    holdAll($phones);
});

it('lets nobody read what is no longer so from one that is cut off', function (): void {
    $first = Cluster::writer();
    $phones = new Phones(40, Cluster::address());
    $phones->waitFor(150);
    // It runs, and clients reach it; the others do not.
    Cluster::run("cluster_sql $first -e \"set global wsrep_provider_options = 'gmcast.isolate=1'\"");
    $phones->waitFor(150);
    expect(Cluster::writer())->not->toBe($first);
    expect(fn () => Cluster::run("cluster_sql $first compadre_cluster -e 'select count(*) from check_events' 2>&1"))->toThrow(RuntimeException::class, 'WSREP has not yet prepared node');
    Cluster::run("cluster_sql $first -e \"set global wsrep_provider_options = 'gmcast.isolate=0'\"; cluster_wait_joined $first");
    $phones->waitFor(150);
    $phones->end();
    holdAll($phones);
});

it('loses nothing that was answered when all three are killed, and begins by the one that had come furthest', function (): void {
    $phones = new Phones(40, Cluster::address());
    $phones->waitFor(150);
    Cluster::run('cluster_kill db2; cluster_kill db3; cluster_kill db1');
    expect(Cluster::run('cluster_status'))->toContain('down');
    Cluster::run('cluster_heal');
    $phones->waitFor(150);
    $phones->end();
    holdAll($phones);
});

it('is served by the other installation when one is killed, without Redis, and over a reload of the proxy', function (): void {
    $phones = new Phones(40, Cluster::address());
    $phones->waitFor(150);
    $writer = Cluster::writer();
    Cluster::run('cluster_kill app1; cluster_kill redis');
    $phones->waitFor(150);
    expect($phones->page('/api/crew'))->toBe(200);
    Cluster::run('cluster_proxy_start');
    $phones->waitFor(150);
    expect(Cluster::writer())->toBe($writer);
    Cluster::run('cluster_heal');
    // What was made anew each time is kept again, where both look.
    expect($phones->page('/api/crew'))->toBe(200)
        ->and(Cluster::run('REDISCLI_AUTH="$(cluster_secret redis-password)" redis-cli -p "$(cluster_port redis)" --raw keys "*"'))->toContain('board-');
    $phones->end();
    holdAll($phones);
});

it('is brought up to date under a stream of checks, and nobody notices', function (): void {
    $phones = new Phones(24, Cluster::address());
    $phones->waitFor(100);
    $processes = static fn (): array => explode("\n", Cluster::run('cat "$(cluster_dir app1)/run/fpm.pid" "$(cluster_dir app2)/run/fpm.pid"'));
    $before = $processes();
    // A newer version has made its changes already: those that run still write as they know it.
    Cluster::run('cluster_sql "$(cluster_writer)" compadre_cluster -e "alter table check_events add column not_known_yet int not null default 0, algorithm=instant; alter table learners add column not_known_yet varchar(20) null, algorithm=instant"');
    $phones->waitFor(100);
    Cluster::run('cluster_update');
    $phones->waitFor(100);
    $phones->end();
    expect(array_intersect($before, $processes()))->toBe([])->and(array_keys($phones->figures['statuses']))->toBe([200]);
    holdAll($phones);
    Cluster::run('cluster_sql "$(cluster_writer)" compadre_cluster -e "alter table check_events drop column not_known_yet; alter table learners drop column not_known_yet"');
});

it('is put back to any moment from what was kept, and who was erased since stays so', function (): void {
    $phones = new Phones(24, Cluster::address());
    $phones->waitFor(150);
    $copy = last(explode("\n", Cluster::run('cluster_backup')));
    $phones->waitFor(200);
    $answered = $phones->acknowledged;
    // Whatever is written within a second has that second.
    $moment = Cluster::asked('db1', 'select utc_timestamp() + interval 1 second');
    Cluster::asked('db1', 'do sleep(1.5)');
    $learner = Cluster::asked('db1', "select learner_id from check_events where id = '$answered[0]'");
    $theirs = explode("\n", Cluster::asked('db1', "select id from check_events where learner_id = '$learner'"));
    $phones->waitFor(100);
    $phones->end();
    Cluster::run("printf 'learner\\t%s\\t%s\\t\\n' $learner \"\$(cluster_sql db1 compadre_cluster -e \"select group_id from learners where id = '$learner'\")\" >\"\$(cluster_dir)/erased.tsv\"; house_artisan \"\$cluster_house/app1\" compadre:forget-again \"\$(cluster_dir)/erased.tsv\"");
    // And then somebody takes the wrong database for the one to try things in.
    Cluster::run('cluster_sql "$(cluster_writer)" compadre_cluster -e "delete from standings; delete from check_events"; cluster_log; cluster_stop');
    $words = Cluster::run('cat "$(cluster_dir)/backup-words"');
    expect(fn () => Cluster::run("cluster_restore $copy <<<'$words' 2>&1"))->toThrow(RuntimeException::class, 'there is a cluster already');
    Cluster::$name = 'cluster-again';
    expect(fn () => Cluster::run("cluster_restore $copy <<<'not these words' 2>&1"))->toThrow(RuntimeException::class, 'does not open with these words')
        ->and(fn () => Cluster::run("cluster_restore $copy 'last night' <<<'$words' 2>&1"))->toThrow(RuntimeException::class, 'a date and a time in UTC');
    expect(Cluster::run("cluster_restore $copy '$moment' <<<'$words'"))->toContain("until $moment");
    $wanted = array_values(array_diff($answered, $theirs));
    expect(count($wanted))->toBeGreaterThan(200);
    foreach (['db1', 'db2', 'db3'] as $node) {
        $there = array_flip(explode("\n", Cluster::asked($node, 'select id from check_events')));
        expect(array_values(array_filter($wanted, static fn (string $id): bool => ! isset($there[$id]))))->toBe([], "on $node")
            ->and(Cluster::asked($node, "select count(*) from check_events where received_at >= '$moment'"))->toBe('0')
            ->and(Cluster::asked($node, "select (select count(*) from learners where id = '$learner'), (select count(*) from gone_learners where id = '$learner')"))->toBe("0\t1");
    }
    expect(Cluster::holdsOneTruth())->toBeTrue();
});

it('is not put back over a gap in what was kept', function (): void {
    $copy = last(explode("\n", Cluster::run('cluster_backup')));
    foreach (['left', 'right', 'left'] as $hand) {
        Cluster::run("cluster_sql \"\$(cluster_writer)\" compadre_cluster -e \"update learners set hand = '$hand'\"; cluster_log");
    }
    $words = Cluster::run('cat "$(cluster_dir)/backup-words"');
    $pieces = explode("\n", Cluster::run('ls -v "$(cluster_kept)/$(cluster_history)"/*.7z'));
    expect(count($pieces))->toBeGreaterThan(3);
    unlink($pieces[count($pieces) - 2]);
    Cluster::$name = 'cluster-third';
    expect(fn () => Cluster::run("cluster_restore $copy <<<'$words' 2>&1"))->toThrow(RuntimeException::class, 'has a gap after')
        ->and(Cluster::run('ls -A "$(cluster_dir)/db1"'))->not->toContain('mysql');
});
