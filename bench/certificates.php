<?php

declare(strict_types=1);

/*
 * How long 60 certificates take: from the tap until they stand on the page with every drawing, and until they are printed. On the running
 * demo, which is given that many awards (./compadre fresh takes them away again): php bench/certificates.php [driver's address]
 */

require dirname(__DIR__).'/vendor/autoload.php';

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

const CERTIFICATES = 60;

$house = getenv('COMPADRE_DEMO_HOUSE') ?: dirname(__DIR__).'/var/demo';
$address = getenv('COMPADRE_DEMO') ?: 'http://127.0.0.1:8420';
$profile = sys_get_temp_dir().'/bench-'.bin2hex(random_bytes(5));
$options = (new ChromeOptions)->addArguments(['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--window-size=1280,800', "--user-data-dir=$profile"]);
$capabilities = DesiredCapabilities::chrome();
$capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
$browser = RemoteWebDriver::create($argv[1] ?? 'http://127.0.0.1:9615', $capabilities, 30_000, 300_000);
$browser->manage()->timeouts()->setScriptTimeout(240);
$await = static function (callable $ask): void {
    for ($n = 0; $n < 6000 && ! $ask(); $n++) {
        usleep(20_000);
    }
};
$call = static fn (string $method, string $path, ?array $body = null): mixed => $browser->executeAsyncScript('const [method, path, body, done] = arguments; const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]+)/) ?? [])[1] ?? ""); fetch(path, { method, headers: { Accept: "application/json", "Content-Type": "application/json", "X-XSRF-TOKEN": token }, ...(body === null ? {} : { body: JSON.stringify(body) }) }).then(async (answer) => done(await answer.json()));', [$method, $path, $body]);
$there = static fn (): bool => (int) $browser->executeScript('return document.querySelectorAll("[data-testid=certificate]").length') >= CERTIFICATES && $browser->executeScript('return document.fonts.status === "loaded" && [...document.images].every((one) => one.complete && one.naturalWidth > 0)') === true;

try {
    $browser->get($address);
    $await(static fn (): bool => $browser->findElements(WebDriverBy::cssSelector('input[type=email]')) !== []);
    $browser->findElement(WebDriverBy::cssSelector('input[type=email]'))->sendKeys('maren@gullwick.example');
    $browser->findElement(WebDriverBy::cssSelector('input[type=password]'))->sendKeys(trim((string) file_get_contents("$house/storage/app/demo-password")));
    $browser->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
    $await(static fn (): bool => $browser->findElements(WebDriverBy::cssSelector('nav')) !== []);
    $learners = array_column($call('GET', '/api/crew')['learners'], 'id');
    foreach (array_column($call('GET', '/api/badges')['badges'], 'id') as $badge) {
        $call('POST', '/api/awards/by-hand', ['learners' => $learners, 'badge' => $badge, 'why' => 'For the bench.', 'decided_on' => $call('GET', '/api/me')['today']]);
    }
    $awards = array_slice(array_column($call('GET', '/api/awards')['awards'], 'id'), 0, CERTIFICATES);
    foreach (['first time' => 1, 'again' => 2] as $which => $_) {
        $begun = hrtime(true);
        $browser->get("$address/certificates?awards=".implode(',', $awards));
        $await($there);
        $shown = hrtime(true);
        $pdf = $browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => 'Page.printToPDF', 'params' => ['landscape' => true]]);
        $printed = hrtime(true);
        $bytes = (string) base64_decode((string) $pdf['data'], true);
        printf("%-10s %d certificates on the page in %.2f s, printed in %.2f s: %.1f a second; %d pages, %.1f MB\n", $which, count($awards), ($shown - $begun) / 1e9, ($printed - $shown) / 1e9, count($awards) / (($printed - $begun) / 1e9), preg_match_all('#/Type\s*/Page[^s]#', $bytes), strlen($bytes) / 1e6);
    }
} finally {
    $browser->quit();
    exec('rm -rf '.escapeshellarg($profile));
}
