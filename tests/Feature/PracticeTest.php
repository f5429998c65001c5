<?php

declare(strict_types=1);

use App\Models\Group;
use App\Models\GroupState;
use App\Models\PracticeCard;
use App\Models\Role;
use App\Models\Standing;
use App\Models\User;
use App\Models\Work;
use App\Work\DoWork;
use Carbon\CarbonImmutable;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\PlanLearner;
use Illuminate\Cache\Events\KeyWritten;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;

beforeEach(function (): void {
    [$this->crew, $this->learners] = $this->term();
    $this->lead = User::query()->sole();
    $this->make = fn (array $card = []): array => $this->api('POST', '/api/practice/cards', $card === [] ? ['hand' => 'right'] : $card)->assertCreated()->json();
    /** Whoever holds a card has no account. */
    $this->enter = function (string $code) {
        $this->app['auth']->forgetGuards();
        $this->flushSession();

        return $this->api('POST', '/api/corner', ['code' => $code]);
    };
    $this->with = fn (string $code, string $method, string $address, ?array $body = null) => $this->withHeader('X-Practice', $code)->api($method, $address, $body);
});

it('opens the group’s knots to whoever holds its card, however the code is typed, and names nobody', function (): void {
    $methods = app(Library::class)->knot('bowline')->methodIds();
    $this->crew->update(['methods' => ['bowline' => $methods[1]], 'words' => 'learners']);
    $card = ($this->make)();
    expect($card)->toMatchArray(['learner' => null, 'hand' => 'right', 'hints' => false])->and($card['code'])->toMatch('/^[A-Z0-9]{6}$/');
    // It ends with the term's last meeting.
    expect($card['ends_on'])->toBe('2026-12-08');
    $corner = ($this->enter)(' '.strtolower(substr($card['code'], 0, 3)).'-'.substr($card['code'], 3).' ')->assertOk()->json();
    expect($corner)->toMatchArray(['view' => 'learner', 'words' => 'learners', 'hints' => false, 'ends_on' => '2026-12-08', 'today' => '2026-11-24']);
    $knots = array_column($corner['knots'], null, 'id');
    // What the badges want, with all it builds on, as the house ties it.
    expect($knots)->toHaveKeys(['square-knot', 'bowline', 'overhand'])->and($knots['bowline']['method'])->toBe($methods[1]);
    foreach ($knots as $knot) {
        foreach (app(Library::class)->knot($knot['id'])->prerequisites as $before) {
            expect(array_search($before, array_keys($knots), true))->toBeLessThan(array_search($knot['id'], array_keys($knots), true));
        }
    }
    $kit = ($this->with)($card['code'], 'GET', "/api/corner/knots/bowline?view=learner&method={$methods[1]}")->assertOk();
    $pictures = ($this->with)($card['code'], 'GET', '/api/corner/pictures?view=learner')->assertOk();
    $space = ($this->with)($card['code'], 'GET', "/api/corner/knots/bowline/space?method={$methods[0]}")->assertOk();
    expect($kit->json('knot.method'))->toBe($methods[1])->and($pictures->json('pictures'))->toHaveKey('sheepshank')->and($space->json('knot'))->not->toBe('');
    foreach ([json_encode($corner), $kit->getContent(), $pictures->getContent(), $space->getContent()] as $said) {
        foreach (['Gullwick', 'Maren', 'Ada P', 'Bram', 'gullwick.example', $this->crew->id, $this->learners[0]->id] as $name) {
            expect(str_contains((string) $said, $name))->toBeFalse($name);
        }
    }
});

it('makes a learner’s own card for their hand', function (): void {
    $this->learners[1]->update(['hand' => 'left']);
    $card = ($this->make)(['learner' => $this->learners[1]->id]);
    expect($card)->toMatchArray(['hand' => 'left', 'learner' => ['id' => $this->learners[1]->id, 'name' => 'Bram K.']]);
    $corner = ($this->enter)($card['code'])->assertOk();
    expect($corner->json('view'))->toBe('left')->and((string) $corner->getContent())->not->toContain('Bram');
    $this->become($this->lead);
    $this->refused($this->api('POST', '/api/practice/cards', ['learner' => Group::query()->create(['name' => 'Other', 'time_zone' => 'UTC', 'units' => 'mm', 'age_from' => 8, 'age_to' => 13])->id]), '/learner');
    $this->refused($this->api('POST', '/api/practice/cards', ['ends_on' => '2026-11-23']), '/ends_on', '2026-11-24');
    $this->refused($this->api('POST', '/api/practice/cards', ['ends_on' => '2027-11-26']), '/ends_on', '2027-11-25');
});

