<?php

declare(strict_types=1);

use App\Models\CheckEvent;
use App\Session\RunMeeting;
use Illuminate\Support\Facades\File;

beforeEach(function (): void {
    $this->words = (string) tempnam(sys_get_temp_dir(), 'words');
    File::delete($this->words);
    foreach ([
        'de' => ['data' => ['needed' => 'ein Wert: dieses Feld wird gebraucht', 'characters' => '{least} bis {most} Zeichen'], 'http' => ['impossible' => '{name} geht so nicht. Erlaubt: {allowed}.', 'sign_in' => 'Bitte zuerst anmelden.', 'too_many' => 'Zu viele Versuche.', 'moved' => ['message' => '{group} ist am {on} umgezogen.']], 'house' => ['no_match' => ['message' => 'Adresse und Passwort passen nicht zusammen.']], 'course' => ['from_today' => 'ein Tag ab {today}'], 'rope' => ['tail_short' => '{gap} mm zu kurz. {required}', 'tail_required' => 'Mindestens {least} mm: {why}.', 'tail_diameters' => '{times} Seildurchmesser {rope}, {grip}', 'in_hand' => '{across} mm {material}', 'material' => '{material, select, nylon {Nylon} other {Seil}}']],
        'pt-BR' => ['http' => ['sign_in' => 'Entre primeiro.']],
    ] as $language => $rooms) {
        File::makeDirectory("$this->words/$language/answers", 0755, true);
        foreach ($rooms as $room => $messages) {
            File::put("$this->words/$language/answers/$room.json", (string) json_encode([$room => $messages]));
        }
    }
    config(['app.words' => $this->words]);
});

afterEach(fn () => File::deleteDirectory($this->words));

it('answers in the language that is asked for, and in English where there is none', function (?string $asked, string $said): void {
    $this->getJson('/api/me', array_filter(['Accept-Language' => $asked]))->assertStatus(401)->assertJsonPath('message', $said);
})->with([
    'German' => ['de', 'Bitte zuerst anmelden.'],
    'that of a country' => ['de-AT,en;q=0.8', 'Bitte zuerst anmelden.'],
    'the best of several' => ['fr, en;q=0.4, de;q=0.7', 'Bitte zuerst anmelden.'],
    'English first' => ['en-US,de;q=0.9', 'Sign in first.'],
    'one that there is in a country alone' => ['pt-BR', 'Entre primeiro.'],
    'none that there is' => ['fr,it;q=0.5', 'Sign in first.'],
    'nonsense' => ['../../etc, {n}, ;;q=x', 'Sign in first.'],
    'nothing' => [null, 'Sign in first.'],
]);

it('says in that language what is allowed, with the code and what it is about', function (): void {
    $this->actingAs($this->person($this->group()));
    $meeting = ['date' => '2020-01-01', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2, 'place' => 'Net loft'];
    $this->postJson('/api/meetings', $meeting, ['Accept-Language' => 'de'])->assertStatus(422)->assertJsonPath('message', 'Date geht so nicht. Erlaubt: ein Tag ab 2026-11-24.')
        ->assertJsonPath('errors.0.allowed', 'ein Tag ab 2026-11-24')->assertJsonPath('errors.0.code', 'course.from_today')->assertJsonPath('errors.0.parameters', ['today' => '2026-11-24']);
    $this->postJson('/api/meetings', $meeting)->assertStatus(422)->assertJsonPath('message', 'Date is not possible like this. Allowed: today, 2026-11-24, or a later day.');
    // What the API document asks for; what has no German yet is English within the German.
    $this->postJson('/api/meetings', array_diff_key($meeting, ['date' => 1]), ['Accept-Language' => 'de'])->assertStatus(422)->assertJsonPath('errors.0.allowed', 'ein Wert: dieses Feld wird gebraucht')->assertJsonPath('errors.0.code', 'data.needed');
    $this->postJson('/api/meetings', ['minutes' => 9_000] + $meeting, ['Accept-Language' => 'de'])->assertStatus(422)->assertJsonPath('errors.0.allowed', 'at least 15 and at most 600');
});

