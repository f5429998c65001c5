<?php

declare(strict_types=1);

use App\Models\Award;
use App\Models\Group;
use App\Models\GroupKey;
use App\Models\Role;
use Compadre\Core\Awards\Credential\Base64Url;
use Illuminate\Support\Facades\DB;

beforeEach(function (): void {
    [$this->crew, $this->learners] = $this->term();
    $this->give = fn (int $learner = 0): string => $this->api('POST', '/api/awards/by-hand', ['learners' => [$this->learners[$learner]->id], 'badge' => 'lantern-hand', 'why' => 'Earned elsewhere.'])->assertCreated()->json('awards.0');
    $this->sign = fn (string $award, bool $named = false) => $this->api('POST', "/api/awards/$award/signed", ['named' => $named]);
    $this->file = fn (string $award, string $as = 'txt'): string => (string) $this->get("/api/awards/$award/signed.$as")->assertOk()->getContent();
    $this->look = fn (string $bytes, array $lists = []): array => $this->api('POST', '/api/verify', ['file' => base64_encode($bytes)] + ($lists === [] ? [] : ['lists' => array_map(base64_encode(...), $lists)]))->assertOk()->json();
    $this->claims = fn (string $token): array => json_decode((string) Base64Url::read(explode('.', $token)[1]), true);
    /** Another group with its own lead, signed in. */
    $this->elsewhere = function (): Group {
        $other = $this->group('Across the harbour');
        $this->become($this->person($other, Role::Lead, 'tobin@gullwick.example'));

        return $other;
    };
});

it('signs a badge that names nobody, and finds it good as a text, an SVG and a PNG', function (): void {
    $award = ($this->give)();
    $this->get("/api/awards/$award/signed.svg")->assertNotFound();
    ($this->sign)($award)->assertOk()->assertJsonPath('signed', ['named' => false, 'on' => '2026-11-24']);
    $token = ($this->file)($award);
    $claims = ($this->claims)($token);
    expect($claims['sub'])->toStartWith('urn:uuid:')->not->toContain($this->learners[0]->id)->and($claims['issuer']['name'])->toBe('Gullwick Lantern Crew')->and($claims['credentialSubject']['achievement']['criteria']['narrative'])->toContain('- Overhand knot: tied without help, and again on a later day')->toContain('1 of these 2');
    foreach (['txt', 'svg', 'png'] as $as) {
        $bytes = ($this->file)($award, $as);
        expect(str_contains($bytes, 'Ada'))->toBeFalse($as)->and(($this->look)($bytes)['answer'])->toBe('good', $as);
    }
    $svg = ($this->file)($award, 'svg');
    expect($svg)->toContain('Lantern Hand')->toContain('Gullwick Lantern Crew')->and(getimagesizefromstring(($this->file)($award, 'png')))->toMatchArray([0 => 600, 1 => 600]);
    $says = ($this->look)($svg)['says'];
    expect($says)->toMatchArray(['group' => 'Gullwick Lantern Crew', 'name' => 'Lantern Hand', 'learner' => null, 'from' => '2026-11-24T00:00:00Z']);
    // Signed once more it is the same to the letter.
    ($this->sign)($award)->assertOk();
    expect(($this->file)($award))->toBe($token)->and(GroupKey::query()->count())->toBe(1);
    // What is kept of the key opens nothing by itself.
    expect(json_encode(GroupKey::query()->sole()->getAttributes()))->not->toContain('PRIVATE KEY');
});

it('lets a name stand in it only where a lead wants that', function (): void {
    $award = ($this->give)();
    ($this->sign)($award)->assertOk();
    $without = ($this->file)($award);
    ($this->sign)($award, true)->assertOk()->assertJsonPath('signed.named', true);
    $with = ($this->file)($award);
    expect(($this->look)($with)['says']['learner'])->toBe('Ada P.');
    // One and the same badge: whose, which and where it is said that it was taken back.
    $same = fn (string $token): array => array_intersect_key(($this->claims)($token), ['sub' => 1, 'jti' => 1, 'credentialStatus' => 1]);
    expect($same($with))->toBe($same($without));
    $this->become($this->person($this->crew, Role::Instructor, 'wren@gullwick.example'));
    ($this->sign)($award, false)->assertForbidden();
    $this->get("/api/awards/$award/signed.txt")->assertOk();
});

