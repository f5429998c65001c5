<?php

declare(strict_types=1);

use Compadre\Core\Awards\Credential\Algorithm;
use Compadre\Core\Awards\Credential\Answer;
use Compadre\Core\Awards\Credential\Base64Url;
use Compadre\Core\Awards\Credential\Issuer;
use Compadre\Core\Awards\Credential\OpenBadge;
use Compadre\Core\Awards\Credential\SigningKey;
use Compadre\Core\Awards\Credential\StatusList;
use Compadre\Core\Awards\Credential\Verifier;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Catalogue;
use Firebase\JWT\JWT;
use Firebase\JWT\Key;

const SEAL_ISSUER = '0190a1b2-0000-7000-8000-000000000001';
const SEAL_LIST = 'urn:uuid:0190a1b2-0000-7000-8000-0000000000aa';
const SEAL_NOW = '2026-11-24T19:00:00Z';

function sealKey(Algorithm $algorithm, int $number = 0): SigningKey
{
    static $keys = [];

    return $keys["$algorithm->value $number"] ??= SigningKey::make($algorithm);
}

function sealBadge(int $index = 7, ?string $learner = null): OpenBadge
{
    return new OpenBadge('0190a1b2-0000-7000-8000-000000000002', '5b2f7a10-8d3c-4e1f-9a77-0c1d2e3f4a5b', SEAL_ISSUER, 'Gullwick Lantern Crew', 'lantern-hand', 1, 'Lantern Hand', 'Ties up bundles.', '- Overhand knot: tied', '2026-11-24T18:45:00Z', $learner, SEAL_LIST, $index);
}

/** @param  list<SigningKey>  $keys */
function sealIssuer(array $keys, string $id = 'urn:uuid:'.SEAL_ISSUER): Issuer
{
    return Issuer::from(Fields::of(['id' => $id, 'name' => 'Gullwick Lantern Crew', 'jwks' => ['keys' => array_map(static fn (SigningKey $key): array => $key->jwk(), $keys)]]));
}

/** @param  list<int>  $set */
function sealList(SigningKey $key, array $set = [], string $from = '2026-11-24T18:50:00Z', string $issuer = SEAL_ISSUER, string $address = SEAL_LIST): string
{
    return $key->sign(StatusList::of($set)->claims($address, $issuer, 'Gullwick Lantern Crew', $from));
}

/** The token with another header, signed anew in whatever way. @param  array<string, mixed>  $header */
function sealForged(string $token, array $header, Closure $sign): string
{
    $said = Base64Url::of((string) json_encode($header)).'.'.explode('.', $token)[1];

    return "$said.".Base64Url::of($sign($said));
}

