<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** The stand-in for an award office, started for a test with a store of its own. */
final class AwardOffice
{
    public const CLIENT = 'gullwick';

    public const SECRET = 'lantern-register-5';

    private ?Process $process = null;

    private function __construct(private readonly string $folder, private readonly int $port)
    {
    }

    public static function open(): self
    {
        $office = new self(sys_get_temp_dir().'/award-office-'.bin2hex(random_bytes(6)), self::freePort());
        $office->start();

        return $office;
    }

    /** One that no line to elsewhere is given while the office is killed and begun again. */
    public static function freePort(): int
    {
        do {
            $port = random_int(20_000, 30_000);
            $socket = @stream_socket_server("tcp://127.0.0.1:$port");
        } while ($socket === false);
        fclose($socket);

        return $port;
    }

    public function address(): string
    {
        return "http://127.0.0.1:$this->port";
    }

    public function start(): void
    {
        $this->process = new Process(['node', dirname(__DIR__, 2).'/standins/award-office/office.mjs', '--store', $this->folder, '--port', (string) $this->port, '--client', self::CLIENT.':'.self::SECRET], timeout: null);
        $this->process->start();
        $this->process->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'is at'));
    }

    /** Ends it outright, in whatever it is doing. */
    public function kill(): void
    {
        $this->process?->signal(SIGKILL);
        $this->process?->wait();
    }

    public function close(): void
    {
        $this->process?->stop(5);
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    /** @param  array<string, float>  $rates  how often, from 0 to 1, which fault befalls a request */
    public function faults(array $rates, int $seed = 1, int $slowMs = 1500): void
    {
        $answer = (string) file_get_contents($this->address().'/faults', false, stream_context_create(['http' => ['method' => 'PUT', 'content' => json_encode(['seed' => $seed, 'slow_ms' => $slowMs, 'rates' => (object) $rates]), 'header' => 'Content-Type: application/json', 'ignore_errors' => true]]));
        str_contains($answer, '"rates"') || throw new RuntimeException($answer);
    }

    /** @return list<array<string, mixed>> all that its store says, a line for each thing that happened */
    public function lines(): array
    {
        return array_map(static fn (string $line): array => (array) json_decode($line, true), array_values(array_filter(explode("\n", (string) file_get_contents("$this->folder/register.ndjson")))));
    }

    /** @return list<array<string, mixed>> every entry that was ever written into its register, in their order */
    public function entries(): array
    {
        return array_merge(...array_map(static fn (array $line): array => (array) ($line['entries'] ?? []), $this->lines()));
    }

    /** @return list<string> awards of which it was told so */
    public function told(string $what): array
    {
        return array_column(array_filter($this->lines(), static fn (array $line): bool => $line['what'] === $what), 'award');
    }
}
