<?php

declare(strict_types=1);

/**
 * What a signed badge costs: made, baked, looked at. Run: php bench/awards.php
 */

use Compadre\Core\Awards\BadgeDisc;
use Compadre\Core\Awards\Credential\Algorithm;
use Compadre\Core\Awards\Credential\Baking;
use Compadre\Core\Awards\Credential\Issuer;
use Compadre\Core\Awards\Credential\OpenBadge;
use Compadre\Core\Awards\Credential\SigningKey;
use Compadre\Core\Awards\Credential\StatusList;
use Compadre\Core\Awards\Credential\Verifier;
use Compadre\Core\Data\Fields;

require dirname(__DIR__).'/vendor/autoload.php';

/** Milliseconds of one, over so many. */
function each(int $times, Closure $what): float
{
    $start = hrtime(true);
    for ($time = 0; $time < $times; $time++) {
        $what($time);
    }

    return (hrtime(true) - $start) / 1e6 / $times;
}

$issuer = '0190a1b2-0000-7000-8000-000000000001';
$list = 'urn:uuid:0190a1b2-0000-7000-8000-0000000000aa';
$badge = new OpenBadge('0190a1b2-0000-7000-8000-000000000002', '5b2f7a10-8d3c-4e1f-9a77-0c1d2e3f4a5b', $issuer, 'Gullwick Lantern Crew', 'lantern-hand', 1, 'Lantern Hand', 'Ties up bundles.', '- Overhand knot: tied', '2026-11-24T18:45:00Z', null, $list, 7);
$taken = array_map(static fn (): int => random_int(8, StatusList::LENGTH - 1), range(1, 500));
foreach (Algorithm::cases() as $algorithm) {
    printf("%s\n", $algorithm->value);
    printf("  a key made            %8.2f ms\n", each(10, static fn (): SigningKey => SigningKey::make($algorithm)));
    $key = SigningKey::make($algorithm);
    printf("  a badge signed        %8.3f ms\n", each(500, static fn (): string => $key->sign($badge->claims())));
    printf("  a list of 500 signed  %8.3f ms\n", each(50, static fn (): string => $key->sign(StatusList::of($taken)->claims($list, $issuer, 'x', '2026-11-24T18:45:00Z'))));
    $token = $key->sign($badge->claims());
    $status = $key->sign(StatusList::of($taken)->claims($list, $issuer, 'x', '2026-11-24T18:45:00Z'));
    $verifier = new Verifier([Issuer::from(Fields::of(['id' => "urn:uuid:$issuer", 'jwks' => ['keys' => [$key->jwk()]]]))], [$status], '2026-11-24T19:00:00Z');
    printf("  one looked at         %8.3f ms, %s\n", each(200, static fn () => $verifier->look($token)), $verifier->look($token)->answer->value);
    printf("  bytes: badge %d, list %d\n", strlen($token), strlen($status));
}
$disc = BadgeDisc::svg('Lantern Hand', 'Gullwick Lantern Crew', null, null);
printf("baked into an SVG       %8.3f ms\n", each(200, static fn (): string => Baking::intoSvg($disc, $token)));
