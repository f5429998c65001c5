<?php

declare(strict_types=1);

/*
 * How quick the stage is, measured in Chromium on the running demo: php bench/demonstrate.php [driver's address]
 *
 *  - opening a knot: from the tap to the drawing on the screen, with the app warm;
 *  - a frame of the animation: scripting, style and layout by Chromium's own count, in samples of a tenth of a second, with the
 *    processor slowed down four times;
 *  - the drawing data of a knot, gzipped.
 */

require dirname(__DIR__).'/vendor/autoload.php';

use Compadre\Core\Data\Json;
use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Knots\DiagramBuilder;
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
$capabilities = DesiredCapabilities::chrome();
$capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
$browser = RemoteWebDriver::create($driver, $capabilities, 30_000, 60_000);

/** @param  array<string, mixed>  $parameters */
$devtools = static fn (string $command, array $parameters) => $browser->executeCustomCommand('/session/:sessionId/chromium/send_command', 'POST', ['cmd' => $command, 'params' => (object) $parameters]);
/** Seconds spent in scripts, styles and layout so far, by Chromium's own count. */
$busy = static function () use ($browser): float {
    $metrics = $browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => 'Performance.getMetrics', 'params' => (object) []])['metrics'];
    $by = array_column($metrics, 'value', 'name');

    return $by['ScriptDuration'] + $by['LayoutDuration'] + $by['RecalcStyleDuration'];
};
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

    $ids = array_keys(array_filter(Library::at("$home/packs")->all(), static fn ($knot): bool => $knot->isTaught()));
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
    printf("opening a knot, %d knots: median %.0f ms, slowest %.0f ms (%s), %d above 150 ms; asked: under 150 ms\n", count($times), $median(array_values($times)), reset($times), key($times), count(array_filter($times, static fn (float $time): bool => $time > 150)));

    $devtools('Performance.enable', []);
    $devtools('Emulation.setCPUThrottlingRate', ['rate' => 4]);
    foreach (['figure-eight', 'bowline', 'figure-eight-loop', 'square-lashing'] as $id) {
        $browser->executeAsyncScript($open, [$id]);
        sleep(1);
        $browser->executeScript('window.frames_seen = 0; const count = () => { window.frames_seen++; requestAnimationFrame(count); }; requestAnimationFrame(count); for (const key of ["ArrowRight", "t"]) dispatchEvent(new KeyboardEvent("keydown", { key }));');
        $frames = [];
        [$before, $seen] = [$busy(), 0];
        for ($sample = 0; $sample < 30; $sample++) {
            usleep(100_000);
            $count = (int) $browser->executeScript('return window.frames_seen');
            $now = $busy();
            if ($count > $seen) {
                $frames[] = 1000 * ($now - $before) / ($count - $seen);
            }
            [$before, $seen] = [$now, $count];
        }
        $browser->executeScript('window.frames_seen = NaN; dispatchEvent(new KeyboardEvent("keydown", { key: "t" }))');
        printf("a frame of %s at a quarter of the speed: median %.1f ms of %d samples; asked: at most 8 ms\n", $id, $median($frames), count($frames));
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
