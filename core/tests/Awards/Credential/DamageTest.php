<?php

declare(strict_types=1);

use Compadre\Core\Awards\BadgeDisc;
use Compadre\Core\Awards\Credential\Algorithm;
use Compadre\Core\Awards\Credential\Answer;
use Compadre\Core\Awards\Credential\Baking;
use Compadre\Core\Awards\Credential\Issuer;
use Compadre\Core\Awards\Credential\OpenBadge;
use Compadre\Core\Awards\Credential\SigningKey;
use Compadre\Core\Awards\Credential\StatusList;
use Compadre\Core\Awards\Credential\Verifier;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Random\Engine\Mt19937;
use Random\Randomizer;

const HURT_ISSUER = '0190a1b2-0000-7000-8000-000000000001';
const HURT_LIST = 'urn:uuid:0190a1b2-0000-7000-8000-0000000000aa';
const HURT_TAKEN = 7;

/** A byte changed, a stretch lost, said twice or out of place, a file cut off. */
function hurt(string $file, Randomizer $random): string
{
    $at = $random->getInt(0, strlen($file) - 1);

    return match ($random->getInt(0, 4)) {
        0 => substr($file, 0, $at),
        1 => substr_replace($file, chr(ord($file[$at]) ^ 1 << $random->getInt(0, 7)), $at, 1),
        2 => substr_replace($file, '', $at, $random->getInt(1, 30)),
        3 => substr_replace($file, substr($file, $at, 30), $random->getInt(0, $at), 0),
        default => substr_replace($file, $random->getBytes($random->getInt(1, 6)), $at, $random->getInt(0, 6)),
    };
}

beforeEach(function (): void {
    $this->key = SigningKey::make(Algorithm::Edwards);
    $sign = fn (int $index): string => $this->key->sign((new OpenBadge('0190a1b2-0000-7000-8000-000000000002', '5b2f7a10-8d3c-4e1f-9a77-0c1d2e3f4a5b', HURT_ISSUER, 'Gullwick Lantern Crew', 'lantern-hand', 1, 'Lantern Hand', 'Ties up bundles.', '- Overhand knot: tied', '2026-11-24T18:45:00Z', null, HURT_LIST, $index))->claims());
    [$this->good, $this->taken] = [$sign(HURT_TAKEN + 1), $sign(HURT_TAKEN)];
    $this->list = $this->key->sign(StatusList::of([HURT_TAKEN])->claims(HURT_LIST, HURT_ISSUER, 'Gullwick Lantern Crew', '2026-11-24T18:50:00Z'));
    $this->card = ['id' => 'urn:uuid:'.HURT_ISSUER, 'name' => 'Gullwick Lantern Crew', 'jwks' => ['keys' => [$this->key->jwk()]]];
    /** What is answered of a file, or why it is refused. */
    $this->said = function (string $file, ?string $list = null, ?string $card = null): Answer|string {
        try {
            $issuer = Issuer::from(Fields::of($card === null ? $this->card : Json::arrays(Json::read($card))));

            return (new Verifier([$issuer], [$list ?? $this->list], '2026-11-24T19:00:00Z'))->look(Baking::token($file))->answer;
        } catch (Refusal $no) {
            expect($no->getMessage())->not->toBeEmpty();

            return 'refused';
        }
    };
});

it('calls none of 500 damaged badges good unless what was signed is still there, to the letter', function (string $as): void {
    $disc = BadgeDisc::svg('Lantern Hand', 'Gullwick Lantern Crew', null, null);
    $whole = match ($as) {
        'text' => $this->good,
        'svg' => Baking::intoSvg($disc, $this->good),
        default => Baking::intoPng((string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='), $this->good),
    };
    expect(($this->said)($whole))->toBe(Answer::Good);
    $random = new Randomizer(new Mt19937(crc32($as)));
    $answers = [];
    for ($case = 0; $case < 500; $case++) {
        $file = hurt($whole, $random);
        $said = ($this->said)($file);
        $answers[] = $said instanceof Answer ? $said->value : $said;
        if ($said === Answer::Good) {
            // The picture round it is another; the badge is the same.
            expect(trim(Baking::token($file)))->toBe($this->good, "$case");
        }
    }
    $count = array_count_values($answers);
    expect(($count['altered'] ?? 0) + ($count['refused'] ?? 0) + ($count['issuer_unknown'] ?? 0))->toBeGreaterThan($as === 'text' ? 490 : 100);
})->with(['text', 'svg', 'png']);

it('lets nothing that was taken back be good by any of 500 damages of the list that says so', function (): void {
    expect(($this->said)($this->taken))->toBe(Answer::TakenBack)->and(($this->said)($this->good))->toBe(Answer::Good);
    $random = new Randomizer(new Mt19937(19));
    $unknown = 0;
    for ($case = 0; $case < 500; $case++) {
        $list = hurt($this->list, $random);
        $said = ($this->said)($this->taken, $list);
        expect($said)->not->toBe(Answer::Good);
        $unknown += $said === Answer::StatusUnknown || $said === 'refused' ? 1 : 0;
        // What cannot be known of one that is good is not said to be so, either.
        expect(($this->said)($this->good, $list))->toBe($said === Answer::TakenBack ? Answer::Good : $said);
    }
    expect($unknown)->toBeGreaterThan(490);
});

it('knows nobody by any of 500 damaged cards unless the key in it is theirs', function (): void {
    $whole = Json::write($this->card);
    expect(($this->said)($this->good, null, $whole))->toBe(Answer::Good);
    $random = new Randomizer(new Mt19937(23));
    $not = 0;
    for ($case = 0; $case < 500; $case++) {
        $card = hurt($whole, $random);
        $said = ($this->said)($this->good, null, $card);
        $not += $said === Answer::Good ? 0 : 1;
        if ($said === Answer::Good) {
            expect($card)->toContain((string) $this->key->jwk()['x'])->toContain(HURT_ISSUER);
        }
    }
    expect($not)->toBeGreaterThan(300);
});
