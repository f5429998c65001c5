<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Awards\Credential\Answer;
use Compadre\Core\Awards\Credential\Baking;
use Compadre\Core\Awards\Credential\Issuer;
use Compadre\Core\Awards\Credential\Verifier;
use Compadre\Core\Data\Base64;
use Compadre\Core\Data\Fields;
use Compadre\Core\Words\Catalogue;

/**
 * Looks at a badge that somebody shows, as a token or in a picture: signed by one of the issuers given, unchanged, not taken back.
 */
final readonly class VerifyOperation implements Operation
{
    private const MOST_BYTES = 8_388_608;

    public function name(): string
    {
        return 'verify';
    }

    public function input(): array
    {
        return Schemas::object([
            'file' => Schemas::text(self::MOST_BYTES) + ['description' => 'a signed badge, or an SVG or PNG that holds one, in base64'],
            'issuers' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(2000) + ['description' => 'as it stands in their badges'], 'name' => ['type' => 'string', 'maxLength' => 200],
                'jwks' => ['type' => 'object', 'required' => ['keys'], 'properties' => ['keys' => Schemas::listOf(['type' => 'object']) + ['maxItems' => 50]], 'description' => 'their public keys, RFC 7517'],
            ], ['name'])) + ['maxItems' => 200, 'description' => 'those that are trusted'],
            'status' => Schemas::listOf(Schemas::text(self::MOST_BYTES)) + ['maxItems' => 50, 'description' => 'status lists, each a signed token'],
            'now' => Schemas::now(),
        ]);
    }

    public function output(): array
    {
        $text = ['type' => 'string'];

        return Schemas::object([
            'answer' => Schemas::choice(Answer::class), 'why' => $text,
            'says' => ['type' => ['object', 'null']] + Schemas::object(['issuer' => $text, 'group' => $text, 'name' => $text, 'about' => $text, 'criteria' => $text, 'subject' => $text, 'learner' => ['type' => ['string', 'null']], 'from' => $text]),
        ]);
    }

    public function run(Fields $input): array
    {
        $bytes = Base64::read($input->text('file'), '/file');
        $issuers = array_map(Issuer::from(...), $input->objects('issuers'));

        return (new Verifier($issuers, $input->texts('status'), $input->text('now')))->look(Baking::token($bytes))->toArray(Catalogue::english());
    }
}
