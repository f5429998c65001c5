<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;

it('is shown twice: to watch, then to tie along, where a move comes again until the leader goes on', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show/overhand');
    $this->see('Make a loop');
    expect($this->find('[data-testid=stage]')->getAttribute('data-mode'))->toBe('watch');
    $this->press(WebDriverKeys::END);
    $this->see('Hold both strands');
    $this->press(WebDriverKeys::PAGE_DOWN);
    $this->see('Tie along');
    $this->see('Make a loop');
    expect($this->find('[data-testid=stage]')->getAttribute('data-mode'))->toBe('along');
    // The end travels, rests, and travels again.
    $drawn = fn (): string => (string) $this->browser->executeScript('return document.querySelector("[data-testid=stage] [data-testid=knot-picture]").innerHTML');
    $moves = fn (): bool => (bool) $this->wait(function () use ($drawn): ?bool {
        $before = $drawn();
        usleep(150_000);

        return $drawn() !== $before ? true : null;
    }, 'the rope moving');
    expect($moves())->toBeTrue();
    $this->wait(function () use ($drawn): ?bool {
        $before = $drawn();
        usleep(400_000);

        return $drawn() === $before ? true : null;
    }, 'the rope at rest');
    expect($moves())->toBeTrue();
    $this->press('t');
    $this->wait(fn (): ?bool => $this->script('return document.querySelector("[data-testid=stage]").dataset.mode') === 'watch' ? true : null, 'watching again');
    $this->noConsoleErrors();
});

beforeEach(function (): void {
    // What stands behind "More": opened, looked at, and closed again.
    $this->setting = function (string $name, string $attribute): ?string {
        $this->named('More')->click();
        $found = $this->named($name, '[role=menuitem], [role=menuitemcheckbox]')->getAttribute($attribute);
        $this->press(WebDriverKeys::ESCAPE);
        $this->wait(fn (): ?bool => $this->script('return document.querySelector("[role=menu]") === null') ? true : null, 'the menu closed');

        return $found;
    };
    $this->saved = function (): string {
        $this->named('More')->click();
        $file = (string) $this->find('a[download]')->getAttribute('href');
        $this->press(WebDriverKeys::ESCAPE);
        $this->wait(fn (): ?bool => $this->script('return document.querySelector("[role=menu]") === null') ? true : null, 'the menu closed');

        return $file;
    };
});

it('keeps the pace, the words and the side for the meeting', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show/overhand');
    $this->see('Make a loop');
    $this->press('+');
    $this->wait(fn (): ?bool => ($this->setting)('Faster', 'data-disabled') !== null ? true : null, 'the fastest pace');
    $this->press('s', 'v');
    $this->see('Facing the room');
    $this->visit('/show/figure-eight');
    $this->see('Facing the room');
    expect(($this->setting)('Faster', 'data-disabled'))->not->toBeNull();
    expect(($this->setting)('Story', 'aria-checked'))->toBe('true');
    $this->press('-', '-');
    $this->wait(fn (): ?bool => ($this->setting)('Slower', 'data-disabled') !== null ? true : null, 'the slowest pace');
});

it('puts the finished knot beside it, and saves what is shown', function (): void {
    $this->house();
    $this->signIn();
    foreach (['/show/truckers-hitch', '/show/square-lashing'] as $path) {
        $this->visit($path);
        $this->find('[data-testid=knot-picture]');
        $this->press('f');
        expect($this->find('[data-testid=finished]')->getText())->toBe('The finished knot');
        $covers = $this->browser->executeScript('const a = document.querySelector("[data-testid=finished]").getBoundingClientRect(), b = document.querySelector("[data-testid=stage] [data-testid=knot-picture]").getBoundingClientRect(); return !(a.left >= b.right || a.right <= b.left || a.top >= b.bottom || a.bottom <= b.top);');
        expect($covers)->toBeFalse();
        $file = ($this->saved)();
        expect($file)->toContain('step=1');
        $svg = $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; fetch(arguments[0]).then((r) => r.text()).then(done);', [$file]);
        expect((string) $svg)->toStartWith('<svg')->and(simplexml_load_string((string) $svg))->not->toBeFalse();
    }
});

it('draws a bight with both its sides', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show/figure-eight-loop');
    $this->see('Fold the rope double');
    $this->press(WebDriverKeys::ARROW_RIGHT);
    $this->see('Lay the bight over both standing strands');
    // One red end only, the tail: what travels is a bend.
    $ends = fn (): int => (int) $this->browser->executeScript('return document.querySelectorAll("[data-testid=stage] [data-testid=knot-picture] path[stroke=\'var(--whipping)\']").length');
    expect($ends())->toBe(1);
    $this->press(WebDriverKeys::END);
    $this->see('Lay the pairs flat');
    $this->noConsoleErrors();
});

