<?php

declare(strict_types=1);

namespace Tests;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * Browser tests drive the built app through nginx in headless Chromium, on the test house's own database.
 */
abstract class BrowserCase extends TestCase
{
    protected RemoteWebDriver $browser;

    private string $profile = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->profile = sys_get_temp_dir().'/compadre-browser-'.bin2hex(random_bytes(6));
        $options = (new ChromeOptions)->addArguments([
            '--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--window-size=1280,800', "--user-data-dir={$this->profile}",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $this->browser = RemoteWebDriver::create((string) getenv('COMPADRE_TEST_DRIVER'), $capabilities, 30_000, 60_000);
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
        $this->artisan('cache:clear');
        $kept = getenv('COMPADRE_TEST_HOUSE').'/run/browser-'.getmypid().($demo ? '-demo' : '-empty').'.sql';
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
        Process::fromShellCommandline($command, null, ['MYSQL_PWD' => $house['DB_PASSWORD']])->mustRun();
    }

    protected function artisan(string ...$arguments): string
    {
        $process = new Process([PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__), TestHouse::settings(), timeout: 120);
        $process->run();
        if (! $process->isSuccessful()) {
            throw new RuntimeException($process->getOutput().$process->getErrorOutput());
        }

        return $process->getOutput();
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

    /** @param  array<string, mixed>  $parameters */
    protected function devtools(string $command, array $parameters): void
    {
        $this->browser->executeCustomCommand('/session/:sessionId/chromium/send_command', 'POST', ['cmd' => $command, 'params' => $parameters]);
    }

    /** How many pages the page prints on. */
    protected function pagesPrinted(): int
    {
        $pdf = $this->browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => 'Page.printToPDF', 'params' => ['preferCSSPageSize' => true]]);

        return (int) preg_match_all('#/Type\s*/Page[^s]#', (string) base64_decode(is_array($pdf) && is_string($pdf['data']) ? $pdf['data'] : ''));
    }

    protected function signIn(string $who = 'maren'): void
    {
        $this->visit('/');
        $this->find('input[type=email]')->sendKeys("$who@gullwick.example");
        $this->find('input[type=password]')->sendKeys($this->password());
        $this->find('button[type=submit]')->click();
        $this->find('nav');
    }

    protected function password(): string
    {
        return trim((string) file_get_contents(TestHouse::settings()['LARAVEL_STORAGE_PATH'].'/app/demo-password'));
    }

    /** Waits for an element to be there and visible. */
    protected function find(string $css): RemoteWebElement
    {
        return $this->wait(fn (): ?RemoteWebElement => $this->visible($css), "an element $css");
    }

    /** A button or link by what it is called, as a screen reader would say it. */
    protected function named(string $name, string $css = 'button, a, [role=menuitem], [role=radio], input, select, textarea'): RemoteWebElement
    {
        return $this->wait(function () use ($name, $css): ?RemoteWebElement {
            foreach ($this->browser->findElements(WebDriverBy::cssSelector($css)) as $element) {
                $called = ($element->getAttribute('aria-label') ?? trim($element->getText())) === $name || trim($element->getText()) === $name;
                if ($called && $element->isDisplayed()) {
                    // Clear of the bar along the bottom of a phone.
                    $this->browser->executeScript('arguments[0].scrollIntoView({ block: "center" })', [$element]);

                    return $element;
                }
            }

            return null;
        }, "something called \"$name\"");
    }

    /** The wide target of a learner's row on Check, which opens the parts. */
    protected function lookCloser(string $learner): void
    {
        $row = $this->find("[data-learner=\"$learner\"] button");
        // Clear of the bar along the bottom of a phone.
        $this->browser->executeScript('arguments[0].scrollIntoView({ block: "center" })', [$row]);
        $row->click();
    }

    /** The field under a label. */
    protected function field(string $label): RemoteWebElement
    {
        return $this->wait(function () use ($label): ?RemoteWebElement {
            $id = $this->browser->executeScript('for (const one of document.querySelectorAll("label")) if (one.textContent.trim() === arguments[0] && one.htmlFor) return one.htmlFor; return null;', [$label]);

            return $id === null ? null : $this->visible("[id=\"$id\"]");
        }, "a field labelled \"$label\"");
    }

    protected function fill(string $label, string $text): void
    {
        $field = $this->field($label);
        if ($field->getTagName() === 'select' || in_array($field->getAttribute('type'), ['date', 'time'], true)) {
            // Typed dates depend on the browser's language; the value is set as its own picker would.
            $this->set($field, $text);

            return;
        }
        $field->sendKeys([WebDriverKeys::CONTROL, 'a'])->sendKeys($text);
    }

    /** Sets a field as a picker of the browser's own would. */
    protected function set(RemoteWebElement $field, string $value): void
    {
        $this->browser->executeScript('const set = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(arguments[0]), "value").set; set.call(arguments[0], arguments[1]); arguments[0].dispatchEvent(new Event(arguments[0].tagName === "SELECT" ? "change" : "input", { bubbles: true }));', [$field, $value]);
    }