it('signs as RFC 7515 appendix A.2 and RFC 8037 appendix A.4 do', function (): void {
    $rsa = [
        'n' => 'ofgWCuLjybRlzo0tZWJjNiuSfb4p4fAkd_wWJcyQoTbji9k0l8W26mPddxHmfHQp-Vaw-4qPCJrcS2mJPMEzP1Pt0Bm4d4QlL-yRT-SFd2lZS-pCgNMsD1W_YpRPEwOWvG6b32690r2jZ47soMZo9wGzjb_7OMg0LOL-bSf63kpaSHSXndS5z5rexMdbBYUsLA9e-KXBdQOS-UTo7WTBEMa2R2CapHg665xsmtdVMTBQY4uDZlxvb3qCo5ZwKh9kG4LT6_I5IhlJH7aGhyxXFvUK-DWNmoudF8NAco9_h9iaGNj8q2ethFkMLs91kzk2PAcDTW9gb54h4FRWyuXpoQ',
        'e' => 'AQAB',
        'd' => 'Eq5xpGnNCivDflJsRQBXHx1hdR1k6Ulwe2JZD50LpXyWPEAeP88vLNO97IjlA7_GQ5sLKMgvfTeXZx9SE-7YwVol2NXOoAJe46sui395IW_GO-pWJ1O0BkTGoVEn2bKVRUCgu-GjBVaYLU6f3l9kJfFNS3E0QbVdxzubSu3Mkqzjkn439X0M_V51gfpRLI9JYanrC4D4qAdGcopV_0ZHHzQlBjudU2QvXt4ehNYTCBr6XCLQUShb1juUO1ZdiYoFaFQT5Tw8bGUl_x_jTj3ccPDVZFD9pIuhLhBOneufuBiB4cS98l2SR_RQyGWSeWjnczT0QU91p1DhOVRuOopznQ',
        'p' => '4BzEEOtIpmVdVEZNCqS7baC4crd0pqnRH_5IB3jw3bcxGn6QLvnEtfdUdiYrqBdss1l58BQ3KhooKeQTa9AB0Hw_Py5PJdTJNPY8cQn7ouZ2KKDcmnPGBY5t7yLc1QlQ5xHdwW1VhvKn-nXqhJTBgIPgtldC-KDV5z-y2XDwGUc',
        'q' => 'uQPEfgmVtjL0Uyyx88GZFF1fOunH3-7cepKmtH4pxhtCoHqpWmT8YAmZxaewHgHAjLYsp1ZSe7zFYHj7C6ul7TjeLQeZD_YwD66t62wDmpe_HlB-TnBA-njbglfIsRLtXlnDzQkv5dTltRJ11BKBBypeeF6689rjcJIDEz9RWdc',
        'dmp1' => 'BwKfV3Akq5_MFZDFZCnW-wzl-CCo83WoZvnLQwCTeDv8uzluRSnm71I3QCLdhrqE2e9YkxvuxdBfpT_PI7Yz-FOKnu1R6HsJeDCjn12Sk3vmAktV2zb34MCdy7cpdTh_YVr7tss2u6vneTwrA86rZtu5Mbr1C1XsmvkxHQAdYo0',
        'dmq1' => 'h_96-mK1R_7glhsum81dZxjTnYynPbZpHziZjeeHcXYsXaaMwkOlODsWa7I9xXDoRwbKgB719rrmI2oKr6N3Do9U0ajaHF-NKJnwgjMd2w9cjz3_-kyNlxAr2v4IKhGNpmM5iIgOS1VZnOZ68m6_pbLBSp3nssTdlqvd0tIiTHU',
        'iqmp' => 'IYd7DHOhrWvxkwPQsRM2tOgrjbcrfvtQJipd-DlcxyVuuM9sQLdgjVk2oy26F0EmpScGLq2MowX7fhd_QJQ3ydy5cY7YIBi87w93IKLEdfnbJtoOPLUW0ITrJReOgo1cq9SbsxYawBgfp_gh6A5603k2-ZQwVK0JKSHuLFkuQ3U',
    ];
    openssl_pkey_export(openssl_pkey_new(['rsa' => array_map(static fn (string $part): string => (string) Base64Url::read($part), $rsa)]), $pem);
    $said = 'eyJhbGciOiJSUzI1NiJ9.eyJpc3MiOiJqb2UiLA0KICJleHAiOjEzMDA4MTkzODAsDQogImh0dHA6Ly9leGFtcGxlLmNvbS9pc19yb290Ijp0cnVlfQ';
    $signature = 'cC4hiUPoj9Eetdgtv3hF80EGrhuB__dzERat0XF9g2VtQgr9PJbu3XOiZj5RZmh7AAuHIm4Bh-0Qc_lF5YKt_O8W2Fp5jujGbds9uJdbF9CUAr7t1dnZcAcQjbKBYNX4BAynRFdiuB--f_nZLgrnbyTyWzO75vRK5h6xBArLIARNPvkSjtQBMHlb1L07Qe7K0GarZRmB_eSN9383LcOLn6_dO--xi12jzDwusC-eOkHWEsqtFZESc6BfI7noOPqvhJ1phCnvWh6IeYI2w9QOYEUipUTI8np6LbgGY9Fs98rqVt5AXLIhWkWywlVmtVrBp0igcN_IoypGlUPQGe77Rw';
    expect(Base64Url::of(JWT::sign($said, $pem, 'RS256')))->toBe($signature);
    $issuer = Issuer::from(Fields::of(['id' => 'joe', 'jwks' => ['keys' => [['kty' => 'RSA', 'kid' => 'a2', 'n' => $rsa['n'], 'e' => $rsa['e']]]]]));
    JWT::$timestamp = 1_300_000_000;
    try {
        expect(JWT::decode("$said.$signature", $issuer->key('a2'))->iss)->toBe('joe');
    } finally {
        JWT::$timestamp = null;
    }
    // The same key by its thumbprint: RFC 7638 has another, held by the next test.
    expect(SigningKey::from(Fields::of(['alg' => 'RS256', 'secret' => $pem]))->jwk())->toMatchArray(['n' => $rsa['n'], 'e' => 'AQAB', 'kty' => 'RSA', 'alg' => 'RS256']);
    $secret = Base64Url::read('nWGxne_9WmC6hEr0kuwsxERJxWl7MmkZcDusAxyuf2A').Base64Url::read('11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo');
    $said = 'eyJhbGciOiJFZERTQSJ9.RXhhbXBsZSBvZiBFZDI1NTE5IHNpZ25pbmc';
    expect(Base64Url::of(JWT::sign($said, base64_encode($secret), 'EdDSA')))->toBe('hgyY0il_MGCjP0JzlnLWG1PPOt7-09PGcvMg3AIbQR6dWbhijcNR4ki4iylGjg5BhVsPt9g7sVvpAr_MuM0KAg');
    $key = SigningKey::from(Fields::of(['alg' => 'EdDSA', 'secret' => base64_encode($secret)]));
    // Appendices A.2 and A.3.
    expect($key->jwk())->toMatchArray(['kty' => 'OKP', 'crv' => 'Ed25519', 'x' => '11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo'])->and($key->kid())->toBe('kPrK_qmxVWaYVA9wwBF6Iuo3vVzz7TxHCTwXBygrS4k');
});