it('is stepped from a phone that knows the code', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show/bowline');
    $this->see('Make a small loop');
    $this->press('c');
    $this->named('Show a code')->click();
    $code = $this->find('[data-testid=phone-code]')->getText();
    $hall = $this->browser->getWindowHandle();
    $this->browser->switchTo()->newWindow();
    $phone = $this->browser->getWindowHandle();
    $this->screen(390, 844);
    $this->visit('/phone');
    $this->field('The code')->sendKeys('WRONG1');
    $this->named('Take the screen')->click();
    $this->see('five tries');
    $this->fill('The code', $code);
    $this->named('Take the screen')->click();
    $this->see('Step 1 of');
    $this->named('Next step')->click();
    $this->see('Step 2 of');
    $this->browser->switchTo()->window($hall);
    $this->see('A phone steps this screen');
    $this->press(WebDriverKeys::ESCAPE);
    $at = fn (string $step): bool => (bool) $this->wait(fn (): ?bool => str_starts_with((string) $this->browser->executeScript('return document.querySelector("[aria-current=step]")?.getAttribute("aria-label")'), $step) ? true : null, "the stage at $step");
    expect($at('Step 2'))->toBeTrue();
    // Both outlast a reload, and the hall may go on by itself.
    $this->browser->navigate()->refresh();
    expect($at('Step 2'))->toBeTrue();
    $this->press(WebDriverKeys::ARROW_RIGHT);
    expect($at('Step 3'))->toBeTrue();
    $this->browser->switchTo()->window($phone);
    $this->browser->navigate()->refresh();
    $this->see('Step 3 of');
    // Turned from the phone, the hall goes into space, and follows.
    $this->accessible('the phone');
    $this->named('Turn right')->click();
    $this->browser->switchTo()->window($hall);
    $side = fn (): string => (string) $this->find('[data-testid=in-space]')->getAttribute('data-side');
    $this->until(fn (): bool => $side() === '58 24', 'the knot turned to the right');
    $this->browser->switchTo()->window($phone);
    $this->named('Tip toward you')->click();
    $this->browser->switchTo()->window($hall);
    $this->until(fn (): bool => $side() === '58 -6', 'its top tipped toward the room');
    $this->press('c');
    $this->named('Take the screen back')->click();
    $this->browser->switchTo()->window($phone);
    $this->see('taken back');
});

