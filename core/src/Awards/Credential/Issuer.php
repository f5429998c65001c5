<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use DomainException;
use Firebase\JWT\JWK;
use Firebase\JWT\Key;
use InvalidArgumentException;
use UnexpectedValueException;

/**
 * Who signs badges, and the keys that are known to be theirs: those of before, too.
 */
final readonly class Issuer
{
    /** @param  array<string, Key>  $keys  by kid */
    private function __construct(public string $id, public string $name, private array $keys)
    {
    }

    /**
     * @param  Fields  $known  id, a name, and jwks: their keys as a JSON Web Key Set (RFC 7517)
     *
     * @throws Refusal for a key that is not public, of another kind, or without a kid
     */
    public static function from(Fields $known): self
    {
        $keys = [];
        foreach ($known->object('jwks')->objects('keys') as $jwk) {
            $kid = $jwk->text('kid');
            if ($jwk->has('d') || $jwk->has('k')) {
                throw Refusal::of($jwk->place('kid'), $kid, 'awards.secret_shown');
            }
            $algorithm = ['RSA' => Algorithm::Rsa, 'OKP' => Algorithm::Edwards][$jwk->text('kty')] ?? throw Refusal::of($jwk->place('kty'), $jwk->text('kty'), 'awards.key_kind');
            if ($jwk->text('alg', $algorithm->value) !== $algorithm->value) {
                throw Refusal::of($jwk->place('alg'), $jwk->text('alg'), 'any.just', ['text' => $algorithm->value]);
            }
            if (isset($keys[$kid])) {
                throw Refusal::of($jwk->place('kid'), $kid, 'awards.key_once');
            }
            try {
                $key = JWK::parseKey(array_intersect_key($jwk->raw(), ['kty' => 1, 'n' => 1, 'e' => 1, 'crv' => 1, 'x' => 1]), $algorithm->value);
            } catch (DomainException|InvalidArgumentException|UnexpectedValueException) {
                $key = null;
            }
            $keys[$kid] = $key ?? throw Refusal::of($jwk->place('kid'), $kid, 'awards.public_key');
        }

        return new self($known->text('id'), $known->text('name', ''), $keys);
    }

    public function key(string $kid): ?Key
    {
        return $this->keys[$kid] ?? null;
    }
}
