<?php

declare(strict_types=1);

namespace Tests\Support;

use Closure;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\JsonWireCompat;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverKeys;

/** Looks for things on the page as a person would, by their names and words, and waits until they are there. */
trait LooksAtPages
{
    /** So many seconds a state is waited for at the most: a machine that is busy with other things takes its time. */
    private const PATIENCE = 45;

    /** Waits for an element to be there and visible. */
    protected function find(string $css): RemoteWebElement
    {
        return $this->lasting(fn (): RemoteWebElement => $this->wait(fn (): ?RemoteWebElement => $this->visible($css), "an element $css"));
    }

    /**
     * An element that is looked for again when the page is drawn anew under it.
     *
     * @param  Closure(): RemoteWebElement  $find
     */
    private function lasting(Closure $find): RemoteWebElement
    {
        $id = $find()->getID();

        return new RemoteWebElement(new FindsAgain($this->browser, $id, $find), $id, true);
    }

    /** A button or link by what it is called, as a screen reader would say it. */
    protected function named(string $name, string $css = 'button, a, [role=menuitem], [role=radio], input, select, textarea'): RemoteWebElement
    {
        return $this->lasting(fn (): RemoteWebElement => $this->wait(function () use ($name, $css): ?RemoteWebElement {
            foreach ($this->called($name, $css) as $element) {
                if ($element->isDisplayed()) {
                    // Clear of the bar along the bottom of a phone.
                    $this->browser->executeScript('arguments[0].scrollIntoView({ block: "center" })', [$element]);

                    return $this->atRest($element) ? $element : null;
                }
            }

            return null;
        }, "something called \"$name\""));
    }

    /**
     * What goes by a name; asked in one go, as a page may have hundreds of buttons.
     *
     * @return list<RemoteWebElement>
     */
    private function called(string $name, string $css): array
    {
        return $this->elements(<<<'JS'
            const [name, css] = arguments, words = (one) => one.innerText.replaceAll('\u00a0', ' ').trim();
            return [...document.querySelectorAll(css)].filter((one) => one.checkVisibility() && [one.getAttribute('aria-label'), words(one)].includes(name));
            JS, [$name, $css]);
    }

    /**
     * @param  string  $script  that finds elements
     * @param  list<string>  $arguments
     * @return list<RemoteWebElement>
     */
    private function elements(string $script, array $arguments): array
    {
        $ask = new RemoteExecuteMethod($this->browser);

        return array_map(fn (array $one): RemoteWebElement => new RemoteWebElement($ask, JsonWireCompat::getElement($one), true), $this->browser->executeScript($script, $arguments));
    }

    /** Whether it stays where it is from one frame to the next: what still moves is not yet to be clicked. */
    private function atRest(RemoteWebElement $element): bool
    {
        return (bool) $this->browser->executeAsyncScript(<<<'JS'
            const [one, done] = arguments, at = () => { const { x, y, width } = one.getBoundingClientRect(); return [x, y, width].join(); }, before = at();
            const look = () => done(one.isConnected && at() === before);
            if (document.hidden) look(); else requestAnimationFrame(() => requestAnimationFrame(look));
            JS, [$element]);
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

    /** Opens what is folded up under such words; once more where the page moved under the click. */
    protected function unfold(string $words): void
    {
        $this->until(function () use ($words): bool {
            $summary = $this->named($words, 'summary');
            $isOpen = fn (): bool => (bool) $this->browser->executeScript('return arguments[0].closest("details").open', [$summary]);
            $isOpen() || $summary->click();

            return $isOpen();
        }, "what is under \"$words\"");
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

    public function textNow(): string
    {
        return $this->text();
    }

    /** @param  callable(): bool  $is */
    public function until(callable $is, string $what, int $seconds = self::PATIENCE): void
    {
        $this->wait(fn (): ?bool => $is() ? true : null, $what, $seconds);
        $this->addToAssertionCount(1);
    }

    /**
     * @template T
     *
     * @param  callable(): ?T  $ask
     * @return T
     */
    protected function wait(callable $ask, string $what, int $seconds = self::PATIENCE): mixed
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
        $shown = $this->elements('return [...document.querySelectorAll(arguments[0])].filter((one) => one.checkVisibility());', [$css]);
        foreach ($shown as $element) {
            if ($element->isDisplayed()) {
                return $element;
            }
        }

        return null;
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
}
