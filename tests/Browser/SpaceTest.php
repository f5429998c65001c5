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
    // What is grasped goes along with the finger: drawn to the right and down, its front goes to the right and down.
    $side = fn (): array => array_map(intval(...), explode(' ', (string) $this->find(IN_SPACE)->getAttribute('data-side')));
    $this->browser->action()->moveToElement($this->find(IN_SPACE))->clickAndHold()->moveByOffset(0, 40)->release()->perform();
    $this->until(fn (): bool => $side()[0] > 28 && $side()[1] < 24, 'the side it was drawn to');
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
    // A lashing is laid turn by turn on its poles.
    $this->press('d');
    $this->visit('/show/square-lashing');
    $hitch = otherInSpace($this, null, 'the first hitch of a lashing');
    $this->press(WebDriverKeys::PAGE_DOWN);
    $wrap = otherInSpace($this, $hitch, 'its first wrap');
    $this->press(WebDriverKeys::END);
    otherInSpace($this, $wrap, 'the whole lashing');
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
    // Pulled at together, it is said what has become of each, and what that is worth.
    $this->named('Pull')->click();
    $this->see('It held: in ');
    $this->see('It slid: in ');
    $this->see('A teaching model of rope and friction');
    $this->accessible('a mistake that is pulled at');
    $this->named('Let go')->click();
    $this->notSee('It held: in ');
    $this->noConsoleErrors();
});

it('shows last how the right knot looks undressed, and draws the slack out', function (): void {
    $this->visit('/show/square-knot');
    $this->see('Square knot');
    $this->press('w');
    $this->see('Granny knot');
    // Flat, it is drawn; how it looks undressed comes from the server after the mistakes.
    $this->until(fn (): bool => str_contains($this->find('[data-testid=wrong-forms]')->getText(), '1 of 5'), 'the page after the mistakes', 120);
    $this->press(WebDriverKeys::END);
    $this->see('Tied right, and not dressed.');
    $this->until(fn (): bool => $this->script('return document.querySelectorAll("[data-testid=wrong-forms] figure svg").length') === 2, 'tidy and untidy, drawn');
    $this->press('w');
    $this->notSee('Tied right, and not dressed.');
    $this->press('d');
    otherInSpace($this, null, 'the knot in space');
    $this->press('w');
    $this->see('Granny knot');
    $this->until(fn (): bool => str_contains($this->find('[data-testid=wrong-forms]')->getText(), '1 of 6'), 'both faults after the mistakes');
    $this->press(WebDriverKeys::END);
    $this->see('A curl left in');
    $this->press(WebDriverKeys::ARROW_LEFT);
    $this->see('A turn left slack');
    $this->until(fn (): bool => $this->script('return document.querySelectorAll("[data-testid=wrong-forms] [data-testid=in-space] canvas[data-ready=yes]").length') === 2, 'both knots in space');
    $this->accessible('the right knot undressed');
    $this->named('Dress it')->click();
    $this->see('Drawn up');
    $this->notSee('A turn left slack');
    $this->named('As it was')->click();
    $this->see('A turn left slack');
    $this->noConsoleErrors();
});

it('holds up what right looks like where a learner is looked at closer', function (): void {
    $this->screen(390, 844);
    $this->visit('/check/square-knot');
    $this->see('Tail: ');
    $this->lookCloser('Cleo M.');
    $this->named('How right looks')->click();
    $front = otherInSpace($this, null, 'the knot in space');
    $this->see('Turn it until it lies as it does in the hand.');
    $this->script('document.querySelector("[data-testid=in-space]").focus()');
    $this->press(WebDriverKeys::ARROW_RIGHT);
    otherInSpace($this, $front, 'the knot turned');
    $this->accessible('what right looks like');
    $this->noConsoleErrors();
});

it('turns the dressed knot beside the untidy one, with each fault that it is kept with', function (): void {
    $this->screen(390, 844);
    $this->visit('/check/water-knot');
    $this->see('Tail: ');
    $this->lookCloser('Cleo M.');
    $this->named('Turn both')->click();
    $this->see('A turn left slack');
    $ready = fn (): bool => $this->script('return document.querySelectorAll("[data-testid=in-space] canvas[data-ready=yes]").length') === 2;
    $this->until($ready, 'both in space');
    $front = otherInSpace($this, null, 'the dressed knot in space');
    $this->script('document.querySelectorAll("[data-testid=in-space]")[1].focus()');
    $this->press(WebDriverKeys::ARROW_RIGHT);
    otherInSpace($this, $front, 'the dressed knot turned with the other');
    // The slack is drawn out of it, and put back.
    $this->named('Dress it')->click();
    $this->see('Drawn up');
    $this->named('As it was')->click();
    $this->notSee('Drawn up');
    $this->named('Strands crossed')->click();
    $this->until($ready, 'both in space with the other fault');
    // Strands that cross are not drawn straight by pulling.
    $this->notSee('Dress it');
    expect($this->script('return performance.getEntriesByType("resource").filter(({ name }) => name.includes("untidy=crossed")).length'))->toBe(1);
    $this->accessible('tidy beside untidy');
    $this->noConsoleErrors();
});

it('prints the steps of a lashing as they lie round the poles', function (): void {
    $this->visit('/handout/square-lashing');
    $this->see('Second wrap');
    $sources = (array) $this->script('return [...document.querySelectorAll("[data-testid=handout] ol img")].map((one) => new URL(one.src).searchParams).map((one) => [one.get("step"), one.get("ink")])');
    expect($sources)->toBe(array_map(fn (int $step): array => [(string) $step, 'grey'], range(1, 8)));
    $this->until(fn (): bool => $this->script('return [...document.querySelectorAll("[data-testid=handout] img")].every((one) => one.naturalWidth > 0)') === true, 'all pictures');
    $this->accessible('the handout of a lashing');
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
    // On the stage, as far as the rope has come.
    $this->visit('/show/bowline');
    $this->see('Bowline');
    $this->press('d');
    $this->until(fn (): bool => str_contains($picture(), 'step=1'), 'the first step as a picture');
    $this->press(WebDriverKeys::PAGE_DOWN);
    $this->until(fn (): bool => str_contains($picture(), 'step=2'), 'the second');
});