it('signs what it then finds good, with either kind of key, in the hand of another verifier', function (Algorithm $algorithm): void {
    $key = sealKey($algorithm);
    $token = $key->sign(sealBadge()->claims());
    $found = (new Verifier([sealIssuer([$key])], [sealList($key, [6, 8])], SEAL_NOW))->look($token);
    expect($found->answer)->toBe(Answer::Good)->and($found->says)->toBe([
        'issuer' => 'urn:uuid:'.SEAL_ISSUER, 'group' => 'Gullwick Lantern Crew', 'name' => 'Lantern Hand', 'about' => 'Ties up bundles.', 'criteria' => '- Overhand knot: tied',
        'subject' => 'urn:uuid:5b2f7a10-8d3c-4e1f-9a77-0c1d2e3f4a5b', 'learner' => null, 'from' => '2026-11-24T18:45:00Z',
    ]);
    expect((new Verifier([sealIssuer([$key])], [sealList($key)], SEAL_NOW))->look($key->sign(sealBadge(learner: 'Ada P.')->claims()))->says['learner'] ?? null)->toBe('Ada P.');
    // Kept and read back it is the same key.
    expect(SigningKey::from(Fields::of($key->kept()))->jwk())->toBe($key->jwk());
})->with([[Algorithm::Rsa], [Algorithm::Edwards]]);

it('answers with one of five, by what it knows', function (Algorithm $algorithm): void {
    [$key, $next, $strange] = [sealKey($algorithm), sealKey(Algorithm::Edwards, 1), sealKey($algorithm, 2)];
    $token = $key->sign(sealBadge()->claims());
    $look = static fn (array $keys, array $lists, ?string $of = null, string $id = 'urn:uuid:'.SEAL_ISSUER): Answer => (new Verifier([sealIssuer($keys, $id)], $lists, SEAL_NOW))->look($of ?? $token)->answer;
    $list = sealList($key);
    expect($look([$key], [$list]))->toBe(Answer::Good);
    // Rotated: the old one still verifies, the list is signed with the new one.
    expect($look([$next, $key], [sealList($next)]))->toBe(Answer::Good);
    expect($look([$next], [$list]))->toBe(Answer::IssuerUnknown)->and($look([$key], [$list], id: 'urn:uuid:somebody'))->toBe(Answer::IssuerUnknown)->and($look([$strange], [$list]))->toBe(Answer::IssuerUnknown);
    expect((new Verifier([], [$list], SEAL_NOW))->look($token)->answer)->toBe(Answer::IssuerUnknown);
    expect($look([$key], [sealList($key, [7])]))->toBe(Answer::TakenBack)->and($look([$key], [sealList($key, [6, 8])]))->toBe(Answer::Good);
    // The list that was made last counts, in whatever order they come.
    $lists = [sealList($key, [7], '2026-11-24T18:55:00Z'), sealList($key, [], '2026-11-24T18:50:00Z')];
    expect($look([$key], $lists))->toBe(Answer::TakenBack)->and($look([$key], array_reverse($lists)))->toBe(Answer::TakenBack);
    // Of two that were made in the same moment either may say so.
    $lists = [sealList($key, [7]), sealList($key)];
    expect($look([$key], $lists))->toBe(Answer::TakenBack)->and($look([$key], array_reverse($lists)))->toBe(Answer::TakenBack);
    foreach ([[], [sealList($strange)], [sealList($key, issuer: '0190a1b2-0000-7000-8000-00000000000f')], [sealList($key, address: 'urn:uuid:elsewhere')], ['x.y.z'], [$token], [substr($list, 0, -8).'AAAAAAAA']] as $lists) {
        expect($look([$key], $lists))->toBe(Answer::StatusUnknown);
    }
    $without = array_diff_key(sealBadge()->claims(), ['credentialStatus' => 1]);
    expect($look([$key], [], $key->sign($without)))->toBe(Answer::Good);
    foreach ([131_072, -1, '1e3', '07x', ''] as $place) {
        $claims = sealBadge()->claims();
        $claims['credentialStatus']['statusListIndex'] = (string) $place;
        expect($look([$key], [$list], $key->sign($claims)))->toBe(Answer::StatusUnknown, (string) $place);
    }
    expect($look([$key], [$list], $key->sign(['exp' => strtotime('2026-11-24T18:50:00Z')] + sealBadge()->claims())))->toBe(Answer::StatusUnknown);
    expect($look([$key], [$list], $key->sign(['exp' => strtotime('2026-12-01')] + sealBadge()->claims())))->toBe(Answer::Good);
})->with([[Algorithm::Rsa], [Algorithm::Edwards]]);

