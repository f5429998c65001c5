<?php

declare(strict_types=1);

use App\Http\Middleware\DoAgain;
use App\Models\CheckEvent;
use App\Models\GoneLearner;
use App\Models\Learner;
use App\Models\Setback;
use App\Models\Standing;
use App\Models\Turn;
use App\Models\UnknownOutcome;
use Illuminate\Database\Events\TransactionCommitting;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;

/*
 * What is undone for no fault of whoever asked is done again, as a whole. The database really breaks off here, so these tests are in no
 * transaction of their own: what they write is wiped after each.
 */

const FASTER = 'SQLSTATE[40001]: Serialization failure: 1213 Deadlock found when trying to get lock; try restarting transaction';

/** A second way to the same database. */
function besideTheApp(): PDO
{
    $way = config()->array('database.connections.mariadb');

    return new PDO("mysql:host={$way['host']};port={$way['port']};dbname={$way['database']}", $way['username'], $way['password'], [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
}

/** The server breaks off the app's own connection. */
function breakOff(): void
{
    besideTheApp()->exec('kill connection '.DB::connection()->getPdo()->query('select connection_id()')->fetchColumn());
}

/**
 * A term whose lead has signed in as people do: whoever asks is looked up anew each time.
 *
 * @return array{App\Models\Group, list<Learner>, list<App\Models\Meeting>}
 */
function signedIn(Tests\FeatureCase $case): array
{
    return (function (): array {
        $term = $this->term();
        $this->onDevice('maren@gullwick.example', 'A phone');

        return $term;
    })->call($case);
}

/** Does something, so many times, as soon as a question of that kind is about to be asked. */
function beforeAsking(string $question, int $times, Closure $do): void
{
    DB::connection()->beforeExecuting(function (string $asked) use ($question, &$times, $do): void {
        if (str_starts_with($asked, $question) && $times > 0) {
            $times--;
            $do();
        }
    });
}

/** Does something, once, as an act is about to be kept. */
function beforeKeeping(Closure $do): void
{
    Event::listen(TransactionCommitting::class, function () use (&$been, $do): void {
        if (! $been) {
            $been = true;
            $do();
        }
    });
}

beforeEach(function (): void {
    DB::rollBack(0);
    $this->lines = new ArrayObject;
    Log::listen(fn (MessageLogged $line) => $this->lines->append($line->message));
});

afterEach(function (): void {
    $database = besideTheApp();
    $database->exec('set foreign_key_checks = 0');
    foreach ($database->query("select table_name from information_schema.tables where table_schema = database() and table_type = 'BASE TABLE' and table_name <> 'migrations'")->fetchAll(PDO::FETCH_COLUMN) as $table) {
        $database->exec("delete from `$table`");
    }
});

it('does a batch of checks again that another was faster than, and writes it once', function (int $times): void {
    [$group, $learners] = signedIn($this);
    beforeAsking('insert into check_events', $times, fn () => throw new PDOException(FASTER));

    $this->send($this->pass($learners[0]), $this->pass($learners[1]))->assertOk()->assertJsonCount(2, 'results');

    expect(CheckEvent::query()->where('group_id', $group->id)->count())->toBe(2)
        ->and(Standing::query()->where('group_id', $group->id)->count())->toBe(2)
        ->and(array_filter($this->lines->getArrayCopy(), fn (string $line): bool => str_starts_with($line, 'An act is done again: Conflict')))->toHaveCount($times);
})->with([1, 3, 7]);

it('gives up after eight, in words, and has written nothing', function (): void {
    [, $learners] = signedIn($this);
    beforeAsking('insert into check_events', 8, fn () => throw new PDOException(FASTER));

    $this->send($this->pass($learners[0]))->assertStatus(503)->assertHeader('Retry-After', '5')
        ->assertJsonPath('message', 'Too many are writing at once just now. Nothing was written; try again in a minute.');
    expect(CheckEvent::query()->count())->toBe(0)->and($this->lines->getArrayCopy())->toContain('An act was given up: Conflict, after 8.');

    $this->send($this->pass($learners[0]))->assertOk();
    expect(CheckEvent::query()->count())->toBe(1);
});

it('takes nothing for written that was undone at the very end', function (): void {
    [, $learners] = signedIn($this);
    beforeKeeping(fn () => throw new PDOException(FASTER));
    $this->api('POST', "/api/learners/{$learners[0]->id}/merge", ['into' => $learners[1]->id])->assertSuccessful();

    expect(Learner::query()->find($learners[0]->id))->toBeNull()->and(GoneLearner::query()->find($learners[0]->id)?->into_id)->toBe($learners[1]->id)
        ->and($this->lines->getArrayCopy())->toContain('An act is done again: Conflict, after 1.');
});

it('goes on over a connection that breaks off in the middle', function (): void {
    [, $learners] = signedIn($this);
    beforeAsking('insert into check_events', 2, breakOff(...));
    $this->send($this->pass($learners[0]))->assertOk();

    expect(CheckEvent::query()->count())->toBe(1)->and(Standing::query()->count())->toBe(1)
        ->and($this->lines->getArrayCopy())->toContain('An act is done again: Away, after 1.', 'An act is done again: Away, after 2.');
});

it('does what is the same twice again where nobody knows whether it was kept', function (): void {
    [, $learners] = signedIn($this);
    beforeKeeping(breakOff(...));
    $this->send($this->pass($learners[0]))->assertOk();

    expect(CheckEvent::query()->count())->toBe(1)->and($this->lines->getArrayCopy())->toContain('An act is done again: Unknown, after 1.');
});

it('says of anything else that nobody knows, and does not do it twice', function (): void {
    signedIn($this);
    beforeKeeping(breakOff(...));
    $this->api('POST', '/api/learners', ['learners' => [['name' => 'Fenna W.', 'age_band' => '8-10']]])->assertStatus(503)
        ->assertJsonPath('message', 'The connection broke off while this was being written. Look whether it is there before you do it again.');

    expect(Learner::query()->where('name', 'Fenna W.')->count())->toBe(0)->and($this->lines->getArrayCopy())->toContain('An act was given up: Unknown, after 1.');
});

it('names only addresses that there are as the same twice', function (): void {
    $known = array_map(fn ($route): string => $route->uri(), Route::getRoutes()->getRoutesByMethod()['POST']);
    $named = (new ReflectionClassConstant(DoAgain::class, 'SAME_TWICE'))->getValue();
    expect(array_diff($named, array_values($known)))->toBe([]);
});

it('knows what passes from what does not', function (string $said, ?Setback $is): void {
    expect(Setback::of(new PDOException($said)))->toBe($is)->and(Setback::of(new RuntimeException('Around it.', 0, new PDOException($said))))->toBe($is);
})->with([
    'another was faster' => [FASTER, Setback::Conflict],
    'waited too long' => ['SQLSTATE[HY000]: General error: 1205 Lock wait timeout exceeded; try restarting transaction', Setback::Conflict],
    'cut off from its cluster' => ['SQLSTATE[08S01]: Communication link failure: 1047 WSREP has not yet prepared node for application use', Setback::Away],
    'not there' => ['SQLSTATE[HY000] [2002] Connection refused', Setback::Away],
    'gone' => ['SQLSTATE[HY000]: General error: 2006 MySQL server has gone away', Setback::Away],
    'broken off while it is told' => ['SQLSTATE[HY000]: General error: 1180 Got error 5 "Input/output error" during COMMIT', Setback::Away],
    'cut off while it is told' => ['SQLSTATE[HY000]: General error: 1180 Error while appending streaming replication fragment(provider status: Not connected to Primary Component)', Setback::Away],
    'ended by its node' => ['SQLSTATE[70100]: <<Unknown error>>: 1317 Query execution was interrupted', Setback::Away],
    'stopping' => ['SQLSTATE[08S01]: Communication link failure: 1053 Server shutdown in progress', Setback::Away],
    'twice the same key' => ["SQLSTATE[23000]: Integrity constraint violation: 1062 Duplicate entry 'x' for key 'PRIMARY'", null],
    'no such column' => ["SQLSTATE[42S22]: Column not found: 1054 Unknown column 'x' in 'field list'", null],
]);

it('knows that of what was to be kept nobody knows', function (): void {
    // An award office whose connection broke off is none of the database's.
    expect(Setback::of(new RuntimeException('cURL error 56: Recv failure: Connection reset by peer')))->toBeNull();
    expect(Setback::of(new ErrorException('Packets out of order. Expected 1 received 0. Packet size=145')))->toBe(Setback::Away);
    expect(Setback::of(new UnknownOutcome(new PDOException('SQLSTATE[HY000]: General error: 2006 MySQL server has gone away'))))->toBe(Setback::Unknown)->and(Setback::of(null))->toBeNull();
});

it('lets one after the other have a turn, and writes each down', function (): void {
    [$group, $learners] = signedIn($this);
    DB::transaction(function () use ($learners, $group): void {
        Turn::at('learners', $learners[1]->id, $learners[0]->id, $learners[1]->id);
        Turn::at('learners');
        $group->takeTurns();
        $other = besideTheApp();
        $other->exec('set innodb_lock_wait_timeout = 0');
        expect(fn () => $other->exec("update learners set turn = turn + 1 where id = '{$learners[0]->id}'"))->toThrow(PDOException::class, 'Lock wait timeout')
            ->and($other->exec("update learners set turn = turn + 1 where id = '{$learners[2]->id}'"))->toBe(1);
    });
    expect(DB::table('learners')->whereIn('id', [$learners[0]->id, $learners[1]->id, $learners[2]->id])->sum('turn'))->toEqual(3)
        ->and((int) DB::table('groups')->where('id', $group->id)->value('turn'))->toBeGreaterThanOrEqual(1);
});
