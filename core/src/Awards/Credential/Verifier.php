<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;
use DomainException;
use Firebase\JWT\JWT;
use InvalidArgumentException;
use UnexpectedValueException;

/**
 * Looks at a badge that somebody shows: who signed it, whether it is still as it was signed, and whether it was taken back. It knows
 * the issuers it is given and no others, and takes no key that a badge brings along.
 */
final readonly class Verifier
{
    /** Headers by which a token would say itself what it is to be held against. */
    private const OWN_KEYS = ['jwk', 'jku', 'x5u', 'x5c', 'crit'];

    /** @var array<string, Issuer> by id */
    private array $issuers;

    /**
     * @param  list<Issuer>  $issuers  those that are trusted
     * @param  list<string>  $lists  status lists, each a token
     * @param  string  $now  the moment of looking, in UTC as 2026-11-24T18:45:00Z
     */
    public function __construct(array $issuers, private array $lists, private string $now)
    {
        $this->issuers = array_combine(array_map(static fn (Issuer $issuer): string => $issuer->id, $issuers), $issuers);
    }

    /** @param  string  $token  a JSON Web Token in its compact form */
    public function look(string $token): Verified
    {
        $parts = self::opened($token);
        if ($parts === null) {
            return new Verified(Answer::Altered, new Saying('awards.verify_no_token'));
        }
        [$header, $claims] = $parts;
        $signed = $this->signed($token, $header, $claims);
        if ($signed !== null) {
            return $signed;
        }
        try {
            $says = self::says($claims);
        } catch (Refusal $refusal) {
            return new Verified(Answer::Altered, new Saying('awards.verify_no_badge', ['why' => $refusal->sentence()]));
        }
        [$answer, $why] = $this->status($claims);

        return new Verified($answer, $why, $says);
    }

    /** @return ?Verified why it is not signed by somebody who is trusted; null where it is */
    private function signed(string $token, Fields $header, Fields $claims): ?Verified
    {
        $algorithm = self::plain($header, 'alg');
        if (Algorithm::tryFrom((string) $algorithm) === null) {
            return new Verified(Answer::Altered, new Saying('awards.verify_algorithm', ['ways' => Saying::either(array_map(static fn (Algorithm $one): Saying => new Saying('any.just', ['text' => $one->value]), Algorithm::cases()))]));
        }
        foreach (self::OWN_KEYS as $own) {
            if ($header->has($own)) {
                return new Verified(Answer::Altered, new Saying('awards.verify_own_key'));
            }
        }
        $issuer = $this->issuers[(string) self::plain($claims, 'iss')] ?? null;
        $key = $issuer?->key((string) self::plain($header, 'kid'));
        if ($key === null) {
            return new Verified(Answer::IssuerUnknown, $issuer === null ? new Saying('awards.verify_nobody') : new Saying('awards.verify_key', ['group' => $issuer->name]));
        }
        // Since when it holds is said with it; the moment of looking must not decide whether the signature is right.
        [$nbf, $iat] = [$claims->raw()['nbf'] ?? 0, $claims->raw()['iat'] ?? 0];
        [$clock, JWT::$timestamp] = [JWT::$timestamp, max(is_int($nbf) ? $nbf : 0, is_int($iat) ? $iat : 0)];
        try {
            JWT::decode($token, $key);
        } catch (DomainException|InvalidArgumentException|UnexpectedValueException) {
            return new Verified(Answer::Altered, new Saying('awards.verify_signature'));
        } finally {
            JWT::$timestamp = $clock;
        }

        return null;
    }

    /**
     * @return array{issuer: string, group: string, name: string, about: string, criteria: string, subject: string, learner: ?string, from: string}
     *
     * @throws Refusal for what an Open Badge has to say and does not, or says twice and not the same
     */
    private static function says(Fields $claims): array
    {
        if (! in_array('OpenBadgeCredential', $claims->texts('type'), true)) {
            throw Refusal::of('/type', $claims->texts('type'), 'awards.credential_type');
        }
        $subject = $claims->object('credentialSubject');
        foreach (['iss' => $claims->object('issuer')->text('id'), 'sub' => $subject->text('id'), 'jti' => $claims->text('id')] as $name => $said) {
            if ($claims->text($name) !== $said) {
                throw Refusal::of("/$name", $claims->text($name), 'any.just', ['text' => $said]);
            }
        }
        $achievement = $subject->object('achievement');
        $learner = null;
        foreach ($subject->objects('identifier') as $identity) {
            $learner = $identity->text('identityType', '') === 'name' && ! $identity->flag('hashed') ? $identity->text('identityHash') : $learner;
        }

        return [
            'issuer' => $claims->text('iss'), 'group' => $claims->object('issuer')->text('name', ''), 'name' => $achievement->text('name'), 'about' => $achievement->text('description', ''),
            'criteria' => $achievement->has('criteria') ? $achievement->object('criteria')->text('narrative', '') : '', 'subject' => $subject->text('id'), 'learner' => $learner, 'from' => $claims->text('validFrom'),
        ];
    }

    /** @return array{Answer, Saying} */
    private function status(Fields $claims): array
    {
        $unknown = [Answer::StatusUnknown, new Saying('awards.verify_unknown')];
        $until = self::plain($claims, 'validUntil');
        $end = $claims->raw()['exp'] ?? ($until === null ? null : strtotime($until));
        if ($end !== null && (! is_int($end) || $end < strtotime($this->now))) {
            return [Answer::StatusUnknown, is_int($end) ? new Saying('awards.verify_ended', ['day' => gmdate('Y-m-d', $end)]) : new Saying('awards.verify_ended_sometime')];
        }
        try {
            $status = $claims->objectOrNull('credentialStatus');
            if ($status === null) {
                return [Answer::Good, new Saying('awards.verify_no_list')];
            }
            $place = $status->text('statusListIndex');
            $lists = $this->listed($status->text('statusListCredential'), $claims->text('iss'));
            if ($status->text('statusPurpose') !== 'revocation' || preg_match('/^\d{1,9}$/D', $place) !== 1) {
                return $unknown;
            }
        } catch (Refusal) {
            return $unknown;
        }

        $said = array_map(static fn (StatusList $list): ?bool => $list->isSet((int) $place), $lists);

        return match (true) {
            in_array(true, $said, true) => [Answer::TakenBack, new Saying('awards.verify_taken_back')],
            in_array(false, $said, true) => [Answer::Good, new Saying('awards.verify_good')],
            default => $unknown,
        };
    }

    /** @return list<StatusList> the list at an address, signed by the one who signed the badge; the one that was made last, or several of the same moment */
    private function listed(string $address, string $issuer): array
    {
        [$found, $since] = [[], ''];
        foreach ($this->lists as $token) {
            $parts = self::opened($token);
            if ($parts === null || self::plain($parts[1], 'id') !== $address || self::plain($parts[1], 'iss') !== $issuer || $this->signed($token, ...$parts) !== null) {
                continue;
            }
            try {
                $subject = $parts[1]->object('credentialSubject');
                $isList = in_array('BitstringStatusListCredential', $parts[1]->texts('type'), true) && $subject->text('statusPurpose') === 'revocation';
                $list = $isList && $parts[1]->object('issuer')->text('id') === $issuer ? StatusList::read($subject->text('encodedList')) : null;
                $made = $parts[1]->text('validFrom');
            } catch (Refusal) {
                continue;
            }
            if ($list !== null && $made >= $since) {
                $found = $made === $since ? [...$found, $list] : [$list];
                $since = $made;
            }
        }

        return $found;
    }

    /** @return ?array{Fields, Fields} header and claims; null for what is no token */
    private static function opened(string $token): ?array
    {
        $parts = explode('.', $token);
        if (count($parts) !== 3 || Base64Url::read($parts[2]) === null) {
            return null;
        }
        $read = [];
        foreach ([$parts[0], $parts[1]] as $part) {
            $json = Base64Url::read($part);
            try {
                $read[] = Fields::of(Json::arrays(Json::read((string) $json)));
            } catch (Refusal) {
                return null;
            }
        }

        return [$read[0], $read[1]];
    }

    private static function plain(Fields $fields, string $name): ?string
    {
        $value = $fields->raw()[$name] ?? null;

        return is_string($value) ? $value : null;
    }
}