it('finds every single change of what was signed', function (Algorithm $algorithm): void {
    $key = sealKey($algorithm);
    $token = $key->sign(sealBadge()->claims());
    $verifier = new Verifier([sealIssuer([$key])], [sealList($key)], SEAL_NOW);
    $signs = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_';
    for ($at = 0; $at < strlen($token); $at++) {
        if ($token[$at] !== '.') {
            $other = substr_replace($token, $signs[((int) strpos($signs, $token[$at]) + 1 + $at % 62) % 64], $at, 1);
            // With the name of the key or of the issuer changed it is somebody's whom nobody knows.
            expect($verifier->look($other)->answer)->toBeIn([Answer::Altered, Answer::IssuerUnknown], "at $at");
        }
    }
    // One bit of the claims themselves.
    [$head, $body, $signature] = explode('.', $token);
    $json = (string) Base64Url::read($body);
    mt_srand(5);
    foreach (range(1, 200) as $ignored) {
        $at = mt_rand(0, strlen($json) - 1);
        $other = substr_replace($json, chr(ord($json[$at]) ^ 1 << mt_rand(0, 7)), $at, 1);
        expect($verifier->look("$head.".Base64Url::of($other).".$signature")->answer)->toBeIn([Answer::Altered, Answer::IssuerUnknown]);
        expect($verifier->look("$head.".Base64Url::of($other).".$signature")->says)->toBeNull();
    }
})->with([[Algorithm::Rsa], [Algorithm::Edwards]]);

it('is not talked into another way of signing', function (): void {
    [$rsa, $edwards] = [sealKey(Algorithm::Rsa), sealKey(Algorithm::Edwards)];
    $token = $rsa->sign(sealBadge()->claims());
    $verifier = new Verifier([sealIssuer([$rsa, $edwards])], [sealList($rsa)], SEAL_NOW);
    $thief = sealKey(Algorithm::Edwards, 9);
    $public = openssl_pkey_get_details(openssl_pkey_get_private($rsa->kept()['secret']))['key'];
    $said = static fn (Closure $sign): Closure => $sign;
    $hmac = static fn (string $secret): Closure => static fn (string $text): string => hash_hmac('sha256', $text, $secret, true);
    $byThief = static fn (string $text): string => sodium_crypto_sign_detached($text, (string) base64_decode($thief->kept()['secret'], true));
    $forged = [
        'nothing signed' => sealForged($token, ['alg' => 'none', 'kid' => $rsa->kid()], static fn (): string => ''),
        'nothing signed, in other letters' => sealForged($token, ['alg' => 'NONE', 'kid' => $rsa->kid()], static fn (): string => ''),
        'the public key as a shared secret' => sealForged($token, ['alg' => 'HS256', 'kid' => $rsa->kid()], $hmac($public)),
        'the same without its frame' => sealForged($token, ['alg' => 'HS256', 'kid' => $rsa->kid()], $hmac($rsa->jwk()['n'])),
        'a key of the other kind' => sealForged($token, ['alg' => 'EdDSA', 'kid' => $rsa->kid()], $byThief),
        'a key that is brought along' => sealForged($token, ['alg' => 'EdDSA', 'kid' => $edwards->kid(), 'jwk' => $thief->jwk()], $byThief),
        'an address of a key' => sealForged($token, ['alg' => 'EdDSA', 'kid' => $edwards->kid(), 'jku' => 'http://127.0.0.1/jwks.json'], $byThief),
        'something that must be understood' => sealForged($token, ['alg' => 'RS256', 'kid' => $rsa->kid(), 'crit' => ['b64'], 'b64' => false], static fn (string $text): string => JWT::sign($text, $rsa->kept()['secret'], 'RS256')),
        'somebody else' => sealForged($token, ['alg' => 'EdDSA', 'kid' => $edwards->kid()], $byThief),
        'an algorithm that is a list' => sealForged($token, ['alg' => ['RS256'], 'kid' => $rsa->kid()], static fn (string $text): string => JWT::sign($text, $rsa->kept()['secret'], 'RS256')),
        'two parts' => implode('.', array_slice(explode('.', $token), 0, 2)), 'four parts' => "$token.x", 'nothing' => '..', 'not even that' => '',
        'with a sign that says nothing' => "$token=",
    ];
    foreach ($forged as $how => $one) {
        expect($verifier->look($one)->answer)->toBe(Answer::Altered, $how);
    }
    expect($verifier->look(sealForged($token, ['alg' => 'RS256'], static fn (string $text): string => JWT::sign($text, $rsa->kept()['secret'], 'RS256')))->answer)->toBe(Answer::IssuerUnknown);
    // One who is trusted, too, signs in their own name alone.
    $other = sealIssuer([$thief], 'urn:uuid:another');
    $both = new Verifier([sealIssuer([$rsa]), $other], [sealList($rsa)], SEAL_NOW);
    expect($both->look($thief->sign(sealBadge()->claims()))->answer)->toBe(Answer::IssuerUnknown)->and($both->look($thief->sign(['iss' => 'urn:uuid:another'] + sealBadge()->claims()))->answer)->toBe(Answer::Altered);
});

