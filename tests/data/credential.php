<?php

declare(strict_types=1);

/**
 * Signed badges as the core makes them, for programs of others to look at: a badge, its status list and its issuer's card, by algorithm.
 */

use Compadre\Core\Awards\Credential\Algorithm;
use Compadre\Core\Awards\Credential\OpenBadge;
use Compadre\Core\Awards\Credential\SigningKey;
use Compadre\Core\Awards\Credential\StatusList;

require dirname(__DIR__, 2).'/vendor/autoload.php';

const ISSUER = '0190a1b2-0000-7000-8000-000000000001';
const PLACES = 'urn:uuid:0190a1b2-0000-7000-8000-0000000000aa';

$made = [];
foreach (Algorithm::cases() as $algorithm) {
    $key = SigningKey::make($algorithm);
    $badge = static fn (?string $learner): array => (new OpenBadge('0190a1b2-0000-7000-8000-000000000002', '5b2f7a10-8d3c-4e1f-9a77-0c1d2e3f4a5b', ISSUER, 'Gullwick Lantern Crew', 'lantern-hand', 1, 'Lantern Hand', 'Ties up bundles.', "- Overhand knot: tied\n- Bowline: tied", '2026-11-24T18:45:00Z', $learner, PLACES, 77))->claims();
    $made[$algorithm->value] = [
        'badge' => $key->sign($badge(null)), 'named' => $key->sign($badge('Ada P.')),
        'list' => $key->sign(StatusList::of([5, 131_071])->claims(PLACES, ISSUER, 'Gullwick Lantern Crew', '2026-11-24T18:50:00Z')),
        'card' => ['id' => 'urn:uuid:'.ISSUER, 'name' => 'Gullwick Lantern Crew', 'jwks' => ['keys' => [$key->jwk()]]],
    ];
}
echo json_encode($made, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
