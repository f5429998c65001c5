<?php

declare(strict_types=1);

use App\House\Readiness;

// What one database of a cluster says of itself, to whoever watches over it (see ops/cluster.sh):
//   /         whether it may be written to: 200, or 503 with what is wrong, a word a line. The proxy asks.
//   /metrics  its figures, as text for Prometheus.
require dirname(__DIR__).'/vendor/autoload.php';

/** Name, type, what it is, and where it stands in what the database says of its cluster. */
const FIGURES = [
    ['compadre_database_members', 'gauge', 'Databases that are in step with this one, itself among them', 'wsrep_cluster_size'],
    ['compadre_database_reached', 'counter', 'How many acts it has taken since the cluster began', 'wsrep_last_committed'],
    ['compadre_database_behind', 'gauge', 'Acts of others that it has been sent and not yet taken', 'wsrep_local_recv_queue'],
    ['compadre_database_conflicts_total', 'counter', 'Acts begun here that were undone since another was faster, found at the end', 'wsrep_local_cert_failures'],
    ['compadre_database_aborts_total', 'counter', 'Acts begun here that were undone since another was faster, while under way', 'wsrep_local_bf_aborts'],
    ['compadre_database_held_up', 'gauge', 'Part of the time in which all waited for the slowest, 0 to 1', 'wsrep_flow_control_paused'],
];

/** With so little left a database leaves its cluster: one that waits for room holds up all that wait for it. */
const LEAVES = 64e6;

/** @return list<string> */
function figure(string $name, string $type, string $about, float $value): array
{
    return ["# HELP $name $about", "# TYPE $name $type", sprintf('%s %s', $name, rtrim(rtrim(sprintf('%.6F', $value), '0'), '.'))];
}

/** @return list<string> what waits to be done for all groups, without whose it is */
function queue(PDO $database, string $schema): array
{
    $asked = static fn (string $sql): float => (float) $database->query(str_replace('{schema}', str_replace('`', '', $schema), $sql))->fetchColumn();

    return [
        ...figure('compadre_work_waiting', 'gauge', 'Long work that waits to be done', $asked("select count(*) from `{schema}`.works where state = 'waiting' and wake_at <= utc_timestamp()")),
        ...figure('compadre_work_late_seconds', 'gauge', 'For how long the one that has waited longest has been due', $asked("select coalesce(max(timestampdiff(second, wake_at, utc_timestamp())), 0) from `{schema}`.works where state = 'waiting' and wake_at <= utc_timestamp()")),
        ...figure('compadre_left_checks', 'gauge', 'Checks put aside until a lead takes them in', $asked('select count(*) from `{schema}`.left_checks')),
    ];
}

$cluster = [];
$lines = [];
$free = (float) disk_free_space((string) getenv('COMPADRE_DATA'));
try {
    $database = new PDO('mysql:unix_socket='.getenv('COMPADRE_SOCKET'), 'root', '', [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_TIMEOUT => 2]);
    $cluster = $database->query("show global status like 'wsrep\\_%'")->fetchAll(PDO::FETCH_KEY_PAIR);
    $troubles = Readiness::judged($cluster, true, true, $free);
    if ($free < LEAVES && ($cluster['wsrep_connected'] ?? '') === 'ON') {
        error_log(sprintf('%d MB are left: this database leaves its cluster. Make room, and start it.', $free / 1e6));
        $database->exec('shutdown');
    }
    if ($troubles === [] && $_SERVER['REQUEST_URI'] === '/metrics') {
        $lines = queue($database, (string) getenv('COMPADRE_SCHEMA'));
    }
} catch (PDOException) {
    $troubles = ['database'];
}
if ($_SERVER['REQUEST_URI'] === '/metrics') {
    header('Content-Type: text/plain; version=0.0.4; charset=utf-8');
    array_unshift($lines, ...figure('compadre_database_ready', 'gauge', 'Whether it may be written to', $troubles === [] ? 1.0 : 0.0), ...figure('compadre_database_free_bytes', 'gauge', 'Room on its disk', $free));
    foreach (FIGURES as [$name, $type, $about, $variable]) {
        array_push($lines, ...(isset($cluster[$variable]) ? figure($name, $type, $about, (float) $cluster[$variable]) : []));
    }
    echo implode("\n", $lines)."\n";

    return;
}
http_response_code($troubles === [] ? 200 : 503);
header('Content-Type: text/plain; charset=utf-8');
echo $troubles === [] ? "ready\n" : implode("\n", $troubles)."\n";