it('cannot be told from a code that never was, once it has ended', function (): void {
    $ended = ($this->make)();
    $over = ($this->make)();
    $this->api('DELETE', "/api/practice/cards/{$ended['id']}")->assertNoContent();
    PracticeCard::query()->whereKey($over['id'])->update(['ends_on' => '2026-11-23']);
    $answers = array_map(fn (string $code): array => [($answer = ($this->enter)($code))->getStatusCode(), str_replace($code, '', (string) $answer->getContent())], [$ended['code'], $over['code'], 'ACACAC']);
    expect($answers[0])->toBe($answers[1])->toBe($answers[2])->and($answers[0][0])->toBe(422);
    foreach (['/api/corner/pictures', '/api/corner/knots/bowline', '/api/corner/knots/bowline/space'] as $address) {
        $this->refused(($this->with)($ended['code'], 'GET', $address), '/code');
        $this->refused(($this->with)('', 'GET', $address), '/code');
    }
    $this->refused(($this->with)($over['code'], 'POST', '/api/corner/days', ['days' => [['knot' => 'bowline', 'day' => '2026-11-24', 'felt' => 'easy']]]), '/code');
    // On its last day it is still good.
    PracticeCard::query()->whereKey($over['id'])->update(['ends_on' => '2026-11-24']);
    ($this->enter)($over['code'])->assertOk();
});

it('lets nobody guess without end, and keeps no hall waiting', function (): void {
    $card = ($this->make)();
    for ($n = 0; $n < 80; $n++) {
        ($this->enter)($card['code'])->assertOk();
    }
    for ($n = 0; $n < 60; $n++) {
        ($this->enter)('ACACA'.'CDEFGH'[$n % 6])->assertStatus(422);
    }
    // A right one is no help then either.
    ($this->enter)('ACACAC')->assertStatus(429);
    ($this->enter)($card['code'])->assertStatus(429);
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addSeconds(61));
    ($this->enter)($card['code'])->assertOk();
});

it('gives a device nothing that is for leaders only', function (): void {
    $card = ($this->make)();
    $library = app(Library::class);
    $secret = array_filter($library->all(), fn ($knot): bool => ! $knot->isForAll());
    $words = array_merge(...array_map(fn ($knot): array => [$knot->id, ...array_map(mb_strtolower(...), $knot->names)], array_values($secret)));
    $clean = function (string $address) use ($card, $words): void {
        $said = mb_strtolower((string) ($this->with)($card['code'], 'GET', $address)->assertOk()->getContent());
        foreach ($words as $word) {
            expect(str_contains($said, $word))->toBeFalse("$address says \"$word\"");
        }
    };
    foreach (array_keys($secret) as $id) {
        expect(($this->with)($card['code'], 'GET', "/api/corner/knots/$id")->getStatusCode())->toBeIn([404, 422])->and(($this->with)($card['code'], 'GET', "/api/corner/knots/$id/space")->getStatusCode())->toBeIn([404, 422]);
    }
    $clean('/api/corner/pictures?view=left');
    foreach (array_filter($library->all(), fn ($knot): bool => $knot->isTaught()) as $knot) {
        foreach ($knot->methodIds() as $method) {
            $clean("/api/corner/knots/{$knot->id}?view=learner&method=$method");
        }
    }
});