it('prints every knot on one page, with its caution', function (string $paper): void {
    $this->house();
    $this->signIn();
    $knots = array_map(fn (array $knot): array => [$knot['id'], $knot['name']], $this->fetched('/api/knots')['knots']);
    foreach ($paper === 'A4' ? $knots : array_slice($knots, 0, 6) as [$id, $name]) {
        $this->goTo("/handout/$id");
        $this->wait(fn (): ?bool => $this->browser->executeScript('return document.querySelector("[data-testid=handout] h1")?.textContent') === $name ? true : null, "the handout of $id");
        $this->named($paper)->click();
        $this->until(fn (): bool => $this->script('return [...document.querySelectorAll("[data-testid=handout] img")].every((one) => one.complete && one.naturalWidth > 0)') === true, "the pictures of $id");
        $cautions = $this->fetched("/api/knots/$id")['cautions'];
        foreach ($cautions as $caution) {
            $this->see($caution);
        }
        $pdf = base64_decode($this->browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', ['cmd' => 'Page.printToPDF', 'params' => ['preferCSSPageSize' => true, 'printBackground' => true]])['data']);
        expect(preg_match_all('~/Type\s*/Page\b(?!s)~', $pdf))->toBe(1, "$id on $paper");
        // Nothing is pushed off the page.
        $fits = $this->browser->executeScript('const page = document.querySelector("[data-testid=handout]"); const edge = page.getBoundingClientRect(); return [...page.querySelectorAll("p, li, h1, h2, svg, img")].every((one) => { const r = one.getBoundingClientRect(); return r.bottom <= edge.bottom + 1 && r.right <= edge.right + 1; });');
        expect($fits)->toBeTrue("$id on $paper");
        $smallest = $this->browser->executeScript('return Math.min(...[...document.querySelectorAll("[data-testid=handout] ol :is(svg, img)")].map((one) => one.getBoundingClientRect().height))');
        expect($smallest)->toBeGreaterThan($paper === 'A5' ? 20 : 40, "$id on $paper");
    }
})->with(['A4', 'A5', 'Letter']);

it('prints cards for a meeting', function (): void {
    $this->house();
    $this->signIn();
    $this->see('Run sheet');
    $this->named('Cards to print')->click();
    $this->see('Cards for meeting 6');
    $this->see('Tail in Practice rope');
    foreach (['A4', 'A5', 'Letter'] as $paper) {
        $this->named($paper)->click();
        $cards = $this->browser->executeScript('return [...document.querySelectorAll("[data-testid=card]")].map((card) => [card.querySelector("h2").textContent, card.querySelector("svg").getBoundingClientRect().height / 96 * 25.4, card.scrollHeight - card.clientHeight, card.parentElement.parentElement.scrollHeight - card.parentElement.parentElement.clientHeight])');
        expect($cards)->not->toBe([]);
        foreach ($cards as [$name, $millimetres, $over, $pageOver]) {
            expect($millimetres)->toBeGreaterThan(24, "the picture of $name on $paper")
                ->and($over)->toBeLessThanOrEqual(1, "the words of $name on $paper")
                ->and($pageOver)->toBeLessThanOrEqual(1, "the page of $name on $paper");
        }
    }
    $this->named('Back')->click();
    $this->see('Run sheet');
    $this->noConsoleErrors();
});

it('finds knots by badge, by what a learner may learn next, and on the map', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show');
    $this->see('Sheet bend');
    $badge = $this->browser->findElement(Facebook\WebDriver\WebDriverBy::xpath('//label[contains(., "Badge")]/select'));
    $this->set($badge, 'Rigger');
    $this->wait(fn (): ?bool => str_contains($this->text(), 'Sheet bend') ? null : true, 'only what the badge wants');
    $this->see('Bowline');
    $this->visit('/show');
    $this->see('Sheet bend');
    $learner = $this->browser->findElement(Facebook\WebDriver\WebDriverBy::xpath('//label[contains(., "May learn next")]/select'));
    $this->wait(fn (): ?bool => count($learner->findElements(Facebook\WebDriver\WebDriverBy::tagName('option'))) > 5 ? true : null, 'the learners');
    $this->set($learner, (string) $learner->findElement(Facebook\WebDriver\WebDriverBy::xpath('./option[. = "Ada P."]'))->getAttribute('value'));
    $this->wait(fn (): ?bool => str_contains($this->text(), 'Trucker’s hitch') ? null : true, 'only what may come next');
    $this->named('Map')->click();
    $this->see('What comes before what');
    $this->named('Slip loop')->click();
    $this->see('More about it: Slip loop');
    // Walked by keys: on to what builds on it, and back to what it needs.
    $this->press(WebDriverKeys::ARROW_RIGHT);
    $this->see('More about it: Trucker’s hitch');
    $this->press(WebDriverKeys::ARROW_LEFT);
    $this->see('More about it: Slip loop');
    $this->press(WebDriverKeys::ARROW_LEFT);
    $this->see('More about it: Overhand knot');
    $this->noConsoleErrors();
});

it('hangs each knot below the one it needs where the map is too wide for the screen', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $this->visit('/map');
    $this->see('Needs two half hitches, too');
    $isIn = fn (string $inner, string $outer): bool => $this->script("const at = (name) => [...document.querySelectorAll('main li')].find((one) => one.querySelector('button')?.innerText.split('\\n')[0] === name); return at('$outer').contains(at('$inner'));") === true;
    expect($isIn('Trucker’s hitch', 'Slip loop'))->toBeTrue()->and($isIn('Slip loop', 'Overhand knot'))->toBeTrue()->and($isIn('Bowline', 'Slip loop'))->toBeFalse();
    $this->named('Bowline')->click();
    // What it is stands right below it, on the screen.
    $more = $this->named('More about it: Bowline');
    expect($more->getLocation()->getY() - $this->named('Bowline')->getLocation()->getY())->toBeLessThan(500);
    $this->named('Bowline')->click();
    $this->wait(fn (): ?bool => str_contains($this->text(), 'More about it') ? null : true, 'the outline alone');
    $this->noConsoleErrors();
});

it('says on a knot’s page what it takes and who wants it', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/knot/clove-hitch');
    $this->see('Wanted by');
    $this->see('Rigger');
    $this->see('Rope it takes: Practice rope, hemp, round a stave of 60 mm');
    $this->named('Handout')->click();
    $this->see('What to look at');
    expect($this->browser->getCurrentURL())->toEndWith('/handout/clove-hitch');
});
