<?php

declare(strict_types=1);

/*
 * Knots in space, measured in Chromium on the running demo: php bench/space.php [driver's address]
 *
 *  - the first turn: from the tap on "In space" to the knot on the screen, with the app warm;
 *  - a frame while it is turned, and while it is drawn up: scripting, style and layout by Chromium's own count, with the processor
 *    slowed down four times;
 *  - what a form weighs, gzipped, and how long some take to make.
 */

require dirname(__DIR__).'/vendor/autoload.php';
require dirname(__DIR__).'/core/bin/with-jit.php';

use Compadre\Core\Knots\Library;
use Compadre\Core\Space\Former;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

$home = dirname(__DIR__);
$address = getenv('COMPADRE_DEMO') ?: 'http://127.0.0.1:8420';
$password = trim((string) file_get_contents((getenv('COMPADRE_DEMO_PASSWORD') ?: "$home/var/demo/storage/app/demo-password")));
$profile = sys_get_temp_dir().'/bench-'.bin2hex(random_bytes(5));
$options = new ChromeOptions;
$options->addArguments(['--headless', '--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking', '--window-size=1280,800', '--use-angle=swiftshader', '--enable-unsafe-swiftshader', "--user-data-dir=$profile"]);
$capabilities = DesiredCapabilities::chrome();
$capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
$browser = RemoteWebDriver::create($argv[1] ?? 'http://127.0.0.1:9615', $capabilities, 30_000, 120_000);

/** @param  array<string, mixed>  $parameters */
$devtools = static fn (string $command, array $parameters) => $browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => $command, 'params' => (object) $parameters]);
/** Seconds spent in scripts, styles and layout so far. */
$busy = static function () use ($devtools): float {
    $by = array_column($devtools('Performance.getMetrics', [])['metrics'], 'value', 'name');

    return $by['ScriptDuration'] + $by['LayoutDuration'] + $by['RecalcStyleDuration'];
};
$median = static function (array $values): float {
    sort($values);

    return $values === [] ? NAN : (float) $values[intdiv(count($values), 2)];
};

$library = Library::at("$home/packs");
foreach (['overhand', 'bowline', 'figure-eight-loop', 'square-bow'] as $id) {
    $start = microtime(true);
    Former::of($library->knot($id), $library->knot($id)->methods[0]);
    printf("%-20s made in %.1f s; asked: 30 s\n", $id, microtime(true) - $start);
}
$sizes = array_map(static fn (string $file): int => strlen((string) gzencode((string) file_get_contents($file), 9)), glob("$home/packs/space/*/*.json") ?: []);
printf("%d forms, gzipped: median %.1f kB, largest %.1f kB; asked: 40 kB\n", count($sizes), $median($sizes) / 1000, max([0, ...$sizes]) / 1000);

try {
    $browser->get($address);
    for ($n = 0; $n < 100 && $browser->findElements(WebDriverBy::cssSelector('input[type=email]')) === []; $n++) {
        usleep(100_000);
    }
    $browser->findElement(WebDriverBy::cssSelector('input[type=email]'))->sendKeys('maren@gullwick.example');
    $browser->findElement(WebDriverBy::cssSelector('input[type=password]'))->sendKeys($password);
    $browser->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
    for ($n = 0; $n < 600 && ! $browser->executeScript('return localStorage.getItem("compadre-packs-kept") !== null'); $n++) {
        usleep(200_000);
    }
    $browser->manage()->timeouts()->setScriptTimeout(120);
    $open = <<<'JS'
        const [id, done] = [arguments[0], arguments[arguments.length - 1]];
        sessionStorage.setItem('show-space', 'flat');
        history.pushState(null, '', '/show');
        dispatchEvent(new PopStateEvent('popstate'));
        setTimeout(() => {
            history.pushState(null, '', '/show/' + id);
            dispatchEvent(new PopStateEvent('popstate'));
            const stands = () => {
                const tool = [...document.querySelectorAll('[data-testid=stage] button')].find((one) => one.textContent === 'In space');
                if (!tool || !document.querySelector('[data-testid=stage] [data-testid=knot-picture]')) return requestAnimationFrame(stands);
                const start = performance.now();
                const seen = () => document.querySelector('[data-testid=in-space] canvas[data-ready=yes]') ? requestAnimationFrame(() => done(performance.now() - start)) : requestAnimationFrame(seen);
                tool.click();
                seen();
            };
            stands();
        }, 300);
        JS;
    $first = (float) $browser->executeAsyncScript($open, ['overhand']);
    $times = [];
    foreach (['bowline', 'sheet-bend', 'figure-eight-loop', 'taut-line-hitch', 'truckers-hitch', 'water-knot', 'square-knot'] as $id) {
        $times[] = (float) $browser->executeAsyncScript($open, [$id]);
    }
    printf("first turn: the very first %.0f ms, then median %.0f ms, slowest %.0f ms; asked: under 300 ms\n", $first, $median($times), max($times));

    $devtools('Performance.enable', []);
    // Nothing travels by itself: what is measured is the turning alone.
    $devtools('Emulation.setEmulatedMedia', ['features' => [['name' => 'prefers-reduced-motion', 'value' => 'reduce']]]);
    $devtools('Emulation.setCPUThrottlingRate', ['rate' => 4]);
    $turns = <<<'JS'
        const done = arguments[arguments.length - 1], knot = document.querySelector('[data-testid=in-space]'), at = knot.getBoundingClientRect();
        const point = (type, x) => knot.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, clientX: at.x + x, clientY: at.y + 50 }));
        knot.setPointerCapture = () => undefined;
        point('pointerdown', 0);
        let frames = 0;
        const turn = () => { point('pointermove', 5 * ++frames); frames < 20 ? requestAnimationFrame(turn) : (point('pointerup', 0), done(frames)); };
        requestAnimationFrame(turn);
        JS;
    foreach (['bowline', 'truckers-hitch'] as $id) {
        $browser->executeAsyncScript($open, [$id]);
        sleep(1);
        $before = $busy();
        $frames = (int) $browser->executeAsyncScript($turns);
        printf("%-20s turned: %.2f ms of script a frame at 4x slowdown; asked: 4 ms\n", $id, ($busy() - $before) * 1000 / $frames);
    }
} finally {
    $browser->quit();
    exec('rm -rf '.escapeshellarg($profile));
}
