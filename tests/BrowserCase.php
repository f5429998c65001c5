<?php

declare(strict_types=1);

namespace Tests;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Support\JudgesPages;
use Tests\Support\LanguageToTry;
use Tests\Support\LooksAtPages;

/**
 * Browser tests drive the built app through nginx in headless Chromium, on the test house's own database.
 */
abstract class BrowserCase extends TestCase
{
    use JudgesPages;
    use LanguageToTry;
    use LooksAtPages;

    protected RemoteWebDriver $browser;

    private string $profile = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->profile = sys_get_temp_dir().'/compadre-browser-'.bin2hex(random_bytes(6));
        $options = (new ChromeOptions)->addArguments([
            '--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--window-size=1280,800', '--use-angle=swiftshader', '--enable-unsafe-swiftshader',
            // A microphone that hears a beep each second, and is never asked for leave.
            '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream', "--user-data-dir={$this->profile}",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $this->browser = RemoteWebDriver::create((string) getenv('COMPADRE_TEST_DRIVER'), $capabilities, 60_000, 240_000);
        // A script that goes through every knot waits for its turn where the machine is busy.
        $this->browser->manage()->timeouts()->setScriptTimeout(180);
        $this->screen(1280, 800);
    }

    protected function tearDown(): void
    {
        $this->browser->quit();
        (new Process(['rm', '-rf', $this->profile]))->run();
        parent::tearDown();
    }

    /** Empties the house, and fills it with the sample scenario unless it should stay empty. */
    protected function house(bool $demo = true): void
    {
        // A test does not begin on one day and end on the next: its meeting of tonight would be yesterday's.
        while (gmdate('H:i') >= '23:57') {
            sleep(5);
        }
        $this->artisan('cache:clear');
        // What is tonight is another day's past: what was sown is kept for an hour, wherever the group's day begins.
        $kept = getenv('COMPADRE_TEST_HOUSE').'/run/browser-'.getmypid().gmdate('-Y-m-d-H').($demo ? '-demo' : '-empty').'.sql';
        if (is_file($kept)) {
            $this->database('mariadb', '< '.escapeshellarg($kept));

            return;
        }
        $this->artisan('migrate:fresh', '--force');
        if ($demo) {
            $this->artisan('compadre:seed-demo');
            $this->artisan('compadre:warm');
        }
        $this->database('mariadb-dump', '> '.escapeshellarg($kept));
    }

    /** A client of MariaDB on the test house's own database. */
    private function database(string $program, string $pipe): void
    {
        $house = TestHouse::settings();
        $command = "$program --no-defaults --host=127.0.0.1 --port={$house['DB_PORT']} --user={$house['DB_USERNAME']} {$house['DB_DATABASE']} $pipe";
        Process::fromShellCommandline($command, null, ['MYSQL_PWD' => $house['DB_PASSWORD']], timeout: TestHouse::PATIENCE)->mustRun();
    }

    protected function artisan(string ...$arguments): string
    {
        $process = new Process([...TestHouse::asAccount(), PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__), TestHouse::settings(), timeout: TestHouse::PATIENCE);
        $process->run();
        if (! $process->isSuccessful()) {
            throw new RuntimeException($process->getOutput().$process->getErrorOutput());
        }

        return $process->getOutput();
    }

    /** Lines of PHP, run in the app's own house; what goes wrong in them goes wrong in the test. */
    protected function within(string $lines): void
    {
        // The shell they run in says what went wrong in them, and that it went well itself.
        $said = $this->artisan('tinker', '--execute', "$lines; echo 'all of it';");
        if (! str_contains($said, 'all of it')) {
            throw new RuntimeException($said);
        }
    }

    protected function visit(string $path): void
    {
        $this->browser->get(getenv('COMPADRE_TEST_URL').$path);
    }

    /** Goes on within the app, as a link would, without loading it anew. */
    protected function goTo(string $path): void
    {
        $this->browser->executeScript('history.pushState(null, "", arguments[0]); dispatchEvent(new PopStateEvent("popstate"));', [$path]);
    }

    protected function screen(int $width, int $height): void
    {
        $this->devtools('Emulation.setDeviceMetricsOverride', ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => $width < 600]);
    }

