<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;
use Tests\TestHouse;

/** Phones that send checks all the while (phones.mjs). */
final class Phones
{
    /** @var list<string> the ids of checks that were answered */
    public array $acknowledged = [];

    /** @var list<string> the ids of learners that were told of several times at once */
    public array $walkIns = [];

    /** @var array{acknowledged: int, sent: int, refused: list<array{status: mixed, text: string}>, statuses: array<string, int>, longest_gap_s: float} */
    public array $figures;

    private readonly Process $process;

    private readonly InputStream $input;

    private string $rest = '';

    private ?int $page = null;

    public function __construct(int $phones, string ...$addresses)
    {
        $this->input = new InputStream;
        $this->process = new Process(['node', __DIR__.'/phones.mjs', (string) $phones, Cluster::password(), Cluster::address(), ...$addresses], timeout: TestHouse::PATIENCE, input: $this->input);
        $this->process->start();
    }

    /** Waits until so many checks more have been answered. */
    public function waitFor(int $more): void
    {
        $wanted = count($this->acknowledged) + $more;
        while (count($this->acknowledged) < $wanted) {
            $this->read();
            if (! $this->process->isRunning()) {
                throw new RuntimeException('The phones have ended: '.$this->process->getOutput().$this->process->getErrorOutput());
            }
            usleep(50_000);
        }
    }

    /** What somebody is answered who looks at a page. */
    public function page(string $path): int
    {
        $this->page = null;
        $this->input->write("page $path\n");
        while ($this->page === null) {
            $this->read();
            usleep(20_000);
        }

        return $this->page;
    }

    /** They send what they still have, and say how it went. */
    public function end(): void
    {
        $this->input->write("end\n");
        $this->input->close();
        $this->process->wait();
        $this->read();
        $this->figures ?? throw new RuntimeException('The phones did not say how it went: '.$this->process->getErrorOutput());
    }

    private function read(): void
    {
        $this->process->checkTimeout();
        $lines = explode("\n", $this->rest.$this->process->getIncrementalOutput());
        $this->rest = array_pop($lines);
        foreach ($lines as $line) {
            $said = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
            array_push($this->acknowledged, ...($said['ids'] ?? []));
            array_push($this->walkIns, ...($said['walk_ins'] ?? []));
            $this->page = $said['page'] ?? $this->page;
            if (isset($said['figures'])) {
                $this->figures = $said['figures'];
            }
        }
    }
}