it('says of what was taken back or erased that it was, for ever', function (): void {
    $awards = array_map($this->give, [0, 1, 2]);
    foreach ($awards as $award) {
        ($this->sign)($award)->assertOk();
    }
    $tokens = array_map($this->file, $awards);
    $answers = fn (array $tokens): array => array_map(fn (string $token): string => ($this->look)($token)['answer'], $tokens);
    expect($answers($tokens))->toBe(['good', 'good', 'good']);
    $this->api('POST', "/api/awards/$awards[0]/taken-back", ['why' => 'Mistaken.'])->assertOk();
    expect($answers($tokens))->toBe(['taken_back', 'good', 'good']);
    $this->api('DELETE', "/api/learners/{$this->learners[1]->id}")->assertOk();
    expect($answers($tokens))->toBe(['taken_back', 'taken_back', 'good']);
    // A list is signed anew only when it says something else.
    $list = fn (): string => (string) $this->get('/api/signing/taken-back.txt')->getContent();
    $before = $list();
    $this->travel(5)->minutes();
    expect($list())->toBe($before);
    // The place says nothing of whose it was, and is given to nobody else.
    expect(Award::query()->where('learner_id', $this->learners[1]->id)->count())->toBe(0)->and(DB::table('status_places')->count())->toBe(3);
    $this->refused(($this->sign)($awards[0]), '/award', 'in force');
    // Merged with an entry that holds it, too: the second one is void.
    $both = [($this->give)(3), ($this->give)(4)];
    foreach ($both as $award) {
        ($this->sign)($award)->assertOk();
    }
    $tokens = array_map($this->file, $both);
    $this->api('POST', "/api/learners/{$this->learners[4]->id}/merge", ['into' => $this->learners[3]->id])->assertNoContent();
    expect($answers($tokens))->toEqualCanonicalizing(['good', 'taken_back']);
});

it('takes a new key, of either kind, and still knows what was signed with the old one', function (): void {
    $first = ($this->give)(0);
    ($this->sign)($first)->assertOk();
    $old = ($this->file)($first);
    foreach (['EdDSA', 'RS256'] as $number => $alg) {
        $keys = $this->api('POST', '/api/signing/keys', ['alg' => $alg])->assertCreated()->json('keys');
        expect($keys[0])->toMatchArray(['alg' => $alg, 'retired_on' => null])->and(array_filter(array_column($keys, 'retired_on')))->toHaveCount($number + 1);
        $next = ($this->give)($number + 1);
        ($this->sign)($next)->assertOk();
        $new = ($this->file)($next);
        expect(json_decode((string) Base64Url::read(explode('.', $new)[0]), true))->toMatchArray(['alg' => $alg, 'kid' => $keys[0]['kid'], 'typ' => 'JWT']);
        expect(($this->look)($new)['answer'])->toBe('good')->and(($this->look)($old)['answer'])->toBe('good');
    }
    $card = $this->api('GET', '/api/signing/issuer.json')->assertOk()->json();
    expect($card['jwks']['keys'])->toHaveCount(3);
    foreach ($card['jwks']['keys'] as $key) {
        expect(array_intersect_key($key, array_flip(['d', 'p', 'q', 'k'])))->toBe([]);
    }
    $this->refused($this->api('POST', '/api/signing/keys', ['alg' => 'HS256']), '/alg');
});