    /** Takes the network away, from the page and from its worker, or gives it back. */
    protected function offline(bool $gone): void
    {
        $this->browser->executeCustomCommand('/session/:sessionId/chromium/network_conditions', 'POST', ['network_conditions' => ['offline' => $gone, 'latency' => 0, 'throughput' => -1, 'download_throughput' => -1, 'upload_throughput' => -1]]);
        $this->devtools('Network.emulateNetworkConditions', ['offline' => $gone, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);
    }

    /** Waits until the app's worker answers for this page. */
    protected function workerInCharge(): void
    {
        $this->until(fn (): bool => $this->asyncScript('const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then((r) => done(r.active !== null && navigator.serviceWorker.controller !== null));') === true, 'the worker in charge', 30);
    }

    /** @param  array<string, mixed>  $parameters */
    protected function devtools(string $command, array $parameters): void
    {
        $this->browser->executeCustomCommand('/session/:sessionId/chromium/send_command', 'POST', ['cmd' => $command, 'params' => $parameters]);
    }

    protected function signIn(string $who = 'maren'): void
    {
        $this->visit('/');
        $this->comeIn($who);
    }

    /** Signs in at the door that is shown already. */
    protected function comeIn(string $who): void
    {
        $this->find('input[type=email]')->sendKeys("$who@gullwick.example");
        $this->find('input[type=password]')->sendKeys($this->password());
        $this->find('button[type=submit]')->click();
        $this->find('nav');
    }

    protected function password(): string
    {
        return trim((string) file_get_contents(TestHouse::settings()['LARAVEL_STORAGE_PATH'].'/app/demo-password'));
    }

    /** What the server answers to the page: where it takes its time, the worker answers with what it has kept, and is asked again. */
    protected function fetched(string $path): mixed
    {
        for ($ask = 0; $ask < 10; $ask++) {
            [$isKept, $answer] = $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; fetch(arguments[0]).then(async (r) => done([r.headers.has("X-Kept"), await r.json()]));', [$path]);
            if (! $isKept) {
                return $answer;
            }
        }
        $this->fail("The server did not answer at $path in ten times.");
    }

    /** How many results of a knot the server has. */
    protected function resultsOf(string $knot): int
    {
        $count = 0;
        foreach ($this->fetched('/api/crew')['learners'] as $learner) {
            $history = $this->fetched("/api/learners/{$learner['id']}")['history'];
            $count += count(array_filter($history, fn (array $entry): bool => $entry['knot'] === $knot && $entry['kind'] === 'result'));
        }

        return $count;
    }

    /** @param  list<mixed>  $arguments */
    public function asyncScript(string $script, array $arguments = []): mixed
    {
        return $this->browser->executeAsyncScript($script, $arguments);
    }

    protected function window(): string
    {
        return $this->browser->getWindowHandle();
    }

    protected function newTab(): void
    {
        $this->browser->switchTo()->newWindow();
    }

    protected function toWindow(string $handle): void
    {
        $this->browser->switchTo()->window($handle);
    }

    /** How many results of a knot came in today. */
    protected function resultsToday(string $knot): int
    {
        $today = $this->fetched('/api/house')['today'];
        $count = 0;
        foreach ($this->fetched('/api/crew')['learners'] as $learner) {
            $history = $this->fetched("/api/learners/{$learner['id']}")['history'];
            $count += count(array_filter($history, fn (array $entry): bool => $entry['knot'] === $knot && $entry['kind'] === 'result' && $entry['day'] === $today));
        }

        return $count;
    }

    /** Nothing that was tapped waits on this device any more. A page that has just opened says so before it has counted: the store is asked. */
    public function allSent(string $what = 'all sent'): void
    {
        $this->until(fn (): bool => $this->asyncScript(<<<'JS'
            const done = arguments[arguments.length - 1], open = indexedDB.open('compadre');
            open.onerror = () => done(false);
            open.onsuccess = () => {
                const base = open.result;
                if (!base.objectStoreNames.contains('events')) { base.close(); return done(false); }
                const all = base.transaction('events').objectStore('events').getAll();
                all.onsuccess = () => { base.close(); done(all.result.every((one) => one.state !== 'waiting') && document.querySelector('[data-testid=sync]') === null); };
            };
            JS) === true, $what);
    }

    public function script(string $script): mixed
    {
        return $this->browser->executeScript($script);
    }
}
