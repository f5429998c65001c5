<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Data\Unpack;
use Compadre\Core\Refusal;

/**
 * Which of many badges were taken back, a bit for each: Bitstring Status List 1.0. It is long, so that a place in it tells nothing of
 * how many there are.
 */
final readonly class StatusList
{
    /** The least there may be: section 6.1. */
    public const LENGTH = 131_072;

    /** More than this is read of nobody. */
    private const MOST_BYTES = 4_194_304;

    private function __construct(private string $bits)
    {
    }

    /** @param  list<int>  $set  places of those that were taken back, from 0 */
    public static function of(array $set): self
    {
        $bits = str_repeat("\0", intdiv(self::LENGTH, 8));
        foreach ($set as $place) {
            if ($place < 0 || $place >= self::LENGTH) {
                throw Refusal::of('/index', $place, 'any.from_to', ['least' => 0, 'most' => self::LENGTH - 1]);
            }
            // The first place is the leftmost bit.
            $bits[$place >> 3] = chr(ord($bits[$place >> 3]) | 0x80 >> ($place & 7));
        }

        return new self($bits);
    }

    /** @return ?self null for what is no list, or one that is too short or too long */
    public static function read(string $encoded): ?self
    {
        $packed = str_starts_with($encoded, 'u') ? Base64Url::read(substr($encoded, 1)) : null;
        $bits = $packed === null ? null : Unpack::within($packed, ZLIB_ENCODING_GZIP, self::MOST_BYTES);

        return $bits === null || strlen($bits) < intdiv(self::LENGTH, 8) ? null : new self($bits);
    }

    /** Multibase base64url of the packed bits: section 2.2. */
    public function encoded(): string
    {
        return 'u'.Base64Url::of((string) gzencode($this->bits, 9));
    }

    /** @return ?bool null for a place that is not in it */
    public function isSet(int $place): ?bool
    {
        return $place < 0 || $place >= 8 * strlen($this->bits) ? null : (ord($this->bits[$place >> 3]) & 0x80 >> ($place & 7)) !== 0;
    }

    /**
     * @param  string  $address  of the list, an URI
     * @param  string  $issuer  a UUID
     * @param  string  $from  the moment it is made, in UTC
     * @return array<string, mixed> the claims that are signed
     */
    public function claims(string $address, string $issuer, string $group, string $from): array
    {
        return [
            '@context' => [OpenBadge::CONTEXTS[0]],
            'id' => $address,
            'type' => ['VerifiableCredential', 'BitstringStatusListCredential'],
            'issuer' => ['id' => "urn:uuid:$issuer", 'name' => $group],
            'validFrom' => $from,
            'credentialSubject' => ['id' => "$address#list", 'type' => 'BitstringStatusList', 'statusPurpose' => 'revocation', 'encodedList' => $this->encoded()],
            'iss' => "urn:uuid:$issuer",
            'jti' => $address,
            'nbf' => (int) strtotime($from),
        ];
    }
}
