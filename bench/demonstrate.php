<?php

declare(strict_types=1);

/*
 * How quick the stage is, measured in Chromium on the running demo: php bench/demonstrate.php [driver's address]
 *
 *  - opening a knot: from the tap to the drawing on the screen, with the app warm;
 *  - a frame of the animation: scripting, style and layout, the median of a trace with the processor slowed down four times;
 *  - the drawing data of a knot, gzipped.
 */

require dirname(__DIR__).'/vendor/autoload.php';

use Compadre\Core\Data\Json;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Drawing;
use Compadre\Core\Knots\Library;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

$home = dirname(__DIR__);
$address = getenv('COMPADRE_DEMO') ?: 'http://127.0.0.1:8420';
$driver = $argv[1] ?? 'http://127.0.0.1:9615';
$password = trim((string) file_get_contents("$home/var/demo/storage/app/demo-password"));
$profile = sys_get_temp_dir().'/bench-'.bin2hex(random_bytes(5));

$options = new ChromeOptions;
$options->addArguments(['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--window-size=1280,800', "--user-data-dir=$profile"]);
$options->setExperimentalOption('perfLoggingPrefs', ['traceCategories' => 'devtools.timeline']);
$capabilities = DesiredCapabilities::chrome();
$capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
$capabilities->setCapability('goog:loggingPrefs', ['performance' => 'ALL']);
$browser = RemoteWebDriver::create($driver, $capabilities, 30_000, 60_000);

/** @param  array<string, mixed>  $parameters */
$devtools = static fn (string $command, array $parameters) => $browser->executeCustomCommand('/session/:sessionId/chromium/send_command', 'POST', ['cmd' => $command, 'params' => (object) $parameters]);
$median = static function (array $values): float {
    sort($values);

    return $values === [] ? NAN : (float) $values[intdiv(count($values), 2)];
};
$await = static function (callable $ask): void {
    for ($n = 0; $n < 200 && ! $ask(); $n++) {
        usleep(100_000);
    }
};

try {
    $browser->get($address);
    $await(fn (): bool => $browser->findElements(WebDriverBy::cssSelector('input[type=email]')) !== []);
    $browser->findElement(WebDriverBy::cssSelector('input[type=email]'))->sendKeys('maren@gullwick.example');
    $browser->findElement(WebDriverBy::cssSelector('input[type=password]'))->sendKeys($password);
    $browser->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
    $await(fn (): bool => (bool) $browser->executeScript('return localStorage.getItem("compadre-packs-kept") !== null'));
    $browser->manage()->timeouts()->setScriptTimeout(30);

    $ids = array_keys(array_filter(Library::at("$home/packs")->all(), static fn ($knot): bool => $knot->audience === 'all' && ! $knot->isMistake));
    $open = <<<'JS'
        const [id, done] = [arguments[0], arguments[arguments.length - 1]];
        history.pushState(null, '', '/show');
        dispatchEvent(new PopStateEvent('popstate'));
        setTimeout(() => {
            const start = performance.now();
            const seen = () => document.querySelector('[data-testid=stage] [data-testid=knot-picture]') ? requestAnimationFrame(() => done(performance.now() - start)) : requestAnimationFrame(seen);
            history.pushState(null, '', '/show/' + id);
            dispatchEvent(new PopStateEvent('popstate'));
            seen();
        }, 300);
        JS;
    $times = [];
    foreach ($ids as $id) {
        $times[$id] = (float) $browser->executeAsyncScript($open, [$id]);
    }
    arsort($times);
    printf("opening a knot, %d knots: median %.0f ms, slowest %.0f ms (%s); asked: under 150 ms\n", count($times), $median(array_values($times)), reset($times), key($times));

    $devtools('Emulation.setCPUThrottlingRate', ['rate' => 4]);
    foreach (['figure-eight', 'bowline', 'figure-eight-loop', 'square-lashing'] as $id) {
        $browser->executeAsyncScript($open, [$id]);
        sleep(1);
        $browser->manage()->getLog('performance');
        $browser->executeScript('dispatchEvent(new KeyboardEvent("keydown", { key: "r" }))');
        sleep(3);
        // The trace is handed over when the page is left.
        $browser->executeScript('console.log("done")');
        $events = [];
        foreach ($browser->manage()->getLog('performance') as $line) {
            $message = json_decode($line['message'], true)['message'] ?? [];
            if (($message['method'] ?? '') === 'Tracing.dataCollected') {
                $events[] = $message['params'];
            }
        }
        $work = array_values(array_filter($events, static fn (array $event): bool => in_array($event['name'], ['FireAnimationFrame', 'FunctionCall', 'UpdateLayoutTree', 'Layout', 'RunMicrotasks'], true) && isset($event['dur'])));
        usort($work, static fn (array $a, array $b): int => [$a['ts'], -$a['dur']] <=> [$b['ts'], -$b['dur']]);
        $starts = array_column(array_filter($events, static fn (array $event): bool => $event['name'] === 'FireAnimationFrame'), 'ts');
        sort($starts);
        $frames = array_fill(0, max(0, count($starts)), 0.0);
        $until = 0;
        foreach ($work as $event) {
            // What runs inside something counted is counted with it.
            if ($event['ts'] < $until) {
                continue;
            }
            $until = $event['ts'] + $event['dur'];
            $frame = count(array_filter($starts, static fn (int $start): bool => $start <= $event['ts'])) - 1;
            if ($frame >= 0) {
                $frames[$frame] += $event['dur'] / 1000;
            }
        }
        printf("a frame of %s at a quarter of the speed: median %.1f ms of %d frames; asked: at most 8 ms\n", $id, $median($frames), count($frames));
    }

    $sizes = [];
    foreach ($ids as $id) {
        $knot = Library::at("$home/packs")->knot($id);
        $sizes[$id] = strlen((string) gzencode(Json::write(Drawing::loose(DiagramBuilder::loose($knot->methods[0]))->toArray()))) / 1000;
    }
    arsort($sizes);
    printf("drawing data, gzipped: median %.1f kB, largest %.1f kB (%s); asked: under 40 kB\n", $median(array_values($sizes)), reset($sizes), key($sizes));
} finally {
    $browser->quit();
    exec('rm -rf '.escapeshellarg($profile));
}
