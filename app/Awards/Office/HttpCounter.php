<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Models\Office;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Office\Counter;
use Compadre\Core\Awards\Office\Slip;
use Compadre\Core\Awards\Office\Trouble;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;
use GuzzleHttp\Exception\TransferException;
use GuzzleHttp\Psr7\FnStream;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\Http;
use Psr\Http\Message\StreamInterface;

/**
 * An office over HTTP (docs/formats.md), let in by OAuth 2 client credentials (RFC 6749, 4.4).
 */
final readonly class HttpCounter implements Counter
{
    /** A way in is not used for its last seconds. */
    private const SPARE = 20;

    /** No office has more to say: bytes. */
    private const MOST = 4_000_000;

    /** @param  string  $issuer  who the group is where its badges are shown */
    public function __construct(private Office $office, private string $issuer)
    {
    }

    public function handIn(string $key, array $slips): array
    {
        return $this->said($this->call('POST', '/lists', ['group' => "urn:uuid:$this->issuer", 'awards' => array_map(static fn (Slip $slip): array => $slip->toArray(), $slips)], $key));
    }

    public function ask(array $awards): array
    {
        return $this->said($this->call('GET', '/awards?ids='.implode(',', $awards)));
    }

    public function takeBack(string $award): void
    {
        $this->call('PUT', "/awards/$award/taken-back");
    }

    public function forget(string $award): void
    {
        $this->call('DELETE', "/awards/$award");
    }

    /**
     * A new way in: that the office knows the group is seen by it.
     *
     * @throws Trouble
     */
    public function signIn(): void
    {
        $this->office->fill(['token' => null]);
        $this->token();
    }

    /** @param  ?array<string, mixed>  $body */
    private function call(string $method, string $path, ?array $body = null, ?string $key = null): Response
    {
        $request = $this->request()->withToken($this->token());
        if ($key !== null) {
            $request->withHeader('Idempotency-Key', $key);
        }
        $response = $this->sent(fn (): mixed => $request->send($method, $this->office->address.$path, $body === null ? [] : ['json' => $body]));
        if ($response->status() === 401) {
            $this->keep(null, null);
            throw Trouble::signedOut();
        }
        if ($response->status() === 404 && $method !== 'GET' && $method !== 'POST') {
            // What the office does not know it keeps nothing of.
            return $response;
        }

        return $response->successful() ? $response : throw $this->trouble($response);
    }

    private function trouble(Response $response): Trouble
    {
        $said = json_decode($response->body(), true);
        $said = is_array($said) ? $said : [];
        $error = is_string($said['error'] ?? null) ? mb_strimwidth($said['error'], 0, 200, '…') : null;
        if ($response->status() === 422 && $error === 'key_reused') {
            return Trouble::keyReused();
        }
        if ($response->status() === 422 && $error !== null) {
            $place = preg_match('#^/awards/(\d{1,4})(/|$)#', is_string($said['field'] ?? null) ? $said['field'] : '', $found) === 1 ? (int) $found[1] : null;

            return Trouble::unreadable(new Saying('awards.trouble_cannot_read', ['error' => $error]), $place);
        }
        $wait = ctype_digit($response->header('Retry-After')) ? min((int) $response->header('Retry-After'), 86_400) : null;

        return Trouble::later(match (true) {
            $response->status() === 429 => new Saying('awards.trouble_alone'),
            $response->status() === 409 => new Saying('awards.trouble_reading'),
            $response->serverError() => new Saying('awards.trouble_out_of_order', ['status' => $response->status()]),
            default => new Saying('awards.trouble_not_taken', ['status' => $response->status()]),
        }, $wait);
    }

    /** @return array<mixed> */
    private function said(Response $response): array
    {
        try {
            return Json::arrays(Json::read($response->body()));
        } catch (Refusal) {
            throw Trouble::later(new Saying('awards.trouble_no_json'));
        }
    }

    /** What lets in: the one that is kept, as long as it lasts. */
    private function token(): string
    {
        $kept = $this->office->token;
        if ($kept !== null && $this->office->token_until?->isAfter(CarbonImmutable::now()->addSeconds(self::SPARE)) === true) {
            return $this->unlocked($kept);
        }
        $response = $this->sent(fn (): mixed => $this->request()->withBasicAuth(rawurlencode($this->office->client), rawurlencode($this->unlocked((string) $this->office->secret)))
            ->asForm()->post($this->office->address.'/token', ['grant_type' => 'client_credentials']));
        if (in_array($response->status(), [400, 401, 403], true)) {
            throw Trouble::turnedAway(new Saying('awards.trouble_unknown'));
        }
        $said = $response->successful() ? $this->said($response) : throw $this->trouble($response);
        $token = $said['access_token'] ?? null;
        if (! is_string($token) || $token === '' || strlen($token) > 4000 || preg_match('/[^\x21-\x7e]/', $token) === 1) {
            throw Trouble::later(new Saying('awards.trouble_no_token'));
        }
        $life = is_numeric($said['expires_in'] ?? null) ? max(0, min((int) $said['expires_in'], 86_400)) : 60;
        $this->keep(Crypt::encryptString($token), CarbonImmutable::now()->addSeconds($life));

        return $token;
    }

    /** An office that is only being tried is not kept yet. */
    private function keep(?string $token, ?CarbonImmutable $until): void
    {
        $this->office->fill(['token' => $token, 'token_until' => $until]);
        if ($this->office->exists) {
            $this->office->save();
        }
    }

    private function unlocked(string $secret): string
    {
        try {
            return Crypt::decryptString($secret);
        } catch (DecryptException) {
            throw Trouble::turnedAway(new Saying('awards.trouble_locked'));
        }
    }

    private function request(): PendingRequest
    {
        $seconds = config()->integer('app.office_patience');

        // Where it sends elsewhere, nobody follows: names go to the address that a lead has given.
        return Http::connectTimeout(min(5, $seconds))->timeout($seconds)->withoutRedirecting()->acceptJson()->withOptions(['sink' => $this->vessel()]);
    }

    /** What an answer is poured into: where it is full, the line is cut. */
    private function vessel(): StreamInterface
    {
        $kept = Utils::streamFor(fopen('php://temp', 'r+') ?: throw Trouble::later(new Saying('awards.trouble_no_room')));

        return FnStream::decorate($kept, ['write' => static fn (string $part): int => (int) $kept->getSize() + strlen($part) > self::MOST ? 0 : $kept->write($part)]);
    }

    /** @param  callable(): mixed  $send */
    private function sent(callable $send): Response
    {
        try {
            $response = $send();
        } catch (ConnectionException|TransferException) {
            throw Trouble::later(new Saying('awards.trouble_no_answer_read'));
        }

        return $response instanceof Response ? $response : throw Trouble::later(new Saying('awards.trouble_no_answer'));
    }
}
