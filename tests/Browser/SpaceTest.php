<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\BrowserCase;

const IN_SPACE = '[data-testid=in-space]';

/** What is drawn, as the dots of the picture; null until it is. */
function seenInSpace(BrowserCase $test): ?string
{
    $picture = $test->script(<<<'JS'
        const canvas = document.querySelector("[data-testid=in-space] canvas[data-ready=yes]");
        if (!canvas) return null;
        const root = document.documentElement, small = new OffscreenCanvas(80, 60).getContext("2d");
        // A change of colours has it drawn anew at once; what is drawn can be read until it is shown.
        root.dataset.scheme = root.dataset.scheme ?? "light";
        return Promise.resolve().then(() => {
            small.drawImage(canvas, 0, 0, 80, 60);
            const dots = small.getImageData(0, 0, 80, 60).data;
            return dots.some((value) => value > 0) ? [...dots].map((value) => (value >> 4).toString(16)).join("") : null;
        });
    JS);

    return is_string($picture) ? $picture : null;
}

/** Waits until something is drawn that differs from what was. */
function otherInSpace(BrowserCase $test, ?string $than, string $what): string
{
    $seen = null;
    $test->until(function () use ($test, $than, &$seen): bool {
        $seen = seenInSpace($test);

        return $seen !== null && $seen !== $than;
    }, $what);

    return (string) $seen;
}

beforeEach(function (): void {
    $this->house();
    $this->signIn();
});

it('turns a knot in the hand: by keys, by a finger, and back', function (): void {
    $this->visit('/knot/bowline');
    $front = otherInSpace($this, null, 'the knot in space');
    $this->accessible('a knot in space');
    expect($this->find(IN_SPACE)->getAttribute('aria-label'))->toContain('Bowline');
    $this->script('document.querySelector("[data-testid=in-space]").focus()');
    $this->press(WebDriverKeys::ARROW_RIGHT);
    $turned = otherInSpace($this, $front, 'the knot turned');
    $this->press(WebDriverKeys::ARROW_DOWN);
    otherInSpace($this, $turned, 'the knot turned down');
    $this->named('Turn it back')->click();
    $this->until(fn (): bool => seenInSpace($this) === $front, 'the same picture as before');
    // A finger drawn across.
    $this->browser->action()->moveToElement($this->find(IN_SPACE))->clickAndHold()->moveByOffset(70, 0)->release()->perform();
    otherInSpace($this, $front, 'the knot turned by hand');
    $this->press('0');
    $this->until(fn (): bool => seenInSpace($this) === $front, 'turned back by a key');
    // Drawn up and let out.
    $this->script('document.querySelector("[data-testid=in-space] ~ figcaption input[type=range]").focus()');
    $this->press(WebDriverKeys::HOME);
    $loose = otherInSpace($this, $front, 'the knot loose');
    $this->press(WebDriverKeys::END);
    $this->until(fn (): bool => seenInSpace($this) === $front, 'the knot tight again');
    expect($loose)->not->toBe($front);
    $this->noConsoleErrors();
});

it('steps through a knot in space, and stays in space for the evening', function (): void {
    $this->visit('/show/sheet-bend');
    $this->see('Sheet bend');
    $this->press('d');
    $first = otherInSpace($this, null, 'the first step in space');
    $this->press(WebDriverKeys::PAGE_DOWN);
    $second = otherInSpace($this, $first, 'the second step');
    $this->press(WebDriverKeys::END);
    otherInSpace($this, $second, 'the last step');
    $this->accessible('a step in space');
    $this->visit('/show/overhand');
    otherInSpace($this, null, 'another knot in space');
    $this->press('d');
    $this->until(fn (): bool => $this->script('return document.querySelector("[data-testid=in-space]") === null') === true, 'the flat drawing');
    // A lashing is not kept in space: it is drawn flat, and nothing offers otherwise.
    $this->press('d');
    $this->visit('/show/square-lashing');
    $this->find('[data-testid=knot-picture]');
    $this->notSee('In space');
    $this->noConsoleErrors();
});

it('turns the right knot and what a mistake makes of it together', function (): void {
    $this->visit('/show/square-knot');
    $this->see('Square knot');
    $this->press('d');
    otherInSpace($this, null, 'the knot in space');
    $this->press('w');
    $this->see('Granny knot');
    $sides = fn (): mixed => $this->script('return [...document.querySelectorAll("[data-testid=wrong-forms] [data-testid=in-space]")].filter((one) => one.querySelector("canvas[data-ready=yes]")).map((one) => one.dataset.side)');
    $this->until(fn (): bool => count((array) $sides()) === 2, 'both knots in space');
    $before = $sides();
    $this->script('document.querySelector("[data-testid=wrong-forms] [data-testid=in-space]").focus()');
    $this->press(WebDriverKeys::ARROW_RIGHT);
    $this->until(fn (): bool => $sides() !== $before, 'both turned');
    expect(array_unique((array) $sides()))->toHaveCount(1);
    $this->accessible('a mistake in space');
    $this->noConsoleErrors();
});

it('turns without a network what was turned before, and draws from one side where it cannot turn', function (): void {
    $this->workerInCharge();
    $this->visit('/knot/clove-hitch');
    otherInSpace($this, null, 'the knot in space');
    $this->until(fn (): bool => $this->script('return caches.match("/api/knots/clove-hitch/space?method=wrapped").then((kept) => kept !== undefined)') === true, 'the knot kept');
    $this->offline(true);
    $this->browser->navigate()->refresh();
    otherInSpace($this, null, 'the knot in space without a network');
    $this->offline(false);
    // No means to draw: the server's picture.
    $this->devtools('Page.addScriptToEvaluateOnNewDocument', ['source' => 'HTMLCanvasElement.prototype.getContext = () => null;']);
    $this->visit('/knot/bowline');
    $picture = fn (): string => (string) $this->find(IN_SPACE.' img')->getAttribute('src');
    expect($picture())->toContain('/api/knots/bowline/space.svg');
    $this->until(fn (): bool => $this->script('return document.querySelector("[data-testid=in-space] img").naturalWidth > 0') === true, 'the picture');
    $side = $picture();
    $this->script('document.querySelector("[data-testid=in-space]").focus()');
    $this->press(WebDriverKeys::ARROW_LEFT);
    $this->until(fn (): bool => $picture() !== $side, 'the picture from another side');
});
