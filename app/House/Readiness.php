<?php

declare(strict_types=1);

namespace App\House;

use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Whether this installation can serve: asked by whatever sends people to it, so that it sends them elsewhere where it cannot. Says what
 * is wrong in a word, and nothing of anybody.
 */
final readonly class Readiness
{
    /** Below so many bytes a write may fail in the middle of an evening. */
    private const LEAST_DISK = 200_000_000;

    /** While this file is in the storage, the installation is about to be stopped: what is under way is finished, nobody new is sent to it. */
    private const LEAVES = 'app/leaving';

    public function __construct(private Migrator $migrator)
    {
    }

    /** @return list<string> what keeps it from serving: leaving, database, cluster, schema, storage, disk; none: it is ready */
    public function troubles(): array
    {
        if (is_file(storage_path(self::LEAVES))) {
            return ['leaving'];
        }
        try {
            DB::select('select 1');
        } catch (Throwable) {
            return ['database'];
        }

        return self::judged(
            array_column(array_map(static fn (object $row): array => array_values((array) $row), DB::select("show global status like 'wsrep\\_%'")), 1, 0),
            $this->isOfThisSchema(), is_writable(storage_path('framework')) && is_writable(storage_path('app')), (float) disk_free_space(storage_path()),
        );
    }

    /**
     * @param  array<string, mixed>  $cluster  what the database says of its cluster, by name; alone it says that it is in none
     * @return list<string>
     */
    public static function judged(array $cluster, bool $isOfThisSchema, bool $isWritable, float $free): array
    {
        $isAlone = ($cluster['wsrep_cluster_status'] ?? 'Disconnected') === 'Disconnected' && ($cluster['wsrep_connected'] ?? 'OFF') === 'OFF' && ($cluster['wsrep_provider_name'] ?? '') === '';
        // A node that is not of the primary part, or has not caught up, would answer with what is no longer so.
        $isJoined = ($cluster['wsrep_ready'] ?? '') === 'ON' && ($cluster['wsrep_cluster_status'] ?? '') === 'Primary' && ($cluster['wsrep_local_state_comment'] ?? '') === 'Synced';

        return array_keys(array_filter(['cluster' => ! $isAlone && ! $isJoined, 'schema' => ! $isOfThisSchema, 'storage' => ! $isWritable, 'disk' => $free < self::LEAST_DISK]));
    }

    /** Whether every change of the schema that this version knows has been made; one that it does not know is no trouble. */
    private function isOfThisSchema(): bool
    {
        $known = array_keys($this->migrator->getMigrationFiles(database_path('migrations')));

        return array_diff($known, $this->migrator->getRepository()->getRan()) === [];
    }
}