it('takes days as hints from a learner’s own card alone, where the lead asked for them, and into no standing', function (): void {
    $own = ($this->make)(['learner' => $this->learners[0]->id]);
    $days = ['days' => [['knot' => 'bowline', 'day' => '2026-11-22', 'felt' => 'thought'], ['knot' => 'bowline', 'day' => '2026-11-24', 'felt' => 'easy']]];
    // Not asked for yet: nothing is kept, and nothing said.
    expect(($this->with)($own['code'], 'POST', '/api/corner/days', $days)->assertOk()->json('taken'))->toBe(0);
    $this->become($this->person($this->crew, Role::Instructor, 'wren@gullwick.example'));
    $this->api('PUT', "/api/practice/cards/{$own['id']}", ['hints' => true])->assertForbidden();
    $this->become($this->lead);
    $this->api('PUT', "/api/practice/cards/{$own['id']}", ['hints' => true])->assertOk();
    $group = ($this->make)();
    $this->refused($this->api('PUT', "/api/practice/cards/{$group['id']}", ['hints' => true]), '/hints');
    expect(($this->enter)($own['code'])->json('hints'))->toBeTrue();
    expect(($this->with)($group['code'], 'POST', '/api/corner/days', $days)->assertOk()->json('taken'))->toBe(0)->and(DB::table('practice_days')->count())->toBe(0);
    expect(($this->with)($own['code'], 'POST', '/api/corner/days', $days)->assertOk()->json('taken'))->toBe(2);
    // Sent once more, with another word for one day.
    $days['days'][1]['felt'] = 'hard';
    ($this->with)($own['code'], 'POST', '/api/corner/days', $days)->assertOk();
    $this->refused(($this->with)($own['code'], 'POST', '/api/corner/days', ['days' => [$days['days'][0], ['knot' => 'bowline', 'day' => '2026-11-25', 'felt' => 'easy']]]), '/days/1/day', '2026-11-24');
    $this->refused(($this->with)($own['code'], 'POST', '/api/corner/days', ['days' => [['knot' => 'handcuff-knot', 'day' => '2026-11-24', 'felt' => 'easy']]]), '/days/0/knot');
    $this->become($this->lead);
    expect($this->api('GET', "/api/learners/{$this->learners[0]->id}")->json('practised'))->toBe([['knot' => 'bowline', 'day' => '2026-11-24', 'felt' => 'hard'], ['knot' => 'bowline', 'day' => '2026-11-22', 'felt' => 'thought']]);
    expect(Standing::query()->count())->toBe(0)->and(DB::table('check_events')->count())->toBe(0);
    // The planner is told the last day of each knot, which it takes into the order of old knots alone.
    $planned = GroupState::of($this->crew)->planLearners($this->crew->meetings()->get());
    expect(array_map(static fn (PlanLearner $one): array => $one->practised, $planned))->toBe([['bowline' => '2026-11-24'], ...array_fill(0, count($planned) - 1, [])])
        ->and($planned[0]->id)->toBe($this->learners[0]->id)->and($planned[0]->levels)->toBe([]);
    // Erased with the learner, card and all.
    $this->api('DELETE', "/api/learners/{$this->learners[0]->id}")->assertOk();
    expect(DB::table('practice_days')->count())->toBe(0)->and(PracticeCard::query()->pluck('id')->all())->toBe([$group['id']]);
    $this->refused(($this->enter)($own['code']), '/code');
});

it('computes what its cards open ahead, for each hand they are made for', function (): void {
    $methods = app(Library::class)->knot('bowline')->methodIds();
    $this->crew->update(['methods' => ['bowline' => $methods[1]]]);
    $knots = array_column(($this->enter)(($this->make)()['code'])->json('knots'), 'id');
    $this->become($this->lead);
    ($this->make)(['learner' => $this->learners[0]->id, 'hand' => 'left']);
    // One piece of work sees to both.
    $work = Work::query()->where('kind', 'kits')->sole();
    Cache::store('drawings')->flush();
    $written = [];
    Event::listen(KeyWritten::class, static function (KeyWritten $kept) use (&$written): void {
        $written[] = $kept->key;
    });
    app()->call([new DoWork($work->id), 'handle']);
    expect($work->refresh()->state)->toBe('done')->and([$work->done, $work->of])->toBe([2 * count($knots), 2 * count($knots)]);
    foreach (['learner', 'left'] as $view) {
        foreach ($knots as $knot) {
            $method = $knot === 'bowline' ? $methods[1] : app(Library::class)->knot($knot)->methods[0]->id;
            expect(array_filter($written, static fn (string $key): bool => str_starts_with($key, "kit-$knot-$method-$view-")))->toHaveCount(1);
        }
    }
    // Whoever comes now waits for none of it.
    $written = [];
    $card = PracticeCard::query()->where('hand', 'left')->sole();
    foreach ($knots as $knot) {
        $method = $knot === 'bowline' ? $methods[1] : app(Library::class)->knot($knot)->methods[0]->id;
        ($this->with)($card->code, 'GET', "/api/corner/knots/$knot?view=left&method=$method")->assertOk();
    }
    expect(array_filter($written, static fn (string $key): bool => str_starts_with($key, 'kit-')))->toBe([]);
});

it('sets a knot for home, but none that closes or tightens', function (): void {
    expect($this->api('PUT', '/api/practice/home/bowline', ['home' => true])->assertOk()->json('home'))->toBe(['bowline']);
    $this->api('PUT', '/api/practice/home/sheepshank', ['home' => true])->assertOk();
    $this->refused($this->api('PUT', '/api/practice/home/truckers-hitch', ['home' => true]), '/knot');
    $this->refused($this->api('PUT', '/api/practice/home/handcuff-knot', ['home' => true]), '/knot');
    $this->refused($this->api('PUT', '/api/practice/home/granny-knot', ['home' => true]), '/knot');
    expect($this->api('PUT', '/api/practice/home/sheepshank', ['home' => false])->json('home'))->toBe(['bowline']);
    $card = ($this->make)();
    expect($this->api('GET', '/api/practice/cards')->assertOk()->json())->toMatchArray(['home' => ['bowline'], 'cards' => [$card], 'wrong' => []]);
    $knots = array_column(($this->enter)($card['code'])->json('knots'), null, 'id');
    expect($knots['bowline']['home'])->toBeTrue()->and($knots['overhand']['home'])->toBeFalse();
    foreach ($knots as $id => $knot) {
        expect($knot['with_adult'])->toBe(in_array($id, ['constrictor', 'slip-loop', 'truckers-hitch', 'twist-stick-line'], true));
    }
});

