<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Firebase\JWT\JWT;
use RuntimeException;

/**
 * What a group signs its badges with. Found by its thumbprint (RFC 7638), so that a key that was made anew never takes an old one's place.
 */
final readonly class SigningKey
{
    private const RSA_BITS = 2048;

    /**
     * @param  string  $secret  for RSA a private key as PEM, for Edwards the 64 bytes of libsodium's secret key in base64
     * @param  array<string, string>  $public  as a JSON Web Key: kty, and n and e, or crv and x
     */
    private function __construct(public Algorithm $algorithm, private string $secret, private array $public)
    {
    }

    public static function make(Algorithm $algorithm): self
    {
        if ($algorithm === Algorithm::Edwards) {
            return self::edwards(sodium_crypto_sign_secretkey(sodium_crypto_sign_keypair()));
        }
        $made = openssl_pkey_new(['private_key_bits' => self::RSA_BITS, 'private_key_type' => OPENSSL_KEYTYPE_RSA]);
        if ($made === false || ! openssl_pkey_export($made, $pem) || ! is_string($pem)) {
            throw new RuntimeException('No key could be made: '.openssl_error_string());
        }

        return self::rsa($pem);
    }

    /**
     * As kept() wrote it.
     *
     * @throws Refusal for what is no key of these two kinds
     */
    public static function from(Fields $kept): self
    {
        $algorithm = $kept->choice('alg', Algorithm::class);
        $secret = $kept->text('secret');
        if ($algorithm === Algorithm::Rsa) {
            return self::rsa($secret);
        }
        $bytes = base64_decode($secret, true);

        return is_string($bytes) && strlen($bytes) === SODIUM_CRYPTO_SIGN_SECRETKEYBYTES ? self::edwards($bytes) : throw Refusal::of($kept->place('secret'), null, 'awards.secret_kept');
    }

    /** @return array{alg: string, secret: string} to be kept like a password */
    public function kept(): array
    {
        return ['alg' => $this->algorithm->value, 'secret' => $this->secret];
    }

    /** Its thumbprint, RFC 7638. */
    public function kid(): string
    {
        $public = $this->public;
        ksort($public);

        return Base64Url::of(hash('sha256', (string) json_encode($public, JSON_UNESCAPED_SLASHES), true));
    }

    /** @return array<string, string> for everybody, as a JSON Web Key */
    public function jwk(): array
    {
        return $this->public + ['kid' => $this->kid(), 'alg' => $this->algorithm->value, 'use' => 'sig'];
    }

    /**
     * @param  array<string, mixed>  $claims
     * @param  string  $type  what the token is, of its header
     * @return string a JSON Web Token in its compact form
     */
    public function sign(array $claims, string $type = 'JWT'): string
    {
        return JWT::encode($claims, $this->secret, $this->algorithm->value, $this->kid(), ['typ' => $type]);
    }

    private static function rsa(string $pem): self
    {
        $key = openssl_pkey_get_private($pem);
        $details = $key === false ? false : openssl_pkey_get_details($key);
        $rsa = is_array($details) ? $details['rsa'] ?? null : null;
        if (! is_array($rsa) || ! is_string($rsa['n'] ?? null) || ! is_string($rsa['e'] ?? null)) {
            throw Refusal::of('/secret', null, 'awards.secret_kept');
        }

        return new self(Algorithm::Rsa, $pem, ['e' => Base64Url::of($rsa['e']), 'kty' => 'RSA', 'n' => Base64Url::of($rsa['n'])]);
    }

    /** @param  non-empty-string  $secret */
    private static function edwards(string $secret): self
    {
        return new self(Algorithm::Edwards, base64_encode($secret), ['crv' => 'Ed25519', 'kty' => 'OKP', 'x' => Base64Url::of(sodium_crypto_sign_publickey_from_secretkey($secret))]);
    }
}
