<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\TestHouse;

/** Three databases, two installations and a proxy of the tests' own, var/cluster-test, handled by the functions of ops/cluster.sh. */
final class Cluster
{
    /** @throws RuntimeException with all that was said, where the script fails */
    public static function run(string $script): string
    {
        $root = dirname(__DIR__, 2);
        $process = new Process([...TestHouse::asAccount(), 'bash', '-c', <<<SH
            set -euo pipefail
            umask 077
            export COMPADRE_CLUSTER=cluster-test
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