it('takes only what says the same twice, and is an Open Badge', function (array $change): void {
    $key = sealKey(Algorithm::Edwards);
    $found = (new Verifier([sealIssuer([$key])], [sealList($key)], SEAL_NOW))->look($key->sign(array_replace_recursive(sealBadge()->claims(), $change)));
    expect($found->answer)->toBe(Answer::Altered)->and($found->why->code)->toBe('awards.verify_no_badge')->and(Catalogue::english()->say($found->why))->toContain('no Open Badge');
})->with([
    'another subject' => [['sub' => 'urn:uuid:x']], 'another id' => [['jti' => 'urn:uuid:x']], 'another kind' => [['type' => ['VerifiableCredential', 'Ticket']]],
    'another issuer inside' => [['issuer' => ['id' => 'urn:uuid:x']]], 'no achievement' => [['credentialSubject' => ['achievement' => 'x']]], 'no day' => [['validFrom' => 7]],
]);

it('trusts nobody by a key that is secret, doubled, cut off or of another kind', function (array $change, string $field): void {
    $jwk = sealKey(Algorithm::Edwards)->jwk();
    $keys = isset($change['twice']) ? [$jwk, $jwk] : [array_filter($change + $jwk, static fn (mixed $one): bool => $one !== null)];
    expect(fn () => Issuer::from(Fields::of(['id' => 'urn:uuid:x', 'jwks' => ['keys' => $keys]])))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe($field));
})->with([
    [['d' => 'AAAA'], '/jwks/keys/0/kid'], [['twice' => true], '/jwks/keys/1/kid'], [['x' => null], '/jwks/keys/0/kid'], [['kty' => 'oct'], '/jwks/keys/0/kty'], [['kid' => null], '/jwks/keys/0/kid'], [['alg' => 'HS256'], '/jwks/keys/0/alg'],
]);

it('names an achievement the same for everybody who is awarded it, and another in another version or group', function (): void {
    $id = static fn (OpenBadge $badge): string => $badge->claims()['credentialSubject']['achievement']['id'];
    $of = static fn (string $issuer, int $version): OpenBadge => new OpenBadge('0190a1b2-0000-7000-8000-000000000003', '6b2f7a10-8d3c-4e1f-9a77-0c1d2e3f4a5b', $issuer, 'A crew', 'lantern-hand', $version, 'x', 'x', 'x', '2026-11-24T18:45:00Z', null, SEAL_LIST, 1);
    expect($id($of(SEAL_ISSUER, 1)))->toBe($id(sealBadge()))->toMatch('/^urn:uuid:[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/');
    expect($id($of(SEAL_ISSUER, 2)))->not->toBe($id(sealBadge()))->and($id($of('0190a1b2-0000-7000-8000-000000000009', 1)))->not->toBe($id(sealBadge()));
});