it('says what was drawn, and refuses what nobody can draw', function (): void {
    $card = ($this->make)();
    $drawn = fn (array $strands, array $turns, array $more = []) => ($this->with)($card['code'], 'POST', '/api/corner/drawn', $more + ['knot' => 'overhand', 'strands' => array_map(fn (string $id, string $word): array => ['id' => $id, 'visits' => array_map(fn (string $one): array => ['crossing' => (int) $one[0], 'over' => $one[1] === 'o'], str_split($word, 2))], array_keys($strands), $strands), 'turns' => $turns]);
    // Over, under, over: the trefoil with its ends apart, by either hand.
    $drawn(['rope' => '0o1u2o0u1o2u'], [1, 1, 1])->assertOk()->assertJson(['kind' => 'same', 'says' => 'That is the overhand knot.', 'parts_at' => null]);
    expect($drawn(['rope' => '0o1u2o0u1o2u'], [-1, -1, -1])->assertOk()->json('kind'))->toBeIn(['same', 'equally-good']);
    // One pass laid on the other all along: nothing is left at a pull.
    $drawn(['rope' => '0u1u2u0o1o2o'], [-1, 1, -1])->assertOk()->assertJson(['kind' => 'falls-out', 'parts_at' => 1]);
    $drawn(['rope' => '0o0u'], [1])->assertOk()->assertJson(['kind' => 'falls-out']);
    $this->refused($drawn(['cord' => '0o0u'], [1]), '/strands', 'rope');
    $this->refused($drawn(['rope' => '0o1o0u1u'], [1, 1]), '/turns', 'drawn on a table');
    $this->refused($drawn(['rope' => '0o0o'], [1]), '/strands');
    $this->refused($drawn(['rope' => '0o0u'], array_fill(0, 61, 1)), '/turns', '60');
    $this->refused($drawn(['rope' => '0o0u'], [1], ['knot' => 'square-lashing']), '/knot');
    $this->refused($drawn(['rope' => '0o0u'], [1], ['knot' => 'handcuff-knot']), '/knot');
    // Without a card nothing is told.
    $this->refused($this->withHeader('X-Practice', 'ACACAC')->api('POST', '/api/corner/drawn', ['knot' => 'overhand', 'strands' => [], 'turns' => []]), '/code');
});

it('says what goes wrong most, without names, and nothing that was taken back', function (): void {
    $granny = ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked', 'mistake' => 'granny-knot'];
    $events = array_map(fn (int $n): array => $this->pass($this->learners[$n], 'square-knot', $granny), range(0, 3));
    $this->send(...$events)->assertOk();
    // Once is anybody's.
    $this->send($this->pass($this->learners[0], 'bowline', ['mistake' => array_key_first(app(Library::class)->knot('bowline')->mistakes)] + $granny))->assertOk();
    $wrong = fn (): array => $this->api('GET', '/api/practice/cards')->json('wrong');
    $mistake = app(Library::class)->knot('square-knot')->mistakes['granny-knot'];
    expect($wrong())->toBe([['knot' => 'square-knot', 'name' => 'Square knot', 'sign' => $mistake->sign, 'fix' => $mistake->fix, 'times' => 4, 'with_adult' => false]]);
    $this->send($this->pass($this->learners[0], 'square-knot', ['kind' => 'retract', 'target' => $events[0]['id']]))->assertOk();
    expect($wrong()[0]['times'])->toBe(3);
});

it('shows no code that another house has locked, and lets its holders in all the same', function (): void {
    $card = ($this->make)();
    expect(DB::table('practice_cards')->value('code'))->not->toContain($card['code']);
    // As a backup of another house brings it.
    DB::table('practice_cards')->update(['code' => (new Illuminate\Encryption\Encrypter(random_bytes(32), 'AES-256-CBC'))->encryptString($card['code'])]);
    expect($this->api('GET', '/api/practice/cards')->assertOk()->json('cards.0'))->toBe(array_replace($card, ['code' => null]));
    ($this->enter)($card['code'])->assertOk();
});
