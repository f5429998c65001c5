<?php

declare(strict_types=1);

namespace Tests\House;

use Ramsey\Uuid\Uuid;

/**
 * A phone as the app's outbox behaves: it keeps every check until the server has answered for it, and sends it again until then.
 */
final class Phone
{
    private int $seq = 0;

    private readonly string $jar;

    /** @var array<string, array<string, mixed>> what the server has not answered for, by id */
    public array $waiting = [];

    /** @var array<string, string> the verdict by id, as it was answered */
    public array $answered = [];

    public int $failures = 0;

    /** The last answer's status; 0 where none came. */
    public int $status = 0;

    /** The last answer as it came. */
    public string $said = '';

    public function __construct(private readonly string $address, private readonly string $name)
    {
        $this->jar = (string) tempnam(sys_get_temp_dir(), 'phone');
    }

    /** @param  array<string, mixed>  $check */
    public function see(string $learner, string $knot, array $check = []): string
    {
        $id = Uuid::uuid7()->toString();
        $this->waiting[$id] = $check + [
            'id' => $id, 'schema' => 1, 'kind' => 'result', 'learner' => $learner, 'knot' => $knot, 'device' => $this->name, 'device_seq' => ++$this->seq,
            'observed_at' => gmdate('Y-m-d\TH:i:s.v\Z'), 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'how' => 'attested', 'prompts' => 0,
        ];

        return $id;
    }

    /** One try at a batch; what was answered is done with. */
    public function send(int $most = 100): bool
    {
        $batch = array_slice($this->waiting, 0, $most);
        $answer = $this->call('POST', '/api/check-events', ['sent_at' => gmdate('Y-m-d\TH:i:s.v\Z'), 'events' => array_values($batch)]);
        if (! isset($answer['results'])) {
            $this->failures++;
            $this->recover();

            return false;
        }
        foreach ($answer['results'] as $one) {
            $this->answered[$one['id']] = $one['verdict'];
            unset($this->waiting[$one['id']]);
        }

        return true;
    }

    /** As the app does: a stale security token is renewed, and where the session has ended a leader signs in again. */
    private function recover(): void
    {
        if ($this->status === 419 || $this->status === 401) {
            $signedOut = $this->status === 401;
            $this->call('GET', '/sanctum/csrf-cookie');
            if ($signedOut) {
                $this->signIn();
            }
        }
    }

    /** @return array<string, mixed> */
    public function signIn(): array
    {
        return $this->call('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77']);
    }

    /** The same batch half sent, or whole and cut off before the answer. */
    public function sendCut(bool $wholeBody): void
    {
        $body = (string) json_encode(['sent_at' => gmdate('Y-m-d\TH:i:s.v\Z'), 'events' => array_values(array_slice($this->waiting, 0, 100))]);
        [$host, $port] = explode(':', substr($this->address, strlen('http://')));
        $line = fsockopen($host, (int) $port, timeout: 60);
        fwrite($line, "POST /api/check-events HTTP/1.1\r\nHost: $host:$port\r\nOrigin: {$this->address}\r\nAccept: application/json\r\nContent-Type: application/json\r\nX-XSRF-TOKEN: {$this->token()}\r\nCookie: {$this->cookies()}\r\nContent-Length: ".strlen($body)."\r\n\r\n");
        fwrite($line, $wholeBody ? $body : substr($body, 0, intdiv(strlen($body), 2)));
        fflush($line);
        usleep($wholeBody ? 4_000 : 1_000);
        fclose($line);
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array<string, mixed> empty where no answer came, or none that says yes
     */
    public function call(string $method, string $path, ?array $body = null): array
    {
        $handle = $this->handle($method, $path, $body);
        $text = curl_exec($handle);
        $status = $this->status = (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE);
        $this->said = is_string($text) ? $text : '';
        curl_close($handle);
        $answer = is_string($text) ? json_decode($text, true) : null;

        return $status >= 200 && $status < 300 && is_array($answer) ? $answer : [];
    }

    /** @param  array<string, mixed>|null  $body */
    public function handle(string $method, string $path, ?array $body = null): \CurlHandle
    {
        if ($method !== 'GET' && $this->token() === '') {
            $this->call('GET', '/sanctum/csrf-cookie');
        }
        $handle = curl_init($this->address.$path);
        curl_setopt_array($handle, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $this->jar, CURLOPT_COOKIEFILE => $this->jar, CURLOPT_TIMEOUT => 20,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "Origin: {$this->address}", 'X-XSRF-TOKEN: '.$this->token()],
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => json_encode($body)]));

        return $handle;
    }

    private function token(): string
    {
        return preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($this->jar), $found) === 1 ? urldecode($found[1]) : '';
    }

    private function cookies(): string
    {
        preg_match_all('/\t(\S+)\t(\S+)$/m', (string) file_get_contents($this->jar), $found, PREG_SET_ORDER);

        return implode('; ', array_map(static fn (array $one): string => "$one[1]=$one[2]", $found));
    }
}