it('says in that language how a tail is, with its numbers', function (): void {
    $this->actingAs($this->person($this->group()));
    $tail = ['knot' => 'bowline', 'rope' => ['diameter_mm' => 8.5, 'material' => 'nylon'], 'measured_mm' => 40.5, 'measured_by' => 'mm'];
    $german = $this->postJson('/api/tail', $tail, ['Accept-Language' => 'de'])->assertOk()->json('reason');
    // What has no German yet is English within it, and its numbers are, too.
    expect($german)->toMatch('/^[0-9]+,5 mm zu kurz\. Mindestens \d+ mm: \d+ Seildurchmesser 8,5 mm Nylon, (slips more|grips well|grips as usual)( \(x [0-9]\.[0-9]+\))?\.$/u');
    expect($this->postJson('/api/tail', $tail)->assertOk()->json('reason'))->toContain('too short: loosen the knot')->toContain('8.5 mm nylon');
});

it('says no secret back, in any language', function (): void {
    $this->person($this->group());
    $wrong = $this->postJson('/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'not-this-one-77'], ['Accept-Language' => 'de'])->assertStatus(422)->assertJsonPath('message', 'Adresse und Passwort passen nicht zusammen.')->assertJsonPath('errors.0.code', 'house.no_match');
    $long = $this->postJson('/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => str_repeat('secret-77', 400)], ['Accept-Language' => 'de'])->assertStatus(422)->assertJsonPath('errors.0.value', null);
    expect($wrong->getContent().$long->getContent())->not->toContain('not-this-one')->not->toContain('secret-77');
    expect($long->json('message'))->toStartWith('Password geht so nicht. Erlaubt: ');
});

it('writes days as the language does', function (): void {
    $group = $this->group();
    $lead = $this->person($group);
    $group->update(['left_at' => '2026-11-23 12:00:00']);
    $this->actingAs($lead);
    $this->postJson('/api/learners', ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10']]], ['Accept-Language' => 'de'])->assertStatus(423)->assertJsonPath('message', "$group->name ist am 23. November 2026 umgezogen.");
    $this->postJson('/api/learners', ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10']]])->assertStatus(423)->assertJsonPath('message', "$group->name has moved to another house on 23 November 2026. Here it can only be looked at; nothing was written.")->assertJsonPath('errors.0.parameters.on', '2026-11-23');
});

it('names what is not here, whatever it is', function (): void {
    $this->actingAs($this->person($this->group()));
    $this->getJson('/api/knots/tangle')->assertStatus(404)->assertJsonPath('message', 'There is no knot here with the id "tangle".')->assertJsonPath('errors.0.allowed', 'a knot of your group')->assertJsonPath('errors.0.field', '/knot');
    $this->getJson('/api/learners/01990000-0000-7000-8000-000000000000')->assertStatus(404)->assertJsonPath('errors.0.allowed', 'a learner of your group');
});

describe('with the texts of a pack', function (): void {
    beforeEach(function (): void {
        File::makeDirectory("$this->words/de/packs/knots", 0755, true);
        File::put("$this->words/de/packs/knots/overhand.json", (string) json_encode(['version' => 1, 'names' => ['Überhandknoten'], 'mistakes' => [['sign' => 'Er fällt auseinander', 'fix' => 'Leg mit der linken Hand ein neues Auge']], 'methods' => [['steps' => [['say' => 'Leg mit der linken Hand ein Auge.']]]]]));
        File::put("$this->words/de/packs/sides.json", (string) json_encode(['linken' => 'rechten']));
        File::put("$this->words/de/answers/checking.json", (string) json_encode(['checking' => ['next_has' => 'Sitzt: {knot} beim nächsten Mal noch einmal.', 'next_look_for' => '{knot} noch einmal. {sign}: {fix}.']]));
        File::put("$this->words/de/answers/teaching.json", (string) json_encode(['teaching' => ['welcome' => 'Ein paar Minuten zum Ankommen.', 'needs' => '{many, plural, one {# braucht} other {# brauchen}} ihn.']]));
        /** What is asked for by somebody who takes German, or English. */
        $this->in = function (string $language, string $uri, string $method = 'GET', array $body = []) {
            // As in another request: what was read in one language is not read in the other.
            $this->app->forgetScopedInstances();

            return $this->json($method, $uri, $body, ['Accept-Language' => $language])->assertSuccessful();
        };
    });

    it('shows a knot in it, with its sides as the hand has them, and keeps it apart from English', function (): void {
        $this->term();
        foreach ([1, 2] as $again) {
            expect(($this->in)('de', '/api/knots/overhand')->json('name'))->toBe('Überhandknoten')->and(($this->in)('en', '/api/knots/overhand')->json('name'))->toBe('Overhand knot');
        }
        expect(($this->in)('de', '/api/knots/overhand')->json('steps.0.say'))->toBe('Leg mit der linken Hand ein Auge.');
        $left = ($this->in)('de', '/api/knots/overhand?view=left')->json();
        expect($left['steps'][0]['say'])->toBe('Leg mit der rechten Hand ein Auge.')->and($left['mistakes'][0])->toMatchArray(['sign' => 'Er fällt auseinander', 'fix' => 'Leg mit der rechten Hand ein neues Auge'])
            // What is not in it yet.
            ->and($left['steps'][1]['say'])->toBe(($this->in)('en', '/api/knots/overhand?view=left')->json('steps.1.say'))->and($left['loose'])->toBe(($this->in)('en', '/api/knots/overhand?view=left')->json('loose'));
        expect(array_column(($this->in)('de', '/api/knots')->json('knots'), 'name', 'id'))->toMatchArray(['overhand' => 'Überhandknoten', 'bowline' => 'Bowline']);
        expect(array_column(($this->in)('de', '/api/crew')->json('knots'), 'name', 'id')['overhand'])->toBe('Überhandknoten')->and(array_column(($this->in)('en', '/api/crew')->json('knots'), 'name', 'id')['overhand'])->toBe('Overhand knot');
    });

    it('says what to do next in the language of whoever asks, of one check in several, and what was written as a sentence as it stands', function (): void {
        [, [$ada, $bram], [$tonight]] = $this->term();
        $good = $this->pass($ada, 'overhand');
        $wrong = $this->pass($bram, 'overhand', ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked']);
        $batch = ['sent_at' => now()->toIso8601ZuluString(), 'events' => [$good, $wrong]];
        $next = fn (string $language): array => array_column(($this->in)($language, '/api/check-events', 'POST', $batch)->json('results'), 'next');
        expect($next('de'))->toBe(['Sitzt: Überhandknoten beim nächsten Mal noch einmal.', 'Überhandknoten noch einmal. Er fällt auseinander: Leg mit der linken Hand ein neues Auge.']);
        // The same again, by somebody who takes English: the sentence is English, the pack’s words are those of the check.
        expect($next('en')[0])->toStartWith('Has it: tie the ')->toEndWith(' again at the next meeting to keep it.');
        // What the device looks up without a network says the same.
        $sheet = ($this->in)('de', "/api/check/overhand?meeting=$tonight->id")->json('verdicts');
        expect($sheet['yes,yes,yes,0']['next'])->toBe('Sitzt: Überhandknoten beim nächsten Mal noch einmal.');
        CheckEvent::query()->whereKey($good['id'])->update(['answer_next' => 'Has it: tie the overhand knot again at the next meeting to keep it.']);
        expect($next('de')[0])->toBe('Has it: tie the overhand knot again at the next meeting to keep it.');
    });

    it('gives the reasons of a plan in it, of one plan in several, and of a meeting under way', function (): void {
        [$group, , [$tonight]] = $this->term();
        $whys = fn (string $language): array => array_column(($this->in)($language, '/api/course')->json('meetings.0.blocks'), 'why', 'kind');
        expect($whys('de'))->toMatchArray(['welcome' => 'Ein paar Minuten zum Ankommen.', 'new' => '5 brauchen ihn.'])->and($whys('en')['welcome'])->toBe('A few minutes to start.')->and($whys('en')['new'])->toBe('5 learners need it; show twice, tie along, first tries.');
        $this->app->forgetScopedInstances();
        app(RunMeeting::class)->begin($group, $tonight);
        $running = fn (string $language): array => array_column(($this->in)($language, "/api/meetings/$tonight->id")->json('clock.blocks'), 'why', 'kind');
        expect($running('de')['welcome'])->toBe('Ein paar Minuten zum Ankommen.')->and($running('en')['welcome'])->toBe('A few minutes to start.');
        // Stations that were written down as sentences stay as they were.
        $block = $tonight->blocks()->where('kind', 'welcome')->firstOrFail();
        $block->update(['stations' => ['why' => 'A few minutes to begin.'] + $block->stations]);
        expect($running('de')['welcome'])->toBe('A few minutes to begin.');
    });
});
