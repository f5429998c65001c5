<?php

declare(strict_types=1);

use Tests\House\OwnHouse;
use Tests\House\Phone;

/** Of a session: somebody is signed in by it. */
const SIGNED_IN = "from_base64(payload) like '%login_web%'";

function sessionHouse(): OwnHouse
{
    return new OwnHouse('sessions');
}

function sessionPhone(): Phone
{
    return new Phone('http://127.0.0.1:'.sessionHouse()->run('house_setting "$dir" COMPADRE_PORT'), 'asking');
}

/** All that is kept of all sessions, in brief. */
function sessionRows(): string
{
    return sessionHouse()->asked('select sha1(group_concat(id, payload, last_activity order by id)) from sessions');
}

beforeAll(fn () => sessionHouse()->found());
afterAll(fn () => sessionHouse()->end());

it('writes a session down where something in it has changed, and now and then that it is still in use', function (): void {
    $phone = sessionPhone();
    expect($phone->signIn())->toHaveKey('user');
    // Were it written, it would be of now.
    sessionHouse()->asked('update sessions set last_activity = last_activity - 60');
    $before = sessionRows();
    foreach (['/api/me', '/api/course', '/api/house', '/api/me', '/api/knots'] as $path) {
        expect($phone->call('GET', $path))->not->toBe([], $path);
    }
    $phone->see(sessionHouse()->asked("select id from learners where name = 'Bram K.'"), 'bowline');
    expect($phone->send())->toBeTrue()->and(sessionRows())->toBe($before);

    sessionHouse()->asked('update sessions set last_activity = unix_timestamp() - 360');
    expect($phone->call('GET', '/api/me'))->toHaveKey('user')
        ->and(sessionHouse()->asked('select count(*), max(last_activity) > unix_timestamp() - 60 from sessions'))->toBe("1\t1");

    $before = sessionRows();
    $phone->call('POST', '/api/sign-out');
    expect($phone->status)->toBe(204)->and(sessionRows())->not->toBe($before)
        ->and(sessionHouse()->asked('select count(*) from sessions where '.SIGNED_IN))->toBe('0');
    expect($phone->call('GET', '/api/me'))->toBe([])->and($phone->status)->toBe(401);
});

it('opens nothing by a session that has ended or was taken away, and sweeps out what has ended', function (): void {
    $phone = sessionPhone();
    expect($phone->signIn())->toHaveKey('user');
    // A device that is remembered would open another by itself.
    sessionHouse()->asked('delete from remembered; update sessions set last_activity = unix_timestamp() - 14 * 86400 - 5');
    expect($phone->call('GET', '/api/me'))->toBe([])->and($phone->status)->toBe(401);

    expect($phone->call('GET', '/sanctum/csrf-cookie'))->toBe([])->and($phone->signIn())->toHaveKey('user');
    $now = sessionHouse()->asked('select id from sessions where '.SIGNED_IN.' and last_activity > unix_timestamp() - 60');
    sessionHouse()->asked("insert into sessions (id, payload, last_activity) values ('ended', '', unix_timestamp() - 14 * 86400 - 5), ('used', '', unix_timestamp() - 14 * 86400 + 600)");
    sessionHouse()->run('house_artisan sessions compadre:sweep-work');
    expect(sessionHouse()->asked("select count(*) from sessions where id = 'ended'"))->toBe('0')
        ->and(sessionHouse()->asked("select count(*) from sessions where id in ('used', '$now')"))->toBe('2');

    sessionHouse()->asked("delete from remembered; delete from sessions where id = '$now'");
    expect($phone->call('GET', '/api/me'))->toBe([])->and($phone->status)->toBe(401)
        ->and(sessionHouse()->asked("select count(*) from sessions where id = '$now' and ".SIGNED_IN))->toBe('0');
});
