<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\TestHouse;

/** Three databases, two installations and a proxy of the tests' own, var/cluster-test and what it is put back into, handled by the functions of ops/cluster.sh. */
final class Cluster
{
    /** Which of them is spoken to: another one is what the first was put back into. */
    public static string $name = 'cluster-test';

    /** A database that has a disk of its own, as large as this, where the tests may mount one. */
    public const SMALL = __DIR__.'/../../var/cluster-test/db1';

    private const SMALL_SIZE = '900m';

    /** Where the tests run as root: others may not mount. */
    public static function mountSmallDisk(): void
    {
        if (posix_geteuid() === 0) {
            self::run('mkdir -p "$(cluster_dir db1)"; chmod 700 "$(cluster_dir)"');
            (new Process(['mount', '-t', 'tmpfs', '-o', 'size='.self::SMALL_SIZE.',mode=700,uid='.fileowner(self::SMALL).',gid='.filegroup(self::SMALL), 'tmpfs', self::SMALL]))->run();
        }
    }

    public static function hasSmallDisk(): bool
    {
        return (new Process(['mountpoint', '-q', self::SMALL]))->run() === 0;
    }

    public static function unmountSmallDisk(): void
    {
        if (self::hasSmallDisk()) {
            (new Process(['umount', self::SMALL]))->mustRun();
        }
    }

    /** @throws RuntimeException with all that was said, where the script fails */
    public static function run(string $script): string
    {
        $name = self::$name;
        $root = dirname(__DIR__, 2);
        $process = new Process([...TestHouse::asAccount(), 'bash', '-c', <<<SH
            set -euo pipefail
            umask 077
            export COMPADRE_CLUSTER=$name
            home="$root"; cd "\$home"
            for part in say account packages build services database house backup along lan cluster; do source "ops/\$part.sh"; done
            $script
            SH], $root, timeout: TestHouse::PATIENCE);
        $process->run();

        return $process->isSuccessful() ? trim($process->getOutput()) : throw new RuntimeException($process->getOutput().$process->getErrorOutput());
    }

    /** What a database answers, line by line, once it has all that the others have. */
    public static function asked(string $node, string $sql): string
    {
        return self::run("cluster_sql $node compadre_cluster -e \"set session wsrep_sync_wait = 15; $sql\"");
    }

    public static function address(string $port = 'web'): string
    {
        return 'http://127.0.0.1:'.self::run("cluster_port $port");
    }

    public static function password(): string
    {
        return self::run('cat "$(cluster_dir app1)/storage/app/demo-password"');
    }

    /** Which database is written to. */
    public static function writer(): string
    {
        return self::run('cluster_wait_writer; cluster_writer');
    }

    /** All standings as one figure. */
    public static function standings(string $node): string
    {
        return self::asked($node, 'select count(*), coalesce(sum(crc32(concat_ws(char(44), learner_id, knot, coalesce(level, 0), verdict, tying, dressing, tail, prompts, day, event_id, two_leaders, coalesce(has_it_since, 0), coalesce(kept_since, 0), coalesce(tally, 0)))), 0) from standings');
    }

    /** The databases that say they hold the same as each other, and the same as is derived anew from the checks. */
    public static function holdsOneTruth(): bool
    {
        $before = array_map(self::standings(...), ['db1', 'db2', 'db3']);
        self::run('house_artisan "$cluster_house/app1" compadre:rebuild');
        $after = array_map(self::standings(...), ['db1', 'db2', 'db3']);

        return count(array_unique([...$before, ...$after])) === 1;
    }
}