    /** What the server answers to the page. */
    protected function fetched(string $path): mixed
    {
        return $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; fetch(arguments[0]).then((r) => r.json()).then(done);', [$path]);
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

    protected function see(string $text): void
    {
        $this->wait(fn (): ?bool => str_contains($this->text(), $text) ?: null, "the words \"$text\"");
        $this->addToAssertionCount(1);
    }

    protected function notSee(string $text): void
    {
        $this->assertStringNotContainsString($text, $this->text());
    }

    protected function text(): string
    {
        return (string) $this->browser->executeScript('return document.body.innerText');
    }

    /** @param  list<mixed>  $arguments */
    public function asyncScript(string $script, array $arguments = []): mixed
    {
        return $this->browser->executeAsyncScript($script, $arguments);
    }

    /** @param  callable(): bool  $is */
    public function until(callable $is, string $what, int $seconds = 15): void
    {
        $this->wait(fn (): ?bool => $is() ? true : null, $what, $seconds);
        $this->addToAssertionCount(1);
    }

    public function textNow(): string
    {
        return $this->text();
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

    public function script(string $script): mixed
    {
        return $this->browser->executeScript($script);
    }

    protected function press(string ...$keys): void
    {
        $this->browser->getKeyboard()->sendKeys($keys);
    }

    /** A key pressed as long as a finger does: choices answer to an arrow that is still down. */
    protected function hold(string $key): void
    {
        $this->browser->getKeyboard()->pressKey($key);
        usleep(120_000);
        $this->browser->getKeyboard()->releaseKey($key);
    }

    /** Moves on with Tab until what has the focus is called this. */
    protected function tabTo(string $name): void
    {
        for ($n = 0; $n < 120; $n++) {
            $now = $this->browser->executeScript('const a = document.activeElement; return (a?.getAttribute("aria-label") ?? a?.textContent ?? "").trim() || (a?.labels?.[0]?.textContent ?? "").trim();');
            if (str_starts_with((string) $now, $name)) {
                return;
            }
            $this->press(WebDriverKeys::TAB);
        }
        $this->fail("No way to \"$name\" with the Tab key.");
    }

    /** Console errors since the last look. */
    protected function noConsoleErrors(): void
    {
        $errors = array_filter($this->browser->manage()->getLog('browser'), fn (array $line): bool => $line['level'] === 'SEVERE');
        $this->assertSame([], array_values($errors));
    }

    /** Asks axe-core for serious and critical faults by WCAG 2.2 A and AA. */
    protected function accessible(string $where): void
    {
        $this->browser->executeScript((string) file_get_contents(dirname(__DIR__).'/node_modules/axe-core/axe.min.js'));
        $this->browser->manage()->timeouts()->setScriptTimeout(60);
        $this->assertSame([], $this->faultsByAxe(['type' => 'tag', 'values' => ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']]), $where);
    }

    /** The same in the light and in the dark: of what is drawn in the dark, the colours alone are others. */
    protected function accessibleInBoth(string $where): void
    {
        $this->accessible($where);
        $dress = fn (string $scheme): mixed => $this->script("document.documentElement.dataset.scheme = '$scheme'; for (const one of document.getAnimations()) one.finish();");
        $dress('dark');
        $this->assertSame([], $this->faultsByAxe(['type' => 'rule', 'values' => ['color-contrast']]), "$where, in the dark");
        $dress('light');
    }

    /**
     * @param  array{type: string, values: list<string>}  $only
     * @return list<string>
     */
    private function faultsByAxe(array $only): mixed
    {
        return $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; axe.run(document, { runOnly: arguments[0], resultTypes: ["violations"] }).then((r) => done(r.violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => v.id + ": " + v.nodes.map((n) => n.html.slice(0, 160) + " " + (n.failureSummary ?? "").slice(0, 160)).slice(0, 3).join(" | "))), (e) => done([String(e)]));', [$only]);
    }

    /**
     * @template T
     *
     * @param  callable(): ?T  $ask
     * @return T
     */
    protected function wait(callable $ask, string $what, int $seconds = 15): mixed
    {
        $until = microtime(true) + $seconds;
        do {
            try {
                $found = $ask();
                if ($found !== null) {
                    return $found;
                }
            } catch (StaleElementReferenceException) {
                // The page was drawn anew in between: look again.
            }
            usleep(60_000);
        } while (microtime(true) < $until);
        $this->fail("Waited $seconds s for $what at {$this->browser->getCurrentURL()}. The page says: ".mb_strimwidth($this->text(), 0, 600, '…'));
    }

    private function visible(string $css): ?RemoteWebElement
    {
        foreach ($this->browser->findElements(WebDriverBy::cssSelector($css)) as $element) {
            if ($element->isDisplayed()) {
                return $element;
            }
        }

        return null;
    }
}
