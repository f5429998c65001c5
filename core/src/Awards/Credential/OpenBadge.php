<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Refusal;

/**
 * An award as an Open Badge: a verifiable credential of Open Badges 3.0, the claims that are signed. The learner is in it as a number
 * that nobody else has, unless a lead wants the name to stand there.
 */
final readonly class OpenBadge
{
    public const CONTEXTS = ['https://www.w3.org/ns/credentials/v2', 'https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.3.json'];

    /**
     * @param  string  $id  of the award, a UUID
     * @param  string  $subject  whose it is, a UUID that stands for nobody outside
     * @param  string  $issuer  of the group, a UUID
     * @param  string  $badge  and its version: which achievement it is
     * @param  string  $criteria  what was asked for, in words
     * @param  string  $from  the moment it was decided, in UTC as 2026-11-24T18:45:00Z
     * @param  ?string  $learner  a name, where it may stand there
     * @param  string  $list  the address of the status list, an URI
     * @param  int  $index  its place there
     */
    public function __construct(
        public string $id,
        public string $subject,
        public string $issuer,
        public string $group,
        public string $badge,
        public int $version,
        public string $name,
        public string $about,
        public string $criteria,
        public string $from,
        public ?string $learner,
        public string $list,
        public int $index,
    ) {
        foreach (['id' => $id, 'subject' => $subject, 'issuer' => $issuer] as $field => $uuid) {
            if (preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $uuid) !== 1) {
                throw Refusal::of("/$field", $uuid, 'data.uuid');
            }
        }
    }

    /** @return array<string, mixed> as Open Badges 3.0, section 8.2 has them in a JSON Web Token: the credential itself, and who, whose, which and since when */
    public function claims(): array
    {
        return [
            '@context' => self::CONTEXTS,
            'id' => "urn:uuid:$this->id",
            'type' => ['VerifiableCredential', 'OpenBadgeCredential'],
            'name' => $this->name,
            'issuer' => ['id' => "urn:uuid:$this->issuer", 'type' => ['Profile'], 'name' => $this->group],
            'validFrom' => $this->from,
            'credentialSubject' => [
                'id' => "urn:uuid:$this->subject",
                'type' => ['AchievementSubject'],
            ] + ($this->learner === null ? [] : ['identifier' => [['type' => 'IdentityObject', 'identityHash' => $this->learner, 'identityType' => 'name', 'hashed' => false]]]) + [
                'achievement' => [
                    'id' => 'urn:uuid:'.$this->achievement(),
                    'type' => ['Achievement'],
                    'achievementType' => 'Badge',
                    'name' => $this->name,
                    'description' => $this->about,
                    'criteria' => ['narrative' => $this->criteria],
                    'version' => (string) $this->version,
                ],
            ],
            'credentialStatus' => [
                'id' => "$this->list#$this->index",
                'type' => 'BitstringStatusListEntry',
                'statusPurpose' => 'revocation',
                'statusListIndex' => (string) $this->index,
                'statusListCredential' => $this->list,
            ],
            'iss' => "urn:uuid:$this->issuer",
            'jti' => "urn:uuid:$this->id",
            'sub' => "urn:uuid:$this->subject",
            'nbf' => (int) strtotime($this->from),
        ];
    }

    /** The same for the same badge in the same version of the same group, whoever is awarded it: RFC 4122 section 4.3, in the group's own name space. */
    private function achievement(): string
    {
        $hash = substr(sha1(hex2bin(str_replace('-', '', $this->issuer))."$this->badge@$this->version"), 0, 32);
        $hash[12] = '5';
        $hash[16] = dechex((int) hexdec($hash[16]) & 0x3 | 0x8);

        return implode('-', [substr($hash, 0, 8), substr($hash, 8, 4), substr($hash, 12, 4), substr($hash, 16, 4), substr($hash, 20)]);
    }
}
