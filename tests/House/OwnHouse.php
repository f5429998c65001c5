<?php

declare(strict_types=1);

namespace Tests\House;

use RuntimeException;
use Symfony\Component\Process\Process;

/** A house of a test's own, var/NAME, with a database and ports of its own, handled by the functions of ops/. */
final readonly class OwnHouse
{
    /** @param  string  $more  shell lines that come before every script */
    public function __construct(private string $name, private string $more = '')
    {
    }

    /** In a script, $dir is the house's folder. */
    public function process(string $script, int $seconds = 180): Process
    {
        $root = dirname(__DIR__, 2);

        return new Process(['bash', '-c', <<<SH
            set -euo pipefail
            home="$root"; cd "\$home"
            for part in say packages build services database house lan; do source "ops/\$part.sh"; done
            dir="\$(house_dir $this->name)"
            $this->more
            $script
            SH], $root, timeout: $seconds);
    }

    /** @throws RuntimeException with all that was said, where the script fails */
    public function run(string $script, int $seconds = 180): string
    {
        $process = $this->process($script, $seconds);
        $process->run();

        return $process->isSuccessful() ? trim($process->getOutput()) : throw new RuntimeException($process->getOutput().$process->getErrorOutput());
    }
}