it('is believed elsewhere by whoever was given the group’s card, and nowhere else', function (): void {
    $award = ($this->give)();
    ($this->sign)($award)->assertOk();
    $png = ($this->file)($award, 'png');
    $card = (string) $this->get('/api/signing/issuer.json')->getContent();
    $lists = (string) $this->get('/api/signing/taken-back.txt')->assertOk()->getContent();
    $issuer = Group::query()->findOrFail($this->crew->id)->issuer_id;
    $list = DB::table('status_lists')->sole()->id;
    $this->api('POST', "/api/awards/$award/taken-back", ['why' => 'Mistaken.'])->assertOk();
    $later = (string) $this->get('/api/signing/taken-back.txt')->getContent();
    ($this->elsewhere)();
    expect(($this->look)($png)['answer'])->toBe('issuer_unknown');
    $trusted = $this->api('POST', '/api/trusted', ['file' => base64_encode($card)])->assertCreated()->json();
    expect($trusted)->toMatchArray(['issuer' => "urn:uuid:$issuer", 'name' => 'Gullwick Lantern Crew']);
    expect(($this->look)($png)['answer'])->toBe('status_unknown')->and(($this->look)($png, [$lists])['answer'])->toBe('good')->and(($this->look)($png, [$lists, $later])['answer'])->toBe('taken_back');
    // Whoever has no account can ask, too, where the house can be reached.
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $this->api('GET', "/api/issuers/$issuer")->assertOk()->assertExactJson(json_decode($card, true));
    expect(trim((string) $this->get("/api/issuers/$issuer/status/$list")->assertOk()->getContent()))->toBe(trim($later));
    $this->api('GET', '/api/issuers/00000000-0000-4000-8000-000000000000')->assertNotFound();
    $this->get('/api/issuers/'.$issuer.'/status/00000000-0000-4000-8000-000000000000')->assertNotFound();
});

it('trusts nobody by a file that is not a card, or by its own', function (string $file): void {
    $this->refused($this->api('POST', '/api/trusted', ['file' => base64_encode($file)]), '/file');
    expect(App\Models\TrustedIssuer::query()->count())->toBe(0);
})->with(['words' => ['a card'], 'another file' => ['{"id":"x"}'], 'a secret' => ['{"id":"urn:uuid:x","name":"x","jwks":{"keys":[{"kty":"OKP","crv":"Ed25519","x":"11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo","d":"AAAA","kid":"a"}]}}'], 'an unknown kind of key' => ['{"id":"urn:uuid:x","name":"x","jwks":{"keys":[{"kty":"oct","k":"AAAA","kid":"a"}]}}']]);

it('names its address in badges once the house has one', function (): void {
    $first = ($this->give)(0);
    ($this->sign)($first)->assertOk();
    config(['app.public_address' => 'https://knots.gullwick.example/']);
    $second = ($this->give)(1);
    ($this->sign)($second)->assertOk();
    $uris = array_map(fn (string $award): string => ($this->claims)(($this->file)($award))['credentialStatus']['statusListCredential'], [$first, $second]);
    expect($uris[0])->toStartWith('urn:uuid:')->and($uris[1])->toStartWith("https://knots.gullwick.example/api/issuers/{$this->crew->refresh()->issuer_id}/status/");
    expect(($this->look)(($this->file)($first))['answer'])->toBe('good')->and(($this->look)(($this->file)($second))['answer'])->toBe('good');
});

it('keeps a key that another house locked to itself, and says so', function (): void {
    $award = ($this->give)();
    ($this->sign)($award)->assertOk();
    $token = ($this->file)($award);
    GroupKey::query()->update(['secret' => 'eyJpdiI6IiIsInZhbHVlIjoiIn0=']);
    // It is still known, but nothing can be said of what was taken back since.
    expect(($this->look)($token)['answer'])->toBe('status_unknown');
    $next = ($this->give)(1);
    $this->refused(($this->sign)($next), '/signing', 'this house');
    expect(Award::query()->findOrFail($next)->token)->toBeNull()->and(DB::table('status_places')->count())->toBe(1);
    $this->api('POST', '/api/signing/keys', ['alg' => 'EdDSA'])->assertCreated();
    ($this->sign)($next)->assertOk();
    expect(($this->look)($token)['answer'])->toBe('good');
});
