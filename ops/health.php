<?php

declare(strict_types=1);

use App\House\Readiness;

// Whether one database of a cluster may be written to: 200, or 503 with what is wrong, a word a line. The proxy asks; see ops/cluster.sh.
require dirname(__DIR__).'/vendor/autoload.php';

try {
    $database = new PDO('mysql:unix_socket='.getenv('COMPADRE_SOCKET'), 'root', '', [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_TIMEOUT => 2]);
    $cluster = $database->query("show global status like 'wsrep\\_%'")->fetchAll(PDO::FETCH_KEY_PAIR);
    $troubles = Readiness::judged($cluster, true, true, (float) disk_free_space((string) getenv('COMPADRE_DATA')));
} catch (PDOException) {
    $troubles = ['database'];
}
http_response_code($troubles === [] ? 200 : 503);
header('Content-Type: text/plain');
echo $troubles === [] ? "ready\n" : implode("\n", $troubles)."\n";
